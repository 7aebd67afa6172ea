import type { Verdict } from '../quantity/verdict'

/** Limits of a sideways clearance, m. */
export interface FloatLimits {
  least: number
  most: number
}

/**
 * End float of a crank in its thrust bearing, by main journal diameter: at least what the house says, so that heat does not take it up, and up
 * to 0.15 mm and 0.0025 of the diameter. The maker's figures stand above it.
 */
export function endFloatLimits(mainDiameter: number, least = 0.05e-3, most?: number): FloatLimits {
  return { least, most: most ?? 0.15e-3 + 0.0025 * mainDiameter }
}

/**
 * Side clearance of a rod on its pin: at least what the house says, since oil leaves the big end through it, and up to 0.20 mm and 0.004 of the
 * pin's diameter; two rods on one pin share what is measured between them.
 */
export function sideClearanceLimits(pinDiameter: number, rodsOnPin: number, least = 0.1e-3): FloatLimits {
  return { least: least * rodsOnPin, most: (0.2e-3 + 0.004 * pinDiameter) * rodsOnPin }
}

/** Judges a sideways clearance: stop outside its limits, watch within a tenth of their width from an edge. */
export function judgeFloat(value: number, { least, most }: FloatLimits): Verdict {
  if (value < least || value > most) return 'stop'
  const edge = 0.1 * (most - least)
  return value < least + edge || value > most - edge ? 'watch' : 'pass'
}
