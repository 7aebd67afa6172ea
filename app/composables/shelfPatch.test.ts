import { quantityAt } from '#core/engine/values'
import { applyPatch } from 'fast-json-patch'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { newSheet } from '#core/record/layouts'
import { Sheet } from '#core/record/schema'
import { oilFiguresOf } from '#core/record/oil'
import { readingPath } from './stations'
import { clearPatch, oilPatch, shelfPatch, SPRING_FIELDS } from './shelfPatch'
import { originWords } from './origin'

describe('what is taken off the shelf into a sheet', () => {
  const sheet = newSheet('inline4', 'a', 'b')
  let who = 'Maren'
  beforeAll(() => vi.stubGlobal('usePerson', () => ({ who })))
  afterAll(() => vi.unstubAllGlobals())

  it('becomes readings that say so, by whom and what it was; figures that nobody knows write nothing', () => {
    const patch = shelfPatch(
      { 'relief.springRate': 6600, 'relief.freeLength': 0.0484, 'relief.wire': undefined },
      'Spring S 12',
    )
    expect(patch.map(({ path }) => path)).toEqual(['/readings/relief.springRate', '/readings/relief.freeLength'])
    const changed = applyPatch(structuredClone(sheet), patch).newDocument
    expect(Sheet.safeParse(changed).success).toBe(true)
    expect(changed.readings['relief.springRate']).toMatchObject({
      value: 6600,
      source: 'measured',
      by: 'Maren',
      instrument: 'Shelf',
      note: 'Spring S 12',
    })
    expect(originWords(changed, 'relief.springRate')).toMatch(/^Shelf, Maren, /)
    who = ''
    expect((shelfPatch({ 'relief.springRate': 1 }, '')[0] as { value: { by: string } }).value.by).toBe('Someone')
  })
  it('another spring takes what was measured of the first one with it, and nothing that is not there', () => {
    const measured = structuredClone(sheet)
    for (const field of ['benchPressure', 'height1'])
      measured.readings[`relief.${field}`] = { value: 1, source: 'measured' }
    measured.readings['relief.plungerDiameter'] = { value: 0.0127, source: 'measured' }
    const patch = clearPatch(
      measured,
      SPRING_FIELDS.map((field) => `relief.${field}`),
    )
    expect(Object.keys(applyPatch(structuredClone(measured), patch).newDocument.readings)).toEqual([
      'relief.plungerDiameter',
    ])
  })
})

describe('another oil poured in', () => {
  it('takes what the old one was mixed with along, so that the sheet has what was tried and no mixture of both', () => {
    const figures = oilFiguresOf({ oil: { grade: '20W-50' } })
    const pure = (({ kv40, kv100, density15, highShear150, pumpingLimit }) => ({
      kv40,
      kv100,
      density15,
      highShear150,
      pumpingLimit,
    }))(figures)
    const mixed = {
      ...newSheet('inline4', 'a', 'b'),
      oil: { grade: '10W-40', blend: { grade: '0W-20', share: 0.5 }, dilution: 0.05 },
    }
    const poured = applyPatch(structuredClone(mixed), oilPatch(mixed, pure)).newDocument
    expect(Sheet.safeParse(poured).success).toBe(true)
    expect(oilFiguresOf(poured)).toMatchObject(pure)
    expect(oilPatch(newSheet('inline4', 'a', 'b'), pure)).toHaveLength(1)
  })
})

const twoValves = newSheet('inline4', 'a', 'b')
twoValves.layout.galleryRelief = true

describe('where a reading is taken', () => {
  it.each([
    ['main.3.bore', '/build/x/bearings'],
    ['main.3.bore.rear', '/build/x/bearings?view=journal&at=main.3'],
    ['rod.2.side', '/build/x/bearings?view=journal&at=rod.2'],
    ['thrust.endFloat', '/build/x/bearings?view=turn'],
    ['pump.coverWear', '/build/x/pump?view=salvage'],
    ['relief2.benchPressure', '/build/x/relief?valve=relief2&view=bench'],
    ['relief2.springRate', '/build/x/relief?valve=relief2&view=valve'],
    ['pickup.vacuum', '/build/x/pickup?view=air'],
    ['start.idleHot.pressure', '/build/x/start?view=readings'],
    ['start.changeHours', '/build/x/start?view=breakin'],
    ['brief.hotOil', '/build/x/brief'],
    ['passage.rockerRestrictor', '/build/x/passages?at=rockerRestrictor'],
    ['gallery.drilling', '/build/x/passages?at=frontPlug'],
  ] as const)('%s', (key, path) => expect(readingPath('x', quantityAt(twoValves, key)!)).toBe(path))
})
