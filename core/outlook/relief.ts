import type { ValveField, ValveName } from '../parts/reliefReadings'
import { pipeLoss } from '../circuit/pipe'
import { elementOf } from '../parts/circuitBuilder'
import { limitOf } from '../house/makerLimits'
import { openingOf, reliefValve } from '../parts/reliefRecord'
import type { Sheet } from '../record/schema'
import { requireValue, recorded } from '../engine/values'
import { oilAt } from '../oil/oil'
import { type OfferedSpring, type Route, routesTo } from '../relief/routes'
import { bindMargin, flowStartPressure, fullFlowPressure, liftAt, openingPressure, shimEffect } from '../relief/valve'
import { STATE_NAMES, type StateName } from '../targets/targets'
import { gaugePressure, type Model, modelOf } from './model'
import { sensitivities } from './sensitivity'
import { namedStates } from './states'

export interface ReliefSummary {
  /** Plunger leaves its seat, Pa, with its standard uncertainty. */
  opens: number
  opensSigma: number
  /** Flow starts once the overlap is passed, Pa. */
  flows: number
  /** What the valve settles at with the pump's flow of working speed, cold, Pa; undefined if the port cannot pass it. */
  fullFlowCold?: number
  bindMargin?: number
  /** One tenth of a millimetre of shim, Pa. */
  perTenth: number
  /** Lift at each state, m: zero at idle means that the valve cannot move idle. */
  lift: Record<StateName, number>
}

/** A valve's element in the circuit. */
const elementNamed = (name: ValveName) => (name === 'relief' ? 'relief' : 'gallery relief')

/** Pressure across a valve as the circuit was solved last, Pa: its spring's side is vented to the return. */
function across({ engine: { circuit, plan } }: Model, name: ValveName): number {
  const { from, to } = elementOf(plan, elementNamed(name), 'relief')
  return circuit.pressures[circuit.indexOf(from)] - circuit.pressures[circuit.indexOf(to)]
}

/** What all the pump gives at working speed is, m³/s, the cold oil that it then is, and what a valve's return holds back of it, Pa. */
function coldFlow(model: Model, name: ValveName) {
  const states = namedStates(model.sheet)
  const { density, viscosity } = oilAt(model.oil, states[1].temperature)
  const flow = model.values.pump.displacement * model.values.pump.driveRatio * states[3].speed
  const passage = {
    ...elementOf(model.engine.plan, `${elementNamed(name)} return passage`, 'pipe'),
    length: model.values[name]!.returnLength,
    diameter: model.values[name]!.returnBore,
  }
  return { flow, density, viscosity, back: pipeLoss(passage, flow, { density, viscosity }) }
}

/** What the relief valve of a sheet does. */
export function reliefSummary(sheet: Sheet, name: ValveName = 'relief'): ReliefSummary {
  const model = modelOf(sheet)
  const valve = reliefValve(model.sheet, name)
  const lift = Object.fromEntries(
    namedStates(sheet).map((state) => {
      gaugePressure(model, state)
      return [state.name, liftAt(valve, across(model, name))]
    }),
  ) as Record<StateName, number>
  let fullFlowCold: number | undefined
  try {
    const { flow, density, viscosity, back } = coldFlow(model, name)
    fullFlowCold = fullFlowPressure(valve, flow, density, viscosity) + back
  } catch (error) {
    if (!(error instanceof RangeError)) throw error
  }
  return {
    opens: openingPressure(valve),
    opensSigma: openingOf(model.sheet, name).sigma,
    flows: flowStartPressure(valve),
    fullFlowCold,
    bindMargin: bindMargin(valve),
    perTenth: shimEffect(valve, 1e-4),
    lift,
  }
}

export interface Governing {
  /** Which valve passes the more oil at each state; undefined where both are shut. */
  by: Record<StateName, ValveName | undefined>
  /** What half a millimetre more shim at each valve does to each state's gauge pressure, Pa. */
  raised: Record<ValveName, Record<StateName, number>>
}

/** Weeps that are no flow, m³/s. */
const NO_FLOW = 1e-9

/** Which of two valves governs, by the network: what each passes, and what raising it alone does. */
export function governing(sheet: Sheet): Governing {
  const model = modelOf(sheet)
  const { circuit, plan } = model.engine
  const states = namedStates(sheet)
  const place = (name: ValveName) => circuit.network.elements.indexOf(elementOf(plan, elementNamed(name), 'relief'))
  const [first, second] = [place('relief'), place('relief2')]
  const now = states.map((state) => ({
    pressure: gaugePressure(model, state),
    flows: [circuit.flows[first], circuit.flows[second]],
  }))
  const raised = (name: ValveName) => {
    const { shims } = model.values[name]!
    shims.push(0.5e-3)
    const effects = Object.fromEntries(
      states.map((state, i) => [state.name, gaugePressure(model, state) - now[i].pressure]),
    )
    shims.pop()
    return effects as Record<StateName, number>
  }
  return {
    by: Object.fromEntries(
      STATE_NAMES.map((name, i) => {
        const [a, b] = now[i].flows
        return [name, Math.max(a, b) < NO_FLOW ? undefined : a >= b ? 'relief' : 'relief2']
      }),
    ) as Governing['by'],
    raised: { relief: raised('relief'), relief2: raised('relief2') },
  }
}

/** Routes to the wanted opening pressure of a valve, with the springs that lie on the shelf. */
export function reliefRoutes(sheet: Sheet, name: ValveName, springs: OfferedSpring[], wanted: number): Route[] {
  const model = modelOf(sheet)
  const of = (field: ValveField) => recorded(model.sheet, `${name}.${field}`)?.value
  return routesTo(reliefValve(model.sheet, name), {
    wanted,
    springs,
    leastMargin: limitOf(sheet, 'relief.bindMargin').value,
    wire: of('wire'),
    coilDiameter: of('coilDiameter'),
    plugTravel: of('plugTravel'),
    plugOutward: of('plugOutward'),
    plugProud: of('plugProud'),
    ...coldFlow(model, name),
  })
}

/** What raises hot idle most, of what a builder can really do, Pa each; the spring is not among it where the valve is shut there. */
export function idleCures(sheet: Sheet, count = 3): { key: string; label: string; gain: number }[] {
  return sensitivities(sheet)
    .map(({ key, label, effects }) => ({ key, label, gain: effects.idleHot }))
    .filter(({ gain }) => gain > 500)
    .sort((a, b) => b.gain - a.gain)
    .slice(0, count)
}

/** The state's speed and temperature that full flow is spoken of at, for words. */
export function coldWorking(sheet: Sheet): { speed: number; temperature: number } {
  return {
    speed: requireValue(sheet, 'brief.workingSpeed').value,
    temperature: requireValue(sheet, 'brief.coldStart').value,
  }
}
