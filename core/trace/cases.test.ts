import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { checkSheet } from '../engine/checkSheet'
import { Sheet } from '../record/schema'
import type { RecordedCase } from '../record/traceCase'
import { casesOf, nextCaseKey, openCase, readingsOnRecord, shopFactors, tracedOf } from './cases'
import { causeCurves } from './curves'
import { CAUSES, priorOf } from './priors'
import { recordSays } from './record'
import { prepareTracer } from './trace'
import type { Cause, TraceCase } from './vocabulary'

const AT = '2026-03-01T10:00:00.000Z'
const recorded = (more: Partial<RecordedCase> = {}): RecordedCase => ({
  opened: AT,
  from: 'hand',
  context: 'stood',
  stoodDays: 56,
  moment: 'crank',
  readings: [{ moment: 'crank', pressure: 0 }],
  observations: { drive: { value: 'turns', at: AT } },
  ...more,
})
const sheet = { ...DEMO_BUILDS.ottiline(), cases: { 'case.1': recorded({ closed: AT }), 'case.10': recorded() } }

describe('the record of a case', () => {
  it('is part of the build, and goes through the same door', () => {
    expect(Sheet.safeParse(sheet).success).toBe(true)
    expect(checkSheet(Sheet.parse(sheet))).toEqual([])
    const wrong = { ...sheet, cases: { 'case.1': recorded({ observations: { drive: { value: 'sideways' } } }) } }
    const parsed = Sheet.safeParse(wrong)
    expect(parsed.error?.issues[0]).toMatchObject({
      path: ['cases', 'case.1', 'observations', 'drive', 'value'],
      message: expect.stringMatching(/turns, not-engaged, wrong-way/) as string,
    })
    expect(
      Sheet.safeParse({
        ...sheet,
        cases: { 'case.1': recorded({ observations: { dowsing: { value: 'yes' } } as never }) },
      }).success,
    ).toBe(false)
  })
  it('the newest open one is the one at hand; a new one takes the next number', () => {
    expect(casesOf(sheet).map(({ key }) => key)).toEqual(['case.10', 'case.1'])
    expect(openCase(sheet)?.key).toBe('case.10')
    expect([nextCaseKey(sheet), nextCaseKey({})]).toEqual(['case.11', 'case.1'])
    expect(openCase({ cases: { 'case.1': recorded({ closed: AT }) } })).toBeUndefined()
  })
  it('takes up what the gauge has read: the points of a start, and a prime only where it never ran', () => {
    const generator = DEMO_BUILDS.dunmarrow()
    expect(readingsOnRecord(generator).map(({ moment, pressure }) => [moment, pressure])).toEqual([
      ['idle-hot', 0.8e5],
      ['working-hot', 2.6e5],
      ['cold', 3.7e5],
    ])
    expect(readingsOnRecord(generator)[0]).toMatchObject({ speed: 11.5, temperature: 96 })
    const primed = { readings: { 'prime.pressure': { value: 3e5, source: 'measured' as const } } }
    expect(readingsOnRecord(primed)).toEqual([{ moment: 'prime', pressure: 3e5 }])
    expect(readingsOnRecord({ readings: {} })).toEqual([])
  })
  it('is weighed by what it says and nothing else', () => {
    expect(tracedOf(recorded())).toEqual({
      context: 'stood',
      stoodDays: 56,
      moment: 'crank',
      readings: [{ moment: 'crank', pressure: 0 }],
      observations: { drive: 'turns' },
      mended: [],
    })
  })
  it('knows what was mended before it while the symptom stayed, through all the cases of its chain', () => {
    const found = (cause: string, after?: string) =>
      recorded({ closed: AT, found: { cause }, ...(after ? { after } : {}) })
    const cases = {
      'case.1': found('cover-leak'),
      'case.2': found('relief-open', 'case.1'),
      'case.3': found('plug-out'),
    }
    expect(tracedOf(recorded({ after: 'case.2' }), { cases }).mended).toEqual(['relief-open', 'cover-leak'])
    expect(tracedOf(recorded(), { cases }).mended).toEqual([])
    // A chain that a hand has closed to a ring ends all the same.
    const ring = { 'case.1': found('cover-leak', 'case.2'), 'case.2': found('relief-open', 'case.1') }
    expect(tracedOf(recorded({ after: 'case.1' }), { cases: ring }).mended).toHaveLength(2)
  })
  it('takes what was mended just before for less likely than it was, and says so', () => {
    const tracer = prepareTracer(DEMO_BUILDS.ottiline())
    const seen: TraceCase = {
      context: 'fresh',
      moment: 'crank',
      readings: [{ moment: 'crank', pressure: 5e3 }],
      observations: { 'oil-at-cover': 'spews', 'air-at-pump': 'seen' },
    }
    const chance = (of: TraceCase) => tracer.trace(of).causes.find(({ cause }) => cause === 'cover-leak')!.probability
    expect(chance({ ...seen, mended: ['cover-leak'] })).toBeLessThan(0.8 * chance(seen))
    expect(recordSays(DEMO_BUILDS.ottiline(), { context: 'fresh', mended: ['cover-leak'] })).toContainEqual(
      expect.objectContaining({ code: 'mended', causes: ['cover-leak'] }),
    )
  })
})

