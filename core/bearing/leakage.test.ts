import { describe, expect, it } from 'vitest'
import {
  ARC_PIECES,
  carriedLeakage,
  filmCubeIntegral,
  fixedHoleConductance,
  grooveConductance,
  grooveLeakage,
  grooveRoom,
  holeConductance,
} from './leakage'

/** Sum of a function over an arc by the middle of many pieces. */
function integral(from: number, to: number, f: (phi: number) => number, pieces = 20_000): number {
  const step = (to - from) / pieces
  let sum = 0
  for (let i = 0; i < pieces; i++) sum += f(from + (i + 0.5) * step)
  return sum * step
}

describe('leakage by its integrals', () => {
  it('the film’s cube over an arc is what is summed over it', () => {
    for (const [from, to] of [
      [-Math.PI, Math.PI],
      [-0.4, 1.9],
      [2, 4.5],
    ])
      expect(filmCubeIntegral(0.7, from, to)).toBeCloseTo(
        integral(from, to, (at) => (1 + 0.7 * Math.cos(at)) ** 3),
        6,
      )
  })
  it('all round, the groove passes π R c³ (1 + 1.5 ε²) / (3 μ l)', () => {
    const [radius, c, land, viscosity, e] = [0.03, 30e-6, 9e-3, 0.01, 0.6]
    expect(grooveConductance(radius, c, land, viscosity, e, 2 * Math.PI, 1)).toBeCloseTo(
      (Math.PI * radius * c ** 3 * (1 + 1.5 * e * e)) / (3 * viscosity * land),
      18,
    )
  })
  const bearing = {
    radius: 0.03,
    length: 0.022,
    land: 8e-3,
    clearance: 30e-6,
    speed: 20,
    viscosity: 0.01,
    eccentricity: 0.6,
  }
  const leak = (upper: number, lower: number, crown: number) => {
    const out = grooveRoom()
    // What was there before tells nothing.
    out.fed.fill(9)
    out.wedge.fill(9)
    grooveLeakage({ ...bearing, upper, lower, crown }, out)
    return { ...out, fed: out.fed.slice(0, out.pieces), wedge: out.wedge.slice(0, out.pieces) }
  }
  const sum = (values: Float64Array) => values.reduce((all, each) => all + each, 0)
  const { radius, length, land, clearance: c, speed, eccentricity: e } = bearing
  /** What turning squeezes out of one end of a film so long, per length round the journal: f U l c ε sin φ / (4 R). */
  const squeezed = (wide: number, at: number) =>
    ((1 - (0.1 * wide) / radius) * 2 * Math.PI * speed * radius * wide * c * e * Math.sin(at)) / (4 * radius)
  it('grooves of the lower shell run from both parting lines down', () => {
    const [one, all] = [leak(0, 0.8, 0.3), leak(Math.PI, Math.PI, 0.3)]
    expect([one.pieces, all.pieces, leak(0, 0, 1).pieces]).toEqual([ARC_PIECES, 2 * ARC_PIECES, 0])
    const ends = [0.3 + Math.PI / 2, 0.3 - Math.PI / 2 - 0.4].map((from) =>
      grooveConductance(radius, c, land, 0.01, e, 0.4, from + 0.2),
    )
    expect(sum(one.fed) / (ends[0] + ends[1])).toBeCloseTo(1, 2)
    expect(sum(all.fed) / grooveConductance(radius, c, land, 0.01, e, 2 * Math.PI, 0)).toBeCloseTo(1, 2)
    // Nothing is left of the film that spans the whole length.
    expect(all.carried / leak(0, 0, 0.3).carried).toBeLessThan(0.02)
    expect(leak(0, 0, 0.3).carried).toBeCloseTo(carriedLeakage(radius, length, c, speed, e), 12)
  })
  it.each([
    [Math.PI, 0.5],
    [Math.PI, -2],
    [1.2, 2.4],
  ])('over an arc of %d about %d: pressed and squeezed piece by piece as the integrals are', (arc, centre) => {
    const out = leak(arc, 0, centre)
    const [from, to] = [centre - arc / 2, centre + arc / 2]
    expect(sum(out.fed) / grooveConductance(radius, c, land, 0.01, e, arc, centre)).toBeCloseTo(1, 1)
    for (let k = 0; k < ARC_PIECES; k++) {
      const at = from + ((k + 0.5) * arc) / ARC_PIECES
      const piece = (arc / ARC_PIECES) * radius
      expect(out.fed[k] / ((2 * piece * (c * (1 + e * Math.cos(at))) ** 3) / (12 * 0.01 * land))).toBeCloseTo(1, 9)
      expect(1e9 * out.wedge[k]).toBeCloseTo(1e9 * 2 * piece * squeezed(land, at), 6)
    }
    // What narrows outside the groove is carried by the film of the whole length, from both its ends.
    const whole = integral(0, Math.PI, (at) => 2 * radius * squeezed(length, at))
    const within = integral(from, to, (at) => 2 * radius * Math.max(0, squeezed(length, at)))
    expect(1e6 * out.carried).toBeCloseTo(1e6 * Math.max(0, whole - within), 1)
  })
  it('without a groove turning alone carries it all: f 2 π R L c N ε', () => {
    expect(carriedLeakage(radius, length, c, speed, e)).toBeCloseTo(
      integral(0, Math.PI, (at) => 2 * radius * squeezed(length, at)),
      12,
    )
  })
  it('a hole’s flow goes by 0.675 h³ (d/L + 0.4)^1.75 / μ', () => {
    expect(holeConductance(c, length, 5e-3, 0.012, e)).toBeCloseTo(
      (0.675 * c ** 3 * (1 + 1.5 * e * e) * (5e-3 / length + 0.4) ** 1.75) / 0.012,
      18,
    )
    expect(fixedHoleConductance(20e-6, length, 5e-3, 0.012)).toBeCloseTo(
      (0.675 * 20e-6 ** 3 * (5e-3 / length + 0.4) ** 1.75) / 0.012,
      18,
    )
  })
})
