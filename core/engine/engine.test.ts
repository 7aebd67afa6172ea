import { gerotorFromProfile } from '../pump/gerotor'
import { usableSheet } from './usableSheet'
import { pumpDisplacement } from '../parts/pumpReadings'
import { quantitiesOf } from './catalogue'
import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { judgeClearance, phi } from '../bearing/judge'
import { primeExpectation, judgePrime } from '../prime/prime'
import { judgeFirstPressure, judgePoint } from '../start/verdict'
import { schools, targetOf } from '../targets/targets'
import { judge } from '../quantity/verdict'
import { bearingsOf, clearanceLimits } from '../parts/clearances'
import { floorClearance } from '../parts/pickupRecord'
import { newSheet, PRESETS } from '../record/layouts'
import { doubtOf } from './plausible'
import { progressOf } from '../progress/progress'
import { Layout, Sheet } from '../record/schema'

describe('sheet', () => {
  it.each(Object.keys(PRESETS))('%s makes a sheet that the schema takes, with quantities of one key each', (preset) => {
    const sheet = newSheet(preset, 'New', 'Engine')
    expect(Sheet.safeParse(sheet).success).toBe(true)
    const keys = quantitiesOf(sheet.layout).map((quantity) => quantity.key)
    expect(new Set(keys).size).toBe(keys.length)
  })
  it.each(Object.entries(DEMO_BUILDS))('demo build %s is an ordinary build file', (_, make) => {
    const parsed = Sheet.safeParse(JSON.parse(JSON.stringify(make())))
    expect(parsed.error?.issues ?? []).toEqual([])
  })
  it('refuses a rod fed from a main that is not there, and a layout that does not exist', () => {
    const layout = { ...newSheet('inline4', 'a', 'b').layout, feed: [1, 2, 4, 9] }
    expect(Layout.safeParse(layout).error?.issues[0].path).toEqual(['feed', 3])
    expect(() => newSheet('w16', 'a', 'b')).toThrow(/layout/)
  })
  it('refuses numbers that are none', () => {
    const sheet = newSheet('single', 'a', 'b')
    for (const value of [Number.NaN, Infinity]) {
      expect(Sheet.safeParse({ ...sheet, readings: { 'main.1.bore': { value, source: 'measured' } } }).success).toBe(
        false,
      )
    }
  })
})

describe('clearances of a sheet', () => {
  const put = (sheet: Sheet, key: string, value: number) => (sheet.readings[key] = { value, source: 'measured' })
  it('are bore less journal, and assumed from measured sisters elsewhere', () => {
    const sheet = newSheet('inline4', 'a', 'b')
    put(sheet, 'main.1.journal', 0.06498)
    put(sheet, 'main.1.bore', 0.06504)
    put(sheet, 'main.2.journal', 0.06498)
    put(sheet, 'main.2.bore', 0.06503)
    const mains = bearingsOf(sheet, 'main')
    expect(mains[0].clearance).toMatchObject({ source: 'measured' })
    expect(mains[0].clearance.value).toBeCloseTo(60e-6, 12)
    expect(mains[2].clearance.source).toBe('computed')
    expect(mains[2].clearance.value).toBeCloseTo(55e-6, 12)
    expect(bearingsOf(sheet, 'rod')[0].clearance.source).toBe('layout')
  })
  it('say when a bore is no larger than its journal, and go on', () => {
    const sheet = newSheet('inline4', 'a', 'b')
    put(sheet, 'main.1.journal', 0.06504)
    put(sheet, 'main.1.bore', 0.06498)
    expect(bearingsOf(sheet, 'main')[0].conflict).toMatch(/Main 1/)
    expect(progressOf(sheet).find((each) => each.station === 'bearings')!.verdict).toBe('stop')
  })
  it('are judged by the maker where he says, else by the house for the use', () => {
    const sheet = newSheet('inline4', 'a', 'b')
    expect(clearanceLimits(sheet, 'main', 0.06)).toMatchObject({ source: 'house', least: 0.0006 * 0.06 })
    put(sheet, 'limit.mainLeast', 30e-6)
    put(sheet, 'limit.mainMost', 70e-6)
    expect(clearanceLimits(sheet, 'main', 0.06)).toEqual({ source: 'maker', least: 30e-6, most: 70e-6 })
  })
  it('at a limit are even chances, and Φ is the tables’', () => {
    expect(judgeClearance({ value: 70e-6, sigma: 3e-6 }, { least: 30e-6, most: 70e-6 }).chance).toBeCloseTo(0.5, 6)
    expect(phi(1.6448536)).toBeCloseTo(0.95, 6)
    expect(phi(-1)).toBeCloseTo(0.1586553, 6)
  })
})

