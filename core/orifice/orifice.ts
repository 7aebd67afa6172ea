/** Reynolds number at which a sharp hole turns from laminar to turbulent. */
const TRANSITION = 30
/** Slots: C_d A √(2/ρ), and Δp_t². */
export const HOLE_SLOTS = 2

/** What flows: kg/m³ and Pa·s. */
interface Flowing {
  density: number
  viscosity: number
}

/** Writes a hole of area A, m², and its discharge coefficient. */
export function setHole(
  area: number,
  coefficient: number,
  { density, viscosity }: Flowing,
  slots: Float64Array,
  at: number,
): void {
  if (area <= 0) {
    slots[at] = 0
    slots[at + 1] = 1
    return
  }
  const transition = transitionPressure(area, coefficient, density, viscosity)
  slots[at] = coefficient * area * Math.sqrt(2 / density)
  slots[at + 1] = transition * transition
}

/**
 * Flow through a hole of area A, rounded so that it is laminar for small differences, and how it grows with the difference:
 *
 *   Q = C_d A √(2/ρ) Δp / (Δp² + Δp_t²)^¼,   Δp_t = ½ ρ (Re_t μ / (C_d ρ d))²,  d = √(4A/π)
 *
 * Source: Merritt, Hydraulic Control Systems (1967), 3.3; the rounding after Borutzky, Barnard & Thoma,
 * An orifice flow model for laminar and turbulent conditions, Simulation Modelling Practice and Theory 10 (2002).
 *
 * @param out takes Q, m³/s, and dQ/dΔp, m³/(s·Pa)
 */
export function flowAndSlope(slots: Float64Array, at: number, difference: number, out: Float64Array): void {
  const square = difference * difference + slots[at + 1]
  const ease = slots[at] / Math.sqrt(Math.sqrt(square))
  out[0] = ease * difference
  out[1] = ease * (1 - (0.5 * difference * difference) / square)
}

const scratch = new Float64Array(HOLE_SLOTS)
const found = new Float64Array(2)

/** The same for one hole at once, m³/s. */
export function holeFlow(area: number, coefficient: number, difference: number, flowing: Flowing): number {
  setHole(area, coefficient, flowing, scratch, 0)
  flowAndSlope(scratch, 0, difference, found)
  return found[0]
}

/** Δp_t above, Pa: in proportion to 1/A. */
export function transitionPressure(area: number, coefficient: number, density: number, viscosity: number): number {
  return (0.5 * density * ((TRANSITION * viscosity) / (coefficient * density)) ** 2 * Math.PI) / (4 * area)
}
