import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { modelInputs } from '../engine/inputs'
import { clearanceAt } from './bearingInputs'
import { bearingsOf } from './clearances'
import { newSheet } from '../record/layouts'
import { doubtOf } from '../engine/plausible'
import { progressOf } from '../progress/progress'
import { bearingProblems } from '../outlook/effects'
import type { Sheet } from '../record/schema'

const put = (sheet: Sheet, readings: Record<string, number>, at = '2026-05-12T08:00:00Z') => {
  for (const [key, value] of Object.entries(readings)) sheet.readings[key] = { value, source: 'measured', at }
  return sheet
}

describe('a bearing in two planes and at three angles', () => {
  it('is judged by the mean of its vertical readings, with taper, roundness and the tighter plane told', () => {
    const sheet = put(newSheet('inline4', 'a', 'b'), {
      'main.1.journal': 0.06598,
      'main.1.journal.rear': 0.065984,
      'main.1.bore': 0.06604,
      'main.1.bore.rear': 0.066036,
      'main.1.bore.left': 0.066049,
      'main.1.bore.right': 0.066047,
    })
    const [main] = bearingsOf(sheet, 'main')
    // Means: 66.038 less 65.982 leaves 0.056; planes 0.060 in front and 0.052 at the rear.
    expect(main.clearance.value).toBeCloseTo(56e-6, 12)
    expect(main.shape!.planes.map((value) => Math.round(value * 1e6))).toEqual([60, 52])
    expect(main.shape!.journal.taper! * 1e6).toBeCloseTo(4, 6)
    expect(main.shape!.bore.outOfRound! * 1e6).toBeCloseTo(9, 6)
    expect(main.clearance.sigma).toBeLessThan(
      bearingsOf(put(newSheet('inline4', 'a', 'b'), { 'main.1.journal': 0.06598, 'main.1.bore': 0.06604 }), 'main')[0]
        .clearance.sigma,
    )
  })
  it('a rear reading far from the front one is asked about', () => {
    const sheet = put(newSheet('inline4', 'a', 'b'), { 'main.1.bore': 0.06604 })
    expect(doubtOf(sheet, 'main.1.bore.rear', 0.6604)?.proposal).toBeCloseTo(0.06604, 9)
    expect(doubtOf(sheet, 'main.1.bore.rear', 0.06605)).toBeUndefined()
  })
  it('bare housing and shell wall stand in for the fitted bore: 70.042 less two of 2.001 is 66.040', () => {
    const sheet = put(newSheet('inline4', 'a', 'b'), {
      'main.1.journal': 0.06598,
      'main.1.housing': 0.070042,
      'main.1.wall': 0.002001,
    })
    expect(bearingsOf(sheet, 'main')[0].clearance).toMatchObject({
      value: expect.closeTo(60e-6, 12),
      source: 'measured',
    })
    expect(progressOf(sheet).find((each) => each.station === 'bearings')!.wanted).toBe(
      progressOf(newSheet('inline4', 'a', 'b')).find((each) => each.station === 'bearings')!.wanted - 1,
    )
  })
})

describe('shells that were chosen', () => {
  const tractor = () => {
    const sheet = DEMO_BUILDS.talvik()
    sheet.shells['main.2'] = {
      upper: 'standard',
      lower: 'thick',
      wall: 25e-6,
      boreAt: sheet.readings['main.2.bore'].at!,
    }
    return sheet
  }
  it('take their walls off the clearance, computed and not measured, and cure what they were chosen for', () => {
    expect(bearingsOf(tractor(), 'main')[1].clearance).toMatchObject({
      value: expect.closeTo(63e-6, 12),
      source: 'computed',
    })
    // Seven microns inside the limit with an unmeasured shell is no longer a stop, but not yet certain.
    expect(bearingProblems(DEMO_BUILDS.talvik()).map((problem) => problem.verdict)).toEqual(['stop'])
    expect(bearingProblems(tractor()).map((problem) => problem.verdict)).toEqual(['watch'])
    expect(modelInputs(tractor()).values.main.clearance[1]).toBeCloseTo(63e-6, 12)
  })
  it('count until the bore is read again with them', () => {
    const sheet = put(tractor(), { 'main.2.bore': 0.057051 }, '2026-05-20T08:00:00Z')
    const [, main] = bearingsOf(sheet, 'main')
    expect([main.chosen, main.clearance.source]).toEqual([undefined, 'measured'])
  })
})

