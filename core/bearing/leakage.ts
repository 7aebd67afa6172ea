/**
 * ∫ (1 + ε cos φ)³ dφ from φ₁ to φ₂, φ measured from the thickest film, rad.
 * The closed integral of the film's cube over the arc, in units of c³.
 */
export function filmCubeIntegral(eccentricity: number, from: number, to: number): number {
  const e = eccentricity
  const primitive = (phi: number) =>
    phi +
    3 * e * Math.sin(phi) +
    1.5 * e * e * (phi + Math.sin(phi) * Math.cos(phi)) +
    e ** 3 * (Math.sin(phi) - Math.sin(phi) ** 3 / 3)
  return primitive(to) - primitive(from)
}

/**
 * Flow from a groove through the two lands beside it, per pressure, m³/(s·Pa):
 *
 *   Q / p = R c³ / (6 μ l) ∫ (1 + ε cos φ)³ dφ
 *
 * which for a full circle is π R c³ (1 + 1.5 ε²) / (3 μ l).
 * Source: parallel-plate flow summed round the film, Cameron, Principles of Lubrication (1966), ch. 14.
 *
 * @param radius R, m  @param clearance radial clearance c, m  @param land width of each land l, m
 * @param arc groove arc, rad  @param centre its middle from the thickest film, rad
 */
export function grooveConductance(
  radius: number, clearance: number, land: number, viscosity: number, eccentricity: number, arc: number, centre: number,
): number {
  const integral = filmCubeIntegral(eccentricity, centre - 0.5 * arc, centre + 0.5 * arc)
  return (radius * clearance ** 3 * integral) / (6 * viscosity * land)
}

/**
 * Flow from a round oil hole into the film around it, per pressure, m³/(s·Pa):
 *
 *   Q / p = 0.675 h³ (d/L + 0.4)^1.75 / μ
 *
 * with h³ averaged over a turn, c³ (1 + 1.5 ε²), since a crankpin's hole meets the whole film.
 * Source: ESDU 84031, Calculation methods for steadily loaded axial groove hydrodynamic journal bearings; Martin,
 * Developments in engine bearing design, Tribology International 16 (1983).
 */
export function holeConductance(clearance: number, length: number, hole: number, viscosity: number, eccentricity: number): number {
  const film = clearance ** 3 * (1 + 1.5 * eccentricity * eccentricity)
  return (0.675 * film * (hole / length + 0.4) ** 1.75) / viscosity
}

/**
 * Oil that turning alone carries out of the ends: Q = 2 π R L c N ε, m³/s (half the film full, short bearing).
 * Source: Ocvirk, NACA TN 2808 (1952), side flow of the short bearing.
 */
export function carriedLeakage(radius: number, length: number, clearance: number, speed: number, eccentricity: number): number {
  return 2 * Math.PI * radius * length * clearance * speed * eccentricity
}
