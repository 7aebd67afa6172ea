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
 * Flow from a groove through the two lands beside it when nothing turns, per pressure, m³/(s·Pa):
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
  radius: number,
  clearance: number,
  land: number,
  viscosity: number,
  eccentricity: number,
  arc: number,
  centre: number,
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
export function holeConductance(
  clearance: number,
  length: number,
  hole: number,
  viscosity: number,
  eccentricity: number,
): number {
  const film = clearance * clearance * clearance * (1 + 1.5 * eccentricity * eccentricity)
  return (0.675 * film * holeShape(hole / length + 0.4)) / viscosity
}

/** x^1.75 as x √x √√x: a quarter of the time of a power. */
function holeShape(x: number): number {
  const root = Math.sqrt(x)
  return x * root * Math.sqrt(root)
}

/**
 * Oil that turning alone carries out of both ends: Q = f 2 π R L c N ε, m³/s (half the film full, short bearing).
 * Source: Ocvirk, NACA TN 2808 (1952), side flow of the short bearing; f = 1 − 0.2 L/D takes off what a real length holds
 * back, fitted to the grid solver for L/D from 0.1 to 0.6.
 */
export function carriedLeakage(
  radius: number,
  length: number,
  clearance: number,
  speed: number,
  eccentricity: number,
): number {
  return finiteLength(length, radius) * 2 * Math.PI * radius * length * clearance * speed * eccentricity
}

function finiteLength(length: number, radius: number): number {
  return 1 - (0.1 * length) / radius
}

/** Pieces into which a groove's arc is cut. */
export const ARC_PIECES = 8

/** A grooved bearing's leakage: Q(p) = Σ max(0, fed_k p + wedge_k) + carried. */
export interface GrooveLeakage {
  /** m³/(s·Pa) for each piece of the groove's arc. */
  fed: Float64Array
  /** m³/s for each piece; negative where the film widens. */
  wedge: Float64Array
  /** m³/s out of the film that has no groove. */
  carried: number
}

/**
 * Leakage of a turning bearing with a groove, written into `out`.
 *
 * Beside the groove each land is a short bearing between p and ambient, so that oil leaves its end at
 *
 *   q(φ) = max(0, h³ p / (12 μ l) + f U l c ε sin φ / (4 R)),   U = 2 π N R
 *
 * per length round the journal: what pressure presses out and what the narrowing film squeezes out, zero where the film
 * is ruptured to the end. Outside the groove the film spans the whole length L and gives f U L c ε sin φ / (4 R) where it
 * narrows. Derived from the short-bearing equation (Ocvirk, NACA TN 2808) with Reynolds' rupture; within 10 percent of the grid
 * solver for L/D 0.25 to 0.5, ε 0.3 to 0.9, 50 to 400 kPa, arcs of 180° and 360° (core/film/closed.test.ts).
 *
 * @param centre middle of the groove from the thickest film, rad
 */
export function grooveLeakage(
  bearing: {
    radius: number
    length: number
    land: number
    clearance: number
    speed: number
    viscosity: number
    eccentricity: number
    arc: number
    centre: number
  },
  out: GrooveLeakage,
): void {
  const { radius, length, land, clearance, speed, viscosity, eccentricity, arc, centre } = bearing
  const squeeze = 0.5 * Math.PI * speed * clearance * eccentricity
  const piece = (arc / ARC_PIECES) * radius
  const pressed = (2 * piece * clearance ** 3) / (12 * viscosity * land)
  const carried = 2 * piece * finiteLength(land, radius) * squeeze * land
  let narrowing = 0
  // Cosine and sine are carried from piece to piece by a turn of one.
  const turnCos = Math.cos(arc / ARC_PIECES)
  const turnSin = Math.sin(arc / ARC_PIECES)
  const first = centre + arc * (0.5 / ARC_PIECES - 0.5)
  let cosine = Math.cos(first)
  let sine = Math.sin(first)
  for (let k = 0; k < ARC_PIECES; k++) {
    const height = 1 + eccentricity * cosine
    out.fed[k] = pressed * height * height * height
    out.wedge[k] = carried * sine
    if (sine > 0) narrowing += (arc / ARC_PIECES) * sine
    const turned = cosine * turnCos - sine * turnSin
    sine = sine * turnCos + cosine * turnSin
    cosine = turned
  }
  // ∫ sin φ over the narrowing half is 2; the groove's own part of it is taken off.
  out.carried = 2 * radius * finiteLength(length, radius) * squeeze * length * Math.max(0, 2 - narrowing)
}
