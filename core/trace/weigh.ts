import type { Sheet } from '../record/schema'
import { runningOf, beforeItRan, runningAt } from './moments'
import { priorOf } from './priors'
import { recordSays, type RecordSays } from './record'
import type { Simulated } from './simulated'
import { lineFor } from './tables'
import {
  type Cause,
  type Observation,
  type Observed,
  OBSERVATIONS,
  type TraceCase,
  type TraceReading,
} from './vocabulary'

/** A cause with how likely it is now. */
export interface WeighedCause {
  cause: Cause
  probability: number
  /** How likely it is that the pump brings oil all the same, and that a lamp is lit, with this cause. */
  brings: number
  lampOn: number
}

/** Chance that with a cause no oil is brought at all: before the engine has run, and once it runs. Uldo's own estimates. */
const BRINGS_NONE: Partial<Record<Cause, [before: number, running: number]>> = {
  'no-oil': [0.97, 0.9],
  undriven: [1, 1],
  'wrong-way': [1, 1],
  'dry-pump': [0.97, 0.95],
  'air-lock': [0.97, 0.95],
  'pickup-air': [0.5, 0.12],
  'cover-leak': [0.35, 0.08],
  'screen-blocked': [0.25, 0.08],
  'pump-worn': [0.12, 0.03],
  'relief-open': [0.1, 0.02],
  'plug-out': [0.06, 0.02],
  'gallery-blocked': [0.15, 0.1],
  uncovered: [0.1, 0.2],
  'by-design': [0.005, 0.002],
  'lamp-only': [0.005, 0.002],
}
const USUALLY_BRINGS = 0.02

/** A lamp goes out at about so much, Pa. */
const LAMP = 35e3
const LAMP_SPREAD = 12e3
/** A lamp that flickers sees a pressure near its switch's. */
const FLICKERS = 0.35

/** What a gauge reads is out by so much of it and so many Pa: the gauge, the speed and temperature it was read at, and the model. */
const OF_READING = 0.06
const OF_GAUGE = 10e3
/** What no cause explains is still read now and then, each Pa of eight bar as likely: a slip, a wrong unit. */
const SLIP = 0.004 / 8e5

/** Density of reading `read` where the gauge should show `pressure`, both Pa: a t distribution of four degrees, since readings stray. */
function density(read: number, pressure: number): number {
  const sigma = Math.hypot(OF_READING * pressure, OF_GAUGE)
  const z = (read - pressure) / sigma
  return (0.375 * (1 + (z * z) / 4) ** -2.5) / sigma + SLIP
}

const lit = (pressure: number) => 1 / (1 + Math.exp((1.7 * (pressure - LAMP)) / LAMP_SPREAD))

/** Chance of what a lamp shows at a pressure, Pa. */
function lampChance(shown: NonNullable<Observed['lamp']>, pressure: number): number {
  const on = lit(pressure)
  const between = 4 * on * (1 - on) * FLICKERS
  const flickers = 0.02 + 0.98 * between
  if (shown === 'flickers') return flickers
  return (1 - flickers) * (0.02 + 0.96 * (shown === 'on' ? on : 1 - on))
}

/** Moments that a case asks the simulation for: its own, then each reading's. */
export const momentsOf = (sheet: Sheet, { moment, readings }: Pick<TraceCase, 'moment' | 'readings'>) => [
  runningAt(sheet, moment),
  ...readings.map((reading) => runningOf(sheet, reading, moment)),
]

const isMechanical = (reading: TraceReading, observed: Observed) =>
  (reading.with ?? observed['gauge-kind'] ?? 'sender') === 'mechanical'

/** What each cause makes of the tables' observations, with oil brought and without. */
function tableChance(cause: Cause, brings: boolean, observed: Observed): number {
  let chance = 1
  for (const [key, value] of Object.entries(observed) as [Observation, string][])
    if (key !== 'lamp') chance *= chanceOf(key, value, cause, brings)
  return chance
}

/** Chance of an observation under a cause. */
export function chanceOf(key: Exclude<Observation, 'lamp'>, value: string, cause: Cause, brings: boolean): number {
  return lineFor(key, cause, brings).chances[(OBSERVATIONS[key] as readonly string[]).indexOf(value)]
}

/**
 * Weighs every cause by what was read and seen (Bayes): the prior of its context, what the record says, the likelihood of the
 * gauge's readings among the simulated engines with that cause, and the tables' of all else, whether or not it lets the pump
 * bring oil. Sums to one; the likeliest first.
 *
 * @param priors factors on the priors by what the shop's own cases found
 */
export function weigh(
  sheet: Sheet,
  simulated: Simulated,
  traced: TraceCase,
  priors: Partial<Record<Cause, number>> = {},
  said: RecordSays[] = recordSays(sheet, traced),
): WeighedCause[] {
  const weighed = simulated.causes.map((cause) => {
    const prior =
      priorOf(cause, traced.context, traced.stoodDays) *
      (priors[cause] ?? 1) *
      said.reduce((factor, each) => (each.causes.includes(cause) ? factor * each.factor : factor), 1)
    const { likelihood, brings, lampOn } = likelihoodOf(simulated, cause, traced)
    return { cause, probability: prior * likelihood, brings, lampOn }
  })
  const all = weighed.reduce((sum, { probability }) => sum + probability, 0) || 1
  return weighed
    .map((each) => ({ ...each, probability: each.probability / all }))
    .sort((a, b) => b.probability - a.probability)
}

/** How likely a case's readings and observations are with a cause. */
export function likelihoodOf(simulated: Simulated, cause: Cause, { moment, readings, observations }: TraceCase) {
  const { samples, pressures } = simulated
  const none = (BRINGS_NONE[cause] ?? [USUALLY_BRINGS, USUALLY_BRINGS / 2])[beforeItRan(moment) ? 0 : 1]
  const shown = observations.lamp
  /** A lamp at fault is lit whatever there is. */
  const lamp = (pressure: number) => (shown === undefined ? 1 : lampChance(shown, cause === 'lamp-only' ? 0 : pressure))
  const own = pressures[cause]
  const sound = pressures['by-design']
  const mechanical = readings.map((reading) => isMechanical(reading, observations))
  let without = lamp(0)
  for (const { pressure } of readings) without *= density(pressure, 0)
  let sum = 0
  let on = 0
  for (let s = 0; s < samples; s++) {
    const true0 = cause === 'sender-low' ? sound[s] : own[s]
    let chance = lamp(true0)
    for (let r = 0; r < readings.length; r++) {
      const at = (r + 1) * samples + s
      chance *= density(readings[r].pressure, cause === 'sender-low' && mechanical[r] ? sound[at] : own[at])
    }
    sum += chance
    on += chance * (cause === 'lamp-only' ? 0.96 : lit(true0))
  }
  const dry = none * without * tableChance(cause, false, observations)
  const wet = (1 - none) * (sum / samples) * tableChance(cause, true, observations)
  const likelihood = dry + wet
  const brings = likelihood > 0 ? wet / likelihood : 1 - none
  const lampWet = sum > 0 ? on / sum : 0
  return { likelihood, brings, lampOn: brings * lampWet + (1 - brings) * 0.97 }
}
