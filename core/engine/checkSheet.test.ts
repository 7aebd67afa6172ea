import { inspectionsOf, quantitiesOf } from './catalogue'
import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { checkSheet, problemsOfChange } from './checkSheet'
import { newSheet, PRESETS } from '../record/layouts'
import type { Sheet } from '../record/schema'
import { usableSheet } from './usableSheet'

const blank = () => newSheet('inline6', 'a', 'b')
const withReadings = (readings: Record<string, number>, sheet: Sheet = blank()): Sheet => ({
  ...sheet,
  readings: {
    ...sheet.readings,
    ...Object.fromEntries(
      Object.entries(readings).map(([key, value]) => [key, { value, source: 'measured' as const }]),
    ),
  },
})
const refusedAt = (sheet: Sheet) => checkSheet(sheet).map(({ path }) => path)
const voidAt = (sheet: Sheet) => usableSheet(sheet).voids.map(({ path }) => path)

describe('the one door', () => {
  it.each([
    ['relief.springRate', -5920],
    ['pump.displacement', -1e-6],
    ['brief.hotOil', -300],
    ['pump.endClearance', -70e-6],
    ['pickup.tubeLength', -5],
    ['size.cylinderBore', 0],
    ['main.1.journal', -0.06],
    ['pump.rotorLength', 1e9],
    ['brief.idleSpeed', Infinity],
  ])('refuses %s of %d by its path', (key, value) =>
    expect(refusedAt(withReadings({ [key]: value }))).toEqual([`readings/${key}`]),
  )
  it('refuses what this layout has no place for: readings, checks, findings, choices, shells', () => {
    const sheet = withReadings({ 'main.4.jornal': 0.06, 'main.99.journal': 0.06 })
    Object.assign(sheet.checks, { 'prime.crank45': { state: 'done' } })
    Object.assign(sheet.inspections, { 'passage.turboFeed': { finding: 'fitted' }, 'pump.cover': { finding: 'shiny' } })
    Object.assign(sheet.choices, { 'pump.colour': 'red' })
    Object.assign(sheet.shells, { 'main.8': { upper: 'a', lower: 'b', wall: 0, boreAt: '' } })
    expect(refusedAt(sheet)).toEqual([
      'readings/main.4.jornal',
      'readings/main.99.journal',
      'checks/prime.crank45',
      'inspections/passage.turboFeed',
      'inspections/pump.cover/finding',
      'choices/pump.colour',
      'shells/main.8',
    ])
  })
  it('refuses an oil that is no grade, unless it is described by its own figures', () => {
    const sheet = { ...blank(), oil: { grade: '7W-11' } }
    expect(refusedAt(sheet)).toEqual(['oil/grade'])
    expect(
      refusedAt({
        ...sheet,
        oil: {
          grade: '7W-11',
          figures: { kv40: 100, kv100: 14, density15: 870, highShear150: 3.6e-3, pumpingLimit: -25 },
        },
      }),
    ).toEqual([])
  })
  it('a repeat that cannot be is refused like a value', () => {
    const sheet = blank()
    sheet.readings['main.1.journal'] = { value: 0.066, repeats: [0.066, -1], source: 'measured' }
    expect(refusedAt(sheet)).toEqual(['readings/main.1.journal'])
  })
  it('takes the demo builds, every default of every layout, a pump under the oil, and nothing where nothing is usual', () => {
    for (const make of Object.values(DEMO_BUILDS)) expect(checkSheet(make())).toEqual([])
    for (const preset of Object.keys(PRESETS)) {
      const sheet = newSheet(preset, 'a', 'b')
      const defaults = Object.fromEntries(
        quantitiesOf(sheet.layout).flatMap(({ key, fallback }) => (fallback === undefined ? [] : [[key, fallback]])),
      )
      expect(checkSheet(withReadings(defaults, sheet))).toEqual([])
    }
    expect(refusedAt(withReadings({ 'pickup.lift': -0.04, 'relief.shims': 0, 'thrust.endFloat': 0 }))).toEqual([])
  })
  it('what an older record holds never stands in the way of a change elsewhere, and of one that touches it does', () => {
    const old = withReadings({ 'pump.endClearance': -70e-6 })
    const other = withReadings({ 'main.1.journal': 0.066 }, old)
    expect(problemsOfChange(old, other, ['/readings/main.1.journal'])).toEqual([])
    expect(
      problemsOfChange(old, withReadings({ 'pump.endClearance': -60e-6 }, old), ['/readings/pump.endClearance']).map(
        ({ path }) => path,
      ),
    ).toEqual(['readings/pump.endClearance'])
    expect(
      problemsOfChange(old, withReadings({ 'pump.tipClearance': -1 }, old), ['/readings/pump.tipClearance']).map(
        ({ path }) => path,
      ),
    ).toEqual(['readings/pump.tipClearance'])
    expect(
      problemsOfChange(old, withReadings({ 'pump.endClearance': 60e-6 }, old), ['/readings/pump.endClearance']),
    ).toEqual([])
  })
})

