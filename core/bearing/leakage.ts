import type { GrooveArcs } from './grooved'

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
 * Source: ESDU 84031, Calculation methods for steadily loaded axial groove hydrodynamic journal bearings; Martin,
 * Developments in engine bearing design, Tribology International 16 (1983).
 *
 * @param gap film thickness h at the hole, m
 */
export function fixedHoleConductance(gap: number, length: number, hole: number, viscosity: number): number {
  return (0.675 * gap * gap * gap * holeShape(hole / length + 0.4)) / viscosity
}

/**
 * The same of a hole that goes round with the journal: h³ averaged over a turn is c³ (1 + 1.5 ε²), since a crankpin's hole meets the whole
 * film.
 */
export function holeConductance(
  clearance: number,
  length: number,
  hole: number,
  viscosity: number,
  eccentricity: number,
): number {
  return (1 + 1.5 * eccentricity * eccentricity) * fixedHoleConductance(clearance, length, hole, viscosity)
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

/** Pieces into which a half shell's groove is cut, and all that a bearing can have. */
export const ARC_PIECES = 8
export const MOST_PIECES = 2 * ARC_PIECES

/** A grooved bearing's leakage: Q(p) = Σ max(0, fed_k p + wedge_k) + carried. */
export interface GrooveLeakage {
  /** How many of them there are. */
  pieces: number
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
 * solver for L/D 0.25 to 0.5, ε 0.3 to 0.9, 50 to 400 kPa, arcs of 180° and 360°, within 13 for arcs between and below, whose ends it leaves out (core/film/closed.test.ts).
 *
 * @param crown where the upper shell's crown lies, rad from the thickest film in the direction of turning
 */
export function grooveLeakage(
  bearing: GrooveArcs & {
    radius: number
    length: number
    land: number
    clearance: number
    speed: number
    viscosity: number
    eccentricity: number
    crown: number
  },
  out: GrooveLeakage,
): void {
  const { radius, length, land, clearance, speed, viscosity, eccentricity, upper, lower, crown } = bearing
  const squeeze = 0.5 * Math.PI * speed * clearance * eccentricity
  const pressed = (2 * radius * clearance ** 3) / (12 * viscosity * land)
  const carried = 2 * radius * finiteLength(land, radius) * squeeze * land
  out.pieces = 0
  let narrowing = cut(out, eccentricity, pressed, carried, crown, upper, ARC_PIECES)
  // From both parting lines down.
  const from = 0.5 * Math.PI + 0.25 * lower
  narrowing += cut(out, eccentricity, pressed, carried, crown + from, 0.5 * lower, ARC_PIECES / 2)
  narrowing += cut(out, eccentricity, pressed, carried, crown - from, 0.5 * lower, ARC_PIECES / 2)
  // ∫ sin φ over the narrowing half is 2; the groove's own part of it is taken off.
  out.carried = 2 * radius * finiteLength(length, radius) * squeeze * length * Math.max(0, 2 - narrowing)
}

/** Adds an arc's pieces to what leaks; gives ∫ sin φ over its narrowing part. Cosine and sine are carried from piece to piece by a turn of one. */
function cut(
  out: GrooveLeakage,
  eccentricity: number,
  pressed: number,
  carried: number,
  centre: number,
  arc: number,
  count: number,
): number {
  if (arc <= 0) return 0
  const piece = arc / count
  const turnCos = Math.cos(piece)
  const turnSin = Math.sin(piece)
  let cosine = Math.cos(centre + 0.5 * (piece - arc))
  let sine = Math.sin(centre + 0.5 * (piece - arc))
  let narrowing = 0
  for (const end = out.pieces + count; out.pieces < end; out.pieces++) {
    const height = 1 + eccentricity * cosine
    out.fed[out.pieces] = pressed * piece * height * height * height
    out.wedge[out.pieces] = carried * piece * sine
    if (sine > 0) narrowing += piece * sine
    const turned = cosine * turnCos - sine * turnSin
    sine = sine * turnCos + cosine * turnSin
    cosine = turned
  }
  return narrowing
}

/** What leaves a bearing at a feed pressure, m³/s: by its hole, by its grooves, by turning. */
export function leavingAt(
  { conductance, carried, groove }: { conductance: number; carried: number; groove?: GrooveLeakage },
  pressure: number,
): number {
  let flow = conductance * pressure + carried
  if (!groove) return flow
  flow += groove.carried
  for (let k = 0; k < groove.pieces; k++) flow += Math.max(0, groove.fed[k] * pressure + groove.wedge[k])
  return flow
}

/** Room for a grooved bearing's leakage. */
export const grooveRoom = (): GrooveLeakage => ({
  pieces: 0,
  fed: new Float64Array(MOST_PIECES),
  wedge: new Float64Array(MOST_PIECES),
  carried: 0,
})
