import { prepareCircuit } from '../circuit/solve'
import type { PreparedCircuit } from '../circuit/types'
import type { OilState } from '../oil/oil'
import { scaleClearances } from '../parts/bearingInputs'
import { circuitBuilder, type CircuitPlan } from '../parts/circuitBuilder'
import { ANY_PARTS, type EngineValues } from '../parts/list'
import type { Conditions, Films, Setter } from '../parts/part'
import type { Layout } from '../record/schema'
import { passagesOf } from './catalogue'

/** A moment of the engine's life. */
export interface Running {
  /** Crank speed, rev/s. */
  speed: number
  /** Pump speed when something else drives it (a drill), rev/s. */
  pumpSpeed?: number
  /** Oil temperature, °C. */
  temperature: number
  /** Mean cylinder pressure over the working stroke, Pa. */
  meanPressure: number
}

export interface Engine {
  layout: Layout
  plan: CircuitPlan
  circuit: PreparedCircuit
  /** Thinnest films of mains and rods under their mean load as last set, m, and how much they warm their oil, K. */
  films: Films
  /** Sets every element for these values, this moment and this oil. */
  set: (values: EngineValues, running: Running, oil: OilState) => void
  /** Sets and solves; gives the pressure at the gauge port, Pa. */
  gauge: (values: EngineValues, running: Running, oil: OilState, aim?: number) => number
}

/** The circuit that a layout's parts make, and how each of them sets its own. */
function placeParts(layout: Layout): { plan: CircuitPlan; setters: [keyof EngineValues, Setter<never>][] } {
  let placed: string = ''
  const { builder, plan } = circuitBuilder(layout, () => placed)
  const parts = ANY_PARTS.filter((part) => part.place && part.fitted(layout))
  const setters = new Map<keyof EngineValues, Setter<never>>()
  // What stands in line from pump to gallery goes first, in its order: each takes its oil where the last left it.
  const inLine = parts.filter((part) => part.inLine !== undefined).sort((a, b) => a.inLine! - b.inLine!)
  const place = (part: (typeof parts)[number]) => {
    placed = part.name
    setters.set(part.name, part.place!(builder, layout))
  }
  builder.junction('pump inlet', {})
  builder.junction('pump outlet', {})
  inLine.forEach(place)
  // Nodes along the oil's way, each main beside its gallery point: in this order their elimination fills in least.
  for (let i = 1; i <= layout.mains; i++) {
    builder.junction(builder.gallery(i), {})
    builder.junction(`main ${i}`, {})
  }
  parts.filter((part) => part.inLine === undefined).forEach(place)
  const order = [...parts.filter(({ first }) => first), ...parts.filter(({ first }) => !first)]
  return { plan, setters: order.map(({ name }) => [name, setters.get(name)!]) }
}

/** Holes that stand open where passages were left out. */
function leaveOut(plan: CircuitPlan, layout: Layout, leftOut: string[]): void {
  for (const { key, label, absent } of passagesOf(layout)) {
    if (absent.kind !== 'leak' || !leftOut.includes(key)) continue
    const id = `${key} left out`
    plan.network.elements.push({
      id,
      kind: 'orifice',
      from: absent.node,
      to: 'sump',
      diameter: absent.bore,
      dischargeCoefficient: 0.65,
    })
    plan.about.set(id, { words: `${label}, left out`, station: 'passages', kind: 'lost' })
  }
}

/**
 * The oil circuit of a layout, with what was left out of it, ready to take an engine's values.
 *
 * @param leftOut passages that were left out, by key: oil runs out of their bores
 * @param extend adds to the circuit before it is made ready, such as what priming hangs on it
 * @param atRest flow below which a node counts as at rest, m³/s
 */
export function prepareEngine(
  layout: Layout,
  leftOut: string[] = [],
  extend?: (plan: CircuitPlan) => void,
  atRest?: number,
): Engine {
  const { plan, setters } = placeParts(layout)
  leaveOut(plan, layout, leftOut)
  extend?.(plan)
  const circuit = prepareCircuit(plan.network, atRest)
  const films: Films = { main: 0, rod: 0, mainRise: 0, rodRise: 0 }
  const gaugeNode = circuit.indexOf(plan.gauge)
  const now: Conditions = blankConditions(films)

  function set(values: EngineValues, running: Running, oil: OilState): void {
    now.speed = running.speed
    now.pumpSpeed = running.pumpSpeed
    now.temperature = running.temperature
    now.meanPressure = running.meanPressure
    now.oil = oil
    now.viscosity = oil.viscosity * values.model.viscosity
    now.film = oil.filmViscosity * values.model.viscosity * values.model.highShear
    now.discharge = values.model.discharge
    now.leakage = values.model.leakage
    now.heat = values.model.heat
    for (let i = 0; i < setters.length; i++) setters[i][1](values[setters[i][0]] as never, now)
  }

  return {
    layout,
    plan,
    circuit,
    films,
    set,
    gauge: (values, running, oil, aim) => {
      set(values, running, oil)
      circuit.solve({ density: oil.density, viscosity: oil.viscosity * values.model.viscosity }, aim)
      return circuit.pressures[gaugeNode]
    },
  }
}

/** Widens every main and rod bearing by the same factor. */
export function scaleBearings(values: EngineValues, factor: number): void {
  scaleClearances(values.main, factor)
  scaleClearances(values.rod, factor)
}

function blankConditions(films: Conditions['films']): Conditions {
  return {
    speed: 0,
    temperature: 0,
    meanPressure: 0,
    oil: { density: 0, viscosity: 0, filmViscosity: 0 } as OilState,
    viscosity: 0,
    film: 0,
    discharge: 0,
    leakage: 0,
    heat: 0,
    pumpFlow: 0,
    feedPressure: 0,
    crankRadius: 0,
    room: 20,
    mainLength: 0,
    mainLand: 0,
    rodLength: 0,
    oilHole: 0,
    mainLoad: 0,
    rodLoad: 0,
    films,
  }
}
