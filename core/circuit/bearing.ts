import type { BearingSpec, FlowSlope } from './types'

/** Feed pressure at which a film is two thirds supplied with what turning carries away, Pa. */
const SUPPLY = 5e3

/**
 * Flow out of a running bearing: Q = G Δp + s Q_c + Σ max(0, a Δp + s b), s = 1 − exp(−Δp / 5 kPa).
 *
 * Pressure-fed leakage adds to what turning carries out of the ends; beside a groove the two meet piece by piece of its arc
 * (bearing/leakage). What turning carries fades as feed pressure does, since a film cannot give what it is not given; the
 * fading is Uldo's own closure.
 */
export function bearingFlow(bearing: BearingSpec, difference: number, out: FlowSlope): void {
  const fade = difference > 0 ? Math.exp(-difference / SUPPLY) : 1
  const supplied = difference > 0 ? 1 - fade : difference / SUPPLY
  const rate = fade / SUPPLY
  let flow = bearing.conductance * difference + bearing.carried * supplied
  let slope = bearing.conductance + bearing.carried * rate
  const { groove } = bearing
  if (groove) {
    flow += groove.carried * supplied
    slope += groove.carried * rate
    const { fed, wedge } = groove
    for (let k = 0; k < fed.length; k++) {
      const own = fed[k] * difference + wedge[k] * supplied
      const lean = fed[k] + wedge[k] * rate
      if (difference > 0 ? own > 0 : lean > 0) {
        flow += own
        slope += lean
      }
    }
  }
  out.flow = flow
  out.slopeFrom = slope
  out.slopeTo = -slope
}
