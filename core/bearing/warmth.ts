/** Heat capacity of mineral oil near 90 °C, J/(kg·K). Source: Cameron, Principles of Lubrication (1966), ch. 2. */
export const HEAT_CAPACITY = 2000

/** From little on a rise is searched for, and the most that a film is taken to warm its oil by, K. */
const LITTLE = 1
const MOST = 150
const ROUNDS = 12
/** How near the two sides must come, of themselves, for one more step to be their meeting. */
const CLOSE = 1.5e-2
/** A film's heat falls off as so high a power of its oil's viscosity: only where the search begins. */
const USUAL_POWER = 1.25

/**
 * How much warmer than it comes a bearing's oil leaves, K: the rise at which what is sheared, less what the metal takes, is what the leaving oil carries off,
 *
 *   ρ c_p Q(μ) ΔT = s P(μ),   μ at T + ΔT
 *
 * The film is then computed with that one temperature. P falls and Q grows as the oil thins, so there is one such rise. The logarithm of the right side over the
 * left is nearly a straight line of the rise, since viscosity falls about evenly by the degree: the secant on that line, kept between what is known to be too little and too
 * much, takes three or four looks. Within 20 percent of the rise by the grid's own heat balance, column by column (core/film/warmth.test.ts).
 *
 * @param shed s P / (ρ c_p Q) at a rise, K  @param thinning how fast the logarithm of the oil's viscosity falls, 1/K, near enough
 */
export function filmRise(shed: (rise: number) => number, thinning = 0.025): number {
  const first = shed(LITTLE)
  if (!(first > LITTLE)) return first > 0 ? first : 0
  let [low, high] = [LITTLE, MOST]
  let [last, atLast] = [LITTLE, Math.log(first)]
  let rise = meeting(atLast, LITTLE, USUAL_POWER * thinning)
  for (let round = 0; round < ROUNDS; round++) {
    const at = Math.log(shed(rise))
    const off = at - Math.log(rise)
    if (rise >= MOST && off >= 0) return MOST
    if (off > 0) low = rise
    else high = rise
    const next = meeting(at, rise, (atLast - at) / (rise - last))
    const inside = next > low && next < high
    if (Math.abs(off) < CLOSE) return inside ? next : rise
    last = rise
    atLast = at
    // Out of the bracket: its middle, by ratio; all of it if nothing was yet too much.
    rise = inside ? next : high === MOST && next >= MOST ? MOST : Math.sqrt(low * high)
  }
  return rise
}

/** Rise at which a line through `at` at `from`, falling by `fall` a degree, meets the logarithm of the rise: by Newton on that logarithm, from above. */
function meeting(at: number, from: number, fall: number): number {
  const steep = Math.max(0, fall)
  const top = at + steep * from
  let log = Math.min(top, Math.log(MOST))
  for (let k = 0; k < 20; k++) {
    const lost = steep * Math.exp(log)
    const step = (log + lost - top) / (1 + lost)
    log -= step
    if (Math.abs(step) < 1e-6) break
  }
  return Math.exp(log)
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
