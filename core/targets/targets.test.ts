import { describe, expect, it } from 'vitest'
import { newSheet } from '../record/layouts'
import type { Sheet } from '../record/schema'
import { perThousand, schools, type StateName, STATE_NAMES, targetOf } from './targets'
import { judge } from '../quantity/verdict'

const PSI = 6894.757
const at = (name: StateName, rpm: number) => ({ name, speed: rpm / 60, temperature: 95 })
const sheetWith = (readings: Record<string, number>, more: Partial<Sheet> = {}): Sheet => ({
  ...newSheet('inline4', 'a', 'b'),
  readings: Object.fromEntries(
    Object.entries(readings).map(([key, value]) => [key, { value, source: 'maker' as const }]),
  ),
  ...more,
})
const JOURNAL = 0.055
const DENSITY = 830

describe('schools', () => {
  it('ten psi for each thousand rpm: 45 psi at 4500, nothing at rest', () => {
    expect(perThousand(4500 / 60)).toBeCloseTo(45 * PSI, 3)
    expect(perThousand(0)).toBe(0)
  })
  it('the rod-feed floor is ½ ρ ω² r² of the journal: 70 kPa of a 55 mm journal at 4500 rpm, and grows with the square of speed', () => {
    const floor = (rpm: number) =>
      schools(newSheet('inline4', 'a', 'b'), at('workingHot', rpm), JOURNAL, DENSITY)['rod-feed']!
    expect(floor(4500) - floor(0)).toBeCloseTo(0.5 * DENSITY * (2 * Math.PI * 75 * 0.0275) ** 2, 0)
    expect((floor(6000) - floor(0)) / (floor(3000) - floor(0))).toBeCloseTo(4, 9)
  })
  it('while cranking only the house has something to say', () => {
    expect(
      Object.keys(schools(sheetWith({ 'maker.idleHot': 1e5 }), at('crankingCold', 180), JOURNAL, DENSITY)),
    ).toEqual(['house'])
  })
})

describe('the target of a state', () => {
  it('is the maker’s where there is one, whatever the other schools ask', () => {
    expect(targetOf(sheetWith({ 'maker.workingHot': 2.1e5 }), at('workingHot', 4500), JOURNAL, DENSITY)).toMatchObject({
      school: 'maker',
      least: 2.1e5,
      most: 6e5,
    })
  })
  it('else the highest of the schools: the rule of thumb at speed, the house at a slow idle', () => {
    const plain = newSheet('inline4', 'a', 'b')
    expect(targetOf(plain, at('workingHot', 4500), JOURNAL, DENSITY)).toMatchObject({
      school: 'per-thousand',
      least: expect.closeTo(45 * PSI, 0),
    })
    expect(targetOf(plain, at('idleHot', 700), JOURNAL, DENSITY)).toMatchObject({
      school: 'house',
      least: 0.7e5,
      reason: 'the house floor',
    })
  })
  it('at very high speed and a big journal the rods’ feed asks for the most', () => {
    expect(targetOf(newSheet('inline4', 'a', 'b'), at('workingHot', 9000), 0.09, DENSITY).school).toBe('rod-feed')
  })
  it('a school that was chosen governs, but never under the house floor; a maker chosen without a figure falls to the highest', () => {
    const sheet = (school: Sheet['school'], readings = {}) => sheetWith(readings, { school })
    expect(
      targetOf(sheet('rod-feed', { 'maker.workingHot': 2.1e5 }), at('workingHot', 4500), JOURNAL, DENSITY),
    ).toMatchObject({ school: 'house', least: 1.5e5 })
    expect(
      targetOf(sheet('per-thousand', { 'maker.workingHot': 2.1e5 }), at('workingHot', 4500), JOURNAL, DENSITY).school,
    ).toBe('per-thousand')
    expect(targetOf(sheet('maker'), at('workingHot', 4500), JOURNAL, DENSITY).school).toBe('per-thousand')
    // The maker's word stands even under the house floor: an engine that is low by design is no fault.
    expect(targetOf(sheet('maker', { 'maker.idleHot': 0.35e5 }), at('idleHot', 700), JOURNAL, DENSITY)).toMatchObject({
      school: 'maker',
      least: 0.35e5,
    })
  })
  it('reaches to the maker’s ceiling, else the house’s, and never ends below where it begins', () => {
    expect(targetOf(sheetWith({ 'maker.ceiling': 4.4e5 }), at('idleHot', 700), JOURNAL, DENSITY).most).toBe(4.4e5)
    expect(targetOf(newSheet('inline4', 'a', 'b'), at('crankingCold', 180), JOURNAL, DENSITY).most).toBe(7e5)
    expect(targetOf(sheetWith({ 'maker.ceiling': 2e5 }), at('workingHot', 6000), JOURNAL, DENSITY).most).toBeCloseTo(
      60 * PSI,
      0,
    )
  })
  it('a house of its own rules and school moves it at every state', () => {
    const own = Object.fromEntries(STATE_NAMES.map((name) => [`floor.${name}`, 3.3e5]))
    const sheet = sheetWith({}, { house: { rules: own, school: 'rod-feed' } })
    for (const name of STATE_NAMES)
      expect(targetOf(sheet, at(name, 4500), JOURNAL, DENSITY)).toMatchObject({ school: 'house', least: 3.3e5 })
    expect(
      targetOf(
        sheetWith({}, { house: { rules: {}, school: 'per-thousand' } }),
        at('workingHot', 4500),
        JOURNAL,
        DENSITY,
      ).school,
    ).toBe('per-thousand')
  })
})

describe('a verdict', () => {
  const target = { least: 1e5, most: 5e5 }
  it.each([
    [2e5, 1.5e5, 2.5e5, 'pass'],
    [1e5, 1e5, 1e5, 'pass'],
    [5e5, 5e5, 5e5, 'pass'],
    [1.2e5, 0.9e5, 1.5e5, 'watch'],
    [4.8e5, 4.5e5, 5.1e5, 'watch'],
    [0.99e5, 0.5e5, 1.4e5, 'stop'],
    [5.01e5, 4e5, 6e5, 'stop'],
  ])('%d Pa with %d to %d is a %s', (value, low, high, verdict) => {
    expect(judge(value, low, high, target)).toBe(verdict)
  })
})
