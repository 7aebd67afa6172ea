/** `assumed`: what governs stands on layout defaults alone; `void`: nothing may be said until something on record is mended. */
export type Verdict = 'pass' | 'watch' | 'stop' | 'unknown' | 'assumed' | 'void'

/** Judges a value with its band against a target: stop outside it, watch where the band crosses an edge, else pass. */
export function judge(value: number, low: number, high: number, target: { least: number; most: number }): Verdict {
  if (value < target.least || value > target.most) return 'stop'
  return low < target.least || high > target.most ? 'watch' : 'pass'
}
