import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { FIRST_HOUSE } from './first'
import { instrumentSigma } from './instrument'
import { FIRST_RULES } from './firstRules'
import { ruleOf, schoolOf } from './limits'
import { outlookOf } from '../outlook/outlook'
import { solvedOutlook } from '../outlook/solved'
import { verdictMoves } from '../progress/housePreview'
import { RULES } from './rules'
import { House } from './schema'

describe('house', () => {
  it('its first day is a house', () => expect(House.safeParse(FIRST_HOUSE).success).toBe(true))
  it('an instrument zeroed just now is known by step and repeatability, one never zeroed by two steps more', () => {
    const at = Date.parse('2026-05-11T10:00:00Z')
    const gauge = { name: 'g', resolution: 2e-6, repeatability: 1e-6 }
    expect(instrumentSigma({ ...gauge, zeroedAt: '2026-05-11T10:00:00Z' }, at)).toBeCloseTo(
      Math.hypot(2e-6 / Math.sqrt(12), 1e-6),
      12,
    )
    expect(instrumentSigma(gauge, at)).toBeCloseTo(Math.hypot(2e-6 / Math.sqrt(12), 1e-6, 4e-6 / Math.sqrt(3)), 12)
    // Two weeks: one step of drift.
    expect(instrumentSigma({ ...gauge, zeroedAt: '2026-04-27T10:00:00Z' }, at)).toBeCloseTo(
      Math.hypot(2e-6 / Math.sqrt(12), 1e-6, 2e-6 / Math.sqrt(3)),
      12,
    )
  })
})

describe('house rules', () => {
  it('every rule has a first value inside its range, and the first day’s limits stand in order', () => {
    expect(RULES.map(({ key }) => key).sort()).toEqual(Object.keys(FIRST_RULES).sort())
    for (const { first, range } of RULES) {
      expect(first).toBeGreaterThanOrEqual(range[0])
      expect(first).toBeLessThanOrEqual(range[1])
    }
  })
  it('a rule of the house stands above the first day’s; one that is none is an error', () => {
    expect(ruleOf({}, 'relief.bindMargin')).toBe(1e-3)
    expect(ruleOf({ house: { rules: { 'relief.bindMargin': 2e-3 }, school: 'auto' } }, 'relief.bindMargin')).toBe(2e-3)
    expect(() => ruleOf({}, 'relief.colour')).toThrow('relief.colour')
    expect(schoolOf({ school: 'auto', house: { rules: {}, school: 'maker' } })).toBe('maker')
    expect(schoolOf({ school: 'rod-feed', house: { rules: {}, school: 'maker' } })).toBe('rod-feed')
  })
  it.each([
    [{ 'relief.colour': { value: 1, reason: 'r' } }, 'relief.colour'],
    [{ 'relief.bindMargin': { value: 1, reason: 'r' } }, 'relief.bindMargin/value'],
    [{ 'relief.bindMargin': { value: 2e-3, reason: ' ' } }, 'relief.bindMargin/reason'],
    [{ 'pickup.floorLeast': { value: 20e-3, reason: 'r' } }, 'pickup.floorLeast/value'],
  ])('is refused by field: %j', (rules, path) => {
    const parsed = House.safeParse({ ...FIRST_HOUSE, rules })
    expect(parsed.success).toBe(false)
    expect(parsed.error!.issues[0].path.slice(1).join('/')).toBe(path)
  })
  it.each(Object.keys(DEMO_BUILDS) as (keyof typeof DEMO_BUILDS)[])('no rule moves what is solved of %s', (name) => {
    const sheet = DEMO_BUILDS[name]()
    const by = (side: 0 | 1) =>
      solvedOutlook(
        {
          ...sheet,
          house: { rules: Object.fromEntries(RULES.map(({ key, range }) => [key, range[side]])), school: 'own' },
        },
        20,
      )
    const solved = solvedOutlook(sheet, 20)
    expect(by(0)).toEqual(solved)
    expect(by(1)).toEqual(solved)
    // And judged from it, an outlook is what it is by itself.
    expect(outlookOf(sheet, 20, solved)).toEqual(outlookOf(sheet, 20))
  })
  it('other rules move just the verdicts that they are about', () => {
    const sheet = DEMO_BUILDS.ottiline()
    const by = (rules: Record<string, number>, school: 'auto' | 'maker' = 'auto') =>
      verdictMoves(sheet, { rules, school }).map(({ what, from, to }) => [what, from, to])
    expect(by({})).toEqual([])
    // 5.3 mm are left before the coils touch, 9.5 mm under the pickup.
    expect(by({ 'relief.bindMargin': 6e-3 })).toEqual([['relief', 'pass', 'watch']])
    expect(by({ 'pickup.floorMost': 9e-3 })).toEqual([['pickup', 'pass', 'watch']])
    expect(by({ 'pump.endWatch': 60e-6 })).toEqual([['pump', 'pass', 'watch']])
  })
})
