/**
 * Rate of a round-wire compression spring: k = G d⁴ / (8 D³ n), N/m.
 * Source: Wahl, Mechanical Springs, 2nd ed. (1963), ch. 5; EN 13906-1.
 *
 * @param wire d, m  @param meanDiameter D, m  @param activeCoils n
 * @param shearModulus G, Pa; 79.3 GPa for carbon and chrome spring steels
 * @example rateFromWire(0.0016, 0.0099, 8) // 8374 N/m
 */
export function rateFromWire(wire: number, meanDiameter: number, activeCoils: number, shearModulus = 79.3e9): number {
  return (shearModulus * wire ** 4) / (8 * meanDiameter ** 3 * activeCoils)
}

/**
 * Rate from two loads read at two heights: k = (F₂ − F₁) / (h₁ − h₂), N/m.
 *
 * @throws RangeError when the shorter height does not carry the greater load
 */
export function rateFromHeights(first: { height: number; load: number }, second: { height: number; load: number }): number {
  const rate = (second.load - first.load) / (first.height - second.height)
  if (!(rate > 0) || !Number.isFinite(rate)) throw new RangeError('load: the shorter height must carry the greater load')
  return rate
}

export interface FittedSpring {
  /** k, N/m. */
  springRate: number
  /** Length with nothing on it, m. */
  freeLength: number
  /** Length between plunger seat and plug with the valve shut and no shims, m. */
  installedLength: number
  /** Washers under the spring, m each. */
  shims: number[]
}

/** Force on the shut plunger: F₀ = k (L_free − L_installed + Σ shims), N; never below nothing. */
export function preload({ springRate, freeLength, installedLength, shims }: FittedSpring): number {
  return Math.max(0, springRate * (freeLength - installedLength + total(shims)))
}

/** Thickness of a stack, m. */
export function total(shims: number[]): number {
  return shims.reduce((sum, shim) => sum + shim, 0)
}
