import { withoutFitted } from '../parts/reliefBench'
import type { Sheet } from '../record/schema'
import { requireValue } from '../engine/values'
import type { OilFigures } from '../oil/blend'
import { judge } from '../quantity/verdict'
import { bandOf, pressureBands, type Ranged, rangeOf, sampleReadings } from './band'
import type { StateReadings } from './change'
import { gaugePressure, type Model, modelOf, isClearance, setInputs } from './model'
import { targetAt } from './outlook'
import type { CandidatePump } from './pumps'
import { withPump } from './pumps'
import { powerOf } from './pumpLoad'
import { momentAt, namedStates, speedsOver } from './states'

/** What is tried on a copy of a build: whatever is not named stays as it is recorded. */
export interface TriedChange {
  spring?: { springRate: number; freeLength: number; solidLength?: number }
  /** All shims together, m. */
  shims?: number
  oil?: OilFigures
  /** Fuel in the oil, share by volume; viscosity of the used oil over a new one's. */
  dilution?: number
  ageing?: number
  pump?: Omit<CandidatePump, 'id' | 'label'>
  /** All mains, all rods looser by so much, m; tighter where negative. */
  mains?: number
  rods?: number
  /** Any other reading, by its key, SI. */
  readings?: Record<string, number>
}

export interface TriedOutlook {
  states: StateReadings
  /** Pump's shaft power at working speed, hot, W. */
  power: Ranged
  /** Gauge pressure over speed with hot oil: rev/s, Pa. */
  speeds: number[]
  pressures: number[]
  /** Band of that curve at a few of the speeds. */
  band: { speed: number; low: number; high: number }[]
}

const SAMPLES = 40
const POINTS = 20
/** Every how many of the points the curve's band is drawn. */
const BAND_EVERY = 5

/** The sheet with what is tried written into it, as far as a sheet has a place for it. */
export function triedSheet(
  sheet: Sheet,
  { spring, shims, oil, dilution, ageing, pump, readings: others = {} }: TriedChange,
): Sheet {
  let tried = pump ? withPump(sheet, pump) : sheet
  const readings: Sheet['readings'] = { ...tried.readings }
  const put = (key: string, value: number | undefined) =>
    value !== undefined && (readings[key] = { value, source: 'measured' })
  if (spring) {
    for (const field of ['benchPressure', 'benchShims', 'benchInstalled']) delete readings[`relief.${field}`]
    put('relief.springRate', spring.springRate)
    put('relief.freeLength', spring.freeLength)
    put('relief.solidLength', spring.solidLength)
  }
  put('relief.shims', shims)
  for (const [key, value] of Object.entries(others)) put(key, value)
  tried = { ...tried, readings, ...(spring ? { benches: withoutFitted(tried, 'relief') } : {}) }
  const fill: Sheet['oil'] = {
    ...(oil ? { grade: tried.oil.grade, figures: oil } : tried.oil),
    ...(dilution === undefined ? {} : { dilution }),
    ...(ageing === undefined ? {} : { ageing }),
  }
  return { ...tried, oil: fill }
}

/** The model of what is tried: clearances too, which a sheet has only by what was measured. */
export function triedModel(sheet: Sheet, change: TriedChange): Model {
  const model = modelOf(triedSheet(sheet, change))
  const looser: Record<string, number> = { main: change.mains ?? 0, rod: change.rods ?? 0 }
  if (change.mains || change.rods) setInputs(model, isClearance, (now, { set }) => Math.max(5e-6, now + looser[set!]))
  return model
}

/** What the gauge would say with what is tried, what it would cost at the drive, and its curve with hot oil. */
export function triedOutlook(sheet: Sheet, change: TriedChange): TriedOutlook {
  const model = triedModel(sheet, change)
  const states = namedStates(model.sheet)
  const working = states.find(({ name }) => name === 'workingHot')!
  const sampled = sampleReadings(model, states, SAMPLES, [(solved) => powerOf(solved, working)])
  const bands = sampled.map(([gauge]) => bandOf(gauge))
  const hot = requireValue(model.sheet, 'brief.hotOil').value
  const speeds = speedsOver(model.sheet, POINTS)
  const pressures = speeds.map((speed) => gaugePressure(model, momentAt(model.sheet, speed, hot)))
  const few = speeds.filter((_, i) => i % BAND_EVERY === 0 || i === POINTS - 1)
  const curve = pressureBands(
    model,
    few.map((speed) => momentAt(model.sheet, speed, hot)),
    SAMPLES,
  )
  return {
    states: Object.fromEntries(
      states.map((state, i) => [
        state.name,
        {
          ...bands[i],
          verdict: judge(bands[i].pressure, bands[i].low, bands[i].high, targetAt(model.sheet, model.oil, state)),
        },
      ]),
    ) as StateReadings,
    power: rangeOf(sampled[states.indexOf(working)][1]),
    speeds,
    pressures,
    band: curve.map(({ low, high }, i) => ({ speed: few[i], low, high })),
  }
}
