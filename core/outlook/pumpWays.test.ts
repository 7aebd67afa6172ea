import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { pumpDisplacement } from '../parts/pumpReadings'
import { salvageWays } from '../pump/salvage'
import { newSheet } from '../record/layouts'
import type { Sheet } from '../record/schema'
import { benchReads } from './benchReads'
import { longIdle } from './longIdle'
import { outlookOf } from './outlook'
import { pumpWays } from './pumpWays'

const put = (sheet: Sheet, readings: Record<string, number>) => {
  for (const [key, value] of Object.entries(readings)) sheet.readings[key] = { value, source: 'measured' }
  return sheet
}

describe('ways to a sound pump', () => {
  const worn = {
    gaps: { rotorDiameter: 0.04, rotorLength: 0.02, endClearance: 160e-6, tipClearance: 90e-6 },
    coverWear: 60e-6,
    coverThickness: 6e-3,
    floorThickness: 5e-3,
    leastThickness: 4e-3,
  }
  it('lapping the floor adds what it takes; machining it with the face does not', () => {
    const ends = salvageWays({ ...worn, floorWear: 25e-6 }, 0.01).map(({ way, endClearance, floorLeft }) => [
      way,
      Math.round(1e6 * endClearance),
      Math.round(1e6 * floorLeft),
    ])
    expect(ends).toEqual([
      ['cover', 100, 5000],
      ['lapped', 125, 4975],
      ['machined', 100, 4975],
    ])
  })
  it('is no lapping where the track is deep, and none of the floor where nobody read it', () => {
    const lapped = salvageWays({ ...worn, floorWear: 80e-6 }, 0.01)[1]
    expect(lapped.problems[0]).toMatch(/80 µm is more than lapping/)
    expect(salvageWays(worn, 0.01).map(({ way }) => way)).toEqual(['cover'])
  })
  it('stand side by side with what hot idle reads and what each costs: hours at the house’s rate, the new one’s price', () => {
    const sheet = put(DEMO_BUILDS.dunmarrow(), {
      'pump.endClearance': 160e-6,
      'pump.coverWear': 60e-6,
      'pump.floorWear': 25e-6,
      'pump.coverHours': 3600,
      'pump.machineHours': 5400,
    })
    const fresh = {
      id: 'n',
      label: 'New',
      displacement: pumpDisplacement(sheet).value,
      rotorDiameter: 0.038,
      rotorLength: 0.028,
      endClearance: 50e-6,
      tipClearance: 70e-6,
      price: 180,
    }
    const ways = pumpWays(sheet, fresh)
    expect(ways.map(({ way, cost }) => [way, cost])).toEqual([
      ['as-it-is', undefined],
      ['cover', 60],
      ['lapped', undefined],
      ['machined', 150],
      ['new', 180],
    ])
    const [now, cover, lapped, machined, replaced] = ways.map(({ idleHot }) => idleHot.pressure)
    expect(now).toBeCloseTo(outlookOf(sheet, 40).states[2].pressure, 0)
    expect(cover).toBeGreaterThan(now + 1e3)
    expect(lapped).toBeLessThan(cover)
    expect(machined).toBeCloseTo(cover, 0)
    expect(replaced).toBeGreaterThan(cover)
    // What is left of the metal is judged by the maker's limit where there is one: 5.94 mm are left of the cover.
    const thin = (more: Record<string, number>) =>
      pumpWays(put(structuredClone(sheet), { 'pump.coverThickness': 6e-3, ...more }))[1].cut!.problems.join(' ')
    expect(thin({})).not.toMatch(/cover is left/)
    expect(thin({ 'limit.pumpMetal': 6.5e-3 })).toMatch(/cover is left 5\.94 mm thick, under 6\.50/)
    // Read without the gasket under it, the gap that is read anew is without it too.
    const gasketed = put(DEMO_BUILDS.dunmarrow(), {
      'pump.endClearance': 110e-6,
      'pump.gasket': 50e-6,
      'pump.coverWear': 60e-6,
    })
    const cut = pumpWays(gasketed)[1].idleHot.pressure
    expect(cut).toBeCloseTo(outlookOf(put(gasketed, { 'pump.endClearance': 50e-6 }), 40).states[2].pressure, 0)
  })
})

