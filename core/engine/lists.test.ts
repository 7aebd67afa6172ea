import { checksOf, inspectionsOf, quantitiesOf } from './catalogue'
import { describe, expect, it } from 'vitest'
import { fitOf } from '../parts/passage'
import { findingOf, leftOutOf } from './inspections'
import { newSheet, PRESETS } from '../record/layouts'
import type { Layout } from '../record/schema'
import { recordedOrDefault, requireValue } from './values'

/** Every layout that there is, plain and with everything that an engine can have. */
const LOADED: Partial<Layout> = {
  galleryRelief: true,
  cooler: true,
  turbo: true,
  pistonJets: 4,
  tensioner: true,
  rockerFeed: true,
  timingJet: true,
  lifters: 'hydraulic',
  pumpKind: 'gerotor',
}
const layouts = Object.keys(PRESETS).flatMap((preset) => {
  const plain = newSheet(preset, 'a', 'b').layout
  return [
    [preset, plain],
    [
      `${preset}, loaded`,
      { ...plain, ...LOADED, lifterCount: Math.max(plain.lifterCount, 2), pistonJets: plain.cylinders },
    ],
  ] as [string, Layout][]
})
const stand = { by: 'Maren', at: '2026-05-11T08:00:00Z' }
const STATIONS = ['brief', 'bearings', 'pump', 'relief', 'pickup', 'passages', 'prime', 'start']

describe('what can be recorded of a layout', () => {
  it.each(layouts)(
    '%s: each number is named once, has its default in its plausible range, and an uncertainty',
    (_, layout) => {
      const list = quantitiesOf(layout)
      expect(new Set(list.map(({ key }) => key)).size).toBe(list.length)
      expect(new Set(list.map(({ label, station, key }) => `${station} ${key.split('.')[0]} ${label}`)).size).toBe(
        list.length,
      )
      for (const {
        key,
        label,
        plausible: [least, most],
        fallback,
        fallbackSigma,
        sigma,
        station,
        planned,
      } of list) {
        expect(least, key).toBeLessThan(most)
        // Only what is meant to be done can be as certain as it is meant.
        if (!planned) expect(sigma, key).toBeGreaterThan(0)
        expect(label, key).toMatch(/^\S.*\S$/)
        expect(STATIONS, key).toContain(station)
        if (fallback === undefined) continue
        expect(fallbackSigma ?? 0, key).toBeGreaterThanOrEqual(0)
        expect(fallback, key).toBeGreaterThanOrEqual(least)
        expect(fallback, key).toBeLessThanOrEqual(most)
      }
    },
  )
  it.each(layouts)(
    '%s: each check and each inspection is named once, at its own station, and says what a fault means',
    (_, layout) => {
      const checks = checksOf(layout)
      const inspections = inspectionsOf(layout)
      const keys = [...checks, ...inspections].map(({ key }) => key)
      expect(new Set(keys).size).toBe(keys.length)
      for (const { key, station, group, fault } of checks) {
        expect(STATIONS, key).toContain(station)
        // What is looked for at an outlet, a plug or a part: a fault there must lead somewhere.
        if (group === 'outlet' || group === 'walk' || group === undefined) expect(fault, key).toMatch(/\.$/)
      }
      for (const { key, findings } of inspections) {
        expect(new Set(findings.map(({ value }) => value)).size, key).toBe(findings.length)
        expect(
          findings.some(({ verdict }) => verdict === 'pass'),
          key,
        ).toBe(true)
        expect(
          findings.some(({ verdict }) => verdict === 'stop' || verdict === 'watch'),
          key,
        ).toBe(true)
        for (const { verdict, action } of findings) if (verdict !== 'pass') expect(action, key).toMatch(/\.$/)
      }
    },
  )
  it('what a layout has not is not asked for', () => {
    const keysOf = (more: Partial<Layout>) => {
      const layout = { ...newSheet('inline4', 'a', 'b').layout, ...more }
      return [...quantitiesOf(layout), ...checksOf(layout), ...inspectionsOf(layout)].map(({ key }) => key)
    }
    const has = (keys: string[], word: RegExp) => keys.some((key) => word.test(key))
    expect(has(keysOf({ turbo: false }), /turbo/i)).toBe(false)
    expect(has(keysOf({ turbo: true }), /turbo/i)).toBe(true)
    expect(has(keysOf({ galleryRelief: false }), /relief2/)).toBe(false)
    expect(has(keysOf({ galleryRelief: true }), /relief2/)).toBe(true)
    expect(has(keysOf({ rockerFeed: false }), /rocker/i)).toBe(false)
    expect(has(keysOf({ timingJet: false }), /timingJet|prime\.jet/)).toBe(false)
    expect(has(keysOf({ filter: false }), /filterBypass|antiDrain/)).toBe(false)
    expect(has(keysOf({ drySump: true }), /scavenge/)).toBe(true)
    expect(has(keysOf({ followers: 'roller' }), /breakInOil/)).toBe(false)
  })
})

