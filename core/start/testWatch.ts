import type { Expectation } from './expectation'
import { prepareWatch } from './watch'
import type { WatchRules } from './watchRules'
import type { Assessment, RunSample, Watch } from './watchTypes'

/** Round marks, so that each can be stood on from both sides. */
export const RULES: WatchRules = {
  cranking: 3,
  firing: 5,
  speeds: [10, 80],
  temperatures: [-5, 100],
  deadline: 5,
  ceilingCold: 9e5,
  ceilingHot: 9e5,
  loss: 30e3,
  outOfBand: 8,
  falling: 0.3,
}
/** The same at every speed and temperature: 2.4 to 3.6 bar, so that a stop lies under 1.52 and half of the lower edge at 1.2 bar. */
const grid = (value: number) => Float64Array.from([value, value, value, value])
export const FLAT: Expectation = {
  speeds: [10, 80],
  temperatures: [-5, 100],
  pressure: grid(3e5),
  low: grid(2.4e5),
  high: grid(3.6e5),
}
export const LEAST = 3e5 - 2.2 * 0.6e5 - 16e3

/** Readings every `every` s from `from` up to and with `to`; the last assessment. */
export function feed(
  watch: Watch,
  from: number,
  to: number,
  sample: Partial<RunSample> | ((time: number) => Partial<RunSample>),
  every = 0.1,
): Assessment {
  let seen: Assessment | undefined
  for (let i = 0; from + i * every <= to + 1e-9; i++) {
    const time = from + i * every
    seen = watch.take({ time, ...(typeof sample === 'function' ? sample(time) : sample) })
    if (seen.stop) break
  }
  return seen!
}
/** A watch whose engine fired at nought by a hand's word and has had its pressure since. */
export function running(rules: Partial<WatchRules> = {}, model: Expectation | undefined = FLAT, until = 1): Watch {
  const watch = prepareWatch({ ...RULES, ...rules }, model)
  watch.fired(0)
  feed(watch, 0, until, { pressure: 3e5, speed: 15, temperature: 20 })
  return watch
}
export const GOOD = { pressure: 3e5, speed: 15, temperature: 20 }
