/**
 * Mobility of a short bearing, without units: how fast a load moves the journal,
 *
 *   M_ξ = (1 − ξ)^(5/2) / (π (L/D)²),   M_ζ = −4 ζ (1 − ξ)^(3/2) / (π² (L/D)²)
 *
 * ξ and ζ the journal's eccentricity ratio along the load and across it. The journal then moves at
 * dε/dt = (F (c/R)² / (μ L D)) M + ω̄ × ε, ω̄ the mean of journal's and shell's speed against the load's frame.
 * Source: Booker, Dynamically loaded journal bearings: numerical application of the mobility method, J. Lubr. Technol. 93
 * (1971), after Booker, J. Basic Eng. 87 (1965). Range: L/D up to about 0.5, where the film is a little thinner than this says.
 *
 * @param ratio L/D
 */
export function mobility(along: number, across: number, ratio: number, out: { along: number; across: number }): void {
  const gap = Math.max(0, 1 - along)
  const root = Math.sqrt(gap)
  const square = ratio * ratio
  out.along = (gap * gap * root) / (Math.PI * square)
  out.across = (-4 * across * gap * root) / (Math.PI * Math.PI * square)
}
