import { filmGrid } from '../film/grid'
import { filmForce, prepareFilm } from '../film/reynolds'
import type { Fineness } from '../film/types'

/** How fast a load moves the journal, along it and across, without units. */
export interface Mobility {
  along: number
  across: number
}

/**
 * Mobility of a short bearing: how fast a load moves the journal,
 *
 *   M_ξ = (1 − ξ)^(5/2) / (π (L/D)²),   M_ζ = −4 ζ (1 − ξ)^(3/2) / (π² (L/D)²)
 *
 * ξ and ζ the journal's eccentricity ratio along the load and across it. The journal then moves at
 * dε/dt = (F (c/R)² / (μ L D)) M + ω̄ × ε, ω̄ the mean of journal's and shell's speed against the load's frame.
 * Source: Booker, Dynamically loaded journal bearings: numerical application of the mobility method, J. Lubr. Technol. 93
 * (1971), after Booker, J. Basic Eng. 87 (1965).
 *
 * @param ratio L/D
 */
export function shortMobility(along: number, across: number, ratio: number): Mobility {
  const gap = Math.max(0, 1 - along)
  const root = Math.sqrt(gap)
  const square = ratio * ratio
  return {
    along: (gap * gap * root) / (Math.PI * square),
    across: (-4 * across * gap * root) / (Math.PI * Math.PI * square),
  }
}

/**
 * Mobility by the grid solver: the film is squeezed without turning, with Reynolds' rupture, and carries the load that it carries; M = ⅔ (L/D)/f, f that load over
 * 6 μ ε̇ R⁴/c². For making the table of finite widths.
 *
 * @returns a function of the eccentricity ratio and the direction of motion from the eccentricity, rad, 0 to π: the angle from the eccentricity to the load, rad, the mobility along the load and
 * across it (positive the way that `across` is), and the peak pressure over F/(L D)
 */
export function mobilityOnGrid(ratio: number, fineness: Fineness) {
  const film = prepareFilm(filmGrid(fineness, ratio, 0))
  return (eccentricity: number, direction: number): Mobility & { angle: number; peak: number } => {
    // The film is thinnest, and the eccentricity points, at column 0.
    film.solve(
      {
        eccentricity,
        thickest: Math.PI,
        wedge: 0,
        squeezeCos: -2 * Math.cos(direction),
        squeezeSin: -2 * Math.sin(direction),
      },
      0,
    )
    const { cos, sin, peak } = filmForce(film)
    const force = Math.hypot(cos, sin)
    const angle = Math.abs(Math.atan2(sin, cos))
    const size = ((2 / 3) * ratio) / force
    // From the load's line the eccentricity lies at −angle; across is counted to the eccentricity's side.
    return {
      angle,
      along: size * Math.cos(direction - angle),
      across: -size * Math.sin(direction - angle),
      peak: (4 * ratio * peak) / force,
    }
  }
}
