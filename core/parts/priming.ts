import { type Draft, speed, temperature } from './drafts'
import { check, type CheckItem } from '../record/looked'
import { ceilingOf } from '../house/limits'
import type { Sheet } from '../record/schema'
import { part } from './part'
import { reading } from './reading'

const fixed = (dimension: Draft['dimension'], fallback: number, sigma: number, plausible: [number, number]): Draft => ({
  dimension,
  fallback,
  fallbackSigma: 0,
  sigma,
  plausible,
  wanted: false,
})
const read: Draft = { dimension: 'pressure', sigma: 5e3, plausible: [0, 1.5e6], wanted: false }
const LITRE = 1e-3

/** How an engine is primed, and what its gauge then read. */
export const priming = part({
  name: 'priming',
  fitted: () => true,
  readings: [
    reading('prime', 'prime.drillSpeed', 'Drill speed at the pump', { ...speed(450, [50, 3000]), wanted: false }),
    reading('prime', 'prime.oilTemperature', 'Oil temperature', { ...temperature(15, [-30, 60]), wanted: false }),
    reading('prime', 'prime.tankPressure', 'Tank pressure', fixed('pressure', 3e5, 10e3, [0.3e5, 8e5])),
    reading(
      'prime',
      'prime.tankVolume',
      'Oil in the tank',
      fixed('volume', 3 * LITRE, 0.05 * LITRE, [0.05 * LITRE, 60 * LITRE]),
    ),
    reading('prime', 'prime.burst', 'Starter burst', fixed('duration', 10, 1, [1, 30])),
    reading('prime', 'prime.rest', 'Rest between bursts', fixed('duration', 30, 1, [0, 600])),
    reading(
      'prime',
      'prime.poured',
      'Poured in at the port',
      fixed('volume', 0.5 * LITRE, 0.05 * LITRE, [0.02 * LITRE, 20 * LITRE]),
    ),
    reading('prime', 'prime.checkPressure', 'Check prime, reading at the gauge', read),
    reading('prime', 'prime.pressure', 'Reading at the gauge', read),
  ],
  values: () => ({}),
  choices: () => ['prime.method', 'prime.filter', 'prime.port', 'prime.direction'],
  checks: () => [...STEPS, ...TURNS, WEEPS],
  judged: (sheet) => {
    const pressure = ['prime.pressure', 'prime.checkPressure']
      .map((key) => sheet.readings[key]?.value)
      .find((value) => value !== undefined)
    return pressure !== undefined && pressure > primeCeiling(sheet)
      ? [{ station: 'prime', verdict: 'stop', about: 'prime read over the limit of filter and seals' }]
      : []
  },
})

/** Highest that a gauge may show while an engine is primed, Pa: the maker's, else the house's with cold oil. */
export function primeCeiling(sheet: Pick<Sheet, 'readings' | 'house' | 'use'>): number {
  return ceilingOf(sheet, 'crankingCold')
}

const step = (key: string, label: string, methods?: CheckItem['methods']): CheckItem =>
  check('prime', `prime.${key}`, label, undefined, { group: 'step', ...(methods ? { methods } : {}) })
const STEPS = [
  step('filled', 'Oil in, enough to prime with'),
  step('packed', 'Pump packed with assembly lubricant', ['drill', 'starter', 'hand']),
  step('gauge', 'Mechanical gauge on the gauge port, or on a tee beside it'),
  step('drill', 'Drill on the pump drive: engaged, direction checked', ['drill']),
  step('tankPort', 'Tank’s adaptor and thread fit a port that leaves the gauge its own', ['tank']),
  step('tankSafe', 'Tank’s plate, relief and gauge looked at', ['tank']),
  step('handPort', 'Filled at its port until it drips, port closed', ['hand']),
  step('noSpark', 'Ignition and fuel disabled, and tried', ['starter', 'hand']),
  step('plugsOut', 'Plugs out, a little oil down the bores', ['starter', 'hand']),
]
const TURNS = [90, 180, 270, 360, 450, 540, 630, 720].map((turn) =>
  check('prime', `prime.crank${turn}`, `${turn}°`, undefined, { group: 'crank' }),
)
export const WEEP = 'A weep at standstill is a leak at work. Reseal it.'
const WEEPS = check('prime', 'prime.weeps', 'No weeps at plugs and filter', WEEP, { group: 'outlet' })
