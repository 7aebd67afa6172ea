import { mean } from '../quantity/mean'
import { BAND_SIGMAS } from '../quantity/uncertain'
import { type Band, bandOf, type Draws, rangeOf, type Sampled } from './band'

/**
 * Bands by a few samples, steadied by a reading whose spread is known: the same draws, taken straight along its slopes, give a band of their own,
 * and what that misses of the true one is missed by every reading in so far as it goes with it.
 * What does not go with it is left to the samples' own luck: each edge stands further out by the standard error that a quantile of so many has of that part,
 * √(p (1 − p)/n)/φ(z) of its deviation. It vanishes where the reading is a straight line, and with many samples.
 * Sources: Hsu & Nelson, Control Variates for Quantile Estimation, Management Science 36 (1990); David & Nagaraja, Order Statistics, 3rd ed. (2003), 10.2.
 *
 * @param slopes change of the known reading for one standard uncertainty of each input, by key
 */
export function steadied(
  sampled: Sampled[],
  { uncertain, deviates, narrow }: Draws,
  slopes: Map<string, number>,
): Band[] {
  const along = uncertain.map(({ key }) => slopes.get(key) ?? 0)
  const told = Float64Array.from(along)
  narrow(told)
  const half = BAND_SIGMAS * Math.hypot(...told)
  const known = Float64Array.from({ length: deviates.length / Math.max(1, uncertain.length) }, (_, s) =>
    along.reduce((sum, slope, i) => sum + slope * deviates[s * uncertain.length + i], 0),
  )
  const drawn = rangeOf({ best: 0, drawn: known })
  const missed = { low: -half - drawn.low, high: half - drawn.high }
  return sampled.map((each) => {
    const { pressure, low, high } = bandOf(each)
    const { share, rest } = shared(known, each.drawn)
    const luck = (EDGE_ERROR * rest) / Math.sqrt(known.length)
    return {
      pressure,
      low: Math.min(pressure, low + share * (share >= 0 ? missed.low : missed.high)) - luck,
      high: Math.max(pressure, high + share * (share >= 0 ? missed.high : missed.low)) + luck,
    }
  })
}

/** √(p (1 − p))/φ(z) at p = 0.05, z = 1.645: standard error of that quantile of one sample of a normal distribution, of its deviation. */
const EDGE_ERROR = 2.113

/** Slope of y over x by least squares, times the share of y's variance that it explains; and the deviation that it leaves. */
function shared(x: Float64Array, y: Float64Array): { share: number; rest: number } {
  const [mx, my] = [mean(x), mean(y)]
  let [xx, xy, yy] = [0, 0, 0]
  for (let s = 0; s < x.length; s++) {
    xx += (x[s] - mx) ** 2
    xy += (x[s] - mx) * (y[s] - my)
    yy += (y[s] - my) ** 2
  }
  const told = xx > 0 && yy > 0 ? (xy * xy) / (xx * yy) : 0
  return {
    share: told > 0 ? (xy / xx) * told : 0,
    rest: Math.sqrt((Math.max(0, 1 - told) * yy) / Math.max(1, x.length - 1)),
  }
}
