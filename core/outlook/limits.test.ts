import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { checkSheet } from '../engine/checkSheet'
import { doubtOf } from '../engine/plausible'
import { valveHasGrounds } from '../parts/relief'
import { springRateOf } from '../parts/reliefSpring'
import { primeExpectation } from '../prime/prime'
import { newSheet } from '../record/layouts'
import type { Sheet } from '../record/schema'
import { watchRules } from '../start/watchRules'
import { targetOf } from '../targets/targets'
import { pressureBands } from './band'
import { gaugePressure, modelOf } from './model'
import { outlookOf } from './outlook'
import { namedStates } from './states'
import { suctionOf } from './suction'

const put = (sheet: Sheet, readings: Record<string, number>) => {
  for (const [key, value] of Object.entries(readings)) sheet.readings[key] = { value, source: 'measured' }
  return sheet
}
const six = () => DEMO_BUILDS.ottiline()
const hot = { name: 'workingHot' as const, speed: 50, temperature: 95 }

describe('a builder’s own number', () => {
  it('is a school at every state, above the house floor or under it once it was chosen', () => {
    const sheet = put(newSheet('inline6', 'a', 'b'), { 'own.crankingCold': 1e5, 'own.idleHot': 0.35e5 })
    const idle = { name: 'idleHot' as const, speed: 11, temperature: 95 }
    const cranking = { name: 'crankingCold' as const, speed: 3, temperature: 5 }
    sheet.school = 'own'
    expect(targetOf(sheet, idle, 0.06, 830)).toMatchObject({ least: 0.35e5, school: 'own' })
    expect(targetOf(sheet, cranking, 0.06, 880)).toMatchObject({ least: 1e5, school: 'own' })
    // At a state that he gave none for, the highest of the others.
    expect(targetOf(sheet, hot, 0.06, 830).school).toBe('per-thousand')
    // The watch asks for no more than half of it.
    expect(watchRules(sheet).loss).toBeCloseTo(0.175e5, 3)
    sheet.school = 'auto'
    expect(targetOf(sheet, idle, 0.06, 830).least).toBeGreaterThan(0.6e5)
  })
  it('is what a prime must reach where it is higher than the model’s least', () => {
    const least = primeExpectation(six(), undefined, 60).least
    expect(primeExpectation(put(six(), { 'own.prime': least + 0.2e5 }), undefined, 60).least).toBe(least + 0.2e5)
    expect(primeExpectation(put(six(), { 'own.prime': 0.5 * least }), undefined, 60).least).toBe(least)
  })
})

describe('ceilings', () => {
  it('are the maker’s, else those of the use, else the house’s: 7 bar hot is right in a race engine and over on the road', () => {
    const at = (use: Sheet['use'], more: Partial<Sheet> = {}) =>
      targetOf({ ...newSheet('inline6', 'a', 'b'), use, ...more }, hot, 0.06, 830).most
    expect(at('road')).toBe(6e5)
    expect(at('race')).toBe(8e5)
    expect(at('race', { house: { rules: { 'ceiling.workingHot.race': 9e5 }, school: 'auto' } })).toBe(9e5)
    expect(
      targetOf(put({ ...newSheet('inline6', 'a', 'b'), use: 'race' }, { 'maker.ceiling': 5e5 }), hot, 0.06, 830).most,
    ).toBe(5e5)
    const plain = newSheet('inline6', 'a', 'b')
    expect([watchRules({ ...plain, use: 'race' }).ceilingHot, watchRules(plain).ceilingHot]).toEqual([8e5, 6e5])
  })
  it('are those of the cooler too, which stands next to the pump: by its maker, else the house', () => {
    const sheet = six()
    expect(outlookOf(sheet, 20).states[1].cooler).toBeUndefined()
    sheet.layout.cooler = true
    const [, cold] = outlookOf(sheet, 20).states
    expect(cold.cooler!.most).toBe(10e5)
    expect(cold.cooler!.pressure).toBeCloseTo(cold.outlet, -1)
    expect(cold.cooler!.pressure).toBeGreaterThan(cold.can!.pressure)
    const weak = outlookOf(put(sheet, { 'cooler.rating': 4e5 }), 20).states[1]
    expect([weak.cooler!.verdict, weak.predicted]).toEqual(['stop', 'stop'])
  })
})

