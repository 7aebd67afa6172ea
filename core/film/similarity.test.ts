import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { orbit } from '../orbit/orbit'
import { prepareBearing } from './bearing'
import type { FilmCase } from './types'

/** Films of one Sommerfeld number and one L/D are one film, whatever their size, speed and oil. */
describe('similarity', () => {
  const base: FilmCase = {
    diameter: 0.06,
    length: 0.024,
    radialClearance: 3e-5,
    speed: 50,
    viscosity: 0.01,
    feedPressure: 0,
    feed: { kind: 'axial' },
  }
  const fine = { around: 60, across: 6 }
  const factor = fc.double({ min: 0.4, max: 2.5, noNaN: true })

  it('size, clearance, speed and oil change the load as S says and nothing else', () => {
    const plain = prepareBearing(base, fine).at(0.7)
    fc.assert(
      fc.property(factor, factor, factor, factor, (size, gap, speed, oil) => {
        const scaled = prepareBearing(
          {
            ...base,
            diameter: base.diameter * size,
            length: base.length * size,
            radialClearance: base.radialClearance * gap,
            speed: base.speed * speed,
            viscosity: base.viscosity * oil,
          },
          fine,
        ).at(0.7)
        // W ∝ μ N (R/c)² R L
        expect(scaled.load / plain.load / ((oil * speed * size ** 4) / gap ** 2)).toBeCloseTo(1, 6)
        expect(scaled.attitude).toBeCloseTo(plain.attitude, 9)
        expect(scaled.sommerfeld / plain.sommerfeld).toBeCloseTo(1, 9)
        // Q ∝ R c N L
        expect(scaled.sideLeakage / plain.sideLeakage / (size ** 2 * gap * speed)).toBeCloseTo(1, 6)
      }),
      { numRuns: 25 },
    )
  })
  it('twice the load, speed and feed pressure are the same place in the film', () => {
    const grooved = (times: number) =>
      prepareBearing(
        {
          ...base,
          speed: base.speed * times,
          feedPressure: 2e5 * times,
          feed: { kind: 'groove', arc: Math.PI, centre: Math.PI, width: 0.004, from: 'load' },
        },
        fine,
      ).carry(3000 * times)
    expect(grooved(2).eccentricity).toBeCloseTo(grooved(1).eccentricity, 3)
    expect(grooved(2).attitude).toBeCloseTo(grooved(1).attitude, 2)
  })
  it('an orbit depends on load over viscosity and speed alone', () => {
    const load = (times: number) => ({
      x: Float64Array.from({ length: 720 }, (_, degree) => times * 2000 * Math.sin(degree / 57.3)),
      y: Float64Array.from({ length: 720 }, (_, degree) => -times * (3000 + 1500 * Math.cos(degree / 114.6))),
    })
    const bearing = { diameter: 0.06, length: 0.022, radialClearance: 3e-5 }
    const [one, other] = [
      orbit({ ...bearing, viscosity: 0.01, speed: 40, load: load(1) }),
      orbit({ ...bearing, viscosity: 0.02, speed: 60, load: load(3) }),
    ]
    for (const degree of [0, 200, 500]) expect(other.film[degree] / one.film[degree]).toBeCloseTo(1, 2)
  })
})
