import { describe, expect, it } from 'vitest'
import { checkSheet } from '../engine/checkSheet'
import { catalogueOf } from '../engine/catalogue'
import { newSheet } from '../record/layouts'
import { outlookOf } from '../outlook/outlook'
import { holdsUpPrime, progressOf } from '../progress/progress'
import { parseQuantity } from '../quantity/parse'
import { UNITS } from '../quantity/units'
import type { Sheet } from '../record/schema'
import { GUIDE, GUIDE_PAGES, type GuidePage, guideDone, guideNext } from './guide'
import { sampleSheet } from './sample'

const AT = '2026-05-16T09:00:00.000Z'
const NOTHING: ReadonlySet<string> = new Set()

/** The sample with the steps of these stations done as the guide says. */
function after(...stations: GuidePage[]): Sheet {
  const sheet = sampleSheet(AT)
  for (const station of stations) {
    const wanted = GUIDE[station]
    if (wanted.kind === 'reading') {
      const { dimension } = catalogueOf(sheet.layout).quantities.get(wanted.key as 'main.1.bore')!
      const { value } = parseQuantity(wanted.typed, dimension, UNITS[dimension][0]) as { value: number }
      sheet.readings[wanted.key] = { value, source: 'measured', at: AT }
    } else if (wanted.kind === 'inspection') sheet.inspections[wanted.key] = { finding: 'fitted', at: AT }
    else if (wanted.kind === 'check') sheet.checks[wanted.key] = { state: 'done', at: AT }
  }
  return sheet
}
const state = (sheet: Sheet, name: string) => outlookOf(sheet).states.find((each) => each.name === name)!

describe('guided build', () => {
  it('its sample is a record that the door takes, that can be computed, and that wants one thing at each station up to the outlook', () => {
    const sheet = sampleSheet(AT)
    expect(checkSheet(sheet)).toEqual([])
    for (const { station, wanted, done } of progressOf(sheet))
      if (['brief', 'bearings', 'pump', 'relief', 'pickup', 'passages'].includes(station))
        expect([station, wanted - done]).toEqual([station, 1])
    expect(state(sheet, 'idleHot').pressure).toBeGreaterThan(1e5)
  })
  it('every step asks for what this engine has, and is done by what is then recorded', () => {
    const sheet = sampleSheet(AT)
    expect(guideNext(sheet, NOTHING)).toBe('brief')
    for (const [i, station] of GUIDE_PAGES.entries()) {
      const before = after(...GUIDE_PAGES.slice(0, i))
      const opened = new Set(i > GUIDE_PAGES.indexOf('outlook') ? ['moves'] : [])
      expect(guideNext(before, opened)).toBe(station)
      expect(guideDone(before, station, opened)).toBe(false)
      expect(guideDone(after(...GUIDE_PAGES.slice(0, i + 1)), station, new Set(['moves']))).toBe(true)
    }
    expect(guideNext(after(...GUIDE_PAGES), new Set(['moves']))).toBeUndefined()
    expect(checkSheet(after(...GUIDE_PAGES))).toEqual([])
  })
  it('each reading moves what its words say: the cold, the floor, the floor again, the ceiling alone', () => {
    const cold = state(sampleSheet(AT), 'crankingCold').temperature
    expect(state(after('brief'), 'crankingCold').temperature).toBeLessThan(cold)
    const hot = (...stations: GuidePage[]) => state(after(...stations), 'idleHot').pressure
    expect(hot('bearings')).toBeLessThan(hot() - 2e3)
    expect(hot('pump')).toBeLessThan(hot() - 2e3)
    expect(Math.abs(hot('relief') - hot())).toBeLessThan(500)
    expect(
      Math.abs(state(after('relief'), 'workingHot').pressure - state(sampleSheet(AT), 'workingHot').pressure),
    ).toBeGreaterThan(1e4)
    expect(holdsUpPrime(progressOf(after('brief', 'bearings', 'pump', 'relief', 'pickup', 'passages')))).toEqual([])
    // Nobody is frightened on the way: nothing of the sample is a stop at any step.
    for (const i of GUIDE_PAGES.keys())
      expect(outlookOf(after(...GUIDE_PAGES.slice(0, i + 1))).states.map(({ verdict }) => verdict)).not.toContain(
        'stop',
      )
    expect(newSheet('inline4', 'a', 'b').layout).toEqual(sampleSheet(AT).layout)
  })
})
