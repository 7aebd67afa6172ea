/**
 * Shaft power of a positive-displacement pump, W:
 *
 *   P = Δp D n + C_v μ D (2π n)² + C_f Δp D n
 *
 * Source: Wilson, Performance criteria for positive displacement pumps and fluid motors (1946); coefficients for a plain
 * automotive gear or rotor pump, C_v = 1.2·10⁵ and C_f = 0.10, are Uldo's own.
 *
 * @param rise Δp, Pa  @param displacement D, m³/rev  @param speed n, rev/s  @param viscosity μ, Pa·s
 */
export function shaftPower(rise: number, displacement: number, speed: number, viscosity: number): number {
  const hydraulic = rise * displacement * speed
  const omega = 2 * Math.PI * speed
  const viscous = (1.2e5 / (2 * Math.PI)) * viscosity * displacement * omega * omega
  return hydraulic * 1.1 + viscous
}
