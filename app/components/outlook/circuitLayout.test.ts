import { describe, expect, it } from 'vitest'
import { newSheet, PRESETS } from '#core/record/layouts'
import { circuitAtState } from '#core/outlook/circuitState'
import { layCircuit } from './circuitLayout'

const LAYOUTS = [
  ...Object.keys(PRESETS).map((preset) => newSheet(preset, 'a', 'b')),
  ...['v12', 'single', 'v8'].map((preset) => {
    const sheet = newSheet(preset, 'a', 'b')
    Object.assign(sheet.layout, {
      cooler: true,
      turbo: true,
      pistonJets: sheet.layout.cylinders,
      tensioner: true,
      galleryRelief: true,
      timingJet: true,
    })
    return sheet
  }),
  ...[{ reliefReturn: 'inlet' as const }, { drySump: true }].map((change) => {
    const sheet = newSheet('inline6', 'a', 'b')
    Object.assign(sheet.layout, change)
    return sheet
  }),
]

describe('the circuit laid out', () => {
  it('what flows into every node flows out of it, and every element is drawn, on any layout', () => {
    for (const sheet of LAYOUTS) {
      const state = circuitAtState(sheet, 2)
      const { elements, nodes } = layCircuit(state)
      const sums = new Map<string, number>()
      for (const { id, from, to, flow, words } of state.elements) {
        expect(elements.has(id), `${sheet.layout.preset}: ${id}`).toBe(true)
        expect(words.length).toBeGreaterThan(3)
        sums.set(from, (sums.get(from) ?? 0) - flow)
        sums.set(to, (sums.get(to) ?? 0) + flow)
      }
      for (const { id } of state.nodes) {
        expect(nodes.has(id), `${sheet.layout.preset}: ${id}`).toBe(true)
        // Oil comes from them and goes to them.
        if (id === 'sump' || id === 'tank') continue
        expect(Math.abs(sums.get(id)!)).toBeLessThan(1e-8 * state.delivered + 1e-15)
      }
    }
  })
})
