import { describe, expect, it } from 'vitest'
import { newSheet, PRESETS } from '#core/record/layouts'
import { crankParts, crankWidth } from './crank'

describe('crank drawing', () => {
  it.each(Object.keys(PRESETS))(
    '%s: every main and rod once, front to back, none over another, within the drawing',
    (preset) => {
      const { layout } = newSheet(preset, 'a', 'b')
      const { parts } = crankParts(layout, 722)
      for (const [set, count] of [
        ['main', layout.mains],
        ['rod', layout.feed.length],
      ] as const) {
        expect(parts.filter((part) => part.set === set).map((part) => part.number)).toEqual(
          Array.from({ length: count }, (_, i) => i + 1),
        )
      }
      let end = 0
      for (const part of parts) {
        expect(part.x).toBeGreaterThanOrEqual(end - 1e-9)
        // A name such as R12 must fit.
        expect(part.width).toBeGreaterThan(20)
        end = part.x + part.width
      }
      expect(end).toBeLessThanOrEqual(722.001)
    },
  )
  it.each(Object.keys(PRESETS))(
    '%s: each journal is as wide as a finger, half of its webs counted, and no two share a place',
    (preset) => {
      const { layout } = newSheet(preset, 'a', 'b')
      const { parts } = crankParts(layout, crankWidth(layout) - 8)
      for (const [i, { reach, x, width }] of parts.entries()) {
        expect(reach.width).toBeGreaterThanOrEqual(44 - 1e-9)
        expect(reach.x).toBeLessThanOrEqual(x + 1e-9)
        expect(reach.x + reach.width).toBeGreaterThanOrEqual(x + width - 1e-9)
        if (i > 0) expect(reach.x).toBeGreaterThanOrEqual(parts[i - 1].reach.x + parts[i - 1].reach.width - 1e-9)
      }
    },
  )
  it('an inline six stands in pairs: 1 with 6, 2 with 5, 3 with 4', () => {
    const rods = crankParts(newSheet('inline6', 'a', 'b').layout, 722).parts.filter((part) => part.set === 'rod')
    for (const [a, b] of [
      [0, 5],
      [1, 4],
      [2, 3],
    ])
      expect(rods[a].throw).toBeCloseTo(rods[b].throw, 9)
    expect(rods[0].throw).toBe(1)
  })
  it('two rods of a V share a pin', () => {
    const rods = crankParts(newSheet('v8', 'a', 'b').layout, 722).parts.filter((part) => part.set === 'rod')
    for (let pin = 0; pin < 4; pin++) expect(rods[2 * pin].throw).toBe(rods[2 * pin + 1].throw)
  })
})
