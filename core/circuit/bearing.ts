import type { BearingSpec, FlowSlope } from './types'

/** Feed pressure at which a film is two thirds supplied with what turning carries away, Pa. */
const SUPPLY = 20e3

/**
 * Flow out of a running bearing: Q = G Δp + Q_c (1 − exp(−Δp / 20 kPa)).
 *
 * Pressure-fed leakage adds to what turning carries out of the ends (Pinkus & Sternlicht, Theory of Hydrodynamic
 * Lubrication (1961), ch. 3); the second part fades as feed pressure does, since a film cannot give what it is not given.
 * The fading is Uldo's own closure.
 */
export function bearingFlow(bearing: BearingSpec, difference: number, out: FlowSlope): void {
  const fade = difference > 0 ? Math.exp(-difference / SUPPLY) : 1
  const carried = difference > 0 ? -bearing.carried * Math.expm1(-difference / SUPPLY) : (bearing.carried * difference) / SUPPLY
  out.flow = bearing.conductance * difference + carried
  const slope = bearing.conductance + (bearing.carried / SUPPLY) * fade
  out.slopeFrom = slope
  out.slopeTo = -slope
}
