/**
 * Running position of a journal by the short-bearing solution:
 *
 *   S (L/D)² = (1 − ε²)² / (π ε √(π² (1 − ε²) + 16 ε²)),   tan ψ = π √(1 − ε²) / (4 ε)
 *
 * with S = (R/c)² μ N / P, N in rev/s, P = W / (L D).
 * Source: Ocvirk, Short-Bearing Approximation for Full Journal Bearings, NACA TN 2808 (1952).
 * Range: L/D up to about 0.5, which engine shells keep.
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

/** Even steps of ln S(L/D)² between which the eccentricity is interpolated; the error stays below 2·10⁻⁶. */
const FIRST = -18
const LAST = 12
const STEP = 0.01
let table: Float64Array | undefined

/** ε for each step, each found by bisection on the published formula. */
function eccentricityTable(): Float64Array {
  const steps = Math.round((LAST - FIRST) / STEP) + 1
  return Float64Array.from({ length: steps }, (_, i) => {
    const wanted = Math.exp(FIRST + i * STEP)
    let low = 0
    let high = 1
    for (let halving = 0; halving < 50; halving++) {
      const middle = 0.5 * (low + high)
      if (ocvirk(middle) > wanted) low = middle
      else high = middle
    }
    return 0.5 * (low + high)
  })
}

/**
 * Eccentricity ratio for S (L/D)².
 *
 * @param loadNumber S (L/D)², 0 for a journal at rest
 * @example eccentricityFor(0) // 1
 */
export function eccentricityFor(loadNumber: number): number {
  table ??= eccentricityTable()
  const place = loadNumber > 0 ? (Math.log(loadNumber) - FIRST) / STEP : -1
  if (place <= 0) return 1
  if (place >= table.length - 1) return table[table.length - 1]
  const below = Math.floor(place)
  return table[below] + (place - below) * (table[below + 1] - table[below])
}

/** Position for S (L/D)²: eccentricity and attitude. */
export function journalPosition(loadNumber: number): JournalPosition {
  const eccentricity = eccentricityFor(loadNumber)
  return { eccentricity, attitude: Math.atan2(Math.PI * Math.sqrt(1 - eccentricity * eccentricity), 4 * eccentricity) }
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