describe('the shop’s own cases', () => {
  const prior = (cause: Cause) => priorOf(cause, 'fresh')
  const sum = CAUSES.reduce((all, cause) => all + prior(cause), 0)
  it('move the priors as counts do: none moves nothing, twelve alike half, a hundred nearly all', () => {
    expect(shopFactors([], prior)).toEqual({})
    const share = (times: number) => {
      const factors = shopFactors(new Array<Cause>(times).fill('filter-wrong'), prior)
      return (prior('filter-wrong') * factors['filter-wrong']!) / sum
    }
    expect(share(12)).toBeCloseTo(0.5 + (0.5 * prior('filter-wrong')) / sum, 9)
    expect(share(100)).toBeGreaterThan(0.89)
  })
  it('leave all together at one', () => {
    const factors = shopFactors(['undriven', 'undriven', 'plug-out'], prior)
    expect(CAUSES.reduce((all, cause) => all + (prior(cause) * factors[cause]!) / sum, 0)).toBeCloseTo(1, 9)
    expect(factors.undriven).toBeGreaterThan(factors['plug-out']! * 1)
    expect(factors['oil-thin']).toBeLessThan(1)
  })
})

describe('why', () => {
  const tracer = prepareTracer(sheet)
  const traced: TraceCase = {
    context: 'fresh',
    moment: 'crank',
    readings: [{ pressure: 0 }],
    observations: { drive: 'not-engaged', 'oil-level': 'full' },
  }
  it('what speaks for a cause speaks by its odds, and against what it rules out', () => {
    const reasons = tracer.reasons(traced)
    expect(reasons.map(({ what }) => what)).toEqual([
      { reading: 0 },
      { observation: 'drive', value: 'not-engaged' },
      { observation: 'oil-level', value: 'full' },
    ])
    const [, drive, level] = reasons
    expect(drive.factors.undriven).toBeGreaterThan(10)
    expect(drive.factors['dry-pump']).toBeLessThan(0.2)
    expect(level.factors['no-oil']).toBeLessThan(0.2)
  })
})

describe('curves', () => {
  it('each cause over speed, between its mildest and its worst: a plug out takes most, the sound engine stands over it', () => {
    const { speeds, curves } = causeCurves(sheet, ['by-design', 'plug-out', 'relief-shut', 'undriven'], 90)
    expect(speeds.every((speed, i) => i === 0 || speed > speeds[i - 1])).toBe(true)
    const [sound, plug, shut, none] = curves
    speeds.forEach((_, i) => {
      expect(plug.high[i]).toBeLessThan(0.6 * sound.middle[i])
      expect(shut.high[i]).toBeGreaterThanOrEqual(sound.middle[i] * 0.999)
      expect(none.high[i]).toBe(0)
      for (const { low, middle, high } of curves) {
        expect(low[i]).toBeLessThanOrEqual(middle[i] + 1)
        expect(middle[i]).toBeLessThanOrEqual(high[i] + 1)
      }
    })
  })
})
