import { checksOf } from '../engine/catalogue'
import { FILTER_FITMENTS, METHODS } from '../parts/primingWords'
import { DEMO_BUILDS } from '../../demo/make'
import { describe, expect, it } from 'vitest'
import { prepareEngine } from '../engine/engine'
import { newSheet, PRESETS } from '../record/layouts'
import type { Sheet } from '../record/schema'
import { outletsOf } from './outlets'
import { hasRun, oiledAt, outletChecks, primedAt } from './primed'
import { guideOf, STAGES, WORD_TITLES } from './steps'
import { primeSetUpOf, turnsPump, usualMethod } from './setUp'

const sheet = newSheet('inline4', 'a', 'b')
const stepsOf = (more: Parameters<typeof primeSetUpOf>[1], of: Sheet = sheet) =>
  guideOf(of, primeSetUpOf(of, more)).steps.join(' ')

describe('how a method goes', () => {
  it('each has its kit, its steps in whole sentences and a caution of its own, whatever the filter', () => {
    for (const method of METHODS)
      for (const filter of FILTER_FITMENTS) {
        const guide = guideOf(sheet, primeSetUpOf(sheet, { method, filter }))
        expect(guide.kit.length).toBeGreaterThanOrEqual(3)
        expect(guide.steps.length).toBeGreaterThanOrEqual(5)
        for (const step of guide.steps) expect(step).toMatch(/^[A-Z].*\.$/)
        expect(guide.caution.words).toMatch(/\.$/)
      }
  })
  it('ignition and fuel are off before the starter turns, and back on after', () => {
    for (const method of ['starter', 'hand'] as const) {
      const { steps, caution } = guideOf(sheet, primeSetUpOf(sheet, { method }))
      const place = (words: RegExp) => steps.findIndex((step) => words.test(step))
      expect(place(/[Dd]isable ignition and fuel/)).toBeGreaterThanOrEqual(0)
      expect(place(/[Dd]isable ignition and fuel/)).toBeLessThanOrEqual(place(/[Cc]rank in bursts/))
      expect(steps.join(' ').search(/[Dd]isable ignition/)).toBeLessThan(steps.join(' ').search(/[Cc]rank in bursts/))
      expect(caution.words).toContain('disabled before the first burst')
    }
  })
  it('the filter stays off until oil runs at the pad, or goes on as chosen; without one nobody speaks of it', () => {
    expect(stepsOf({ method: 'drill', filter: 'off' })).toMatch(
      /Leave the filter off.*oil runs at the pad, stop and fit the filter/,
    )
    expect(stepsOf({ method: 'drill', filter: 'filled' })).toContain('Fit the filter, filled.')
    expect(stepsOf({ method: 'drill', filter: 'dry' })).not.toContain('pad')
    const bare = { ...sheet, layout: { ...sheet.layout, filter: false } }
    for (const method of METHODS) expect(stepsOf({ method }, bare)).not.toMatch(/filter\b/)
  })
  it('a tank is let off before its hose comes off, and names the port that was chosen', () => {
    const steps = stepsOf({ method: 'tank', port: 'pump' })
    expect(steps).toMatch(/the pump’s own port.*let the pressure off, then take the hose off/)
    expect(stepsOf({ method: 'tank', port: 'gauge' })).toContain('the gauge port')
  })
  it('a drill is for a shaft that drives the pump, a tank for a pump on the crank; only a tank leaves the pump standing', () => {
    expect([usualMethod({ pumpDrive: 'shaft' }), usualMethod({ pumpDrive: 'crank' })]).toEqual(['drill', 'tank'])
    expect(METHODS.filter((method) => !turnsPump(method))).toEqual(['tank'])
  })
  it('what the builder chose stands above the usual, and a word that is none counts for nothing', () => {
    const chosen = {
      ...sheet,
      choices: { 'prime.method': 'starter', 'prime.filter': 'filled', 'prime.port': 'pump', 'pump.packing': 'jelly' },
    }
    expect(primeSetUpOf(chosen)).toMatchObject({
      method: 'starter',
      filter: 'filled',
      port: 'pump',
      packing: 'jelly',
      packed: true,
    })
    expect(primeSetUpOf({ ...sheet, choices: { 'prime.method': 'magic', 'pump.packing': 'sand' } })).toMatchObject({
      method: 'drill',
      packing: 'dry',
      packed: false,
    })
    expect(primeSetUpOf(chosen, { method: 'tank' }).method).toBe('tank')
  })
  it('every stage and every early word has its title', () => {
    for (const words of [...Object.values(WORD_TITLES), ...Object.values(STAGES).map(({ title }) => title)])
      expect(words).toMatch(/^[A-Z]/)
  })
})

