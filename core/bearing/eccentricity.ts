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

/** The right-hand side above: falls steadily from infinity at ε = 0 to nothing at ε = 1. */
function ocvirk(eccentricity: number): number {
  const e2 = eccentricity * eccentricity
  return ((1 - e2) * (1 - e2)) / (Math.PI * eccentricity * Math.sqrt(Math.PI * Math.PI * (1 - e2) + 16 * e2))
}

/**
 * Position for S (L/D)².
 *
 * @param loadNumber S (L/D)², 0 for a journal at rest
 * @example journalPosition(0).eccentricity // 1
 */
export function journalPosition(loadNumber: number): JournalPosition {
  let low = 1e-6
  let high = 1 - 1e-6
  for (let i = 0; i < 30; i++) {
    const middle = 0.5 * (low + high)
    if (ocvirk(middle) > loadNumber) low = middle
    else high = middle
  }
  const eccentricity = 0.5 * (low + high)
  return {
    eccentricity,
    attitude: Math.atan2(Math.PI * Math.sqrt(1 - eccentricity * eccentricity), 4 * eccentricity),
  }
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
  const sommerfeld = ((0.5 * diameter) / radialClearance) ** 2 * viscosity * speed / specificLoad
  return sommerfeld * (length / diameter) ** 2
}
