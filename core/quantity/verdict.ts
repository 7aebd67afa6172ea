/** `assumed`: what governs stands on layout defaults alone; `void`: nothing may be said until something on record is mended. */
export type Verdict = 'pass' | 'watch' | 'stop' | 'unknown' | 'assumed' | 'void'

const ORDER: Verdict[] = ['pass', 'watch', 'stop']
/** The worse of two words of a judgement. */
export const worse = (a: Verdict, b: Verdict): Verdict => (ORDER.indexOf(a) >= ORDER.indexOf(b) ? a : b)

/** Judges a value with its band against a target: stop outside it, watch where the band crosses an edge, else pass. */
export function judge(value: number, low: number, high: number, target: { least: number; most: number }): Verdict {
  if (value < target.least || value > target.most) return 'stop'
  return low < target.least || high > target.most ? 'watch' : 'pass'
}
