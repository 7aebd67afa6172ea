import { describe, expect, it } from 'vitest'
import { MAKER_LIMITS, limitOf } from '../house/makerLimits'
import { quantityAt } from '../engine/values'
import { progressOf } from '../progress/progress'
import { newSheet } from '../record/layouts'
import type { Sheet } from '../record/schema'
import { judgedHousing } from './filter'
import { clearanceLimits } from './clearances'
import { endFloatOf } from './crank'
import { floorVerdict } from './pickupRecord'
import { judgedShapes, shapeVerdicts, wallDifferences } from './shapes'
import { gapMarks, judgeGap } from './pumpReadings'

const put = (readings: Record<string, number>, sheet: Sheet = newSheet('inline4', 'a', 'b')) => {
  for (const [key, value] of Object.entries(readings))
    sheet.readings[key] = { value, source: key.startsWith('limit.') ? 'maker' : 'measured' }
  return sheet
}
const station = (sheet: Sheet, name: string) => progressOf(sheet).find((each) => each.station === name)!

describe('a maker’s limit', () => {
  it('can be recorded for everything that is judged, and stands above the house’s', () => {
    for (const [rule, key] of Object.entries(MAKER_LIMITS)) {
      expect(quantityAt(newSheet('inline4', 'a', 'b'), key)?.fromMaker, key).toBe(true)
      const own = rule as keyof typeof MAKER_LIMITS
      expect(limitOf(put({ [key]: 0.3e-3 }), own, 1e-3)).toEqual({ value: 0.3e-3, source: 'maker' })
      expect(limitOf(put({}), own, 1e-3)).toEqual({ value: 1e-3, source: 'house' })
    }
  })
  it('of one side is enough: the house’s stands at the other, and gives way where the two would cross', () => {
    const house = clearanceLimits(put({}), 'main', 0.066)
    expect(clearanceLimits(put({ 'limit.mainMost': 90e-6 }), 'main', 0.066)).toEqual({
      least: house.least,
      most: 90e-6,
      source: 'maker',
    })
    expect(clearanceLimits(put({ 'limit.mainLeast': 50e-6 }), 'main', 0.066)).toEqual({
      least: 50e-6,
      most: house.most,
      source: 'maker',
    })
    const tight = clearanceLimits(put({ 'limit.mainMost': 20e-6 }), 'main', 0.066)
    expect([tight.least < tight.most, tight.most]).toEqual([true, 20e-6])
    // The wrong way round they are none.
    expect(clearanceLimits(put({ 'limit.mainLeast': 90e-6, 'limit.mainMost': 50e-6 }), 'main', 0.066)).toEqual(house)
  })
  it('judges end float and rod side clearance', () => {
    const float = { 'thrust.endFloat': 0.12e-3 }
    expect(station(put(float), 'bearings').verdict).toBe('pass')
    const sheet = put({ ...float, 'limit.endFloatMost': 0.1e-3 })
    expect(endFloatOf(sheet)).toMatchObject({ least: expect.closeTo(50e-6, 12), most: 0.1e-3, whose: 'both' })
    expect(station(sheet, 'bearings')).toMatchObject({ verdict: 'stop', about: 'end float out of limit' })
    const side = put({ 'rod.1.side': 0.25e-3, 'limit.sideLeast': 0.3e-3 })
    expect(station(side, 'bearings')).toMatchObject({ verdict: 'stop', about: 'Rod 1 side clearance out of limit' })
  })
  it('judges the pump’s gaps: watched from nine tenths, a stop beyond, a stop under its least', () => {
    const judged = (gap: number, more: Record<string, number>) =>
      judgeGap(put({ 'pump.endClearance': gap, ...more }), 'end')
    expect(judged(120e-6, {})).toBe('watch')
    expect(judged(120e-6, { 'limit.pumpEndMost': 200e-6 })).toBe('pass')
    expect(judged(185e-6, { 'limit.pumpEndMost': 200e-6 })).toBe('watch')
    expect(judged(90e-6, { 'limit.pumpEndMost': 80e-6 })).toBe('stop')
    expect(judged(30e-6, { 'limit.pumpEndLeast': 40e-6 })).toBe('stop')
    expect(judgeGap(put({ 'pump.tipClearance': 0.3e-3, 'limit.pumpTipMost': 0.4e-3 }), 'tip')).toBe('pass')
    expect(gapMarks(put({}), 'tip').least).toBeUndefined()
  })
  it('judges the wall beside a port and the spring’s travel', () => {
    const wall = (more: Record<string, number>) => station(put({ 'pump.suctionPortWall': 2.5e-3, ...more }), 'pump')
    expect(wall({})).toMatchObject({ verdict: 'stop', about: 'suction port’s wall too thin' })
    expect(wall({ 'limit.portWall': 2e-3 }).about ?? '').not.toMatch(/wall/)
    // 41 less a port of 7 and 27 solid: 7 mm are left.
    const spring = { 'relief.springRate': 6000, 'relief.installedLength': 41e-3, 'relief.solidLength': 27e-3 }
    const bind = (more: Record<string, number>) => station(put({ ...spring, ...more }), 'relief')
    expect(bind({}).verdict).toBe('pass')
    expect(bind({ 'limit.bindMargin': 9e-3 })).toMatchObject({ verdict: 'watch', about: 'spring near coil bind' })
  })
  it('judges the pickup’s height and a housing’s gap', () => {
    const at = (more: Record<string, number>) =>
      floorVerdict(put({ 'pickup.sumpDepth': 0.16, 'pickup.protrusion': 0.151, ...more }))
    expect(at({})).toBe('pass')
    expect(at({ 'limit.pickupLeast': 10e-3 })).toBe('stop')
    expect(at({ 'limit.pickupMost': 8e-3 })).toBe('stop')
    const gap = (sheet: Sheet) => judgedHousing('filter', 80e-6, sheet)[0].verdict
    expect([gap(put({})), gap(put({ 'limit.housingGap': 50e-6 }))]).toEqual(['pass', 'stop'])
  })
})

