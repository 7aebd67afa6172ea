import type { Verdict } from '../quantity/verdict'
import type { Uncertain } from './clearance'

export interface ClearanceVerdict {
  verdict: Verdict
  /** How far beyond the limit, m; negative when too tight, zero when inside. */
  beyond: number
  /** Chance that the true clearance lies outside the limits. */
  chance: number
}

/**
 * Judges a clearance against its limits: stop outside, watch where more than one chance in twenty is outside, else pass.
 * The chance is that of a normal distribution about the measured value (JCGM 106:2012, conformity assessment).
 */
export function judgeClearance(clearance: Uncertain, limits: { least: number; most: number }): ClearanceVerdict {
  const { value, sigma } = clearance
  const chance = 1 - (phi((limits.most - value) / sigma) - phi((limits.least - value) / sigma))
  const beyond = value > limits.most ? value - limits.most : value < limits.least ? value - limits.least : 0
  return { verdict: beyond !== 0 ? 'stop' : chance > 0.05 ? 'watch' : 'pass', beyond, chance }
}

/** Standard normal distribution function, to 10⁻⁷. Source: Abramowitz & Stegun, 26.2.17. */
export function phi(x: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(x))
  const tail =
    0.3989422804014327 *
    Math.exp(-0.5 * x * x) *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))))
  return x >= 0 ? 1 - tail : tail
}
