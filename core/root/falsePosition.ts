/**
 * Root of a function between two places where it has opposite signs, by false position with the Illinois correction: an end that stands twice counts half.
 * Source: Dowell & Jarratt, A modified regula falsi method for computing the root of an equation, BIT 11 (1971).
 *
 * @param atLow the function at `low`, of the other sign than at `high`
 * @param close how near to zero is near enough  @param narrow width of the bracket, of its upper end, that is
 * @example falsePosition((x) => x * x - 2, 0, 2, -2, 2, { close: 1e-9 }) // 1.414213562
 */
export function falsePosition(
  of: (x: number) => number,
  low: number,
  high: number,
  atLow: number,
  atHigh: number,
  { close, narrow = 0, rounds = 40 }: { close: number; narrow?: number; rounds?: number },
): number {
  const rises = atHigh > 0
  let kept: 'low' | 'high' | undefined
  let x = low
  for (let round = 0; round < rounds && high - low > narrow * high; round++) {
    x = (low * atHigh - high * atLow) / (atHigh - atLow)
    const value = of(x)
    if (Math.abs(value) < close) break
    if (value > 0 === rises) {
      high = x
      atHigh = value
      if (kept === 'low') atLow *= 0.5
      kept = 'low'
    } else {
      low = x
      atLow = value
      if (kept === 'high') atHigh *= 0.5
      kept = 'high'
    }
  }
  return x
}
