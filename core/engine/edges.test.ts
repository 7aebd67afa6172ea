import jsonPatch from 'fast-json-patch'
import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { newSheet } from '../record/layouts'
import type { Layout, Sheet } from '../record/schema'
import { checkSheet, isCaution, problemsOfChange } from './checkSheet'
import { scaleBearings } from './engine'
import { modelInputs } from './inputs'
import { hasCycle } from './modelLimits'
import { doubtOf } from './plausible'
import { evenFeed, relayout } from './relayout'
import { standInOf } from './standIn'
import { usableSheet } from './usableSheet'

const six = () => newSheet('inline6', 'a', 'b')
const measured = (value: number, more = {}) => ({ value, source: 'measured' as const, ...more })
function holding(readings: Record<string, number>, sheet = six()): Sheet {
  for (const [key, value] of Object.entries(readings)) sheet.readings[key] = measured(value)
  return sheet
}

describe('the door says what is wrong, and lets in what is just right', () => {
  const shells = (wall: number) => ({ upper: 'a', lower: 'b', wall, boreAt: '' })
  const bench = { method: 'air' as const, pressure: 4e5 } as unknown as Sheet['benches'][string]
  it('each refusal by path and in words', () => {
    const sheet = holding({ 'main.4.jornal': 0.06 })
    sheet.readings['pump.endClearance'] = measured(60e-6, { uncertainty: 0.02 })
    sheet.checks['prime.crank45'] = { state: 'done' }
    sheet.inspections['passage.turboFeed'] = { finding: 'fitted' }
    sheet.inspections['passage.frontPlug'] = { finding: 'shiny' }
    sheet.choices['pump.colour'] = 'red'
    for (const key of ['main.0', 'main.8', 'rod.7', 'cam.1', 'main']) sheet.shells[key] = shells(0)
    sheet.shells['main.7'] = shells(-2.1e-3)
    sheet.benches = { 'relief2.1': bench, 'relief.x': bench, 'pump.1': bench }
    sheet.oil = { grade: '7W-11' }
    const said = Object.fromEntries(checkSheet(sheet).map(({ path, message }) => [path, message]))
    expect(said).toEqual({
      'readings/main.4.jornal': 'is not a reading of this layout',
      'readings/pump.endClearance/uncertainty': 'is larger than anything that could be read',
      'checks/prime.crank45': 'is not a check of this layout',
      'inspections/passage.turboFeed': 'is not looked at in this layout',
      'inspections/passage.frontPlug/finding': expect.stringMatching(/^“shiny” is none of fitted, .*left-out/),
      'choices/pump.colour': 'is not chosen in this layout',
      'shells/main.0': 'is not a bearing of this layout',
      'shells/main.8': 'is not a bearing of this layout',
      'shells/rod.7': 'is not a bearing of this layout',
      'shells/cam.1': 'is not a bearing of this layout',
      'shells/main': 'is not a bearing of this layout',
      'shells/main.7/wall': 'is too large to compute with; at most 0.002 in SI',
      'benches/relief2.1': 'is not a valve of this layout',
      'benches/relief.x': 'is not a valve of this layout',
      'benches/pump.1': 'is not a valve of this layout',
      'oil/grade': '“7W-11” is not a grade this version knows',
    })
  })
  it('the last bearing, a wall and an uncertainty at their limits, both valves where both are fitted, cautions anywhere', () => {
    const sheet = holding({})
    sheet.readings['pump.endClearance'] = measured(60e-6, { uncertainty: 0.01 })
    sheet.shells = { 'main.1': shells(2e-3), 'main.7': shells(-2e-3), 'rod.6': shells(1e-5), 'rod.1': shells(0) }
    sheet.benches = { 'relief.1': bench, 'relief2.2': bench }
    sheet.layout.galleryRelief = true
    sheet.checks['caution.prime.drill'] = { state: 'done' }
    expect(checkSheet(sheet)).toEqual([])
    expect([isCaution('caution.x'), isCaution('x.caution.')]).toEqual([true, false])
    expect(checkSheet({ ...six(), benches: undefined as never })).toEqual([])
  })
  it('what stood before is in nobody’s way but his who writes there, above it or beneath it', () => {
    const old = holding({ 'pump.endClearance': -70e-6, 'pump.tipClearance': -1 })
    const after = holding({ 'main.1.journal': 0.066 }, structuredClone(old))
    const at = (paths: string[]) => problemsOfChange(old, after, paths).map(({ path }) => path)
    expect(at(['/readings/main.1.journal'])).toEqual([])
    expect(at(['/readings/pump.endClearance'])).toEqual(['readings/pump.endClearance'])
    expect(at(['/readings/main.1.journal', '/readings/pump.endClearance/value'])).toEqual([
      'readings/pump.endClearance',
    ])
    expect(at(['/readings'])).toEqual(['readings/pump.endClearance', 'readings/pump.tipClearance'])
  })
})

