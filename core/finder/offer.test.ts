import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS, demoShelf } from '../../demo/make'
import type { ShelfItem } from '../shelf/schema'
import { findSetups } from './find'
import { offerOf, type Open, takenBy } from './offer'
import type { FinderProgress } from './types'

const ALL: Open = { springs: true, stacks: true, oils: true, pumps: true, shells: true }
const shelf = (): ShelfItem[] =>
  demoShelf().map((entry, i) => ({
    ...entry,
    id: `00000000-0000-4000-8000-${String(i).padStart(12, '0')}`,
    revision: 0,
    reserved: 0,
  }))

describe('what the shelf offers', () => {
  it('only what fits this engine, lies free, and was left open', () => {
    const { offer } = offerOf(DEMO_BUILDS.ottiline(), shelf(), ALL)
    expect(offer.pumps.map(({ id }) => id)).toEqual(['Ferry pump, standard', 'Ferry pump, long'])
    expect(offer.springs).toHaveLength(4)
    // Four oils lie there; the one to break in on is none to run on.
    expect(offer.oils.map(({ id }) => id)).toEqual(['15W-40 drum', '10W-40 can', '20W-50 can'])
    // Seven uppers and seven lowers are wanted of one grade: only the standard ones are so many.
    expect(offer.shells).toEqual([])
    const kept = shelf().map((item) => (item.label === 'Ferry pump, long' ? { ...item, reserved: 1 } : item))
    expect(offerOf(DEMO_BUILDS.ottiline(), kept, ALL).offer.pumps.map(({ id }) => id)).toEqual(['Ferry pump, standard'])
    expect(offerOf(DEMO_BUILDS.ottiline(), shelf(), { ...ALL, pumps: false, oils: false }).offer).toMatchObject({
      pumps: [],
      oils: [],
    })
  })
  it('stacks are of washers that fit the plug, and take no more than lie there', () => {
    const items = shelf()
    const { offer, takes } = offerOf(DEMO_BUILDS.ottiline(), items, ALL)
    expect(offer.stacks.length).toBeGreaterThan(6)
    for (const { id, thickness } of offer.stacks) {
      const parts = takes.get(id)!
      expect(parts.reduce((sum, { item, count }) => sum + count * Number(item.properties.thickness), 0)).toBeCloseTo(
        thickness,
        9,
      )
      for (const { item, count } of parts) {
        expect(count).toBeLessThanOrEqual(item.count)
        expect(item.label).not.toMatch(/plain steel|18 wide/)
      }
    }
  })
  it('whole sets of shells where enough halves lie there and every bore was measured', () => {
    const sheet = DEMO_BUILDS.dunmarrow()
    const halves = (['upper', 'lower'] as const).map((half, i): ShelfItem => ({
      id: `00000000-0000-4000-8000-00000000000${i}`,
      revision: 0,
      reserved: 0,
      kind: 'shell',
      label: half,
      engine: '',
      count: 5,
      place: '',
      note: '',
      properties: { set: 'main', half, wall: 6e-6 },
    }))
    const { offer, takes } = offerOf(sheet, halves, ALL)
    expect(offer.shells).toEqual([{ id: 'main shells 0.006 mm thicker', mains: -12e-6, rods: 0 }])
    expect(takes.get('main shells 0.006 mm thicker')!.map(({ count }) => count)).toEqual([5, 5])
    delete sheet.readings['main.3.bore']
    expect(offerOf(sheet, halves, ALL).offer.shells).toEqual([])
  })
  it('for a low hot idle the finder takes from it what the spring cannot give, and says which parts', () => {
    const sheet = DEMO_BUILDS.dunmarrow()
    sheet.readings['maker.idleHot'] = { value: 3.6e5, source: 'maker' }
    const made = offerOf(sheet, shelf(), ALL)
    let last: FinderProgress | undefined
    for (const progress of findSetups(sheet, made.offer)) last = progress
    const [best] = last!.frontier
    const now = last!.frontier.find(({ changes }) => changes === 0)!
    expect(best.probability).toBeGreaterThan(now.probability + 0.2)
    const parts = takenBy(best, made)
    expect(parts.some(({ item }) => ['pump', 'oil', 'shell'].includes(item.kind))).toBe(true)
    for (const { item, count } of parts) expect(item.count - item.reserved).toBeGreaterThanOrEqual(count)
  })
})
