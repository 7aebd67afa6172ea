import { describe, expect, it } from 'vitest'
import { fittedLine } from './line'

describe('a line by least squares with a prior', () => {
  const wide = { level: 1e3, slope: { mean: 0, sigma: 1e3 } }
  it('goes through readings on a line, whatever their spreads, where the prior is wide', () => {
    const fit = fittedLine(
      [0, 1, 2, 5].map((x, i) => ({ x, y: 0.3 - 0.2 * x, sigma: 0.01 * (i + 1) })),
      wide,
    )
    expect(fit.at(10).mean).toBeCloseTo(-1.7, 4)
    expect(fit.slope(2).mean).toBeCloseTo(-0.4, 4)
    expect(fit.told).toBeCloseTo(1, 6)
  })
  it('gives of scattered readings what the normal equations give by hand', () => {
    const data = [
      [0, 1.0],
      [1, 0.7],
      [2, 0.9],
      [4, 0.2],
    ].map(([x, y]) => ({ x: x!, y: y!, sigma: 0.1 }))
    const n = data.length
    const [sx, sy] = [data.reduce((a, { x }) => a + x, 0), data.reduce((a, { y }) => a + y, 0)]
    const sxx = data.reduce((a, { x }) => a + x * x, 0) - (sx * sx) / n
    const sxy = data.reduce((a, { x, y }) => a + x * y, 0) - (sx * sy) / n
    const fit = fittedLine(data, wide)
    expect(fit.slope(1).mean).toBeCloseTo(sxy / sxx, 5)
    expect(fit.at(sx / n).mean).toBeCloseTo(sy / n, 5)
    // Half a band of the mean: t of 14 at 95 percent is 1.761, and the scale (10 + χ²)/14.
    const chi = data.reduce((a, { x, y }) => a + ((y - (sy / n + (sxy / sxx) * (x - sx / n))) / 0.1) ** 2, 0)
    expect(fit.at(sx / n).half).toBeCloseTo(1.7613 * Math.sqrt(((10 + chi) / 14) * (0.01 / n)), 4)
  })
  it('is the prior where nothing was read, and wider where readings scatter more than they say', () => {
    const prior = { level: 0.5, slope: { mean: -0.4, sigma: 0.4 } }
    const none = fittedLine([], prior)
    expect(none.at(2).mean).toBeCloseTo(-0.8)
    expect(none.told).toBeCloseTo(0)
    expect(none.below(2, -0.8)).toBeCloseTo(0.5)
    const scattered = (spread: number) =>
      fittedLine(
        [0, 1, 2, 3, 4, 5].map((x) => ({ x, y: x % 2 === 0 ? spread : -spread, sigma: 0.02 })),
        prior,
      ).at(6).half
    expect(scattered(0.2)).toBeGreaterThan(3 * scattered(0.005))
  })
})
