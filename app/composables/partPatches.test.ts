import { applyPatch } from 'fast-json-patch'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { DEMO_BUILDS, demoShelf } from '../../demo/make'
import { checkSheet } from '#core/engine/checkSheet'
import { combinationsOf } from '#core/finder/combinations'
import { offerOf } from '#core/finder/offer'
import { Sheet } from '#core/record/schema'
import type { ShelfItem } from '#core/shelf/schema'
import { setupPatch } from './setupPatch'
import { pumpPatch, springPatch, valvePatch } from './shelfPatch'
import { shelfPump } from '#core/shelf/figures'
import { triedPatch } from './triedPatch'

/** As the demo's, with shells enough for a whole engine. */
const shelf = demoShelf().map((entry, i): ShelfItem => ({
  ...entry,
  id: `item ${i}`,
  revision: 0,
  reserved: 0,
  count: entry.kind === 'shell' ? 20 : entry.count,
}))
const item = (label: string) => shelf.find((each) => each.label === label)!
const after = (sheet: Sheet, patch: ReturnType<typeof springPatch>) => {
  const changed = applyPatch(structuredClone(sheet), structuredClone(patch)).newDocument
  expect(Sheet.safeParse(changed).success).toBe(true)
  expect(checkSheet(changed)).toEqual([])
  return changed
}

describe('a part from the shelf, written to a record', () => {
  beforeAll(() => vi.stubGlobal('usePerson', () => ({ who: 'Ilse' })))
  afterAll(() => vi.unstubAllGlobals())

  it('another spring brings its own figures, and what was measured of the old one goes', () => {
    const six = DEMO_BUILDS.ottiline()
    six.readings['relief.benchPressure'] = { value: 4.1e5, source: 'measured' }
    six.benches = {
      'relief.1': { method: 'air', reading: 4.1e5, shims: 1.5e-3, installed: 0.0412, fitted: true },
    } as never
    const changed = after(six, springPatch(six, 'relief', item('Spring B, green')))
    expect(changed.readings['relief.springRate']).toMatchObject({ value: 6800, instrument: 'Shelf', by: 'Ilse' })
    expect(changed.readings['relief.solidLength'].value).toBeCloseTo(0.0286, 9)
    expect(changed.readings['relief.benchPressure']).toBeUndefined()
    expect(changed.benches?.['relief.1'].fitted).toBe(false)
    // The valve itself, and what lies under the spring, are the engine's still.
    expect(changed.readings['relief.plungerDiameter']).toEqual(six.readings['relief.plungerDiameter'])
    expect(changed.readings['relief.shims']).toEqual(six.readings['relief.shims'])
  })
  it('another whole valve takes the shims with it, and leaves the other valve alone', () => {
    const two = DEMO_BUILDS.pell()
    two.readings['relief2.shims'] = { value: 1e-3, source: 'measured' }
    const changed = after(two, valvePatch(two, 'relief2', item('Gallery valve, late form')))
    expect(changed.readings['relief2.shims']).toBeUndefined()
    expect(changed.readings['relief2.plungerDiameter'].value).toBe(0.012)
    expect(changed.readings['relief2.reach'].value).toBe(0.042)
    expect(changed.readings['relief.springRate']).toEqual(two.readings['relief.springRate'])
  })
  it('another pump takes the old gears’ centre distance with it, and is to the model what its figures say', () => {
    const six = DEMO_BUILDS.ottiline()
    const long = item('Ferry pump, long')
    expect(shelfPump(long)).toEqual({
      displacement: expect.closeTo(17.8e-6, 12),
      rotorDiameter: 0.04005,
      rotorLength: 0.0252,
      endClearance: 0.06e-3,
      tipClearance: 0.08e-3,
    })
    const changed = after(six, pumpPatch(six, long))
    expect(changed.readings['pump.centres']).toBeUndefined()
    expect(changed.readings['pump.displacement'].value).toBeCloseTo(17.8e-6, 12)
    expect(changed.readings['pump.driveLength'].value).toBe(0.062)
  })
  it('a set-up that was tried is written as far as a record has a place for it', () => {
    const six = DEMO_BUILDS.ottiline()
    const oil = { kv40: 165, kv100: 18.6, density15: 888, highShear150: 4.9e-3, pumpingLimit: -15 }
    const draft = {
      name: 'B',
      spring: item('Spring C, plain').id,
      oil: item('20W-50 can').id,
      pump: 'now',
      shims: 0.8e-3,
      mains: 10e-6,
      rods: 0,
      readings: { 'pump.endClearance': 0.05e-3 },
    }
    const byId = (id: string) => shelf.find((each) => each.id === id)
    const changed = after(six, triedPatch(six, draft, { oil }, byId))
    expect(changed.readings['relief.springRate'].value).toBe(7900)
    expect(changed.readings['relief.shims']).toMatchObject({ value: 0.8e-3, note: 'tried as B' })
    expect(changed.readings['pump.endClearance'].value).toBe(0.05e-3)
    expect(changed.readings['pump.centres']).toEqual(six.readings['pump.centres'])
    expect(changed.oil.figures).toEqual(oil)
    expect(changed.shells).toEqual(six.shells)
    expect(triedPatch(six, { ...draft, spring: 'now', shims: undefined, readings: {} }, {}, byId)).toEqual([])
  })
  it('a set-up that was found is written with its stack, pump, oil and shells, and none of what it leaves', () => {
    const six = DEMO_BUILDS.ottiline()
    const offer = offerOf(six, shelf, { springs: true, stacks: true, oils: true, pumps: true, shells: true })
    expect(combinationsOf(offer.offer)).toBeGreaterThan(100)
    const none = { probability: 1, power: 100, changes: 0, pressures: {}, bands: {} } as never as Parameters<
      typeof setupPatch
    >[1]
    expect(setupPatch(six, none, offer)).toEqual([])
    const [stack, oil, shells] = [offer.offer.stacks.at(-1)!, offer.offer.oils.at(-1)!, offer.offer.shells[0]]
    const found = {
      ...none,
      stack: stack.id,
      oil: oil.id,
      shells: shells.id,
      spring: 'Spring B, green',
      pump: 'Ferry pump, long',
    }
    const changed = after(six, setupPatch(six, found, offer))
    expect(changed.readings['relief.springRate'].value).toBe(6800)
    expect(changed.readings['relief.shims'].value).toBe(stack.thickness)
    expect(changed.readings['pump.rotorLength'].value).toBe(0.0252)
    expect(changed.oil.figures).toEqual(oil.figures)
    expect(changed.choices['oil.shelf']).toBe(oil.id.slice(0, 80))
    const set = shells.mains !== 0 ? 'main' : 'rod'
    expect(Object.keys(changed.shells)).toHaveLength(set === 'main' ? 7 : 6)
    expect(changed.shells[`${set}.1`].wall).toBeCloseTo(-(shells.mains + shells.rods), 12)
  })
})
