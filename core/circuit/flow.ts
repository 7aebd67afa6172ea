import { bearingFlow } from './bearing'
import { holeFlow } from './orifice'
import { pipeFlow } from './pipe'
import { pumpFlow } from './pump'
import type { ElementSpec, Fluid, FlowSlope } from './types'
import { checkFlow, reliefFlow } from './valves'

/** Flow of any element for the pressures at its ends, Pa, written into `out`. */
export function elementFlow(element: ElementSpec, from: number, to: number, fluid: Fluid, out: FlowSlope): void {
  switch (element.kind) {
    case 'pipe':
      return pipeFlow(element, from - to, fluid, out)
    case 'orifice':
      return holeFlow(0.25 * Math.PI * element.diameter * element.diameter * (element.count ?? 1), element.dischargeCoefficient, from - to, fluid, out)
    case 'linear':
      out.flow = element.conductance * (from - to)
      out.slopeFrom = element.conductance
      out.slopeTo = -element.conductance
      return
    case 'bearing':
      return bearingFlow(element, from - to, out)
    case 'check':
      return checkFlow(element, from - to, fluid, out)
    case 'relief':
      return reliefFlow(element, from - to, fluid, out)
    case 'pump':
      return pumpFlow(element, from, to, out)
  }
}
