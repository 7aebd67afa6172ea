import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { newSheet } from '../record/layouts'
import { floorClearance, oilFill, scavengeRatio, scavengeVerdict, sloshOf } from '../parts/pickupRecord'
import type { Sheet } from '../record/schema'
import { suctionOver } from '../outlook/suction'
import { oilOverMouth, surfaceAt } from './slosh'
import { entryLoss, stepLoss } from './suction'

const put = (sheet: Sheet, readings: Record<string, number>) => {
  for (const [key, value] of Object.entries(readings)) sheet.readings[key] = { value, source: 'measured' }
  return sheet
}

describe('losses on the way in', () => {
  it('no step loses nothing; a sharp widening the Borda–Carnot loss; a narrowing to half the area 0.25 heads of the port, one of the tube', () => {
    expect(stepLoss(0.016, 0.016)).toBe(0)
    // Twice the area: (1 − ½)².
    expect(stepLoss(0.01, 0.01 * Math.SQRT2)).toBeCloseTo(0.25, 12)
    expect(stepLoss(0.01, 0.01 * Math.SQRT1_2)).toBeCloseTo(0.5 * 0.5 * 4, 12)
  })
  it('ring and screen each count one head of their own area', () => {
    // Tube 16, mouth 48, floor 4 mm: the ring is π·48·4 = 603 mm² against 201; the screen 1810·0.5 = 905.
    const loss = entryLoss({ tube: 0.016, mouth: 0.048, floor: 0.004, open: 0.5 })
    expect(loss).toBeCloseTo((201.06 / 603.19) ** 2 + (201.06 / 904.78) ** 2, 4)
  })
})

describe('slosh', () => {
  it('keeps its volume at any tilt, whether the floor is covered or one end runs dry', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.02, max: 0.2, noNaN: true }),
        fc.double({ min: 0.15, max: 0.8, noNaN: true }),
        fc.double({ min: 0.01, max: 1.3, noNaN: true }),
        (oilDepth, sumpLength, tilt) => {
          const steps = 4000
          let area = 0
          for (let i = 0; i < steps; i++)
            area +=
              surfaceAt({ oilDepth, sumpLength, tilt, offset: -0.5 * sumpLength + ((i + 0.5) / steps) * sumpLength }) *
              (sumpLength / steps)
          expect(area / (oilDepth * sumpLength)).toBeCloseTo(1, 2)
        },
      ),
    )
  })
  it('by hand: 80 mm deep, 60 mm from the middle, 20 degrees and a floor clearance of 9 mm leave 49.2 mm', () => {
    expect(1e3 * oilOverMouth({ oilDepth: 0.08, offset: 0.06, floor: 0.009, tilt: (20 * Math.PI) / 180 })).toBeCloseTo(
      80 - 60 * 0.36397 - 9,
      2,
    )
  })
  it('a race sump that the use tilts further than the oil reaches is a stop, on the road it is not', () => {
    const sheet = put(newSheet('inline4', 'a', 'b'), {
      'pickup.oilDepth': 0.06,
      'pickup.offset': 0.05,
      'pickup.sumpDepth': 0.16,
      'pickup.protrusion': 0.151,
    })
    expect(sloshOf(sheet)).toMatchObject({ verdict: 'pass' })
    expect(sloshOf({ ...sheet, use: 'race' })!.verdict).toBe('stop')
    expect(sloshOf({ ...sheet, house: { rules: { 'tilt.road': 0.75 }, school: 'auto' } })!.verdict).toBe('watch')
  })
})

describe('sump and tank', () => {
  it('the gasket lifts the rail: depth and gasket less protrusion, each with its own uncertainty', () => {
    const sheet = put(newSheet('inline4', 'a', 'b'), {
      'pickup.sumpDepth': 0.16,
      'pickup.protrusion': 0.151,
      'pickup.gasket': 0.0015,
    })
    expect(floorClearance(sheet).value).toBeCloseTo(0.0105, 12)
    expect(floorClearance(sheet).sigma).toBeCloseTo(Math.hypot(0.5e-3, 0.5e-3, 0.1e-3), 12)
  })
  it('what goes in is the capacity, less what a filled filter already holds', () => {
    const sheet = put(newSheet('inline4', 'a', 'b'), {
      'pickup.capacity': 5e-3,
      'pickup.filterVolume': 0.6e-3,
      'pickup.sumpLength': 0.3,
      'pickup.sumpWidth': 0.2,
    })
    expect(oilFill(sheet)).toMatchObject({ dryFilter: 5e-3, depth: expect.closeTo(0.08333, 5) })
    expect(oilFill(sheet)!.filledFilter).toBeCloseTo(4.4e-3, 12)
  })
  it('a dry sump stands under its tank: less suction than a wet one, and its scavenge stage must carry more than the pressure stage', () => {
    const wet = newSheet('v8', 'a', 'b')
    const dry = newSheet('v8', 'a', 'b')
    dry.layout.drySump = true
    put(dry, { 'pickup.tankHead': 0.3, 'pump.displacement': 20e-6, 'pickup.scavenge': 24e-6 })
    expect(suctionOver(dry).hot.suction[0]).toBeLessThan(suctionOver(wet).hot.suction[0] - 2e3)
    expect(scavengeRatio(dry)).toBeCloseTo(1.2, 12)
    expect(scavengeVerdict(dry)).toBe('stop')
    expect(scavengeVerdict(put(dry, { 'pickup.scavenge': 30e-6 }))).toBe('pass')
  })
  it('suction rises with speed, cold over hot, and with a screen that is nearly blocked the pump starves at less speed', () => {
    const sheet = newSheet('inline6', 'a', 'b')
    const clear = suctionOver(sheet)
    clear.cold.suction.forEach((each, i) => expect(each).toBeGreaterThan(clear.hot.suction[i]))
    for (let i = 1; i < clear.speeds.length; i++)
      expect(clear.cold.suction[i]).toBeGreaterThan(clear.cold.suction[i - 1])
    const blocked = suctionOver(sheet, 0.95)
    expect(blocked.cold.starvesAt!).toBeLessThan(clear.cold.starvesAt ?? Infinity)
    blocked.hot.suction.forEach((each, i) => expect(each).toBeGreaterThan(clear.hot.suction[i]))
    // The band where it draws hardest is that of the blocked screen too, and holds its best value.
    for (const { hot, cold } of [clear, blocked])
      for (const { hardest, suction } of [hot, cold]) {
        expect(hardest.suction).toBeCloseTo(Math.max(...suction), -1)
        expect(hardest.low).toBeLessThan(hardest.suction)
        expect(hardest.high).toBeGreaterThan(hardest.suction)
      }
    expect(blocked.hot.hardest.low).toBeGreaterThan(clear.hot.hardest.low)
  })
})
