export interface CrankGear {
  /** Cylinder bore and crank radius, m. */
  cylinderBore: number
  crankRadius: number
  /** Reciprocating mass with the rod's share, kg, for one cylinder. */
  reciprocatingMass: number
}

/**
 * Mean load on a rod bearing over the cycle, N: the part from gas and the part from inertia,
 *
 *   W = p_m A (fraction of the cycle that presses) + (2/π) m r ω²
 *
 * A first estimate that places the journal in its film for the oil circuit; the orbit over the cycle is a matter of its own.
 * Source: mean of |cos| over a turn for inertia; gas share by mean cylinder pressure over a quarter of a four-stroke cycle.
 *
 * @param meanPressure mean cylinder pressure over the working stroke, Pa
 */
export function meanRodLoad(gear: CrankGear, speed: number, meanPressure: number): number {
  const omega = 2 * Math.PI * speed
  const piston = 0.25 * Math.PI * gear.cylinderBore ** 2
  return 0.25 * meanPressure * piston + (2 / Math.PI) * gear.reciprocatingMass * gear.crankRadius * omega * omega
}

/**
 * Reciprocating mass of a cylinder when nobody has weighed it, kg: m = 1100 kg/m³ · D³ (0.8 kg at 90 mm), piston with
 * pin and rings and the rod's small end. Source: geometric similarity of pistons, Taylor, The Internal-Combustion Engine
 * in Theory and Practice, vol. 2, ch. 11; the constant is Uldo's own round figure and only places the journal in its film.
 */
export function reciprocatingMassEstimate(cylinderBore: number): number {
  return 1100 * cylinderBore ** 3
}
