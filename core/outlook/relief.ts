import { reliefValve } from '../build/inputs'
import type { Sheet } from '../build/schema'
import { oilAt } from '../oil/oil'
import { bindMargin, flowStartPressure, fullFlowPressure, liftAt, openingPressure, shimEffect } from '../relief/valve'
import { gaugePressure, modelOf } from './model'
import { namedStates } from './states'

export interface ReliefSummary {
  /** Plunger leaves its seat, Pa. */
  opens: number
  /** Flow starts once the overlap is passed, Pa. */
  flows: number
  /** What the valve settles at with the pump's flow of working speed, cold, Pa; undefined if the port cannot pass it. */
  fullFlowCold?: number
  bindMargin?: number
  /** One tenth of a millimetre of shim, Pa. */
  perTenth: number
  /** Lift at hot idle and hot working speed, m: nothing at idle means that the valve cannot move idle. */
  liftIdle: number
  liftWorking: number
}

/** What the relief valve of a sheet does. */
export function reliefSummary(sheet: Sheet, name: 'relief' | 'relief2' = 'relief'): ReliefSummary {
  const model = modelOf(sheet)
  const valve = reliefValve(sheet, name)
  const states = namedStates(sheet)
  const cold = oilAt(model.oil, states[1].temperature)
  const flow = model.values.displacement * model.values.driveRatio * states[3].speed
  const upstream = (index: number) => {
    gaugePressure(model, states[index])
    const { circuit, layout } = model.engine
    return circuit.pressures[circuit.indexOf(name === 'relief' ? 'pump outlet' : `gallery ${layout.mains}`)]
  }
  let fullFlowCold: number | undefined
  try {
    fullFlowCold = fullFlowPressure(valve, flow, cold.density, cold.viscosity)
  } catch (error) {
    if (!(error instanceof RangeError)) throw error
  }
  return {
    opens: openingPressure(valve), flows: flowStartPressure(valve), fullFlowCold, bindMargin: bindMargin(valve),
    perTenth: shimEffect(valve, 1e-4), liftIdle: liftAt(valve, upstream(2)), liftWorking: liftAt(valve, upstream(3)),
  }
}
