import { describe, expect, it } from 'vitest'
import { phasesOf, pinsOf, rodsBesideMains, rodsByBay, rodsOnPin, throwsOf } from './throws'
import { newSheet, PRESETS } from '../record/layouts'

const layouts = Object.keys(PRESETS).map((preset) => [preset, newSheet(preset, 'a', 'b').layout] as const)

describe('crank of a layout', () => {
  it.each(layouts)('%s: every rod stands in one bay, on one pin, beside the two mains of its bay', (_, layout) => {
    const rods = layout.feed.length
    expect(rodsByBay(layout).reduce((sum, count) => sum + count, 0)).toBe(rods)
    expect(pinsOf(layout)).toHaveLength(rods)
    const beside = rodsBesideMains(layout)
    expect(beside).toHaveLength(layout.mains)
    for (let rod = 0; rod < rods; rod++) expect(beside.filter((own) => own.includes(rod))).toHaveLength(2)
  })
  it.each(layouts)('%s: each cylinder fires once in 720°, when its pin points along its bank', (_, layout) => {
    const pins = pinsOf(layout)
    const phases = phasesOf(layout)
    const throws = throwsOf(layout)
    expect(throws).toHaveLength(layout.feed.length)
    throws.forEach(({ fires, bank }, i) => {
      expect(fires).toBeGreaterThanOrEqual(0)
      expect(fires).toBeLessThan(720)
      expect((((fires + phases[pins[i]] - bank) % 360) + 360) % 360).toBeCloseTo(0, 9)
    })
    expect(new Set(throws.map(({ fires }) => fires)).size).toBe(throws.length)
  })
  it('a V8 is cross-plane, and flat by choice: it fires every 90° either way, by other cylinders', () => {
    const cross = newSheet('v8', 'a', 'b').layout
    const flat = { ...cross, crankPlane: 'flat' as const }
    expect(phasesOf(cross)).toEqual([0, 90, 270, 180])
    expect(phasesOf(flat)).toEqual([0, 180, 180, 0])
    const fires = (layout: typeof cross) => throwsOf(layout).map((each) => each.fires)
    for (const layout of [cross, flat]) {
      const sorted = fires(layout).sort((a, b) => a - b)
      sorted.forEach((degree, i) => expect((sorted[i + 1] ?? sorted[0] + 720) - degree).toBeCloseTo(90, 9))
    }
    expect(fires(cross)).not.toEqual(fires(flat))
    // Only four pins of a V have two planes to choose from.
    expect(phasesOf({ ...newSheet('inline4', 'a', 'b').layout, crankPlane: 'cross' })).toEqual([0, 180, 180, 0])
    expect(phasesOf({ ...newSheet('v4', 'a', 'b').layout, crankPlane: 'flat' })).toEqual([0, 180])
  })
  it('rods of a V share pins, others do not', () => {
    expect(pinsOf(newSheet('v8', 'a', 'b').layout)).toEqual([0, 0, 1, 1, 2, 2, 3, 3])
    expect(pinsOf(newSheet('inline4', 'a', 'b').layout)).toEqual([0, 1, 2, 3])
    expect([rodsOnPin(newSheet('v12', 'a', 'b').layout), rodsOnPin(newSheet('flat4', 'a', 'b').layout)]).toEqual([2, 1])
  })
})
