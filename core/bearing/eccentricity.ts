/**
 * Running position of a journal by the short-bearing solution:
 *
 *   S (L/D)² = (1 − ε²)² / (π ε √(π² (1 − ε²) + 16 ε²)),   tan ψ = π √(1 − ε²) / (4 ε)
 *
 * with S = (R/c)² μ N / P, N in rev/s, P = W / (L D).
 * Source: Ocvirk, Short-Bearing Approximation for Full Journal Bearings, NACA TN 2808 (1952). What it leaves out of a real length, see
 * `finiteShare`.
 */
export interface JournalPosition {
  /** Eccentricity ratio ε, 0 concentric, 1 touching. */
  eccentricity: number
  /** Attitude angle ψ between load line and least film, rad. */
  attitude: number
}

/** The right-hand side above: falls steadily from infinity at ε = 0 to zero at ε = 1. */
function ocvirk(eccentricity: number): number {
  const e2 = eccentricity * eccentricity
  return ((1 - e2) * (1 - e2)) / (Math.PI * eccentricity * Math.sqrt(Math.PI * Math.PI * (1 - e2) + 16 * e2))
}

/**
 * Load that a film of real length carries, over the short bearing's of the same eccentricity:
 *
 *   K = 1 / (1 + (0.26 + 0.22 ε) (L/D)^1.84 / (1 − ε))
 *
 * since pressure in a narrow gap builds up over a way that is no longer short beside the length. Uldo's own fit to its grid solver,
 * within 4 percent for ε 0.1 to 0.98 and L/D 0.08 to 1 (core/film/closed.test.ts).
 */
export function finiteShare(eccentricity: number, ratio: number): number {
  return 1 / (1 + ((0.26 + 0.22 * eccentricity) * ratio ** 1.84) / Math.max(1e-9, 1 - eccentricity))
}

/** Even steps of ln S(L/D)² between which the eccentricity is interpolated; the error stays below 2·10⁻⁶. */
const FIRST = -18
const LAST = 12
const STEP = 0.01
const STEPS = Math.round((LAST - FIRST) / STEP) + 1
/** Steps of L/D, and the longest bearing that has a row of its own. */
const RATIO_STEP = 0.02
const LONGEST = 1
/** ε for each step, one row for each L/D that was asked for. */
const rows: (Float64Array | undefined)[] = []

/** A row of the table, each of it found by bisection. */
function rowOf(index: number): Float64Array {
  return (rows[index] ??= Float64Array.from({ length: STEPS }, (_, i) => {
    const wanted = Math.exp(FIRST + i * STEP)
    let low = 0
    let high = 1
    for (let halving = 0; halving < 50; halving++) {
      const middle = 0.5 * (low + high)
      if (ocvirk(middle) > wanted * finiteShare(middle, index * RATIO_STEP)) low = middle
      else high = middle
    }
    return 0.5 * (low + high)
  }))
}

/**
 * Eccentricity ratio for S (L/D)², with what a real length takes off the short bearing's load.
 *
 * @param loadNumber S (L/D)², 0 for a journal at rest  @param ratio L/D, 0 for the short bearing of the publication
 * @example eccentricityFor(0, 0.35) // 1
 */
export function eccentricityFor(loadNumber: number, ratio: number): number {
  const place = loadNumber > 0 ? (Math.log(loadNumber) - FIRST) / STEP : -1
  if (place <= 0) return 1
  const along = Math.min(place, STEPS - 1.000001)
  const below = Math.floor(along)
  const across = Math.min(ratio, LONGEST) / RATIO_STEP
  const row = Math.floor(across)
  const near = between(rowOf(row), below, along - below)
  return across === row ? near : near + (across - row) * (between(rowOf(row + 1), below, along - below) - near)
}

function between(row: Float64Array, below: number, share: number): number {
  return row[below] + share * (row[below + 1] - row[below])
}

/** Attitude at an eccentricity: a real length hardly moves it (by 2° at L/D 0.5). */
export function attitudeAt(eccentricity: number): number {
  return Math.atan2(Math.PI * Math.sqrt(1 - eccentricity * eccentricity), 4 * eccentricity)
}

/** Position for S (L/D)² and L/D: eccentricity and attitude. */
export function journalPosition(loadNumber: number, ratio: number): JournalPosition {
  const eccentricity = eccentricityFor(loadNumber, ratio)
  return { eccentricity, attitude: attitudeAt(eccentricity) }
}

export interface BearingDuty {
  /** Journal diameter D and bearing length L, m; radial clearance c, m. */
  diameter: number
  length: number
  radialClearance: number
  /** N, rev/s. */
  speed: number
  /** W, N. */
  load: number
  /** Film viscosity μ, Pa·s. */
  viscosity: number
}

/** S (L/D)² for a bearing at work: zero when it stands still. */
export function loadNumber({ diameter, length, radialClearance, speed, load, viscosity }: BearingDuty): number {
  const specificLoad = load / (length * diameter)
  const sommerfeld = (((0.5 * diameter) / radialClearance) ** 2 * viscosity * speed) / specificLoad
  return sommerfeld * (length / diameter) ** 2
}
