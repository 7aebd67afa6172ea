import { fillShare, fillSlope } from '../pump/fill'
import type { FlowSlope, PumpSpec } from './types'

/** Delivered flow: Q = D n η_fill(p_in) − G_slip (p_out − p_in). */
export function pumpFlow(pump: PumpSpec, inlet: number, outlet: number, out: FlowSlope): void {
  const swept = pump.displacement * pump.speed
  out.flow = swept * fillShare(inlet) - pump.slipConductance * (outlet - inlet)
  out.slopeFrom = swept * fillSlope(inlet) + pump.slipConductance
  out.slopeTo = -pump.slipConductance
}
