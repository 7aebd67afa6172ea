import type { ElementSpec } from '../circuit/types'
import type { OilState } from '../oil/oil'
import { holeEase, laminarEase } from './air'

/** What an element is with nothing but oil in it. */
export interface Plain {
  diameter: number
  conductance: number
  carried: number
  head: number
  /** Pressure that oil gains along it by its fall, Pa. */
  fall: number
  fed: Float64Array
  wedge: Float64Array
  grooveCarried: number
}

/** Share of oil in a mixture from which a pipe counts as carrying oil. */
export const CLEAR = 0.5
/** A wide way for air in place of a pipe's own law: what air loses there is negligible beside a film. */
const WIDER = 6

/** Takes down an element as it stands, set for oil. */
export function plainOf(element: ElementSpec, fall: number): Plain {
  const groove = element.kind === 'bearing' ? element.groove : undefined
  return {
    diameter: 'diameter' in element ? element.diameter : 0,
    conductance: element.kind === 'linear' || element.kind === 'bearing' ? element.conductance : 0,
    carried: element.kind === 'bearing' ? element.carried : 0,
    head: element.kind === 'pipe' ? (element.head ?? 0) : 0,
    fall,
    fed: groove?.fed.slice() ?? new Float64Array(0),
    wedge: groove?.wedge.slice() ?? new Float64Array(0),
    grooveCarried: groove?.carried ?? 0,
  }
}

/**
 * Gives a pipe, a hole, a gap or a film the fluid that it carries: viscosity and density of the mixture in its own law, and the weight and
 * the sweep of the oil in it.
 *
 * @param liquid share of the flow that is oil, 0 to 1
 */
export function setForFluid(element: ElementSpec, plain: Plain, liquid: number, oil: OilState): void {
  switch (element.kind) {
    case 'pipe':
      element.diameter = plain.diameter * (liquid < CLEAR ? WIDER : 1)
      element.head = liquid * (plain.fall + plain.head)
      break
    case 'linear':
      element.conductance = plain.conductance * laminarEase(liquid, oil)
      element.head = liquid * plain.fall
      break
    case 'orifice':
      element.head = liquid * plain.fall
      element.diameter = plain.diameter * Math.sqrt(holeEase(liquid, oil))
      break
    case 'check':
      element.diameter = plain.diameter * Math.sqrt(holeEase(liquid, oil))
      break
    case 'bearing': {
      const ease = laminarEase(liquid, oil)
      element.conductance = plain.conductance * ease
      element.carried = liquid * plain.carried
      if (!element.groove) break
      for (let k = 0; k < element.groove.pieces; k++) {
        element.groove.fed[k] = plain.fed[k] * ease
        element.groove.wedge[k] = plain.wedge[k] * liquid
      }
      element.groove.carried = liquid * plain.grooveCarried
    }
  }
}
