/** Oil in a sump whose surface tilts, m and rad. */
export interface SloshCase {
  /** Oil over the floor at the low mark, in the middle of the sump. */
  oilDepth: number
  /** Pickup's distance from the middle, in the direction that the oil runs away from. */
  offset: number
  /** Clearance of the pickup's mouth to the floor. */
  floor: number
  /** Length of the sump floor in that direction, where known: oil cannot tilt below the floor. */
  sumpLength?: number
  /** Tilt of the surface. */
  tilt: number
}

/**
 * Oil left over the pickup's mouth once the surface stands tilted, m: h − f, with the surface's height h over the floor at the pickup d − x tan θ
 * while the whole floor is covered; once one end runs dry the oil is a wedge of width w = √(2 d L / tan θ) against the other wall, and
 * h = (w − L/2 − x) tan θ.
 * Source: hydrostatics of a tilted tank of constant breadth (volume kept), e.g. White, Fluid Mechanics, 8th ed., 2.9.
 */
export function oilOverMouth({ oilDepth, offset, floor, sumpLength, tilt }: SloshCase): number {
  return surfaceAt({ oilDepth, offset, sumpLength, tilt }) - floor
}

/** Height of the tilted surface over the floor at the pickup, m; zero where the floor runs dry. */
export function surfaceAt({ oilDepth, offset, sumpLength, tilt }: Omit<SloshCase, 'floor'>): number {
  const slope = Math.tan(tilt)
  if (sumpLength === undefined || 0.5 * sumpLength * slope <= oilDepth) return Math.max(0, oilDepth - offset * slope)
  // One end dry: a wedge of the same volume against the far wall, d L = w² tan θ / 2.
  const wedge = Math.sqrt((2 * oilDepth * sumpLength) / slope)
  return Math.max(0, (wedge - (0.5 * sumpLength + offset)) * slope)
}

/** Braking, in g, that tilts a surface by this angle: tan θ. */
export function brakingFor(tilt: number): number {
  return Math.tan(tilt)
}
