import { bearingLaw, bearingSlots, setBearing } from './bearing'
import { HOLE_SLOTS, setHole } from '../orifice/orifice'
import { holeLaw } from './orifice'
import { PIPE_SLOTS, pipeLaw, setPipe } from './pipe'
import { pumpLaw } from './pump'
import { FLOW, FROM, type ElementSpec, type Fluid, type ReliefSpec, TO } from './types'
import { CHECK_SLOTS, checkLaw, reliefLaw, setCheck } from './valves'

/** Flow of each element from → to, m³/s, and its slopes with the pressure at either end, m³/(s·Pa). */
export interface Flows {
  flows: Float64Array
  slopeFroms: Float64Array
  slopeTos: Float64Array
}

/**
 * Element laws laid out for speed: before a solution each element writes what it needs into its slots of one array, and the
 * thousands of evaluations that follow go kind by kind through plain numbers.
 */
export interface Laws extends Flows {
  /** Writes every element's numbers for a fluid. */
  set: (fluid: Fluid) => void
  /** Flows and slopes of all elements for the pressures of their nodes, Pa, and what each gains by its own fall, Pa. */
  evaluate: (pressures: Float64Array, fallen: Float64Array) => void
  /** Forgets where the last solution ended, from where pipes begin. */
  forget: () => void
}

function slotsOf(element: ElementSpec): number {
  switch (element.kind) {
    case 'pipe':
      return PIPE_SLOTS
    case 'orifice':
      return HOLE_SLOTS
    case 'check':
      return CHECK_SLOTS
    case 'bearing':
      return bearingSlots(element)
    default:
      return 3
  }
}

/**
 * @param froms node of each element's start, as a place in the pressures  @param tos of its end
 */
export function prepareLaws(elements: ElementSpec[], froms: Int32Array, tos: Int32Array): Laws {
  const starts = new Int32Array(elements.length)
  let size = 0
  elements.forEach((element, e) => {
    starts[e] = size
    size += slotsOf(element)
  })
  const of = (kind: ElementSpec['kind']) =>
    Int32Array.from(elements.flatMap((element, e) => (element.kind === kind ? [e] : [])))
  const places: Places = {
    starts,
    froms,
    tos,
    slots: new Float64Array(size),
    flows: new Float64Array(elements.length),
    slopeFroms: new Float64Array(elements.length),
    slopeTos: new Float64Array(elements.length),
    drops: new Float64Array(elements.length),
    out: new Float64Array(3),
  }
  const { slots } = places
  const [pipes, bearings, orifices, linears, checks, reliefs, pumps] = (
    ['pipe', 'bearing', 'orifice', 'linear', 'check', 'relief', 'pump'] as const
  ).map(of)
  let now: Fluid = { density: 1, viscosity: 1 }

  function set(fluid: Fluid): void {
    now = fluid
    for (let e = 0; e < elements.length; e++) {
      const element = elements[e]
      const at = starts[e]
      switch (element.kind) {
        case 'pipe':
          setPipe(element, fluid, slots, at)
          break
        case 'orifice':
          setHole(
            0.25 * Math.PI * element.diameter * element.diameter * (element.count ?? 1),
            element.dischargeCoefficient,
            fluid,
            slots,
            at,
          )
          break
        case 'linear':
          slots[at] = element.conductance
          break
        case 'bearing':
          setBearing(element, slots, at)
          break
        case 'check':
          setCheck(element, fluid, slots, at)
          break
        case 'pump':
          slots[at] = element.displacement * element.speed
          slots[at + 1] = element.slipConductance
      }
    }
  }

  function evaluate(pressures: Float64Array, fallen: Float64Array): void {
    fall(places, pressures, fallen)
    each(places, pipes, pipeLaw)
    each(places, bearings, bearingLaw)
    each(places, orifices, holeLaw)
    each(places, linears, linearLaw)
    each(places, checks, checkLaw)
    for (const e of reliefs) {
      reliefLaw(elements[e] as ReliefSpec, places.drops[e], now, places.out)
      put(places, e)
    }
    for (const e of pumps) {
      pumpLaw(slots, starts[e], pressures[froms[e]], pressures[tos[e]] - fallen[e], places.out)
      put(places, e)
    }
  }
  return {
    set,
    evaluate,
    forget: () => void slots.fill(0),
    flows: places.flows,
    slopeFroms: places.slopeFroms,
    slopeTos: places.slopeTos,
  }
}

/** Where everything of a circuit's elements lies. */
interface Places extends Flows {
  starts: Int32Array
  froms: Int32Array
  tos: Int32Array
  slots: Float64Array
  /** Pressure across each element, Pa. */
  drops: Float64Array
  out: Float64Array
}

function fall({ froms, tos, drops }: Places, pressures: Float64Array, fallen: Float64Array): void {
  for (let e = 0; e < drops.length; e++) drops[e] = pressures[froms[e]] - pressures[tos[e]] + fallen[e]
}

function each(
  { starts, slots, drops, flows, slopeFroms, slopeTos, out }: Places,
  which: Int32Array,
  law: (slots: Float64Array, at: number, difference: number, out: Float64Array) => void,
): void {
  for (let i = 0; i < which.length; i++) {
    const e = which[i]
    law(slots, starts[e], drops[e], out)
    flows[e] = out[FLOW]
    slopeFroms[e] = out[FROM]
    slopeTos[e] = out[TO]
  }
}

function put({ flows, slopeFroms, slopeTos, out }: Places, e: number): void {
  flows[e] = out[FLOW]
  slopeFroms[e] = out[FROM]
  slopeTos[e] = out[TO]
}

/** Flow in proportion to the difference. Slot: conductance. */
function linearLaw(slots: Float64Array, at: number, difference: number, out: Float64Array): void {
  out[FLOW] = slots[at] * difference
  out[FROM] = slots[at]
  out[TO] = -slots[at]
}
