import { prepareLaws } from './laws'
import type { ElementSpec, Fluid, FlowSlope } from './types'

/** Flow of one element for the pressures at its ends, Pa: for tests and tables; a circuit keeps its laws prepared. */
export function elementFlow(element: ElementSpec, from: number, to: number, fluid: Fluid): FlowSlope {
  const laws = prepareLaws([element], Int32Array.of(0), Int32Array.of(1))
  laws.set(fluid)
  laws.evaluate(Float64Array.of(from, to), Float64Array.of(0))
  return { flow: laws.flows[0], slopeFrom: laws.slopeFroms[0], slopeTo: laws.slopeTos[0] }
}
