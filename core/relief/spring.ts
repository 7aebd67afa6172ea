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
export function rateFromHeights(
  first: { height: number; load: number },
  second: { height: number; load: number },
): number {
  const rate = (second.load - first.load) / (first.height - second.height)
  if (!(rate > 0) || !Number.isFinite(rate))
    throw new RangeError('load: the shorter height must carry the greater load')
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

/** Force on the shut plunger: F₀ = k (L_free − L_installed + Σ shims), N; never below zero. */
export function preload({ springRate, freeLength, installedLength, shims }: FittedSpring): number {
  return Math.max(0, springRate * (freeLength - installedLength + total(shims)))
}

/** Thickness of a stack, m. */
export function total(shims: number[]): number {
  return shims.reduce((sum, shim) => sum + shim, 0)
}

/** A round-wire spring by its make, m. */
export interface WireSpring {
  wire: number
  /** Mean coil diameter D. */
  meanDiameter: number
  activeCoils: number
}

/**
 * Shear stress in the wire under a load, with Wahl's correction for curvature, Pa:
 *
 *   τ = K_w 8 F D / (π d³),   K_w = (4 C − 1)/(4 C − 4) + 0.615/C,   C = D/d
 *
 * Source: Wahl, Mechanical Springs, 2nd ed. (1963), ch. 6.
 * @example wahlStress({ wire: 0.0016, meanDiameter: 0.0099, activeCoils: 8 }, 50) // 389 MPa
 */
export function wahlStress({ wire, meanDiameter }: WireSpring, load: number): number {
  const index = meanDiameter / wire
  const correction = (4 * index - 1) / (4 * index - 4) + 0.615 / index
  return (correction * 8 * load * meanDiameter) / (Math.PI * wire ** 3)
}

/**
 * Stress that a cold-drawn spring wire bears without setting, Pa: 45 percent of its tensile strength, R_m = 2211 MPa · (d/mm)^−0.145.
 * Source: Shigley's Mechanical Engineering Design, 10th ed., table 10-4 (music wire) and 10-6 (before set removal).
 */
export function allowedStress(wire: number): number {
  return 0.45 * 2211e6 * (wire * 1e3) ** -0.145
}
