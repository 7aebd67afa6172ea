import { quantitiesOf } from './catalogue'
import fc from 'fast-check'
import jsonPatch from 'fast-json-patch'
import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { outlookOf } from '../outlook/outlook'
import { checkSheet } from './checkSheet'
import { newSheet, PRESETS } from '../record/layouts'
import { checkLayout, evenFeed, relayout } from './relayout'
import { Layout, Sheet } from '../record/schema'

const apply = (sheet: Sheet, layout: Layout) =>
  jsonPatch.applyPatch(structuredClone(sheet), relayout(sheet, layout)).newDocument

describe('another layout', () => {
  it('takes with it what it has no place for, and leaves the rest', () => {
    const six = DEMO_BUILDS.ottiline()
    const four = apply(six, newSheet('inline4', 'a', 'b').layout)
    expect(Sheet.safeParse(four).success).toBe(true)
    expect(four.readings['main.5.bore']).toEqual(six.readings['main.5.bore'])
    expect(four.readings['main.6.bore']).toBeUndefined()
    const keys = new Set(quantitiesOf(four.layout).map(({ key }) => key))
    for (const key of Object.keys(four.readings)) expect(keys.has(key)).toBe(true)
    const patch = relayout(six, four.layout)
    const back = jsonPatch.compare(four, six)
    expect(jsonPatch.applyPatch(structuredClone(four), back).newDocument).toEqual(six)
    expect(patch[0]).toMatchObject({ op: 'replace', path: '/layout' })
  })
  it('takes the passages with it that it has not, and what was said of them', () => {
    const six = DEMO_BUILDS.ottiline()
    const layout = { ...six.layout, filter: false, rockerFeed: false }
    const bare = apply(six, layout)
    expect(six.inspections['passage.filterBypass']).toBeDefined()
    for (const key of ['passage.filter', 'passage.filterBypass', 'passage.rockerRestrictor'])
      expect(bare.inspections[key]).toBeUndefined()
    for (const key of ['passage.frontPlug', 'pump.cover', 'pickup.airTest'])
      expect(bare.inspections[key]).toEqual(six.inspections[key])
    expect(checkLayout({ ...six.layout, cooler: true, coolerPlugged: true })).toMatchObject({
      ok: false,
      problems: [{ path: 'coolerPlugged' }],
    })
  })
  it('a pump of the other kind there and back brings every measured value home, and none stands for another quantity meanwhile', () => {
    const six = DEMO_BUILDS.ottiline()
    const gerotor = apply(six, { ...six.layout, pumpKind: 'gerotor' })
    expect(gerotor.readings['pump.rotorDiameter']).toBeUndefined()
    expect(gerotor.parked!['gear.pump.rotorDiameter']).toEqual(six.readings['pump.rotorDiameter'])
    gerotor.readings['pump.rotorDiameter'] = { value: 0.062, source: 'measured' }
    const again = apply(gerotor, six.layout)
    expect(again.readings).toEqual(six.readings)
    expect(again.parked!['gerotor.pump.rotorDiameter'].value).toBe(0.062)
    expect(apply(again, gerotor.layout).readings['pump.rotorDiameter'].value).toBe(0.062)
    expect(checkSheet(Sheet.parse(gerotor))).toEqual([])
  })
  it('mains that go and come back have their readings again', () => {
    const six = DEMO_BUILDS.ottiline()
    const back = apply(apply(six, newSheet('inline4', 'a', 'b').layout), six.layout)
    expect(back.readings).toEqual(six.readings)
  })
  it('a cooler that is gone: its plugged ports and its valve are asked for, not taken as done', () => {
    const six = DEMO_BUILDS.ottiline()
    const fitted = apply(six, { ...six.layout, cooler: true })
    fitted.inspections['passage.cooler'] = { finding: 'fitted' }
    fitted.inspections['passage.coolerBypass'] = { finding: 'in' }
    const gone = apply(fitted, { ...fitted.layout, cooler: false, coolerPlugged: true })
    for (const key of ['passage.cooler', 'passage.coolerPorts', 'passage.coolerBypass'])
      expect(gone.inspections[key]).toBeUndefined()
    expect(gone.inspections['passage.frontPlug']).toEqual(six.inspections['passage.frontPlug'])
  })
  it('is refused by field', () => {
    const layout = newSheet('inline4', 'a', 'b').layout
    expect(checkLayout({ ...layout, feed: [1, 2, 3, 9] })).toMatchObject({ ok: false, problems: [{ path: 'feed/3' }] })
    expect(checkLayout({ ...layout, mains: 0 })).toMatchObject({
      ok: false,
      problems: [{ path: 'mains' }, {}, {}, {}, {}],
    })
    expect(checkLayout(layout).ok).toBe(true)
  })
  it('of any counts and outlets gives a circuit that solves', () => {
    const made = fc.record({
      cylinders: fc.integer({ min: 1, max: 16 }),
      mains: fc.integer({ min: 1, max: 17 }),
      camBearings: fc.integer({ min: 0, max: 9 }),
      turbo: fc.boolean(),
      cooler: fc.boolean(),
      jets: fc.boolean(),
      filter: fc.boolean(),
      second: fc.boolean(),
    })
    fc.assert(
      fc.property(
        fc.constantFrom(...Object.keys(PRESETS)),
        made,
        (preset, { cylinders, mains, camBearings, turbo, cooler, jets, filter, second }) => {
          const base = newSheet(preset, 'a', 'b')
          const draft = {
            ...base.layout,
            cylinders,
            mains,
            feed: evenFeed(cylinders, mains),
            camBearings,
            turbo,
            cooler,
            filter,
            galleryRelief: second,
            pistonJets: jets ? cylinders : 0,
          }
          const checked = checkLayout(draft)
          expect(checked.ok).toBe(true)
          for (const state of outlookOf(apply(base, draft as Layout), 3).states)
            expect(Number.isFinite(state.pressure)).toBe(true)
        },
      ),
      { numRuns: 60 },
    )
  })
})
