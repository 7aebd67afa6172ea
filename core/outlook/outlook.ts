import type { Sheet } from '../build/schema'
import { bearingsOf } from '../build/clearances'
import { oilAt } from '../oil/oil'
import { judge, type StateName, type Target, targetOf, type Verdict } from '../targets/targets'
import { type Band, pressureBands, type Share, varianceShares } from './band'
import { type Model, modelOf } from './model'
import { namedStates, type NamedState, STATE_LABELS } from './states'

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
  /** Suction at the pump inlet in each state, Pa below the air, and whether the pump starves there. */
  suction: { name: StateName; loss: number; starves: boolean }[]
}

/** Samples behind a band shown while typing, and one that is quoted. */
export const QUICK_SAMPLES = 60
export const FULL_SAMPLES = 1000

/** The outlook of a sheet: gauge pressure at the four states with bands, judged, and what the bands are made of. */
export function outlookOf(sheet: Sheet, samples = QUICK_SAMPLES): Outlook {
  const model = modelOf(sheet)
  const states = namedStates(sheet)
  const bands = pressureBands(model, states, samples)
  const idleHot = states.find((state) => state.name === 'idleHot')!
  return {
    states: states.map((state, i) => stateOutlook(model, state, bands[i])),
    assumed: varianceShares(model, idleHot).filter((share) => share.assumed && share.share > 0.004),
    suction: states.map((state) => suctionAt(model, state)),
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
  return {
    ...band, name: state.name, label: STATE_LABELS[state.name], speed: state.speed, temperature: state.temperature, target, pumpable,
    verdict: pumpable ? judge(band.pressure, band.low, band.high, target) : 'stop',
  }
}

/** Suction at the pump inlet: a pump starves once dissolved air comes out, at 30 kPa below the air. */
function suctionAt(model: Model, state: NamedState): { name: StateName; loss: number; starves: boolean } {
  const { circuit } = model.engine
  model.engine.gauge(model.values, state, oilAt(model.oil, state.temperature))
  const loss = -circuit.pressures[circuit.indexOf('pump inlet')]
  return { name: state.name, loss, starves: loss > 30e3 }
}
