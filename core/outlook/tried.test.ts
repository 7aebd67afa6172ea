import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { oilGrade } from '../oil/grades'
import { outlookOf } from './outlook'
import { triedOutlook, triedSheet } from './tried'

const sheet = DEMO_BUILDS.ottiline()
const now = triedOutlook(sheet, {})

describe('what is tried', () => {
  it('nothing tried reads as the outlook does, and the record is never touched', () => {
    for (const state of outlookOf(sheet, 3).states)
      expect(now.states[state.name].pressure).toBeCloseTo(state.pressure, 2)
    const kept = structuredClone(sheet)
    triedOutlook(sheet, {
      shims: 2e-3,
      mains: 10e-6,
      rods: -5e-6,
      oil: oilGrade('20W-50')!,
      readings: { 'pump.endClearance': 120e-6, 'passage.rockerRestrictor': 2e-3, 'brief.idleSpeed': 12 },
    })
    expect(sheet).toEqual(kept)
  })
  it('each thing moves what it should: looser bearings the floor, shims the ceiling, oil both, a worn pump the floor', () => {
    const change = (tried: Parameters<typeof triedOutlook>[1], state: 'idleHot' | 'workingHot') =>
      triedOutlook(sheet, tried).states[state].pressure - now.states[state].pressure
    expect(change({ mains: 20e-6 }, 'idleHot')).toBeLessThan(-2e4)
    expect(change({ rods: -15e-6 }, 'idleHot')).toBeGreaterThan(1e3)
    expect(Math.abs(change({ shims: 2.5e-3 }, 'idleHot'))).toBeLessThan(50)
    expect(change({ shims: 2.5e-3 }, 'workingHot')).toBeGreaterThan(2e4)
    expect(change({ oil: oilGrade('20W-50')! }, 'idleHot')).toBeGreaterThan(1e4)
    expect(change({ readings: { 'pump.endClearance': 150e-6 } }, 'idleHot')).toBeLessThan(-1e4)
  })
  it('fuel in the oil lowers the floor, an oil thick with age raises it, and a share of nothing changes nothing', () => {
    const idle = (tried: Parameters<typeof triedOutlook>[1]) => triedOutlook(sheet, tried).states.idleHot.pressure
    const recorded = now.states.idleHot.pressure
    expect(idle({ dilution: 0.05 })).toBeLessThan(recorded - 1e4)
    expect(idle({ dilution: 0.1 })).toBeLessThan(idle({ dilution: 0.05 }))
    expect(idle({ ageing: 1.3 })).toBeGreaterThan(recorded + 1e4)
    expect(idle({ dilution: 0, ageing: 1 })).toBeCloseTo(recorded, 2)
    expect(triedSheet(sheet, { oil: oilGrade('20W-50')!, dilution: 0.04 }).oil).toMatchObject({ dilution: 0.04 })
  })
  it('any reading can be tried: a faster idle and cooler oil both raise it', () => {
    const idle = (readings: Record<string, number>) => triedOutlook(sheet, { readings }).states.idleHot.pressure
    expect(idle({ 'brief.idleSpeed': 14 })).toBeGreaterThan(now.states.idleHot.pressure + 1e4)
    expect(idle({ 'brief.hotOil': 85 })).toBeGreaterThan(now.states.idleHot.pressure + 1e4)
  })
  it('a spring tried drops what the bench said of the other one', () => {
    const tried = DEMO_BUILDS.ottiline()
    tried.readings['relief.benchPressure'] = { value: 4.3e5, source: 'measured' }
    expect(
      triedSheet(tried, { spring: { springRate: 7000, freeLength: 0.048 } }).readings['relief.benchPressure'],
    ).toBeUndefined()
    expect(triedSheet(tried, { shims: 1e-3 }).readings['relief.benchPressure']).toBeDefined()
  })
  it('looser mains never raise any point of the curve', () => {
    fc.assert(
      fc.property(fc.double({ min: 1e-6, max: 40e-6, noNaN: true }), (mains) => {
        triedOutlook(sheet, { mains }).pressures.forEach((pressure, i) =>
          expect(pressure).toBeLessThanOrEqual(now.pressures[i] + 1),
        )
      }),
      { numRuns: 8 },
    )
  })
})
