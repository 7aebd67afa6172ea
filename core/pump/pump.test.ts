import { describe, expect, it } from 'vitest'
import { gearDisplacement, gearDisplacementByRoots, gearFromModule, gerotorDisplacement } from './displacement'
import { chamberRate, gerotorFromProfile } from './gerotor'
import { salvage } from './salvage'
import { AIR_RELEASE, EMPTY, fillShare, fillSlope } from './fill'
import { dragTorque, shaftPower } from './power'
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

describe('what a pump takes', () => {
  const gears = {
    displacement: 20e-6,
    rotorDiameter: 0.04,
    rotorLength: 0.02,
    endClearance: 80e-6,
    tipClearance: 100e-6,
  }
  const rotors = { ...gears, sideClearance: 120e-6 }
  it('has a hydraulic part that is Δp times flow, and a tenth for bush and mesh', () => {
    expect(shaftPower(4e5, gears, 30, 0)).toBeCloseTo(1.1 * 240, 9)
  })
  it('drag of two gears by hand: 0.4 Pa·s at 10 rev/s', () => {
    // ω 62.83: faces 2 · 2π · 0.4 · 62.83 · 0.02⁴ / 80 µm = 0.6317 N·m, lands 2 · 0.2 · 2π · 0.02³ · 0.02 · 0.4 · 62.83 / 100 µm = 0.1011 N·m.
    expect(dragTorque(gears, 10, 0.4)).toBeCloseTo(0.6317 + 0.1011, 3)
    expect(shaftPower(0, gears, 10, 0.4)).toBeCloseTo(62.83 * 0.7327, 1)
  })
  it('drag of a gerotor by hand: one disc, and its whole girth in half of its clearance', () => {
    expect(dragTorque(rotors, 10, 0.4)).toBeCloseTo(0.3158 + (2 * Math.PI * 0.02 ** 3 * 0.02 * 0.4 * 62.83) / 60e-6, 3)
  })
  it('wider gaps take less, and slip more', () => {
    for (const gap of ['endClearance', 'tipClearance'] as const)
      expect(dragTorque({ ...gears, [gap]: 2 * gears[gap] }, 10, 0.4)).toBeLessThan(dragTorque(gears, 10, 0.4))
    expect(dragTorque({ ...rotors, sideClearance: 240e-6 }, 10, 0.4)).toBeLessThan(dragTorque(rotors, 10, 0.4))
  })
  it('goes with speed and viscosity, and its power with the square of speed, as Wilson’s viscous term does', () => {
    for (const pump of [gears, rotors]) {
      expect(dragTorque(pump, 20, 0.1) / dragTorque(pump, 10, 0.4)).toBeCloseTo(0.5, 12)
      expect(shaftPower(0, pump, 30, 0.1) / shaftPower(0, pump, 10, 0.1)).toBeCloseTo(9, 10)
    }
  })
  it('a pump twice as large in every length, gaps too, takes eight times the torque', () => {
    const twice = Object.fromEntries(Object.entries(gears).map(([key, value]) => [key, 2 * value])) as typeof gears
    expect(dragTorque(twice, 10, 0.4) / dragTorque(gears, 10, 0.4)).toBeCloseTo(8, 10)
  })
})

describe('gears by module and by roots', () => {
  it('module 3.4 with 10 teeth is 40.8 mm outside at 34 mm centres, and both formulas agree within a sixth', () => {
    const { outside, centres } = gearFromModule(0.0034, 10)
    expect([outside, centres]).toEqual([expect.closeTo(0.0408, 12), expect.closeTo(0.034, 12)])
    const byPitch = gearDisplacement(outside, centres, 0.03)
    const byRoots = gearDisplacementByRoots(outside, centres - 2.5 * 0.0034, 0.03)
    expect(byRoots / byPitch).toBeGreaterThan(0.85)
    expect(byRoots / byPitch).toBeLessThan(1.15)
    expect(() => gearFromModule(0.003, 4.5)).toThrow(/teeth/)
  })
})

describe('gerotor by profile', () => {
  const profile = { lobes: 6, eccentricity: 0.0029, toothCentres: 0.0265, toothRadius: 0.0066, length: 0.016 }
  it('what one chamber takes in the others give: rates of all chambers sum to nothing at any angle', () => {
    for (const angle of [0, 0.3, 1, 2.2]) {
      const rates = Array.from({ length: 7 }, (_, k) => chamberRate(profile, k, angle))
      expect(Math.abs(rates.reduce((sum, rate) => sum + rate, 0))).toBeLessThan(1e-9 * Math.max(...rates.map(Math.abs)))
      expect(Math.max(...rates)).toBeGreaterThan(0)
    }
  })
  it('comes near the ring that the inner lobes sweep, π L (r_tip² − r_root²) with r_tip − r_root = 2 e', () => {
    const root = profile.toothCentres - profile.toothRadius - profile.eccentricity
    const ring = Math.PI * profile.length * ((root + 2 * profile.eccentricity) ** 2 - root ** 2)
    expect(gerotorFromProfile(profile) / ring).toBeGreaterThan(0.85)
    expect(gerotorFromProfile(profile) / ring).toBeLessThan(1.15)
  })
  it('scales with length, and with the cube of size', () => {
    const twice = Object.fromEntries(
      Object.entries(profile).map(([key, value]) => [key, key === 'lobes' ? value : 2 * value]),
    ) as unknown as typeof profile
    expect(gerotorFromProfile({ ...profile, length: 0.008 }) / gerotorFromProfile(profile)).toBeCloseTo(0.5, 12)
    expect(gerotorFromProfile(twice) / gerotorFromProfile(profile)).toBeCloseTo(8, 9)
    expect(() => gerotorFromProfile({ ...profile, toothCentres: 0.01 })).toThrow(/toothCentres/)
  })
})

describe('salvage', () => {
  const worn = {
    gaps: { rotorDiameter: 0.04, rotorLength: 0.02, endClearance: 160e-6, tipClearance: 90e-6 },
    coverWear: 60e-6,
    coverCut: 0,
    bodyCut: 0,
    pocketCut: 0,
    coverThickness: 6e-3,
    floorThickness: 5e-3,
    leastThickness: 4e-3,
  }
  it('a cover cut flat takes its track away and no more: 160 less 60 is 100 µm, and slip falls by the cube', () => {
    const cut = salvage({ ...worn, coverCut: 80e-6 }, 0.01)
    expect(cut.endClearance).toBeCloseTo(100e-6, 12)
    expect(cut.coverLeft).toBeCloseTo(5.92e-3, 12)
    expect(cut.problems).toEqual([])
    const face = (gap: number) => slipConductance({ ...worn.gaps, tipClearance: 0, endClearance: gap }, 0.01)
    expect(cut.slipBefore - cut.slipAfter).toBeCloseTo(face(160e-6) - face(100e-6), 20)
  })
  it('body and pocket together change nothing; the body alone closes the gap and may bind', () => {
    expect(salvage({ ...worn, bodyCut: 0.1e-3, pocketCut: 0.1e-3 }, 0.01).endClearance).toBeCloseTo(160e-6, 12)
    expect(salvage({ ...worn, bodyCut: 0.15e-3 }, 0.01).problems[0]).toMatch(/bind/)
  })
  it('says what is left too thin, and a track that is not cut out', () => {
    expect(salvage({ ...worn, coverCut: 30e-6, pocketCut: 1.5e-3, bodyCut: 1.4e-3 }, 0.01).problems.join(' ')).toMatch(
      /30 µm of the track.*floor is left 3.50 mm/,
    )
  })
})
