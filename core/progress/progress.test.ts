import { judgeGap } from '../parts/pumpReadings'
import { checksOf, quantitiesOf, inspectionsOf } from '../engine/catalogue'
import { floorVerdict } from '../parts/pickupRecord'
import { describe, expect, it, vi } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { bearingsOf } from '../parts/clearances'
import { ANY_PARTS } from '../parts/list'
import { newSheet } from '../record/layouts'
import type { Sheet } from '../record/schema'
import { ruleOf } from '../house/limits'
import { forMethod, progressOf, worstOf } from './progress'

const at = (sheet: Sheet, station: string) => progressOf(sheet).find((each) => each.station === station)!
const put = (sheet: Sheet, key: string, value: number) => (sheet.readings[key] = { value, source: 'measured' })

describe('progress', () => {
  it('a new build has done nothing, wants everything, and judges nothing but the brief', () => {
    for (const each of progressOf(newSheet('v8', 'a', 'b'))) {
      expect(each.done).toBe(0)
      expect(each.wanted).toBeGreaterThan(4)
      expect(each.verdict).toBeUndefined()
    }
  })
  it('counts each wanted reading and check once', () => {
    const sheet = newSheet('inline4', 'a', 'b')
    const wanted =
      quantitiesOf(sheet.layout).filter((quantity) => quantity.wanted).length +
      checksOf(sheet.layout).filter((check) => check.wanted && forMethod(sheet, check)).length +
      inspectionsOf(sheet.layout).filter(({ wanted }) => wanted).length
    // The prime reading and three steady points are wanted too.
    expect(progressOf(sheet).reduce((sum, each) => sum + each.wanted, 0)).toBe(wanted + 4)
  })
  it('asks each part once what it finds, for all stations together', () => {
    const laws = ANY_PARTS.filter(({ judged }) => judged).map((part) => vi.spyOn(part, 'judged'))
    const sheet = DEMO_BUILDS.ottiline()
    progressOf(sheet)
    expect(laws.map(({ mock }) => mock.calls.length)).toEqual(
      ANY_PARTS.filter(({ judged }) => judged).map(({ fitted }) => (fitted(sheet.layout) ? 1 : 0)),
    )
    laws.forEach((law) => law.mockRestore())
  })
  it('asks before priming only for what the method needs: no drill’s check where the starter turns', () => {
    const sheet = newSheet('v8', 'a', 'b')
    const asked = (method: string) =>
      checksOf(sheet.layout)
        .filter(
          (check) =>
            check.station === 'prime' &&
            check.methods &&
            forMethod({ ...sheet, choices: { 'prime.method': method } }, check),
        )
        .map(({ key }) => key)
    const each = ['drill', 'tank', 'starter', 'hand'].map(asked)
    for (const keys of each) expect(keys.length).toBeGreaterThan(0)
    expect(new Set(each.map((keys) => keys.join())).size).toBeGreaterThan(2)
    expect(each[2]).not.toEqual(expect.arrayContaining(each[0]))
  })
  it('wants neither side of a bearing once its strip was read, nor displacement once the gears are', () => {
    const sheet = newSheet('inline4', 'a', 'b')
    const before = at(sheet, 'bearings').wanted
    put(sheet, 'main.1.clearance', 55e-6)
    expect(at(sheet, 'bearings').wanted).toBe(before - 2)
    const pump = at(sheet, 'pump').wanted
    put(sheet, 'pump.centres', 0.033)
    expect(at(sheet, 'pump').wanted).toBe(pump - 1)
  })
  it('the demo builds wait where the scenario says', () => {
    const first = (sheet: Sheet) => progressOf(sheet).find((each) => each.done < each.wanted)?.station
    expect(first(DEMO_BUILDS.ottiline())).toBe('prime')
    expect(first(DEMO_BUILDS.talvik())).toBe('bearings')
    expect(first(DEMO_BUILDS.pell())).toBe('relief')
    expect(first(DEMO_BUILDS.dunmarrow())).toBeUndefined()
  })
})