describe('outlets', () => {
  it.each(Object.keys(PRESETS))(
    '%s: each stands on a node of its circuit, and each that can be seen has its check',
    (preset) => {
      const { layout } = newSheet(preset, 'a', 'b')
      const { circuit } = prepareEngine(layout)
      const checks = new Set(checksOf(layout).map(({ key }) => key))
      const outlets = outletsOf(layout)
      for (const { node, check, label } of outlets) {
        expect(circuit.indexOf(node), label).toBeGreaterThanOrEqual(0)
        if (check) expect(checks, label).toContain(check)
      }
      expect(outlets.filter(({ label }) => /^Main/.test(label))).toHaveLength(layout.mains)
      expect(outlets.filter(({ label }) => /^(Rod|Rotor)/.test(label))).toHaveLength(layout.feed.length)
      expect(outlets.filter(({ label }) => /^Rockers/.test(label))).toHaveLength(
        layout.rockerFeed ? layout.cylinders : 0,
      )
      // And the other way round: nothing is ticked as an outlet that the model does not fill.
      const told = new Set(outlets.map(({ check }) => check))
      for (const key of checks)
        if (/^prime\.(rocker\d+|lifters|jet|tensioner|turbo)$/.test(key)) expect(told).toContain(key)
    },
  )
})

describe('when it was primed', () => {
  const at = (readings: Record<string, string>) => ({
    readings: Object.fromEntries(
      Object.entries(readings).map(([key, time]) => [key, { value: 3e5, source: 'measured' as const, at: time }]),
    ),
  })
  const seen = (sheet: Sheet): Sheet => ({
    ...sheet,
    checks: {
      ...sheet.checks,
      ...Object.fromEntries(outletChecks(sheet).map((key) => [key, { state: 'done' as const }])),
    },
  })
  const last = (value = 3e5) => ({
    'prime.pressure': { value, source: 'measured' as const, at: '2026-05-14T08:00:00Z' },
  })
  it('is the last prime with oil seen at every outlet: no check prime, none over the limit, none with an outlet that nobody saw', () => {
    const six = DEMO_BUILDS.ottiline()
    const primed = seen({ ...six, readings: { ...six.readings, ...last() } })
    expect(primedAt(primed)).toBe(Date.parse('2026-05-14T08:00:00Z'))
    expect(
      primedAt(seen({ ...six, readings: { ...six.readings, 'prime.checkPressure': last()['prime.pressure'] } })),
    ).toBeUndefined()
    expect(primedAt({ ...six, readings: { ...six.readings, ...last() } })).toBeUndefined()
    expect(primedAt(seen({ ...six, readings: { ...six.readings, ...last(15e5) } }))).toBeUndefined()
    expect(primedAt({ ...primed, checks: { ...primed.checks, 'prime.rocker3': { state: 'fault' } } })).toBeUndefined()
  })
  it('its oil stands from the last prime or the last run, whichever came later', () => {
    const six = DEMO_BUILDS.ottiline()
    const primed = seen({ ...six, readings: { ...six.readings, ...last() } })
    expect(oiledAt(six)).toBeUndefined()
    expect(
      oiledAt({
        ...primed,
        readings: {
          ...primed.readings,
          'start.idleHot.pressure': { value: 3e5, source: 'measured', at: '2026-05-20T08:00:00Z' },
        },
      }),
    ).toBe(Date.parse('2026-05-20T08:00:00Z'))
  })
  it('it has run once any reading of the start was taken, and not for the brief’s speeds', () => {
    expect(
      hasRun(at({ 'prime.pressure': '2026-05-11T08:00:00Z', 'start.idleHot.speed': '2026-05-11T08:00:00Z' })),
    ).toBe(false)
    expect(hasRun(at({ 'start.firstPressure': '2026-05-11T08:00:00Z' }))).toBe(true)
    expect(hasRun(at({ 'start.idleHot.pressure': '2026-05-11T08:00:00Z' }))).toBe(true)
  })
})