describe('the shape of journals and bores', () => {
  const main = { 'main.1.journal': 0.06598, 'main.1.bore': 0.06604 }
  it('is judged: taper of either, roundness of the journal, and never a shell’s own eccentricity', () => {
    expect(station(put({ ...main, 'main.1.journal.rear': 0.065975 }), 'bearings').about ?? '').not.toMatch(/taper/)
    expect(station(put({ ...main, 'main.1.journal.rear': 0.06596 }), 'bearings')).toMatchObject({
      verdict: 'stop',
      about: 'Main 1 tapered beyond its limit',
    })
    expect(station(put({ ...main, 'main.1.journal.left': 0.06596 }), 'bearings')).toMatchObject({
      verdict: 'stop',
      about: 'Main 1 out of round beyond its limit',
    })
    // 11 µm of 13: readings of 2.5 µm leave one chance in five that it is beyond.
    const near = shapeVerdicts(put({ ...main, 'main.1.journal.rear': 0.065969 }), 'main')
    expect(near).toMatchObject([
      { field: 'taper', side: 'journal', verdict: 'watch', chance: expect.closeTo(0.212, 2) },
    ])
    expect(shapeVerdicts(put({ ...main, 'main.1.journal.rear': 0.065973 }), 'main')[0].verdict).toBe('pass')
    expect(station(put({ ...main, 'main.1.bore.left': 0.06608 }), 'bearings').about ?? '').not.toMatch(/round/)
  })
  it('says where a bore is not what its housing and walls leave, beyond what both can be out', () => {
    // 70.042 less two of 2.001 is 66.040; two readings of 2.5 µm and twice one of 2 are out by 5.3.
    const walls = { ...main, 'main.1.housing': 0.070042, 'main.1.wall': 0.002001 }
    expect(wallDifferences(put(walls), 'main')).toEqual([])
    expect(wallDifferences(put({ ...walls, 'main.1.bore': 0.06605 }), 'main')).toEqual([])
    const [{ label, difference, sigma }] = wallDifferences(put({ ...walls, 'main.1.bore': 0.06602 }), 'main')
    expect([label, Math.round(1e6 * difference), sigma]).toEqual(['Main 1', -20, expect.closeTo(5.34e-6, 8)])
    expect(judgedShapes(put({ ...walls, 'main.1.bore': 0.06602 }), 'main')).toContainEqual({
      station: 'bearings',
      verdict: 'watch',
      about: 'Main 1 bore is not what housing and walls leave',
    })
  })
  it('goes by the maker’s figure where there is one', () => {
    const worn = { ...main, 'main.1.journal.rear': 0.06596 }
    expect(station(put({ ...worn, 'limit.taper': 25e-6 }), 'bearings').about ?? '').not.toMatch(/taper/)
  })
})