describe('what a station finds', () => {
  it('names the main that is out, and the hot idle that is low', () => {
    expect(at(DEMO_BUILDS.talvik(), 'bearings')).toMatchObject({ verdict: 'stop', about: 'Main 2 out of limit' })
    expect(at(DEMO_BUILDS.dunmarrow(), 'start')).toMatchObject({ verdict: 'stop', about: 'idle hot under its target' })
  })
  it('a fault found is a stop wherever it was found', () => {
    for (const key of ['bearings.turns', 'relief.falls', 'pickup.seal', 'prime.lifters']) {
      const sheet = DEMO_BUILDS.ottiline()
      sheet.checks[key] = { state: 'fault' }
      const [station] = key.split('.')
      expect(at(sheet, station)).toMatchObject({ verdict: 'stop', about: expect.stringMatching(/^fault: /) })
    }
  })
  it('a spring that binds is a stop, one that nearly does a watch', () => {
    const sheet = DEMO_BUILDS.ottiline()
    // 41.2 − 1.5 − 7.0 − 27.4 leaves 5.3 mm: 4.5 mm more of shims leave 0.8, 6 mm leave −0.7.
    put(sheet, 'relief.shims', 6e-3)
    expect(at(sheet, 'relief').verdict).toBe('watch')
    put(sheet, 'relief.shims', 7.5e-3)
    expect(at(sheet, 'relief').verdict).toBe('stop')
  })
  it('floor clearance: right between the marks, watch outside, stop far outside', () => {
    const sheet = DEMO_BUILDS.ottiline()
    const verdict = (clearance: number) => {
      put(sheet, 'pickup.protrusion', sheet.readings['pickup.sumpDepth'].value - clearance)
      return floorVerdict(sheet)
    }
    const [least, most] = [ruleOf(sheet, 'pickup.floorLeast'), ruleOf(sheet, 'pickup.floorMost')]
    expect([9e-3, least - 1e-3, most + 1e-3, 0.5 * least - 1e-3, 2 * most + 1e-3].map(verdict)).toEqual([
      'pass',
      'watch',
      'watch',
      'stop',
      'stop',
    ])
    delete sheet.readings['pickup.protrusion']
    expect(floorVerdict(sheet)).toBeUndefined()
  })
  it('pump gaps are judged only once measured', () => {
    const sheet = newSheet('inline4', 'a', 'b')
    expect(judgeGap(sheet, 'end')).toBeUndefined()
    const verdicts = [8e-5, 1.2e-4, 1.6e-4].map((gap) => {
      put(sheet, 'pump.endClearance', gap)
      return judgeGap(sheet, 'end')
    })
    expect(verdicts).toEqual(['pass', 'watch', 'stop'])
  })
  it('the worst of several is the worst', () => {
    expect(worstOf([undefined, 'pass', 'watch'])).toBe('watch')
    expect(worstOf(['stop', 'pass'])).toBe('stop')
    expect(worstOf([])).toBeUndefined()
  })
})

describe('crank findings', () => {
  it('a cap that makes the crank stiff, an end float out of limit and a tight rod stop the bearings', () => {
    const of = (readings: Record<string, number>) => {
      const sheet = DEMO_BUILDS.ottiline()
      for (const [key, value] of Object.entries(readings)) sheet.readings[key] = { value, source: 'measured' }
      return progressOf(sheet).find((each) => each.station === 'bearings')!
    }
    expect(
      of({ 'turning.4': 0.6, 'turning.3': 1.2, 'turning.5': 1.7, 'turning.2': 5.2, 'turning.6': 5.8 }),
    ).toMatchObject({ verdict: 'stop', about: 'crank stiff after main 2' })
    expect(of({ 'thrust.endFloat': 0.5e-3 })).toMatchObject({ verdict: 'stop', about: 'end float out of limit' })
    expect(of({ 'rod.2.side': 0.05e-3 })).toMatchObject({ verdict: 'stop', about: 'Rod 2 side clearance out of limit' })
    expect(of({ 'turning.4': 0.6, 'turning.3': 1.2, 'thrust.endFloat': 0.15e-3, 'rod.2.side': 0.25e-3 }).verdict).toBe(
      'pass',
    )
  })
  it('one instrument’s zero error drops out of a clearance that it measured on both sides', () => {
    const sheet = DEMO_BUILDS.ottiline()
    const sigma = () => bearingsOf(sheet, 'main')[0].clearance.sigma
    const apart = sigma()
    sheet.readings['main.1.bore'].instrument = sheet.readings['main.1.journal'].instrument
    expect(sigma() / apart).toBeCloseTo(Math.SQRT1_2, 6)
  })
})
