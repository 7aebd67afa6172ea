/** A feed boundary in the film: where oil comes in at feed pressure. */
export type Feed =
  /** A line over the whole length at the thickest film, as in the published tables. */
  | { kind: 'axial' }
  /** A groove in the middle of the length; an oil hole is a short one. Angles in rad. */
  | {
      kind: 'groove'
      arc: number
      centre: number
      width: number
      from: 'thickest' | 'load'
      /** What of the half over against its middle is grooved too, from that half's ends. */
      lower?: number
    }

/** A plain bearing at work, SI. */
export interface FilmCase {
  /** Journal diameter D and bearing length L, m; radial clearance c, m. */
  diameter: number
  length: number
  radialClearance: number
  /** N, rev/s. */
  speed: number
  /** Film viscosity μ, Pa·s. */
  viscosity: number
  /** Pressure at the feed, Pa gauge. */
  feedPressure: number
  feed: Feed
}

/** Fineness of the grid: columns round the film, and intervals over half of the length (even). */
export interface Fineness {
  around: number
  across: number
}
export const STANDARD: Fineness = { around: 120, across: 8 }

export interface FilmState {
  /** ε */
  eccentricity: number
  /** ψ, angle between load line and least film, rad. */
  attitude: number
  /** Angle of the thickest film from column 0, rad. */
  thickest: number
  /** Load carried, N. */
  load: number
  /** h₀ = c (1 − ε), m. */
  minimumFilm: number
  /** Pa. */
  peakPressure: number
  /** Oil out of both ends, m³/s. */
  sideLeakage: number
  /**
   * Oil in, m³/s: for an axial feed all that enters the film there, as the published tables count it; for a groove what must
   * make up for the ends. (Reynolds' rupture does not follow the streams through the ruptured part, so the film's own count at a groove is not conserved.)
   */
  inletFlow: number
  /** Drag on the journal times its surface speed, the film taken as full all round, W. */
  dragPower: number
  /** S = (R/c)² μ N / P with P = W / (2 R L). */
  sommerfeld: number
  /** Pressure at each column and interval, Pa, in the direction of turning, middle plane first. */
  pressures: Float64Array
  fineness: Fineness
}

export class FilmError extends RangeError {
  /** @param path the field that is wrong  @param reason what is wrong with it */
  constructor(
    readonly path: string,
    readonly reason: string,
  ) {
    super(`${path}: ${reason}`)
    this.name = 'FilmError'
  }
}
