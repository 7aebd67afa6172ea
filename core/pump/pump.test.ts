import { describe, expect, it } from 'vitest'
import { gearDisplacement, gerotorDisplacement } from './displacement'
import { AIR_RELEASE, EMPTY, fillShare, fillSlope } from './fill'
import { shaftPower } from './power'
import { gapConductance, slipConductance } from './slip'

describe('displacement', () => {
  it('of a pair of 40 mm gears at 34 mm centres, 30 mm long: π/2 · 30 · (1600 − 1156) = 20.92 cm³', () => {
    expect(gearDisplacement(0.04, 0.034, 0.03) * 1e6).toBeCloseTo(20.923, 3)
    expect(() => gearDisplacement(0.03, 0.034, 0.03)).toThrow(/centres/)
  })
  it('scales with length', () => {
    expect(gerotorDisplacement(4, 2e-4, 2e-5, 0.02) / gerotorDisplacement(4, 2e-4, 2e-5, 0.01)).toBeCloseTo(2, 12)
  })
})

describe('slip', () => {
  it('through a gap 50 mm wide, 0.1 mm high, 10 mm long at 10 mPa·s: 4.167e-11 m³/(s·Pa)', () => {
    expect(gapConductance(0.05, 1e-4, 0.01, 0.01)).toBeCloseTo(4.1667e-11, 14)
  })
  it('is linear in fluidity and grows with the cube of a gap', () => {
    const gaps = { rotorDiameter: 0.04, rotorLength: 0.03, endClearance: 8e-5, tipClearance: 0 }
    expect(slipConductance(gaps, 0.01) / slipConductance(gaps, 0.02)).toBeCloseTo(2, 12)
    expect(slipConductance({ ...gaps, endClearance: 16e-5 }, 0.01) / slipConductance(gaps, 0.01)).toBeCloseTo(8, 9)
  })
})

describe('fill', () => {
  it('is whole down to air release and nothing at vapour, with the slope it says', () => {
    expect(fillShare(0)).toBe(1)
    expect(fillShare(AIR_RELEASE)).toBe(1)
    expect(fillShare(EMPTY)).toBe(0)
    for (const p of [-40e3, -60e3, -80e3]) {
      expect(fillSlope(p)).toBeCloseTo((fillShare(p + 1) - fillShare(p - 1)) / 2, 10)
    }
  })
})

it('shaft power has a hydraulic part that is Δp times flow', () => {
  expect(shaftPower(4e5, 20e-6, 30, 0)).toBeCloseTo(1.1 * 240, 9)
  expect(shaftPower(0, 20e-6, 30, 0.02)).toBeGreaterThan(0)
})