describe('what is taken and voids the prediction', () => {
  it.each<[string, Record<string, number>, string[]]>([
    [
      'a bore under its journal',
      { 'main.3.journal': 0.066, 'main.3.bore': 0.06595 },
      ['main.3.bore', 'main.3.journal'],
    ],
    [
      'the same in the rear plane',
      { 'main.3.journal.rear': 0.066, 'main.3.bore.rear': 0.06595 },
      ['main.3.bore.rear', 'main.3.journal.rear'],
    ],
    [
      'by housing and wall',
      { 'rod.2.journal': 0.054, 'rod.2.housing': 0.0575, 'rod.2.wall': 0.0018 },
      ['rod.2.housing', 'rod.2.wall', 'rod.2.journal'],
    ],
    [
      'lands longer than the shell',
      { 'size.mainLand': 0.02, 'size.mainLength': 0.0245 },
      ['size.mainLand', 'size.mainLength'],
    ],
    [
      'a spring fitted longer than free',
      { 'relief.freeLength': 0.041, 'relief.installedLength': 0.043 },
      ['relief.freeLength', 'relief.installedLength'],
    ],
    [
      'a spring solid as fitted',
      { 'relief.freeLength': 0.05, 'relief.installedLength': 0.03, 'relief.solidLength': 0.031 },
      ['relief.installedLength', 'relief.solidLength'],
    ],
    [
      'a load that falls',
      { 'relief.height1': 0.04, 'relief.load1': 50, 'relief.height2': 0.035, 'relief.load2': 40 },
      ['relief.height1', 'relief.load1', 'relief.height2', 'relief.load2'],
    ],
    [
      'gears that cannot mesh',
      { 'pump.rotorDiameter': 0.038, 'pump.centres': 0.04 },
      ['pump.centres', 'pump.rotorDiameter'],
    ],
    [
      'gears so near that their teeth would bottom',
      { 'pump.rotorDiameter': 0.038, 'pump.centres': 0.026 },
      ['pump.centres', 'pump.rotorDiameter'],
    ],
    [
      'a pickup through the floor',
      { 'pickup.sumpDepth': 0.15, 'pickup.protrusion': 0.155 },
      ['pickup.sumpDepth', 'pickup.protrusion'],
    ],
  ])('%s, named at each of its values', (_, readings, keys) => {
    const sheet = withReadings(readings)
    expect(checkSheet(sheet)).toEqual([])
    expect(voidAt(sheet)).toEqual(keys.map((key) => `readings/${key}`))
    for (const key of keys) expect(usableSheet(sheet).sheet.readings).not.toHaveProperty([key])
  })
  it('a fault that no law of the circuit describes; a plug left out or a bypass valve left in is computed', () => {
    const sheet = blank()
    sheet.checks['pickup.seal'] = { state: 'fault' }
    sheet.inspections['pickup.airTest'] = { finding: 'tube' }
    expect(voidAt(sheet)).toEqual(['checks/pickup.seal', 'inspections/pickup.airTest'])
    expect(usableSheet(sheet).voids[0]).toMatchObject({
      station: 'pickup',
      about: 'seal new, in place, not pinched: fault',
    })
    const computed = blank()
    computed.inspections['passage.frontPlug'] = { finding: 'left-out' }
    computed.inspections['passage.filterBypass'] = { finding: 'open' }
    expect(voidAt(computed)).toEqual([])
  })
  it('a key without a place is named as not used and voids nothing', () => {
    const { voids, unused } = usableSheet(withReadings({ 'main.99.journal': 0.06 }))
    expect(voids).toEqual([])
    expect(unused).toMatchObject([{ path: 'readings/main.99.journal' }])
  })
  it('the demo builds hold nothing that voids them', () => {
    for (const make of Object.values(DEMO_BUILDS)) expect(voidAt(make())).toEqual([])
  })
  it('a note at a bypass valve says nothing of how it stands', () => {
    const layout = blank().layout
    expect(
      inspectionsOf(layout)
        .find(({ key }) => key === 'passage.filterBypass')!
        .findings.map(({ value }) => value),
    ).not.toContain('not-looked-at')
    const sheet = blank()
    sheet.inspections['passage.filterBypass'] = { finding: 'not-looked-at', note: 'ask Ilse' }
    expect(checkSheet(sheet)).toEqual([])
  })
})
