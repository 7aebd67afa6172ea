import { falsePosition } from '../root/falsePosition'

/** Heat capacity of mineral oil near 90 °C, J/(kg·K). Source: Cameron, Principles of Lubrication (1966), ch. 2. */
export const HEAT_CAPACITY = 2000

/** From little on a rise is searched for, and the most that a film is taken to warm its oil by, K. */
const LITTLE = 1
const MOST = 150
const ROUNDS = 12
/** How near the two sides must come, of themselves. */
const CLOSE = 2e-3

/**
 * How much warmer than it comes a bearing's oil leaves, K: the rise at which what is sheared, less what the metal takes, is what the leaving oil carries off,
 *
 *   ρ c_p Q(μ) ΔT = s P(μ),   μ at T + ΔT
 *
 * The film is then computed with that one temperature. P falls and Q grows as the oil thins, so there is one such rise; it is found by false position
 * on the logarithms, since both sides are powers of the viscosity. Within 20 percent of the rise by the grid's own heat balance, column by column
 * (core/film/warmth.test.ts).
 *
 * @param shed s P / (ρ c_p Q) at a rise, K
 */
export function filmRise(shed: (rise: number) => number): number {
  const first = shed(LITTLE)
  if (!(first > LITTLE)) return first > 0 ? first : 0
  const off = (rise: number) => Math.log(shed(rise) / rise)
  const atMost = off(MOST)
  if (atMost >= 0) return MOST
  return falsePosition(off, LITTLE, MOST, Math.log(first / LITTLE), atMost, { close: CLOSE, rounds: ROUNDS })
}

/**
 * Power that shearing a full film takes, W: P = 2 π μ ω² R³ L / (c √(1 − ε²)).
 * Source: Petroff's law with the eccentric film's mean of 1/h (Sommerfeld 1904), e.g. Hamrock, Schmid & Jacobson, 2nd ed., 10.4.
 */
export function shearPower(
  radius: number,
  length: number,
  clearance: number,
  speed: number,
  viscosity: number,
  eccentricity: number,
): number {
  const omega = 2 * Math.PI * speed
  return (
    (2 * Math.PI * viscosity * omega * omega * radius * radius * radius * length) /
    (clearance * Math.sqrt(Math.max(1e-4, 1 - eccentricity * eccentricity)))
  )
}

/**
 * Share of a full film's power that one fed by a hole takes: in the half that widens the oil fills no more than the thinnest film lets by, so that
 * its streams shear 1/(1 + ε) of it. A groove keeps that half full.
 */
export const filledShare = (eccentricity: number): number => 0.5 * (1 + 1 / (1 + eccentricity))

/**
 * Share of a film's power that warms what leaves it, by how far the lower shell is grooved, rad: a groove shears nothing, and where it goes all round the lands are fed
 * afresh everywhere, so that oil leaves less warm than the film is. Uldo's own, by the grid with grooves all round.
 */
export const landsShare = (lower: number): number => 1 - (0.55 * lower) / Math.PI
