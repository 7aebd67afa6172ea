import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { openingPressure } from '../relief/valve'
import { bearingsOf } from '../parts/clearances'
import { newSheet } from '../record/layouts'
import { reliefValve } from '../parts/reliefRecord'
import { primeCeiling } from '../parts/priming'
import { judgePrime, primeExpectation } from './prime'

const six = (readings: Record<string, number> = {}) => {
  const sheet = DEMO_BUILDS.ottiline()
  for (const [key, value] of Object.entries(readings)) sheet.readings[key] = { value, source: 'measured' }
  return sheet
}
const expectAt = (readings: Record<string, number>) => primeExpectation(six(readings), undefined, 40)

describe('priming by drill', () => {
  it('moves the displacement at the drill’s speed, less slip: at 450 rpm under 14.32 cm³ · 7.5 /s', () => {
    const swept = 14.3225e-6 * 7.5
    const { flow } = expectAt({})
    expect(flow).toBeLessThan(swept)
    expect(flow).toBeGreaterThan(0.9 * swept)
  })
  it('a faster drill reads higher, and warmer oil reads lower where the valve is shut', () => {
    const slow = { 'prime.drillSpeed': 1, 'prime.oilTemperature': 40 }
    expect(expectAt({ ...slow, 'prime.drillSpeed': 2 }).pressure).toBeGreaterThan(1.3 * expectAt(slow).pressure)
    expect(expectAt({ ...slow, 'prime.oilTemperature': 50 }).pressure).toBeLessThan(expectAt(slow).pressure)
  })
  it('cold oil is held by the relief valve, and a stiffer spring holds it higher', () => {
    const cold = expectAt({})
    expect(cold.pressure).toBeGreaterThan(0.95 * openingPressure(reliefValve(six())))
    expect(expectAt({ 'relief.springRate': 7000 }).pressure).toBeGreaterThan(cold.pressure + 30e3)
  })
  it('a drill that stands still moves nothing and reads nothing', () => {
    const still = expectAt({ 'prime.drillSpeed': 0 })
    expect(Math.abs(still.flow)).toBeLessThan(1e-7)
    expect(still.pressure).toBeLessThan(1e3)
  })
  it('the least to accept lies under the band by what a healthy engine in hundreds does not: at it passes, under it stops, above the band is watched, over the limit stops', () => {
    const expected = primeExpectation(six(), undefined, 200)
    expect(expected.least).toBeLessThan(expected.low)
    expect(expected.least).toBeGreaterThan(expected.low - 0.6 * (expected.pressure - expected.low) - 20e3)
    expect(judgePrime(15e5, expected)).toBe('stop')
    expect(
      [expected.least, expected.least - 1, expected.high + 1].map((reading) => judgePrime(reading, expected)),
    ).toEqual(['pass', 'stop', 'watch'])
  })
  it('a drill whose speed nobody read lowers what is accepted, where the speed counts', () => {
    const warm = { 'prime.oilTemperature': 70 }
    const assumed = expectAt(warm)
    const read = expectAt({ ...warm, 'prime.drillSpeed': 7.5 })
    expect(read.pressure).toBeCloseTo(assumed.pressure, 0)
    expect(assumed.least).toBeLessThan(read.least - 5e3)
  })
  it('a gauge that errs by 7 kPa is allowed for beside what the record leaves open', () => {
    const { pressure, low, least } = expectAt({ 'prime.drillSpeed': 7.5 })
    // In quadrature, at 2.8 standard deviations.
    expect((pressure - least) / 2.8).toBeGreaterThan(Math.hypot((pressure - low) / 1.645, 6.9e3))
  })
  it('bearings as much wider as it says stay hidden behind the relief valve, and those somewhat wider than that do not', () => {
    const recorded = six()
    const { widestHidden, least } = primeExpectation(recorded, undefined, 40)
    expect(widestHidden).toBeGreaterThan(1.1)
    const wider = (factor: number) => {
      const readings: Record<string, number> = {}
      for (const set of ['main', 'rod'] as const)
        for (const { number, bore, journal } of bearingsOf(recorded, set))
          readings[`${set}.${number}.journal`] = bore!.value - factor * (bore!.value - journal!.value)
      return expectAt(readings).pressure
    }
    expect(wider(0.96 * widestHidden)).toBeGreaterThan(least - 4e3)
    expect(wider(1.08 * widestHidden)).toBeLessThan(least)
  })
  it('the maker’s ceiling stands over the house’s, and the house’s over what is usual', () => {
    const blank = newSheet('inline4', 'Four', 'Test engine')
    expect(primeCeiling(blank)).toBe(7e5)
    expect(primeCeiling({ ...blank, house: { school: 'auto', rules: { 'ceiling.crankingCold': 6.5e5 } } })).toBe(6.5e5)
    expect(primeCeiling({ ...six(), house: { school: 'auto', rules: { 'ceiling.crankingCold': 6.5e5 } } })).toBe(6e5)
    expect(primeCeiling(six({ 'maker.ceiling': 5.8e5 }))).toBe(5.8e5)
  })
})
