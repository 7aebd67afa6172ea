import type { PumpGaps } from './slip'

/** Mechanical loss (bush, mesh, drive) over the hydraulic power. */
const MECHANICAL = 0.1
/** Share of a gear's girth that is tooth land and runs close to the pocket. */
const LANDS = 0.2

/**
 * Torque that the oil in a pump's gaps takes, N·m, by the shear of each gap (Couette):
 *
 * - faces of a rotor, the end clearance h shared evenly between cover and body: 2 · π μ ω R⁴ / (2 · h/2) = 2 π μ ω R⁴ / h;
 *   two gears, or the one disc that a gerotor's rotors are together;
 * - round the rotor, 2 π R³ L μ ω / h: of each gear the tooth lands alone, at the tip clearance; of a gerotor its outer rotor's whole girth,
 *   at half of its clearance to the body.
 *
 * It stands for the viscous term C_v μ D ω / 2π of Wilson with C_v from the gaps in place of one coefficient for every pump. What the oil takes in the mesh and
 * ports is not in it, so it is a lower bound; it has not been held against a measured pump.
 * Source: Wilson, Performance criteria for positive displacement pumps and fluid motors (1946); plane Couette flow and the disc in a casing with merged
 * boundary layers, e.g. White, Viscous Fluid Flow, 3rd ed., 3-2. Even sharing and the lands' share are Uldo's own.
 *
 * @param speed n of the pump, rev/s  @param viscosity μ as sheared in the gap, Pa·s
 */
export function dragTorque(
  { rotorDiameter, rotorLength, endClearance, tipClearance, sideClearance }: PumpGaps,
  speed: number,
  viscosity: number,
): number {
  const [radius, omega] = [0.5 * rotorDiameter, 2 * Math.PI * speed]
  const rotors = sideClearance === undefined ? 2 : 1
  const faces = (rotors * 2 * Math.PI * viscosity * omega * radius ** 4) / endClearance
  const girth = 2 * Math.PI * radius ** 3 * rotorLength * viscosity * omega
  return faces + (sideClearance === undefined ? (rotors * LANDS * girth) / tipClearance : girth / (0.5 * sideClearance))
}

/**
 * Shaft power of a positive-displacement pump, W: P = Δp D n (1 + C_f) + 2π n T, with T by `dragTorque` and C_f = 0.10 for bush, mesh and drive.
 *
 * @param rise Δp, Pa  @param pump displacement D, m³/rev, and its gaps  @param speed n, rev/s  @param viscosity μ as sheared in the gaps, Pa·s
 */
export function shaftPower(
  rise: number,
  pump: PumpGaps & { displacement: number },
  speed: number,
  viscosity: number,
): number {
  return (1 + MECHANICAL) * rise * pump.displacement * speed + 2 * Math.PI * speed * dragTorque(pump, speed, viscosity)
}
