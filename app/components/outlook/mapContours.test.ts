import { describe, expect, it } from 'vitest'
import { regionOver, shadesOf } from './mapContours'

const FRAME = { left: 100, top: 10, width: 400, height: 200 }
/** Samples of a function of speed share and temperature share. */
const field = (of: (along: number, up: number) => number, across = 41, down = 21) => ({
  across,
  down,
  values: Array.from({ length: across * down }, (_, i) =>
    of((i % across) / (across - 1), Math.floor(i / across) / (down - 1)),
  ),
})
const points = (path: string) =>
  [...path.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]) => ({ x: Number(x), y: Number(y) }))

describe('regions of a map', () => {
  it('an edge that runs aslant has no steps: every corner of it within a tenth of a px of the line', () => {
    const edge = points(
      regionOver(
        field((along, up) => along - up),
        0.1,
        FRAME,
      ),
    ).filter(({ x, y }) => x > 101 && x < 499 && y > 11 && y < 209)
    expect(edge.length).toBeGreaterThan(20)
    for (const { x, y } of edge) {
      const [along, up] = [(x - 100) / 400, (210 - y) / 200]
      expect(Math.abs(along - up - 0.1) * 400).toBeLessThan(0.2)
    }
  })
  it('stands where the value stands: over 3 of a field that rises with speed is the right, and up is hot', () => {
    const right = points(
      regionOver(
        field((along) => 4 * along),
        3,
        FRAME,
      ),
    )
    expect(Math.min(...right.map(({ x }) => x))).toBeCloseTo(400, 0)
    const hot = points(
      regionOver(
        field((_, up) => up),
        0.5,
        FRAME,
      ),
    )
    expect(Math.max(...hot.map(({ y }) => y))).toBeCloseTo(110, 0)
  })
  it('is nowhere when nothing reaches it, and all when all does', () => {
    expect(
      regionOver(
        field(() => 1),
        2,
        FRAME,
      ),
    ).toBe('')
    const whole = points(
      regionOver(
        field(() => 1),
        0.5,
        FRAME,
      ),
    )
    expect(Math.min(...whole.map(({ x }) => x))).toBeLessThanOrEqual(100)
    expect(Math.max(...whole.map(({ x }) => x))).toBeGreaterThanOrEqual(500)
  })
})

describe('shades of a scale', () => {
  it('darken step by step, most where most of the field lies', () => {
    // Nine tenths of the field between 4 and 5, the rest under it.
    const values = Array.from({ length: 1000 }, (_, i) => (i < 100 ? 0.04 * i : 4 + (i - 100) / 900))
    const shades = shadesOf([0, 1, 2, 3, 4, 4.25, 4.5, 4.75, 5], values)
    for (const [i, shade] of shades.slice(1).entries()) expect(shade).toBeGreaterThan(shades[i])
    expect(shades[0]).toBe(0)
    expect(shades.at(-1)!).toBeCloseTo(1, 2)
    expect(shades[6] - shades[5]).toBeGreaterThan(shades[2] - shades[1])
    expect(shadesOf([3], [3, 3])).toEqual([0])
  })
})
