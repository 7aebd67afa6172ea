import { describe, expect, it } from 'vitest'
import { EXPANSION, hotClearance } from './clearance'
import { journalPosition, loadNumber } from './eccentricity'
import { centrifugalHead, leastGalleryPressure } from './feed'
import { carriedLeakage, filmCubeIntegral, grooveConductance, holeConductance } from './leakage'
import { meanRodLoad } from './load'

describe('clearance', () => {
  it('opens in an aluminium housing and hardly moves in iron', () => {
    // 66 mm, 80 K: aluminium against steel opens 66 · 80 · 10.8e-6 = 0.0570 mm and the gap's own growth is 0.0001 mm.
    expect(hotClearance(5e-5, 0.066, 80, EXPANSION.aluminium, EXPANSION.steel)).toBeCloseTo(
      5e-5 + 5.702e-5 + 0.009e-5,
      7,
    )
    expect(hotClearance(5e-5, 0.066, 0, EXPANSION.iron, EXPANSION.steel)).toBe(5e-5)
  })
})

describe('short bearing (Ocvirk)', () => {
  // Worked by hand from the published formula: at ε = 0.6, (0.64)² / (π 0.6 √(π² 0.64 + 16 · 0.36)) = 0.06253.
  it('places the journal where the load number says', () => {
    expect(journalPosition(0.06253, 0).eccentricity).toBeCloseTo(0.6, 3)
    expect((journalPosition(0.06253, 0).attitude * 180) / Math.PI).toBeCloseTo(46.3, 1)
  })
  it('sits on the bottom at rest and near the middle when lightly loaded', () => {
    expect(journalPosition(0, 0).eccentricity).toBeGreaterThan(0.999)
    expect(journalPosition(1e3, 0).eccentricity).toBeLessThan(0.01)
    expect(
      loadNumber({ diameter: 0.06, length: 0.02, radialClearance: 3e-5, speed: 0, load: 1000, viscosity: 0.01 }),
    ).toBe(0)
  })
})

describe('leakage', () => {
  it('of a full groove is the closed form 2π (1 + 1.5 ε²)', () => {
    expect(filmCubeIntegral(0.7, 0, 2 * Math.PI)).toBeCloseTo(2 * Math.PI * (1 + 1.5 * 0.49), 10)
    const full = grooveConductance(0.033, 2.8e-5, 0.009, 0.01, 0.5, 2 * Math.PI, 1)
    expect(full).toBeCloseTo((Math.PI * 0.033 * 2.8e-5 ** 3 * 1.375) / (3 * 0.01 * 0.009), 20)
  })
  it('of two halves adds to the whole, and the thick side leaks more', () => {
    const thick = filmCubeIntegral(0.6, -Math.PI / 2, Math.PI / 2)
    const thin = filmCubeIntegral(0.6, Math.PI / 2, 1.5 * Math.PI)
    expect(thick + thin).toBeCloseTo(filmCubeIntegral(0.6, 0, 2 * Math.PI), 10)
    expect(thick).toBeGreaterThan(8 * thin)
  })
  it('grows with the cube of clearance, and turning carries nothing at rest', () => {
    expect(holeConductance(4e-5, 0.02, 0.006, 0.01, 0.5) / holeConductance(2e-5, 0.02, 0.006, 0.01, 0.5)).toBeCloseTo(
      8,
      9,
    )
    expect(carriedLeakage(0.03, 0.02, 3e-5, 0, 0.9)).toBe(0)
  })
})

describe('rod feed', () => {
  it('asks for ½ ρ ω² r² at the crank: 850 kg/m³, 100 rev/s, 66 mm gives 182.7 kPa', () => {
    expect(centrifugalHead(850, 100, 0.033, 0)).toBeCloseTo(-182.7e3, -2)
    expect(leastGalleryPressure(850, 100, 0.066, 50e3)).toBeCloseTo(232.7e3, -2)
    expect(leastGalleryPressure(850, 0, 0.066, 50e3)).toBeCloseTo(50e3, 9)
  })
  it('mean load at rest is the gas share alone', () => {
    expect(meanRodLoad({ cylinderBore: 0.1, crankRadius: 0.04, reciprocatingMass: 1 }, 0, 4e5)).toBeCloseTo(785.4, 1)
  })
})