describe('a doubtful value', () => {
  it('is held against its mate, else its sisters, else its kind, and what was meant is proposed', () => {
    expect(doubtOf(six(), 'pump.nothing', 1)).toBeUndefined()
    const kind = doubtOf(six(), 'pump.endClearance', 0.0007)!
    expect(kind).toMatchObject({ from: 'kind', proposal: 7e-5 })
    const pair = holding({ 'main.2.journal': 0.066 })
    expect(doubtOf(pair, 'main.2.bore', 0.06606)).toBeUndefined()
    expect(doubtOf(pair, 'main.2.bore', 0.066)).toBeUndefined()
    expect(doubtOf(pair, 'main.2.bore', 0.0665)).toEqual({ low: 0.066, high: 0.066 * 1.005, from: 'mate' })
    expect(doubtOf(pair, 'main.2.bore', 0.6606)).toMatchObject({ from: 'mate', proposal: 0.06606 })
    const other = holding({ 'rod.2.bore': 0.054 })
    expect(doubtOf(other, 'rod.2.journal', 0.05396)).toBeUndefined()
    expect(doubtOf(other, 'rod.2.journal', 0.0536)).toEqual({ low: 0.054 / 1.005, high: 0.054, from: 'mate' })
    const sisters = holding({
      'main.1.journal': 0.066,
      'main.2.bore': 0.0661,
      'main.3.journal': 0.0659,
      'rod.1.journal': 0.03,
    })
    expect(doubtOf(sisters, 'main.4.journal', 0.067)).toBeUndefined()
    // The middle one of three, in whatever order they stand: 0.066.
    const far = doubtOf(sisters, 'main.4.journal', 0.069)!
    expect([far.low, far.high, far.from]).toEqual([0.98 * 0.066, 1.02 * 0.066, 'sisters'])
    expect(doubtOf(holding({ 'main.1.journal': 0.066 }), 'main.1.journal', 0.09)).toBeUndefined()
  })
  it('at another place of the same side may differ by hundredths', () => {
    const sheet = holding({ 'main.1.journal': 0.066, 'main.1.bore': 0.07 })
    expect(doubtOf(sheet, 'main.1.journal.rear', 0.06605)).toBeUndefined()
    expect(doubtOf(sheet, 'main.1.journal.rear', 0.0665)).toMatchObject({
      low: 0.998 * 0.066,
      high: 1.002 * 0.066,
      from: 'sisters',
    })
    expect(doubtOf(six(), 'main.1.journal.rear', 0.0665)).toBeUndefined()
    // Other places are no sisters, and a side clearance has neither.
    expect(doubtOf(holding({ 'main.1.journal.rear': 0.05 }), 'main.2.journal', 0.066)).toBeUndefined()
    expect(doubtOf(holding({ 'rod.1.journal': 0.05 }), 'rod.1.side', 2e-4)).toBeUndefined()
  })
  it.each([
    [0.1, 0.66],
    [10, 0.0066],
    [100, 0.00066],
    [1 / 25.4, 0.066 * 25.4],
    [25.4, 0.066 / 25.4],
    [1000, 0.000066],
  ])('a slip of %d is mended', (_, typed) => {
    const sheet = holding({ 'main.1.journal': 0.066 })
    expect(doubtOf(sheet, 'main.2.journal', typed)!.proposal).toBeCloseTo(0.066, 6)
  })
})

describe('what stands in for a number that was not written', () => {
  it('from the gears, from two heights of the spring, from the layout, or nothing', () => {
    const usual = standInOf(six(), 'pump.displacement')!
    expect(usual.from).toBe('layout')
    expect(standInOf(six(), 'pump.tipClearance')!.from).toBe('layout')
    expect(standInOf(six(), 'relief.wire')).toBeUndefined()
    expect(standInOf(six(), 'relief2.springRate')).toBeUndefined()
    const heights = (name: string) => ({
      [`${name}.height1`]: 0.04,
      [`${name}.load1`]: 40,
      [`${name}.height2`]: 0.035,
      [`${name}.load2`]: 70,
    })
    const sheet = holding({ ...heights('relief'), ...heights('relief2') })
    sheet.layout.galleryRelief = true
    for (const key of ['relief.springRate', 'relief2.springRate'] as const) {
      const found = standInOf(sheet, key)!
      expect(found.from).toBe('spring')
      expect(found.value).toBeCloseTo(6000, 6)
    }
    const gears = DEMO_BUILDS.ottiline()
    delete gears.readings['pump.displacement']
    expect(['gears', 'layout']).toContain(standInOf(gears, 'pump.displacement')!.from)
  })
})