describe('an instrument that was zeroed once', () => {
  const six = () => DEMO_BUILDS.ottiline()
  const zeros = (sheet: Sheet) => modelInputs(sheet).inputs.filter(({ key }) => key.startsWith('zero.'))
  it('errs the same way on every bearing that it read, mains and rods alike, and is one number of the model', () => {
    const sheet = six()
    const named = new Set(
      Object.entries(sheet.readings)
        .filter(([key]) => /^(main|rod)\.\d+\.(journal|bore)$/.test(key))
        .map(([, { instrument }]) => instrument),
    )
    const { inputs, values } = modelInputs(sheet)
    const found = inputs.filter(({ key }) => key.startsWith('zero.'))
    expect(found.map(({ key }) => key).sort()).toEqual([...named].map((name) => `zero.${name}`).sort())
    const before = [...values.main.clearance.keys()].map((i) => clearanceAt(values.main, i))
    found[0].put(values, 1)
    const moved = before.map((value, i) => clearanceAt(values.main, i) - value)
    // Half of the variance of 2.5 µm is the zero's.
    for (const each of moved) expect(Math.abs(each)).toBeCloseTo(2.5e-6 * Math.SQRT1_2, 12)
    expect(Math.abs(clearanceAt(values.rod, 2) - values.rod.clearance[2])).toBeCloseTo(2.5e-6 * Math.SQRT1_2, 12)
    found[0].put(values, 0)
    expect(clearanceAt(values.main, 3)).toBe(before[3])
  })
  it('leaves of a clearance’s own error what is not shared, together what it was', () => {
    const sheet = put(newSheet('inline4', 'a', 'b'), { 'main.1.journal': 0.06598, 'main.1.bore': 0.06604 })
    const [{ clearance, errors }] = bearingsOf(sheet, 'main')
    expect(clearance.sigma).toBeCloseTo(2.5e-6 * Math.SQRT2, 12)
    expect(errors!.own).toBeCloseTo(2.5e-6, 12)
    expect(zeros(sheet).map(({ label }) => label)).toEqual([
      'Zero of the journals’ micrometer',
      'Zero of the bore gauge',
    ])
  })
  it('counts twice for a wall, and a second reading of a side halves its scatter and not the zero', () => {
    const housed = put(newSheet('inline4', 'a', 'b'), {
      'main.1.journal': 0.06598,
      'main.1.journal.rear': 0.06598,
      'main.1.housing': 0.070042,
      'main.1.wall': 0.002001,
    })
    const { own, zeros: shared } = bearingsOf(housed, 'main')[0].errors!
    expect(shared.wall).toBeCloseTo(-2 * 2e-6 * Math.SQRT1_2, 12)
    expect(shared.journal).toBeCloseTo(-2.5e-6 * Math.SQRT1_2, 12)
    expect(own ** 2).toBeCloseTo(0.5 * (2.5e-6 ** 2 / 2 + 2.5e-6 ** 2 + (2 * 2e-6) ** 2), 15)
  })
  it('is with those that are taken from their measured sisters too', () => {
    const sheet = put(newSheet('inline4', 'a', 'b'), {
      'main.1.journal': 0.06598,
      'main.1.bore': 0.06604,
      'main.2.journal': 0.06598,
      'main.2.bore': 0.06604,
    })
    const { values, inputs } = modelInputs(sheet)
    inputs.find(({ key }) => key === 'zero.bore')!.put(values, 2)
    expect(clearanceAt(values.main, 4) - values.main.clearance[4]).toBeCloseTo(2 * 2.5e-6 * Math.SQRT1_2, 12)
  })
})
