import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { airReading, deadHeadReading, preloadFor, updateSpring } from './bench'
import { allowedStress, rateFromWire, wahlStress } from './spring'
import { planStack, washerFault } from './stack'
import { liftAt, openingPressure, type ReliefValve, valveFlow } from './valve'

const valve: ReliefValve = {
  plungerDiameter: 0.01268,
  springRate: 5920,
  freeLength: 0.04835,
  installedLength: 0.0412,
  shims: [],
  solidLength: 0.0274,
  port: { shape: 'round', diameter: 0.0065, overlap: 0.0005 },
}
const bench = { displacement: 14e-6, speed: 8, slipConductance: 2e-12, density: 875, viscosity: 0.09 }

describe('bench', () => {
  it('air reads where flow starts: opening and k x / A of the overlap', () => {
    expect(airReading(valve) - openingPressure(valve)).toBeCloseTo((5920 * 0.0005) / (0.25 * Math.PI * 0.01268 ** 2), 3)
  })
  it('dead-headed, the valve passes all that the pump delivers, above the air reading', () => {
    const reading = deadHeadReading(valve, bench)
    expect(reading).toBeGreaterThan(airReading(valve))
    expect(valveFlow(valve, reading, 875, 0.09)).toBeCloseTo(14e-6 * 8 - 2e-12 * reading, 9)
    expect(deadHeadReading(valve, { ...bench, speed: 12 })).toBeGreaterThan(reading)
    expect(deadHeadReading(valve, { ...bench, viscosity: 0.5 })).toBeGreaterThan(reading)
  })
  it('a reading of a stiffer spring brings the belief most of the way to it, and no further', () => {
    const truth = { ...valve, springRate: 6300 }
    const belief = { springRate: { value: 5920, sigma: 300 }, freeLength: { value: 0.04835, sigma: 1e-4 } }
    const reading = { value: deadHeadReading(truth, bench), sigma: 3e3 }
    const updated = updateSpring(valve, belief, reading, (each) => deadHeadReading(each, bench))
    expect(updated.springRate.value).toBeGreaterThan(6150)
    expect(updated.springRate.value).toBeLessThan(6350)
    expect(updated.springRate.sigma).toBeLessThan(150)
    const after = deadHeadReading(
      { ...valve, springRate: updated.springRate.value, freeLength: updated.freeLength.value },
      bench,
    )
    expect(Math.abs(after - reading.value)).toBeLessThan(0.1 * Math.abs(updated.expected - reading.value))
  })
  it('what was expected changes nothing but narrows; a wild reading is a surprise', () => {
    const belief = { springRate: { value: 5920, sigma: 60 }, freeLength: { value: 0.04835, sigma: 1e-4 } }
    const same = updateSpring(valve, belief, { value: airReading(valve), sigma: 3e3 }, airReading)
    expect(same.springRate.value).toBeCloseTo(5920, 6)
    expect(same.freeLength.sigma).toBeLessThan(1e-4)
    expect(
      updateSpring(valve, belief, { value: 1.5 * airReading(valve), sigma: 3e3 }, airReading).surprise,
    ).toBeGreaterThan(3)
  })
  it('a wanted opening pressure asks for so much preload and shim', () => {
    const { shims } = preloadFor(valve, 4e5)
    expect(openingPressure({ ...valve, shims: [shims] })).toBeCloseTo(4e5, 6)
  })
  it('flow force closes the plunger a little, so that less passes at the same pressure', () => {
    const pulled = { ...valve, flowForce: true }
    const pressure = 5e5
    expect(liftAt(pulled, pressure)).toBeLessThan(liftAt(valve, pressure))
    expect(valveFlow(pulled, pressure, 875, 0.012)).toBeLessThan(valveFlow(valve, pressure, 875, 0.012))
  })
})

