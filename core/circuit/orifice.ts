import type { Fluid, FlowSlope } from './types'

/** Reynolds number at which a sharp hole turns from laminar to turbulent. */
const TRANSITION = 30

/**
 * Flow through a hole of area A, rounded so that it is laminar for small differences:
 *
 *   Q = C_d A √(2/ρ) Δp / (Δp² + Δp_t²)^¼,   Δp_t = ½ ρ (Re_t μ / (C_d ρ d))²,  d = √(4A/π)
 *
 * Source: Merritt, Hydraulic Control Systems (1967), 3.3; the rounding after Borutzky, Barnard & Thoma,
 * An orifice flow model for laminar and turbulent conditions, Simulation Modelling Practice and Theory 10 (2002).
 */
export function holeFlow(area: number, coefficient: number, difference: number, { density, viscosity }: Fluid, out: FlowSlope): void {
  if (area <= 0) return stopped(out)
  const transition = transitionPressure(area, coefficient, density, viscosity)
  const square = difference * difference + transition * transition
  const root = Math.sqrt(Math.sqrt(square))
  const capacity = coefficient * area * Math.sqrt(2 / density)
  out.flow = (capacity * difference) / root
  const slope = (capacity / root) * (1 - (0.5 * difference * difference) / square)
  out.slopeFrom = slope
  out.slopeTo = -slope
}

/** Δp_t above, Pa: in proportion to 1/A. */
export function transitionPressure(area: number, coefficient: number, density: number, viscosity: number): number {
  return (0.5 * density * ((TRANSITION * viscosity) / (coefficient * density)) ** 2 * Math.PI) / (4 * area)
}

export function stopped(out: FlowSlope): void {
  out.flow = 0
  out.slopeFrom = 0
  out.slopeTo = 0
}