describe('what can be used of a sheet', () => {
  it('is the sheet itself where nothing is wrong, and asked twice it says the same', () => {
    const sheet = six()
    expect(usableSheet(sheet).sheet).toBe(sheet)
    const wrong = holding({ 'pump.endClearance': -1, 'main.3.journal': 0.066, 'main.3.bore': 0.0659 })
    wrong.oil = { grade: '7W-11' }
    wrong.choices['pump.colour'] = 'red'
    const found = usableSheet(wrong)
    expect(found.voids).toEqual([
      expect.objectContaining({ path: 'readings/pump.endClearance', about: 'end clearance', station: 'pump' }),
      expect.objectContaining({ path: 'oil/grade', about: 'oil grade', station: undefined }),
      expect.objectContaining({ path: 'readings/main.3.bore', about: 'main 3 bore', station: 'bearings' }),
      expect.objectContaining({ path: 'readings/main.3.journal', about: 'main 3 journal' }),
    ])
    expect(found.unused).toEqual([{ path: 'choices/pump.colour', message: 'is not chosen in this layout' }])
    expect(found.sheet.oil.grade).toBe('10W-40')
    expect(Object.keys(found.sheet.readings)).toEqual([])
    expect(usableSheet(found.sheet)).toBe(found)
    expect(usableSheet(wrong)).toBe(found)
  })
})

describe('another layout', () => {
  const moved = (sheet: Sheet, change: Partial<Layout>) =>
    jsonPatch.applyPatch(structuredClone(sheet), relayout(sheet, { ...sheet.layout, ...change })).newDocument
  it('is one operation where nothing was recorded', () => {
    expect(relayout(six(), { ...six().layout, turbo: true }).map(({ op, path }) => `${op} ${path}`)).toEqual([
      'replace /layout',
    ])
  })
  it('takes cautions, shells of bearings that stay, and a second valve’s tests only while it is there', () => {
    const sheet = six()
    sheet.layout.galleryRelief = true
    sheet.checks['caution.prime.drill'] = { state: 'done' }
    sheet.checks['relief2.falls'] = { state: 'done' }
    sheet.checks['relief.falls'] = { state: 'done' }
    sheet.shells = {
      'main.7': { upper: 'a', lower: 'b', wall: 0, boreAt: '' },
      'rod.6': { upper: 'a', lower: 'b', wall: 0, boreAt: '' },
    } as Sheet['shells']
    sheet.inspections['main.7.oldShell'] = { finding: 'scored' }
    sheet.inspections['main.2.oldShell'] = { finding: 'scored' }
    sheet.benches = { 'relief.1': {}, 'relief2.1': {} } as never
    const four = moved(sheet, { mains: 5, cylinders: 6, galleryRelief: false, feed: evenFeed(6, 5) })
    expect(Object.keys(four.checks).sort()).toEqual(['caution.prime.drill', 'relief.falls'])
    expect(Object.keys(four.shells)).toEqual(['rod.6'])
    expect(Object.keys(four.inspections)).toEqual(['main.2.oldShell'])
    expect(Object.keys(four.benches)).toEqual(['relief.1'])
  })
  it('a value that came to stand meanwhile is not written over by one that was set aside', () => {
    const sheet = holding({ 'turbo.flow': 1.2e-5 })
    sheet.layout.turbo = true
    const without = moved(sheet, { turbo: false })
    expect(without.parked).toEqual({ 'was.turbo.flow': measured(1.2e-5) })
    expect(without.readings).toEqual({})
    const again = moved(without, { turbo: true })
    expect(again.readings['turbo.flow'].value).toBe(1.2e-5)
    expect(again.parked).toEqual({})
    // Set aside under a pump of the same kind it stays where it is.
    const gear = {
      ...six(),
      parked: { 'gear.pump.rotorDiameter': measured(0.04), 'gerotor.pump.rotorDiameter': measured(0.06) },
    }
    expect(moved(gear, { turbo: true }).parked).toEqual(gear.parked)
    const other = moved(gear, { pumpKind: 'gerotor' })
    expect(other.readings['pump.rotorDiameter'].value).toBe(0.06)
    expect(other.parked).toEqual({ 'gear.pump.rotorDiameter': measured(0.04) })
  })
  it('feeds rods evenly, front to back', () => {
    expect(evenFeed(6, 7)).toEqual([1, 2, 3, 4, 5, 6])
    expect(evenFeed(8, 5)).toEqual([1, 1, 2, 2, 3, 4, 4, 5])
    expect(evenFeed(2, 1)).toEqual([1, 1])
  })
})

it('every bearing of both sets is widened, and a rotary has no cycle to compute', () => {
  const { values } = modelInputs(DEMO_BUILDS.ottiline())
  const before = structuredClone({ main: values.main.clearance, rod: values.rod.clearance })
  scaleBearings(values, 1.5)
  for (const set of ['main', 'rod'] as const)
    values[set].clearance.forEach((clearance, i) => expect(clearance).toBeCloseTo(1.5 * before[set][i], 12))
  expect([hasCycle({ kind: 'rotary' }), hasCycle({ kind: 'v' })]).toEqual([false, true])
})
it('of a restrictor that was left out its drilling takes the place, known and computed', () => {
  const sheet = six()
  const key = 'passage.rockerRestrictor'
  const own = (of: Sheet) =>
    modelInputs(of).inputs.find((input) => input.key === 'rockers.restrictor' || /restrictor/i.test(input.label))!
  const before = own(sheet)
  sheet.inspections[key] = { finding: 'left-out' }
  const after = own(sheet)
  expect(after).toMatchObject({ sigma: 0, source: 'computed' })
  expect(after.value).toBeGreaterThan(before.value)
})