describe('idling for hours', () => {
  it('reads less in the oil that it then has, and more with longer rotors; a longer day of it is said', () => {
    const six = DEMO_BUILDS.ottiline()
    const usual = longIdle(six)
    expect(usual).toMatchObject({ temperature: 95, read: false, often: false })
    expect(usual.now.pressure).toBeCloseTo(outlookOf(six).states[2].pressure, -1)
    expect(usual.longer.pressure).toBeGreaterThan(1.04 * usual.now.pressure)
    const hot = longIdle(put(six, { 'brief.idleOil': 120, 'brief.idleHours': 4 * 3600 }))
    expect(hot).toMatchObject({ temperature: 120, read: true, often: true })
    expect(hot.now.high).toBeLessThan(usual.now.pressure)
    expect(usual.verdict).toBe('pass')
    expect(longIdle(put(six, { 'maker.idleHot': 4e5 })).verdict).not.toBe('pass')
  })
  it('goes by what was read at hot idle, where it was, and is no pass on layout values or where nothing may be said', () => {
    const low = longIdle(DEMO_BUILDS.dunmarrow())
    expect(low).toMatchObject({ seen: 0.8e5, verdict: 'stop' })
    expect(low.now.pressure).toBeCloseTo(0.8e5, -4)
    expect(low.longer.pressure).toBeLessThan(1.2e5)
    expect(longIdle(newSheet('inline6', 'a', 'b')).verdict).toBe('assumed')
    const six = DEMO_BUILDS.ottiline()
    six.choices['relief.body'] = 'late'
    six.choices['relief.sleeve'] = 'in'
    expect(longIdle(six).verdict).toBe('void')
  })
})

describe('a bench log', () => {
  it('is translated line by line to the running engine, cold and hot, with the shims of each', () => {
    const six = DEMO_BUILDS.ottiline()
    const installed = six.readings['relief.installedLength'].value
    const test = { method: 'air' as const, reading: 4.3e5, installed, shims: 0.5e-3, fitted: true }
    six.benches = {
      'relief.1': { ...test, fitted: false },
      'relief.2': { ...test, reading: 5e5, shims: 1.5e-3 },
    }
    const [before, after] = benchReads(six, 'relief')
    expect([before.key, after.key]).toEqual(['relief.1', 'relief.2'])
    // Seven tenths of a bar at the opening show cold, where the valve is open, and at hot idle not at all.
    expect(after.idleCold.pressure - before.idleCold.pressure).toBeGreaterThan(0.3e5)
    expect(after.workingHot.pressure).toBeGreaterThan(before.workingHot.pressure + 0.2e5)
    expect(Math.abs(after.idleHot.pressure - before.idleHot.pressure)).toBeLessThan(1e3)
    const counting: Sheet = {
      ...six,
      readings: { ...six.readings, 'relief.shims': { value: 1.5e-3, source: 'measured' } },
    }
    expect(after.idleCold.pressure).toBeCloseTo(outlookOf(counting, 40).states[1].pressure, 0)
    for (const { pressure, low, high } of [before.idleCold, after.workingHot])
      expect([low < pressure, pressure < high]).toEqual([true, true])
  })
  it('goes by each test alone: another reading of the same stack, and one that is written and not in the log yet', () => {
    const six = DEMO_BUILDS.ottiline()
    const test = {
      method: 'air' as const,
      installed: six.readings['relief.installedLength'].value,
      shims: six.readings['relief.shims'].value,
      fitted: true,
    }
    six.benches = { 'relief.1': { ...test, reading: 3.9e5 }, 'relief.2': { ...test, reading: 4.5e5 } }
    six.readings['relief.benchPressure'] = { value: 4.2e5, source: 'measured' }
    const reads = benchReads(six, 'relief')
    expect(reads.map(({ key }) => key)).toEqual(['relief.1', 'relief.2', undefined])
    const [low, high, written] = reads.map(({ idleCold }) => idleCold.pressure)
    expect(low).toBeLessThan(written - 5e3)
    expect(written).toBeLessThan(high - 5e3)
    // The one that is written counts now: it is what the record itself predicts.
    expect(written).toBeCloseTo(outlookOf(six, 40).states[1].pressure, 0)
  })
})