describe('what builders do measure', () => {
  it('is not doubted: a tip clearance of 0.9 mm; a pump under the oil', () => {
    expect(doubtOf(six(), 'pump.tipClearance', 0.9e-3)).toBeUndefined()
    expect(doubtOf(six(), 'pump.tipClearance', 1.1e-3)).toBeDefined()
    const under = put(six(), { 'pickup.lift': -0.12 })
    expect(doubtOf(under, 'pickup.lift', -0.12)).toBeUndefined()
    expect(checkSheet(under)).toEqual([])
    // 175 mm of oil higher: ρ g h.
    const suction = (sheet: Sheet) => {
      const model = modelOf(sheet)
      gaugePressure(model, namedStates(sheet)[3])
      return suctionOf(model)
    }
    expect(suction(six()) - suction(under)).toBeCloseTo(830 * 9.81 * 0.175, -2)
    const [band] = pressureBands(modelOf(under), [namedStates(under)[3]], 60)
    expect(band.low).toBeLessThan(band.pressure)
  })
})

describe('vacuum in the crankcase', () => {
  const read = (sheet: Sheet, state: number) => {
    const model = modelOf(sheet)
    const gauge = gaugePressure(model, namedStates(sheet)[state])
    return { gauge, suction: suctionOf(model) }
  }
  it('is taken from the gauge and drawn at the suction, as far as the crank drives it', () => {
    const drawn = put(six(), { 'pickup.crankcase': 10e3 })
    const [before, after] = [read(six(), 3), read(drawn, 3)]
    // The circuit sees the same differences of pressure as before.
    expect(before.gauge - after.gauge).toBeCloseTo(10e3, -1)
    expect(after.suction - before.suction).toBeCloseTo(10e3, -1)
    const share = namedStates(six())[2].speed / namedStates(six())[3].speed
    expect(read(six(), 2).gauge - read(drawn, 2).gauge).toBeCloseTo(10e3 * share, -1)
    // A drill turns no crank.
    expect(primeExpectation(drawn, undefined, 20).pressure).toBeCloseTo(
      primeExpectation(six(), undefined, 20).pressure,
      6,
    )
  })
  it('starves a pump that drew well enough before, and not one under a tank that stands open', () => {
    expect(outlookOf(put(six(), { 'pickup.crankcase': 30e3 }), 20).states[3].starves).toBe(true)
    const dry = six()
    dry.layout.drySump = true
    const [open, drawn] = [read(dry, 3), read(put(structuredClone(dry), { 'pickup.crankcase': 30e3 }), 3)]
    expect(Math.abs(drawn.suction - open.suction)).toBeLessThan(2e3)
    expect(outlookOf(put(structuredClone(dry), { 'pickup.crankcase': 30e3 }), 20).states[3].starves).toBe(false)
  })
})

describe('a spring by its seller’s word', () => {
  it('is wide and assumed until it is measured: thirty percent on 6 N/mm', () => {
    const sheet = put(newSheet('inline6', 'a', 'b'), { 'relief.saidStiffer': 0.3, 'relief.rateBefore': 6000 })
    const rate = springRateOf(sheet, 'relief')
    expect(rate.value).toBeCloseTo(7800, 6)
    // Half of what he says, 900 N/m, and a twentieth of the spring before.
    expect(rate.sigma).toBeGreaterThan(900)
    expect(rate.source).toBe('layout')
    expect(valveHasGrounds(sheet, 'relief')).toBe(false)
    const opens = (each: Sheet) => outlookOf(each, 200).states[1]
    const bare = opens(newSheet('inline6', 'a', 'b'))
    expect(opens(sheet).pressure).toBeGreaterThan(bare.pressure)
    expect(opens(sheet).high - opens(sheet).low).toBeGreaterThan(bare.high - bare.low)
    expect(springRateOf(put(sheet, { 'relief.springRate': 6900 }), 'relief')).toMatchObject({
      value: 6900,
      source: 'measured',
    })
  })
})
