import { fillShare, fillSlope } from '../pump/fill'
import { FLOW, FROM, TO } from './types'

/** Delivered flow: Q = D n η_fill(p_in) − G_slip (p_out − p_in). Slots: D n, G_slip. */
export function pumpLaw(slots: Float64Array, at: number, inlet: number, outlet: number, out: Float64Array): void {
  const swept = slots[at]
  const slip = slots[at + 1]
  out[FLOW] = swept * fillShare(inlet) - slip * (outlet - inlet)
  out[FROM] = swept * fillSlope(inlet) + slip
  out[TO] = -slip
}
