import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { modelInputs } from '../engine/inputs'
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
