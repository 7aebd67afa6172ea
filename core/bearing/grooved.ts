import {
  attitudeAt,
  type BearingDuty,
  eccentricityFor,
  finiteShare,
  journalPosition,
  type JournalPosition,
  loadNumber,
} from './eccentricity'

/** Grooves of a pair of shells, rad: in the upper about its crown, in the lower from both parting lines down. */
export interface GrooveArcs {
  upper: number
  lower: number
}

/** A bearing with grooves in its shells, under a load on the lower one's crown. */
export interface GroovedDuty extends BearingDuty, GrooveArcs {
  /** Land beside the groove on either side, m. */
  land: number
  /** Pressure in the groove, Pa gauge: it presses on the journal as the load does. */
  feedPressure: number
}

const HALF = Math.PI
/** Ungrooved film ends before its groove does, since its pressure falls to the groove's over a way of about so many L/D, rad. */
const EDGE = 0.4
const ROUNDS = 6
/** However hard the feed in a lower shell lifts the journal, so much of the load is left on the film. */
const LEAST_LOAD = 0.1

/**
 * Running position of a journal whose shells are grooved.
 *
 * A groove parts the film into two lands of width l, each with half the load and l/D of its own. Round the load the film is whole as long as
 * the lower shell has no groove there, so that the load carried at an eccentricity is
 *
 *   W = w W(L) + (1 − w) 2 W(l)
 *
 * w being the share of the short bearing's load that its ungrooved part carries. The feed's pressure in the upper groove, less in the lower,
 * adds p D (L − l) (sin ½α_u + cos ½α_l − 1) to the load: what is in the upper shell presses the journal down, in the lower it lifts it. Held to the grid solver: film within 5 percent for no groove in
 * the lower shell and for grooves all round, within 10 for arcs up to 310° (core/film/grooved.test.ts); between 310° and all round, which no shell
 * has, within about a third.
 */
export function groovedPosition(duty: GroovedDuty): JournalPosition {
  const { diameter, length, land, upper, lower } = duty
  const ratio = length / diameter
  const around = Math.min(upper + lower, 2 * HALF)
  const pressed = duty.feedPressure * diameter * (length - land) * pressing(upper, lower)
  const load = Math.max(LEAST_LOAD * duty.load, duty.load + pressed)
  const whole = (loadNumber(duty) * duty.load) / load
  const lands = 2 * (land / length) ** 3
  if (around >= 2 * HALF - 1e-6) return journalPosition(lands * whole, land / diameter)
  const ungrooved = journalPosition(whole, ratio)
  if (lower <= 0) return ungrooved
  let { eccentricity } = ungrooved
  const table = shareTable(Math.max(0, 0.5 * (HALF - lower) - EDGE * ratio))
  for (let round = 0; round < ROUNDS; round++) {
    const share = shareAt(table, eccentricity)
    const parted = (lands * finiteShare(eccentricity, land / diameter)) / finiteShare(eccentricity, ratio)
    eccentricity = eccentricityFor(whole * (share + (1 - share) * parted), ratio)
  }
  return { eccentricity, attitude: attitudeAt(eccentricity) }
}

const lastPressing = { upper: 0, lower: 0, share: 0 }

/** sin ½α_u + cos ½α_l − 1; the last is kept, since shells of an engine are alike. */
function pressing(upper: number, lower: number): number {
  if (lastPressing.upper !== upper || lastPressing.lower !== lower) {
    lastPressing.upper = upper
    lastPressing.lower = lower
    lastPressing.share = Math.sin(0.5 * upper) + Math.cos(0.5 * lower) - 1
  }
  return lastPressing.share
}

/**
 * Share of a short bearing's load that the film within an angle of the load's line carries: of ∫ ε sin φ (1 + ε cos φ)⁻³ cos(φ − φ_W) dφ over the film that is
 * not ruptured, 0 to π from the thickest.
 *
 * @param within to either side of the load's line, rad
 */
export function loadWithin(eccentricity: number, within: number): number {
  const towards = Math.PI - attitudeAt(eccentricity)
  const pieces = 400
  let all = 0
  let inside = 0
  for (let k = 0; k < pieces; k++) {
    const phi = ((k + 0.5) * Math.PI) / pieces
    const off = phi - towards
    const force = (eccentricity * Math.sin(phi) * Math.cos(off)) / (1 + eccentricity * Math.cos(phi)) ** 3
    all += force
    if (Math.abs(off) <= within) inside += force
  }
  return inside / all
}

const TABLE = 64
let last: { within: number; shares: Float64Array } | undefined

/** `loadWithin` at even steps of eccentricity; the last asked for is kept, since shells of an engine are alike. */
function shareTable(within: number): Float64Array {
  if (last?.within !== within)
    last = {
      within,
      shares: Float64Array.from({ length: TABLE + 1 }, (_, i) =>
        loadWithin(Math.min(0.995, Math.max(0.005, i / TABLE)), within),
      ),
    }
  return last.shares
}

function shareAt(shares: Float64Array, eccentricity: number): number {
  const place = Math.min(TABLE - 1e-6, eccentricity * TABLE)
  const below = Math.floor(place)
  return shares[below] + (place - below) * (shares[below + 1] - shares[below])
}
