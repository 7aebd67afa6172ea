import { describe, expect, it } from 'vitest'
import { normal, seeded } from './random'

const take = (count: number, draw: () => number) => Array.from({ length: count }, draw)
const mean = (values: number[]) => values.reduce((sum, value) => sum + value, 0) / values.length
const moment = (values: number[], power: number) => mean(values.map((value) => value ** power))

describe('seeded numbers', () => {
  it('are the same for the same seed, and others for its neighbours', () => {
    const first = take(50, seeded(7))
    expect(take(50, seeded(7))).toEqual(first)
    for (const seed of [6, 8, -7, 0, 2 ** 31]) expect(take(50, seeded(seed))).not.toEqual(first)
  })
  it('lie evenly on [0, 1): chi-squared over 64 cells, and no two neighbours hang together', () => {
    for (const seed of [1, 20, 77, 12345]) {
      const values = take(64_000, seeded(seed))
      expect(Math.min(...values)).toBeGreaterThanOrEqual(0)
      expect(Math.max(...values)).toBeLessThan(1)
      const cells = new Array<number>(64).fill(0)
      for (const value of values) cells[Math.floor(64 * value)]++
      // 63 degrees of freedom: 99.99 percent lie under 113.
      expect(cells.reduce((sum, count) => sum + (count - 1000) ** 2 / 1000, 0)).toBeLessThan(113)
      const pairs = values.slice(1).map((value, i) => (value - 0.5) * (values[i] - 0.5))
      expect(Math.abs(mean(pairs)) / (1 / 12)).toBeLessThan(4 / Math.sqrt(64_000))
    }
  })
  it('first numbers of neighbouring seeds are even too, so that a thousand engines differ', () => {
    const firsts = Array.from({ length: 4000 }, (_, seed) => seeded(seed)())
    expect(mean(firsts)).toBeCloseTo(0.5, 1)
    expect(
      moment(
        firsts.map((value) => value - 0.5),
        2,
      ),
    ).toBeCloseTo(1 / 12, 2)
  })
})

describe('normal deviates', () => {
  const values = (() => {
    const random = seeded(3)
    return take(100_000, () => normal(random))
  })()
  it('have mean 0, variance 1, no skew and a kurtosis of 3', () => {
    expect(Math.abs(mean(values))).toBeLessThan(4 / Math.sqrt(1e5))
    expect(moment(values, 2)).toBeCloseTo(1, 1)
    expect(Math.abs(moment(values, 3))).toBeLessThan(0.05)
    expect(Math.abs(moment(values, 4) - 3)).toBeLessThan(0.1)
  })
  it('lie within one, two and three sigma as often as tables say', () => {
    for (const [sigma, share] of [
      [1, 0.6827],
      [2, 0.9545],
      [3, 0.9973],
    ])
      expect(Math.abs(values.filter((value) => Math.abs(value) < sigma).length / values.length - share)).toBeLessThan(
        0.006,
      )
  })
})