describe('stress', () => {
  it('Wahl: 1.6 mm wire on 9.9 mm under 50 N is 8 · 50 · 9.9 / (π 1.6³) · 1.2442 = 382.9 MPa', () => {
    // C = 6.1875: 23.75/20.75 + 0.615/6.1875 = 1.1446 + 0.0994 = 1.2440.
    expect(wahlStress({ wire: 0.0016, meanDiameter: 0.0099, activeCoils: 8 }, 50) / 1e6).toBeCloseTo(1.244 * 307.7, -1)
    expect(allowedStress(0.0016) / 1e6).toBeCloseTo(0.45 * 2211 * 1.6 ** -0.145, 6)
    expect(rateFromWire(0.0016, 0.0099, 16)).toBeCloseTo(0.5 * rateFromWire(0.0016, 0.0099, 8), 6)
  })
})

describe('shim stack', () => {
  const drawer = [
    { id: 'a', thickness: 1.02e-3, count: 3 },
    { id: 'b', thickness: 0.51e-3, count: 2 },
    { id: 'c', thickness: 0.8e-3, count: 1 },
  ]
  it('takes the nearest sum with the fewest pieces: 1.82 is 1.02 and 0.80', () => {
    const { plain } = planStack(drawer, 1.82e-3)
    expect(plain).toMatchObject({ pieces: 2, off: expect.closeTo(0, 9) })
    expect(plain.washers.map((washer) => washer.id).sort()).toEqual(['a', 'c'])
  })
  it('closes what is left by grinding one: 1.70 from 1.82 less 0.12', () => {
    const { plain, ground } = planStack(drawer, 1.7e-3)
    expect(Math.abs(plain.off)).toBeGreaterThan(5e-6)
    expect(ground).toMatchObject({ off: 0, pieces: 2, thickness: 1.7e-3 })
    expect(ground!.grind!.by).toBeCloseTo(0.12e-3, 6)
  })
  it('passes over washers that do not fit, each with its reason', () => {
    const seat = { plugBore: 0.016, plugHole: 0.004, springDiameter: 0.0099 }
    const fits = { id: 'x', thickness: 1e-3, count: 1, outside: 0.0155, hole: 0.005 }
    expect(washerFault(fits, seat)).toBeUndefined()
    expect(washerFault({ ...fits, outside: 0.017 }, seat)).toBe('wider-than-plug')
    expect(washerFault({ ...fits, hole: 0.003 }, seat)).toBe('hole-under-plugs')
    expect(washerFault({ ...fits, outside: 0.008 }, seat)).toBe('narrower-than-spring')
    expect(washerFault({ ...fits, stainless: false }, seat)).toBe('not-stainless')
    expect(() => planStack([{ ...fits, outside: 0.017 }], 1e-3, seat)).toThrow(/drawer/)
  })
  it('is never further off than any stack tried by hand, and never takes more washers than there are', () => {
    const drawers = fc.array(
      fc.record({
        id: fc.uuid(),
        thickness: fc.integer({ min: 150, max: 900 }).map((n) => 2 * n * 1e-6),
        count: fc.integer({ min: 1, max: 3 }),
      }),
      { minLength: 1, maxLength: 4 },
    )
    fc.assert(
      fc.property(
        drawers,
        fc.integer({ min: 0, max: 2000 }).map((n) => 2 * n * 1e-6),
        (own, wanted) => {
          const { plain } = planStack(own, wanted)
          for (const { id, count } of plain.washers)
            expect(count).toBeLessThanOrEqual(own.find((washer) => washer.id === id)!.count)
          let nearest = wanted
          const walk = (kind: number, sum: number): void => {
            nearest = Math.min(nearest, Math.abs(sum - wanted))
            if (kind < own.length)
              for (let n = 0; n <= own[kind].count; n++) walk(kind + 1, sum + n * own[kind].thickness)
          }
          walk(0, 0)
          expect(Math.abs(plain.off)).toBeLessThanOrEqual(nearest + 1e-9)
        },
      ),
      { numRuns: 60 },
    )
  })
})
