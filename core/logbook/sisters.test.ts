import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { catalogueOf } from '../engine/catalogue'
import type { Sheet } from '../record/schema'
import { normalOdds, studentOdds } from './chance'
import { measuredOf, OUTLIER, type Sister, spreadsOf } from './sisters'

const sheet = DEMO_BUILDS.ottiline()
const sister = (build: string, change: Record<string, number>): Sister => {
  const read: Sheet = structuredClone(sheet)
  for (const [key, value] of Object.entries(change)) read.readings[key] = { value, source: 'measured' }
  return { build, name: build, measured: measuredOf(read) }
}

describe('sister builds', () => {
  it('chances are those of the published tables', () => {
    // Two-sided: 1.96 of a normal deviate and 2.776 of Student’s t with four degrees of freedom are each one in twenty.
    expect(normalOdds(-1.959964)).toBeCloseTo(20, 3)
    expect(studentOdds(2.776445, 4)).toBeCloseTo(20, 3)
    expect(normalOdds(40)).toBeCloseTo(1e9, 0)
  })

  it('a measurement beside three or more of the same has their spread and its odds; fewer say nothing', () => {
    const of = (count: number) =>
      spreadsOf(
        sheet,
        [0.2, 0.21, 0.22, 0.19, 0.18]
          .slice(0, count)
          .map((length, i) => sister(`s${i}`, { 'pickup.tubeLength': length })),
      )
    expect(of(2)).toEqual([])
    const tube = of(5).find(({ key }) => key === 'pickup.tubeLength')!
    expect(tube).toMatchObject({ value: 0.26, station: 'pickup', dimension: 'length' })
    expect(tube.mean).toBeCloseTo(0.2, 12)
    expect(tube.deviation).toBeCloseTo(Math.sqrt(0.00025), 12)
    // (0.26 − 0.2)/(0.0158 √1.2) = 3.46 with four degrees of freedom: one in 39 by a table of t.
    expect(tube.odds).toBeCloseTo(studentOdds(0.06 / (Math.sqrt(0.00025) * Math.sqrt(1.2)), 4), 6)
    expect(tube.odds).toBeGreaterThan(OUTLIER)
    // The rarest first.
    expect(of(5)[0]).toEqual(tube)
    // Sisters that were all read alike vary by a reading's own uncertainty at least: half of that is nothing out of the ordinary.
    const usual = catalogueOf(sheet.layout).quantities.get('pickup.tubeLength')!.sigma
    const alike = spreadsOf(
      sheet,
      [1, 2, 3, 4].map((i) => sister(`s${i}`, { 'pickup.tubeLength': 0.26 - 0.5 * usual })),
    ).find(({ key }) => key === 'pickup.tubeLength')!
    expect(alike.odds).toBeCloseTo(studentOdds(0.5 / Math.sqrt(1.25), 3), 6)
    // What is read alike everywhere is nobody's outlier.
    expect(of(5).filter(({ odds }) => odds > OUTLIER)).toEqual([tube])
  })

  it('clearances stand in the place of the sizes behind them: an undersize journal with its shells is no outlier', () => {
    const measured = measuredOf(sheet)
    expect(measured['main.1.clearance']).toBeGreaterThan(2e-5)
    expect(measured['main.1.journal']).toBeUndefined()
    expect(measured['brief.idleSpeed']).toBeUndefined()
    const ground = 0.25e-3
    const same = (i: number) =>
      sister(`s${i}`, {
        'main.1.journal': sheet.readings['main.1.journal'].value - ground * i,
        'main.1.bore': sheet.readings['main.1.bore'].value - ground * i,
      })
    const main = spreadsOf(sheet, [0, 1, 2, 3].map(same)).find(({ key }) => key === 'main.1.clearance')!
    expect(main.label).toBe('Main 1 clearance')
    expect(main.odds).toBeLessThan(2)
  })
})
