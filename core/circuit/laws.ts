import { bearingLaw, bearingSlots, setBearing } from './bearing'
import { HOLE_SLOTS, holeLaw, setHole } from './orifice'
import { PIPE_SLOTS, pipeLaw, setPipe } from './pipe'
import { pumpLaw } from './pump'
import { FLOW, FROM, type ElementSpec, type Fluid, TO } from './types'
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
  const of = (kind: ElementSpec['kind']) => Int32Array.from(elements.flatMap((element, e) => (element.kind === kind ? [e] : [])))
  const [pipes, orifices, linears, bearings, checks, reliefs, pumps] = (['pipe', 'orifice', 'linear', 'bearing', 'check', 'relief', 'pump'] as const).map(of)
  const slots = new Float64Array(size)
  const flows = new Float64Array(elements.length)
  const slopeFroms = new Float64Array(elements.length)
  const slopeTos = new Float64Array(elements.length)
  const out = new Float64Array(3)
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
          setHole(0.25 * Math.PI * element.diameter * element.diameter * (element.count ?? 1), element.dischargeCoefficient, fluid, slots, at)
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

  function put(e: number): void {
    flows[e] = out[FLOW]
    slopeFroms[e] = out[FROM]
    slopeTos[e] = out[TO]
  }

  function evaluate(pressures: Float64Array, fallen: Float64Array): void {
    const drop = (e: number) => pressures[froms[e]] - pressures[tos[e]] + fallen[e]
    for (let i = 0; i < pipes.length; i++) {
      const e = pipes[i]
      pipeLaw(slots, starts[e], drop(e), out)
      put(e)
    }
    for (let i = 0; i < bearings.length; i++) {
      const e = bearings[i]
      bearingLaw(slots, starts[e], drop(e), out)
      put(e)
    }
    for (let i = 0; i < orifices.length; i++) {
      const e = orifices[i]
      holeLaw(slots, starts[e], drop(e), out)
      put(e)
    }
    for (let i = 0; i < linears.length; i++) {
      const e = linears[i]
      const conductance = slots[starts[e]]
      flows[e] = conductance * drop(e)
      slopeFroms[e] = conductance
      slopeTos[e] = -conductance
    }
    for (let i = 0; i < checks.length; i++) {
      const e = checks[i]
      checkLaw(slots, starts[e], drop(e), out)
      put(e)
    }
    for (let i = 0; i < reliefs.length; i++) {
      const e = reliefs[i]
      reliefLaw(elements[e] as Extract<ElementSpec, { kind: 'relief' }>, drop(e), now, out)
      put(e)
    }
    for (let i = 0; i < pumps.length; i++) {
      const e = pumps[i]
      pumpLaw(slots, starts[e], pressures[froms[e]], pressures[tos[e]] - fallen[e], out)
      put(e)
    }
  }
  return { set, evaluate, flows, slopeFroms, slopeTos }
}
