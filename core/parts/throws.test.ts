import { describe, expect, it } from 'vitest'
import { pinPhases, pinsOf, rodsBesideMains, rodsByBay, rodsOnPin, throwsOf } from './throws'
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
    const phases = pinPhases(Math.max(...pins) + 1)
    const throws = throwsOf(layout)
    expect(throws).toHaveLength(layout.feed.length)
    throws.forEach(({ fires, bank }, i) => {
      expect(fires).toBeGreaterThanOrEqual(0)
      expect(fires).toBeLessThan(720)
      expect((((fires + phases[pins[i]] - bank) % 360) + 360) % 360).toBeCloseTo(0, 9)
    })
    expect(new Set(throws.map(({ fires }) => fires)).size).toBe(throws.length)
  })
  it('rods of a V share pins, others do not', () => {
    expect(pinsOf(newSheet('v8', 'a', 'b').layout)).toEqual([0, 0, 1, 1, 2, 2, 3, 3])
    expect(pinsOf(newSheet('inline4', 'a', 'b').layout)).toEqual([0, 1, 2, 3])
    expect([rodsOnPin(newSheet('v12', 'a', 'b').layout), rodsOnPin(newSheet('flat4', 'a', 'b').layout)]).toEqual([2, 1])
  })
})
