/**
 * Flow through a flat gap, per pressure, m³/(s·Pa): w h³ / (12 μ l).
 * Source: plane Poiseuille flow, e.g. White, Fluid Mechanics, 8th ed., 4.10.
 *
 * @param width w across the flow, m  @param height h, m  @param length l along the flow, m  @param viscosity μ, Pa·s
 */
export function gapConductance(width: number, height: number, length: number, viscosity: number): number {
  return (width * height ** 3) / (12 * viscosity * length)
}

export interface PumpGaps {
  /** Outside diameter of the rotors and their length, m. */
  rotorDiameter: number
  rotorLength: number
  /** End clearance between rotors and cover, tip clearance to the pocket (or between the lobes), m. */
  endClearance: number
  tipClearance: number
}

/**
 * Slip of a pump from outlet to inlet, per pressure, m³/(s·Pa), as parallel gaps:
 * over the rotor faces (end clearance, taken at the cover: width one rotor diameter, length a quarter of it, the seal between
 * the ports), and past the tips (width the rotor length, length three tip lands of 1.5 mm in row), on both sides.
 *
 * The layout of the gaps is Uldo's own simplification; the gap law is gapConductance.
 */
export function slipConductance(gaps: PumpGaps, viscosity: number): number {
  const end = gapConductance(gaps.rotorDiameter, gaps.endClearance, 0.25 * gaps.rotorDiameter, viscosity)
  const tips = 2 * gapConductance(gaps.rotorLength, gaps.tipClearance, 4.5e-3, viscosity)
  return end + tips
}

/** Rows of tip lands between outlet and inlet are sealed by the smallest; end clearance of nothing would seize. */
export const LEAST_END_CLEARANCE = 10e-6
