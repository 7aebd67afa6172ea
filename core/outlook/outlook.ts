import type { Sheet } from '../build/schema'
import { bearingsOf } from '../build/clearances'
import { oilAt } from '../oil/oil'
import { STARVES } from '../pump/fill'
import { judge, type StateName, type Target, targetOf, type Verdict } from '../targets/targets'
import { type Band, bandOf, rangeOf, sampleReadings, type Share, varianceShares } from './band'
import { type Model, modelOf } from './model'
import { namedStates, type NamedState, STATE_LABELS } from './states'
import { suctionOf } from './suction'

export interface StateOutlook extends Band {
  name: StateName
  label: string
  /** rev/s */
  speed: number
  /** °C */
  temperature: number
  target: Target
  verdict: Verdict
  /** False when the oil is below its pumping limit there: nothing is predicted. */
  pumpable: boolean
}

export interface Outlook {
  states: StateOutlook[]
  /** What is assumed and not measured, with its share of the hot-idle band, largest first. */
  assumed: Share[]
  /** Suction at the pump inlet in each state, Pa below the air, with 5 and 95 percent, and whether the pump starves there. */
  suction: { name: StateName; loss: number; low: number; high: number; starves: boolean }[]
}

/** Samples behind a band shown while typing, and one that is quoted. */
export const QUICK_SAMPLES = 60
export const FULL_SAMPLES = 1000

/** The outlook of a sheet: gauge pressure at the four states with bands, judged, and what the bands are made of. */
export function outlookOf(sheet: Sheet, samples = QUICK_SAMPLES): Outlook {
  const model = modelOf(sheet)
  const states = namedStates(sheet)
  const sampled = sampleReadings(model, states, samples, [suctionOf])
  const idleHot = states.find((state) => state.name === 'idleHot')!
  return {
    states: states.map((state, i) => stateOutlook(model, state, bandOf(sampled[i][0]))),
    assumed: varianceShares(model, idleHot).filter((share) => share.assumed && share.share > 0.004),
    suction: states.map(({ name }, i) => {
      const { best, low, high } = rangeOf(sampled[i][1])
      return { name, loss: best, low, high, starves: best > STARVES }
    }),
  }
}

/** Target of a state for a sheet. */
export function targetAt(sheet: Sheet, oil: Model['oil'], state: { name: StateName; speed: number; temperature: number }): Target {
  const mains = bearingsOf(sheet, 'main')
  const largest = Math.max(...mains.map((record) => record.diameter))
  return targetOf(sheet, state, largest, oilAt(oil, state.temperature).density)
}

function stateOutlook(model: Model, state: NamedState, band: Band): StateOutlook {
  const target = targetAt(model.sheet, model.oil, state)
  const pumpable = oilAt(model.oil, state.temperature).pumpable
  // A gauge says nothing under nothing, whatever a spinning crank draws from an empty gallery.
  const [pressure, low, high] = [band.pressure, band.low, band.high].map((each) => Math.max(0, each))
  return {
    pressure, low, high, name: state.name, label: STATE_LABELS[state.name], speed: state.speed, temperature: state.temperature, target, pumpable,
    verdict: pumpable ? judge(pressure, low, high, target) : 'stop',
  }
}