describe('doubt', () => {
  const sheet = newSheet('inline6', 'a', 'b')
  sheet.readings['main.1.journal'] = { value: 0.06598, source: 'measured' }
  it('proposes the slipped decimal', () => {
    expect(doubtOf(sheet, 'main.2.journal', 0.6598)?.proposal).toBeCloseTo(0.06598, 9)
    expect(doubtOf(sheet, 'main.1.bore', 0.006603)?.proposal).toBeCloseTo(0.06603, 9)
    expect(doubtOf(sheet, 'pump.endClearance', 0.0007)?.proposal).toBeCloseTo(70e-6, 9)
  })
  it('proposes millimetres where inches were meant', () => {
    expect(doubtOf(sheet, 'main.2.journal', 0.06598 / 25.4)?.proposal).toBeCloseTo(0.06598, 6)
  })
  it('looks for a journal among journals and bores only, not among strips or side clearances', () => {
    const own = newSheet('inline4', 'a', 'b')
    for (const [key, value] of [
      ['rod.1.clearance', 5e-5],
      ['rod.2.clearance', 5e-5],
      ['rod.1.side', 2e-4],
      ['rod.3.journal', 0.05],
    ] as const)
      own.readings[key] = { value, source: 'measured' }
    expect(doubtOf(own, 'rod.4.journal', 0.0501)).toBeUndefined()
    expect(doubtOf(own, 'rod.4.journal', 0.501)?.proposal).toBeCloseTo(0.0501, 9)
  })
  it('has none about what is plausible, and no proposal where none fits', () => {
    expect(doubtOf(sheet, 'main.2.journal', 0.06597)).toBeUndefined()
    expect(doubtOf(sheet, 'main.1.bore', 0.065)).toEqual(expect.not.objectContaining({ proposal: expect.anything() }))
  })
})

describe('pump and pickup of a sheet', () => {
  it('displacement comes from the gears once all of them are measured, unless it is typed', () => {
    const sheet = newSheet('inline4', 'a', 'b')
    expect(pumpDisplacement(sheet).source).toBe('layout')
    for (const [key, value] of [
      ['rotorDiameter', 0.04],
      ['centres', 0.034],
      ['rotorLength', 0.03],
    ] as const)
      sheet.readings[`pump.${key}`] = { value, source: 'measured' }
    expect(pumpDisplacement(sheet)).toMatchObject({ source: 'computed' })
    expect(pumpDisplacement(sheet).value * 1e6).toBeCloseTo(20.923, 3)
    sheet.readings['pump.displacement'] = { value: 18e-6, source: 'maker' }
    expect(pumpDisplacement(sheet).value).toBe(18e-6)
  })
  it('a gerotor’s comes from its profile and length, and an assumed one goes by the length of the rotors', () => {
    const sheet = newSheet('inline4', 'a', 'b')
    sheet.layout.pumpKind = 'gerotor'
    const usual = pumpDisplacement(sheet)
    const put = (field: string, value: number) => (sheet.readings[`pump.${field}`] = { value, source: 'measured' })
    put('rotorLength', 24e-3)
    expect(pumpDisplacement(sheet)).toMatchObject({ source: 'layout' })
    expect(pumpDisplacement(sheet).value / usual.value).toBeCloseTo(1.5, 9)
    expect(pumpDisplacement(sheet).sigma / usual.sigma).toBeCloseTo(1.5, 9)
    put('lobes', 6)
    put('eccentricity', 2.85e-3)
    put('toothCentres', 28e-3)
    put('toothRadius', 10e-3)
    const profile = { lobes: 6, eccentricity: 2.85e-3, toothCentres: 28e-3, toothRadius: 10e-3, length: 24e-3 }
    expect(pumpDisplacement(sheet)).toMatchObject({ source: 'computed', value: gerotorFromProfile(profile) })
    const long = pumpDisplacement(sheet).value
    put('rotorLength', 12e-3)
    expect(pumpDisplacement(sheet).value / long).toBeCloseTo(0.5, 9)
    // Rotors that do not turn in one another are void by name, and never computed with.
    put('eccentricity', 4.1e-3)
    expect(pumpDisplacement(sheet).source).toBe('layout')
    expect(usableSheet(sheet).voids.map(({ path }) => path)).toContain('readings/pump.toothCentres')
  })
  it('gears of assumed displacement go by their length too', () => {
    const sheet = newSheet('inline4', 'a', 'b')
    const usual = pumpDisplacement(sheet).value
    sheet.readings['pump.rotorLength'] = { value: 14e-3, source: 'measured' }
    expect(pumpDisplacement(sheet).value / usual).toBeCloseTo(0.5, 9)
  })
  it('floor clearance is depth less protrusion: 178 − 168.5 = 9.5 mm', () => {
    expect(floorClearance(DEMO_BUILDS.ottiline()).value).toBeCloseTo(9.5e-3, 9)
  })
})