describe('what stands in a sheet', () => {
  it('a reading stands before the layout’s default, with its own uncertainty where it has one; what is not there is nothing', () => {
    const sheet = newSheet('inline4', 'a', 'b')
    const fallback = requireValue(sheet, 'pump.endClearance')
    expect(fallback.source).toBe('layout')
    sheet.readings['pump.endClearance'] = { value: 61e-6, source: 'measured' }
    const measured = requireValue(sheet, 'pump.endClearance')
    expect(measured).toMatchObject({ value: 61e-6, source: 'measured' })
    expect(measured.sigma).toBeLessThan(fallback.sigma)
    sheet.readings['pump.endClearance'] = { value: 61e-6, source: 'measured', uncertainty: 9e-6 }
    expect(requireValue(sheet, 'pump.endClearance').sigma).toBe(9e-6)
    expect(recordedOrDefault(sheet, 'main.1.journal')).toBeUndefined()
    expect(recordedOrDefault(sheet, 'main.9.journal')).toBeUndefined()
    expect(() => requireValue(sheet, 'main.1.journal')).toThrow('main.1.journal')
  })
  it('findings are looked up by their word, and what was left out is taken out of the circuit', () => {
    const sheet = newSheet('v8', 'a', 'b')
    expect(leftOutOf(sheet)).toEqual([])
    const plugs = inspectionsOf(sheet.layout).filter(
      ({ key, station }) => station === 'passages' && !/Bypass/.test(key),
    )
    sheet.inspections[plugs[0].key] = { finding: 'left-out', ...stand }
    sheet.inspections[plugs[1].key] = { finding: 'fitted', ...stand }
    expect(leftOutOf(sheet)).toEqual([plugs[0].key])
    expect(findingOf(sheet, plugs[0])).toMatchObject({ verdict: 'stop' })
    expect(findingOf(sheet, plugs[1])).toMatchObject({ verdict: 'pass' })
    expect(findingOf(sheet, plugs[2])).toBeUndefined()
    // A word that is none of the item's counts as not answered.
    sheet.inspections[plugs[2].key] = { finding: 'whatever', ...stand }
    expect(findingOf(sheet, plugs[2])).toBeUndefined()
  })
  it('a bypass valve stands as it was found, else as it belongs', () => {
    const sheet = newSheet('v8', 'a', 'b')
    const right = fitOf(sheet, 'passage.filterBypass', 'in')
    expect(
      inspectionsOf(sheet.layout)
        .find(({ key }) => key === 'passage.filterBypass')!
        .findings.find(({ value }) => value === right)!.verdict,
    ).toBe('pass')
    sheet.inspections['passage.filterBypass'] = { finding: 'plugged', ...stand }
    expect(fitOf(sheet, 'passage.filterBypass', 'in')).toBe('plugged')
  })
})
