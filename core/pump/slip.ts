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
  /** Outer rotor of a gerotor to its body, all round, m. */
  sideClearance?: number
}

/** Tip land of one tooth or lobe, and how many seal in row between outlet and inlet, m. */
const TIP_LANDS = 4 * 1.2e-3

/**
 * Slip of a pump from outlet to inlet, per pressure, m³/(s·Pa), as parallel gaps: over the faces of both rotors (end
 * clearance, taken at the cover: as wide as the rotor's diameter, as long as a quarter of it, the seal between the ports),
 * past the tips on both sides (as wide as the rotor is long, four tip lands of 1.2 mm in row), and round a gerotor's outer rotor both ways
 * (half of its clearance on each side, as long as half of its girth).
 *
 * The layout of the gaps is Uldo's own simplification; the gap law is gapConductance.
 */
export function slipConductance(gaps: PumpGaps, viscosity: number): number {
  const faces = 2 * gapConductance(gaps.rotorDiameter, gaps.endClearance, 0.25 * gaps.rotorDiameter, viscosity)
  const tips = 2 * gapConductance(gaps.rotorLength, gaps.tipClearance, TIP_LANDS, viscosity)
  const around =
    gaps.sideClearance === undefined
      ? 0
      : 2 * gapConductance(gaps.rotorLength, 0.5 * gaps.sideClearance, 0.5 * Math.PI * gaps.rotorDiameter, viscosity)
  return faces + tips + around
}