describe('targets', () => {
  const sheet = newSheet('inline4', 'a', 'b')
  it('ten psi per thousand rpm at 3,000 rpm is 207 kPa; rods at 65 mm want ½ ρ ω² r² + 50 kPa', () => {
    const said = schools(sheet, { name: 'workingHot', speed: 50, temperature: 95 }, 0.065, 830)
    expect(said['per-thousand']! / 1e3).toBeCloseTo(206.8, 1)
    expect(said['rod-feed']! / 1e3).toBeCloseTo(50 + (0.5 * 830 * (100 * Math.PI) ** 2 * 0.0325 ** 2) / 1e3, 6)
  })
  it('the maker governs where he speaks, else the highest school; never under the house floor', () => {
    const state = { name: 'idleHot' as const, speed: 700 / 60, temperature: 95 }
    expect(targetOf(sheet, state, 0.065, 830)).toMatchObject({ school: 'house', least: 70e3 })
    const told = structuredClone(sheet)
    told.readings['maker.idleHot'] = { value: 120e3, source: 'maker' }
    expect(targetOf(told, state, 0.065, 830)).toMatchObject({ school: 'maker', least: 120e3 })
    expect(
      targetOf({ ...sheet, school: 'rod-feed' }, { name: 'workingHot', speed: 90, temperature: 95 }, 0.065, 830).school,
    ).toBe('rod-feed')
  })
  it('judges by value and band', () => {
    const target = { least: 100, most: 200 }
    expect([
      judge(150, 120, 180, target),
      judge(150, 90, 180, target),
      judge(90, 80, 110, target),
      judge(210, 190, 230, target),
    ]).toEqual(['pass', 'watch', 'stop', 'stop'])
  })
})

describe('prime and first start', () => {
  it('a drill on the pump in cold oil reads near the relief setting, and a reading far under it is a stop', () => {
    const expected = primeExpectation(DEMO_BUILDS.ottiline(), undefined, 100)
    expect(expected.pressure).toBeGreaterThan(350e3)
    expect(expected.least).toBeLessThan(expected.pressure)
    expect([judgePrime(expected.pressure, expected), judgePrime(0.4 * expected.pressure, expected)]).toEqual([
      'pass',
      'stop',
    ])
  })
  it('the generator’s hot idle is under its target and below what the model says', () => {
    const point = judgePoint(DEMO_BUILDS.dunmarrow(), 'idleHot', 80e3, 11.5, 96, 60)
    expect(point).toMatchObject({ verdict: 'stop', against: 'under', prediction: 'below' })
  })
  it('in target but off the prediction is a watch, on both a pass', () => {
    const sheet = DEMO_BUILDS.ottiline()
    const { expected } = judgePoint(sheet, 'idleHot', 2e5, 650 / 60, 95, 60)
    expect(judgePoint(sheet, 'idleHot', expected.pressure, 650 / 60, 95, 60).verdict).toBe('pass')
    expect(judgePoint(sheet, 'idleHot', 150e3, 650 / 60, 95, 60)).toMatchObject({
      verdict: 'watch',
      prediction: 'below',
    })
  })
  it('first pressure is wanted within five seconds, and ten is the limit', () => {
    expect([3, 7, 11].map((seconds) => judgeFirstPressure({}, seconds))).toEqual(['pass', 'watch', 'stop'])
  })
})
