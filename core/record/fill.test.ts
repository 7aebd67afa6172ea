import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { checkSheet } from '../engine/checkSheet'
import { usableSheet } from '../engine/usableSheet'
import { outlookOf } from '../outlook/outlook'
import { primeExpectation } from '../prime/prime'
import { primeTimeline } from '../prime/timeline'
import { primeSetUpOf } from '../prime/setUp'
import { calibrate, observationsOf } from '../start/calibrate'
import { expectationOf } from '../start/expectation'
import { suspectsOf } from '../start/suspects'
import { judgePoint } from '../start/verdict'
import { fillOf, filledFor, filledWith, oilFor } from './fill'
import { Sheet } from './schema'

/** The six, broken in on a thin plain oil. */
const six = (more: Partial<Sheet> = {}): Sheet => ({
  ...DEMO_BUILDS.ottiline(),
  oils: { firstFill: { grade: '20' } },
  ...more,
})

describe('the oil of a purpose', () => {
  it('is the running oil for all while no other is named', () => {
    const sheet = DEMO_BUILDS.ottiline()
    for (const purpose of ['prime', 'start', 'running'] as const) {
      expect(oilFor(sheet, purpose)).toBe(sheet.oil)
      expect(filledFor(sheet, purpose)).toBe(sheet)
    }
    expect(fillOf(sheet)).toBe('running')
  })
  it('is the first fill to prime and start with, until the running oil is in', () => {
    const sheet = six()
    expect(['prime', 'start', 'running'].map((purpose) => oilFor(sheet, purpose as 'prime').grade)).toEqual([
      '20',
      '20',
      sheet.oil.grade,
    ])
    expect(oilFor({ ...sheet, fill: 'running' }, 'start')).toBe(sheet.oil)
    expect(oilFor({ ...sheet, oils: { ...sheet.oils, prime: { grade: '30' } } }, 'prime').grade).toBe('30')
  })
  it('stands in the file, and a grade that nobody knows is refused at its place and voids nothing else', () => {
    expect(Sheet.safeParse(six({ fill: 'running' })).success).toBe(true)
    const wrong = six({ oils: { firstFill: { grade: 'butter' } } })
    expect(checkSheet(wrong).map(({ path }) => path)).toEqual(['oils/firstFill/grade'])
    expect(usableSheet(wrong).voids.map(({ path }) => path)).toEqual(['oils/firstFill/grade'])
    expect(primeExpectation(usableSheet(wrong).sheet, undefined, 10).pressure).toBeGreaterThan(1e5)
  })
})

describe('each with its own prediction', () => {
  const thick = six({ oils: { prime: { grade: '60' }, firstFill: { grade: '20' } } })
  it('a prime and its times go by the oil that it is primed with, an outlook by the running oil', () => {
    const setUp = primeSetUpOf(thick)
    const [own, running] = [thick, filledFor(thick, 'running')]
    expect(primeExpectation(own, setUp, 10).pressure).toBe(
      primeExpectation(filledWith(thick, { grade: '60' }), setUp, 10).pressure,
    )
    expect(primeTimeline(own, setUp, 1).gauge!.best).not.toBe(primeTimeline(running, setUp, 1).gauge!.best)
    expect(outlookOf(own, 10).states[2].pressure).toBe(outlookOf(running, 10).states[2].pressure)
  })
  it('a start goes by what is in the engine', () => {
    const middle = (sheet: Sheet) => {
      const { pressure, speeds, temperatures } = expectationOf(sheet, 4)
      return pressure[(temperatures.length - 3) * speeds.length + 3]
    }
    expect(middle(six())).toBe(middle(filledWith(six(), { grade: '20' })))
    expect(middle(six())).toBeLessThan(0.8 * middle(six({ fill: 'running' })))
  })
})

describe('what may be wrong', () => {
  it('is weighed with the oil that is in the engine: what is low by a thick oil is none by a thin one', () => {
    const expected = judgePoint(filledWith(six(), { grade: '20' }), 'idleHot', 2e5, 11.7, 95, 10).expected.pressure
    const seen = [{ speed: 11.7, temperature: 95, pressure: 0.8 * expected, flicker: 0 }]
    const shares = (sheet: Sheet) =>
      Object.fromEntries(suspectsOf(sheet, { code: 'under-band' }, seen).map(({ key, share }) => [key, share]))
    expect(shares(six())).toEqual(shares(filledWith(six(), { grade: '20' })))
    expect(shares(six())).not.toEqual(shares(six({ fill: 'running' })))
  })
})

describe('a reading', () => {
  const read = (pressure: number, oil?: Sheet['oil']) => {
    const sheet = six({ fill: 'running' })
    for (const [key, value] of Object.entries({ pressure, speed: 11.7, temperature: 95 }))
      sheet.readings[`start.idleHot.${key}`] = {
        value,
        source: 'measured',
        ...(oil && key === 'pressure' ? { oil } : {}),
      }
    return sheet
  }
  const thin = { grade: '20' }
  const expected = judgePoint(filledWith(six(), thin), 'idleHot', 2e5, 11.7, 95, 60).expected
  it('is held against the oil that it was taken with, whatever was filled in since', () => {
    const [then, now] = [read(expected.pressure, thin), read(expected.pressure)]
    expect(judgePoint(then, 'idleHot', expected.pressure, 11.7, 95, 60).prediction).toBe('within')
    expect(judgePoint(now, 'idleHot', expected.pressure, 11.7, 95, 60).prediction).toBe('below')
    const measured = (sheet: Sheet) => outlookOf(sheet, 60).states[2].measured!
    expect(measured(then).prediction).toBe('within')
    expect(measured(now).prediction).toBe('below')
    // The running oil changed again moves nothing of it.
    const later = { ...then, oil: { grade: '0W-20' } }
    expect(measured(later).expected).toEqual(measured(then).expected)
  })
  it('is what the model is fitted to with that oil', () => {
    const clearance = (sheet: Sheet) => calibrate(sheet, observationsOf(sheet), 20).fitted[0].value
    expect(clearance(read(expected.pressure, thin))).toBeCloseTo(1, 1)
    expect(clearance(read(expected.pressure))).toBeGreaterThan(1.15)
  })
})
