import { describe, expect, it } from 'vitest'
import { eccentricityFor, journalPosition, loadNumber } from './eccentricity'
import { endFloatLimits, judgeFloat, sideClearanceLimits } from './float'
import { judgeClearance, phi } from './judge'
import { meanRodLoad, reciprocatingMassEstimate } from './load'
import { adviseGroove, adviseShell } from './shell'
import { stripClearance } from './strip'
import { capOrder, judgeTurning } from './turning'

describe('a journal in its film', () => {
  it('keeps to the published formula over its whole table, touches at rest and floats free beyond it', () => {
    const ocvirk = (ratio: number) =>
      (1 - ratio ** 2) ** 2 / (Math.PI * ratio * Math.sqrt(Math.PI ** 2 * (1 - ratio ** 2) + 16 * ratio ** 2))
    for (const ratio of [0.02, 0.1, 0.3, 0.6, 0.9, 0.99])
      expect(eccentricityFor(ocvirk(ratio), 0)).toBeCloseTo(ratio, 5)
    expect([eccentricityFor(0, 0), eccentricityFor(-1, 0.3), eccentricityFor(1e-30, 1)]).toEqual([1, 1, 1])
    expect(eccentricityFor(1e9, 0.3)).toBeCloseTo(eccentricityFor(Math.exp(12), 0.3), 9)
    // Longer bearings than the table has are taken as its longest; between its rows it is their mean.
    expect(eccentricityFor(0.01, 1.4)).toBe(eccentricityFor(0.01, 1))
    expect(eccentricityFor(0.01, 0.31)).toBeCloseTo(0.5 * (eccentricityFor(0.01, 0.3) + eccentricityFor(0.01, 0.32)), 9)
    expect(eccentricityFor(1e9, 0)).toBeLessThan(1e-5)
  })
  it('its attitude is tan ψ = π √(1 − ε²) / (4 ε)', () => {
    const { eccentricity, attitude } = journalPosition(0.05, 0)
    expect(Math.tan(attitude)).toBeCloseTo((Math.PI * Math.sqrt(1 - eccentricity ** 2)) / (4 * eccentricity), 9)
  })
  it('load number by hand: (25 mm / 25 µm)² 0.01 Pa·s 20 /s over 2 MPa, times (0.4)²', () => {
    const duty = { diameter: 0.05, length: 0.02, radialClearance: 25e-6, speed: 20, load: 2000, viscosity: 0.01 }
    expect(loadNumber(duty)).toBeCloseTo(0.1 * 0.16, 12)
  })
  it('mean load by hand: a quarter of 8 bar on 90 mm, and 2/π m r ω²', () => {
    const gear = { cylinderBore: 0.09, crankRadius: 0.045, reciprocatingMass: 0.8 }
    expect(meanRodLoad(gear, 0, 8e5)).toBeCloseTo(0.25 * 8e5 * 0.25 * Math.PI * 0.09 ** 2, 6)
    expect(meanRodLoad(gear, 50, 0)).toBeCloseTo((2 / Math.PI) * 0.8 * 0.045 * (100 * Math.PI) ** 2, 6)
    expect(reciprocatingMassEstimate(0.09)).toBeCloseTo(0.8019, 4)
  })
})

describe('limits', () => {
  it('the normal distribution is the tables’', () => {
    for (const [x, p] of [
      [0, 0.5],
      [0.5, 0.6914625],
      [1, 0.8413447],
      [1.645, 0.9500151],
      [3, 0.9986501],
    ]) {
      expect(phi(x)).toBeCloseTo(p, 6)
      expect(phi(-x)).toBeCloseTo(1 - p, 6)
    }
  })
  it('a clearance: stop beyond either limit and by how much, watch where one in twenty is outside, else pass', () => {
    const limits = { least: 40e-6, most: 80e-6 }
    const at = (value: number, sigma = 2e-6) => judgeClearance({ value, sigma }, limits)
    expect(at(81e-6)).toMatchObject({ verdict: 'stop', beyond: expect.closeTo(1e-6, 12) })
    expect(at(38e-6)).toMatchObject({ verdict: 'stop', beyond: expect.closeTo(-2e-6, 12) })
    expect(at(80e-6)).toMatchObject({ verdict: 'watch', beyond: 0, chance: expect.closeTo(0.5, 6) })
    expect(at(40e-6)).toMatchObject({ verdict: 'watch', beyond: 0, chance: expect.closeTo(0.5, 6) })
    expect(at(80e-6 - 1.6 * 2e-6).verdict).toBe('watch')
    expect(at(80e-6 - 1.7 * 2e-6).verdict).toBe('pass')
    expect(at(60e-6).chance).toBeCloseTo(0, 6)
    // So wide a scatter is out on both sides.
    expect(at(60e-6, 20e-6).chance).toBeCloseTo(2 * 0.1586553, 5)
  })
  it('end float and side clearance by their formulas; two rods on a pin share', () => {
    expect(endFloatLimits(0.06)).toEqual({ least: 0.05e-3, most: expect.closeTo(0.3e-3, 9) })
    expect(sideClearanceLimits(0.05, 1)).toEqual({ least: 0.1e-3, most: expect.closeTo(0.4e-3, 9) })
    expect(sideClearanceLimits(0.05, 2)).toEqual({ least: 0.2e-3, most: expect.closeTo(0.8e-3, 9) })
    const limits = { least: 0.1e-3, most: 0.3e-3 }
    const words = [0.0999e-3, 0.1e-3, 0.119e-3, 0.121e-3, 0.2e-3, 0.279e-3, 0.281e-3, 0.3e-3, 0.3001e-3]
    expect(words.map((value) => judgeFloat(value, limits))).toEqual([
      'stop',
      'watch',
      'watch',
      'pass',
      'pass',
      'pass',
      'watch',
      'watch',
      'stop',
    ])
  })
  it('shells: two layers up to 26 MPa, half of that where it races or flies; a full groove for oil over 15 mPa·s', () => {
    expect([25e6, 26e6, 27e6].map((load) => adviseShell(load, 'road').construction)).toEqual([
      'two-layer',
      'two-layer',
      'three-layer',
    ])
    for (const use of ['race', 'aircraft'])
      expect([12e6, 14e6].map((load) => adviseShell(load, use).construction)).toEqual(['two-layer', 'three-layer'])
    expect(adviseShell(20e6, 'race')).toMatchObject({ load: 20e6, bears: 13e6, hard: true })
    expect(adviseShell(20e6, 'road')).toMatchObject({ load: 20e6, bears: 26e6, hard: false })
    // Twelve times the roughness of both surfaces, so that three are left when the load peaks.
    expect([5.99e-6, 6e-6].map((full) => adviseGroove(12e-6, full, 0.5e-6).arc)).toEqual([180, 360])
  })
  it('a strip: on a line it is that line’s, between two it lies between, and a scale that is none is refused', () => {
    const scale = [
      { width: 1e-3, clearance: 80e-6 },
      { width: 2e-3, clearance: 50e-6 },
      { width: 4e-3, clearance: 25e-6 },
    ]
    expect(scale.map(({ width }) => stripClearance(width, scale).value)).toEqual(
      scale.map(({ clearance }) => expect.closeTo(clearance, 9)),
    )
    // In a straight line of 1/width: two thirds lies a third of the way from a half to one.
    expect(stripClearance(1.5e-3, scale).value).toBeCloseTo(60e-6, 9)
    expect(stripClearance(3e-3, scale).value).toBeGreaterThan(25e-6)
    expect(stripClearance(3e-3, scale).value).toBeLessThan(50e-6)
    for (const width of [0.99e-3, 4.01e-3]) expect(() => stripClearance(width, scale)).toThrow()
    expect(() => stripClearance(1e-3, scale.slice(0, 1))).toThrow('two lines')
    expect(stripClearance(1.5e-3, [scale[1], scale[0]]).value).toBeCloseTo(60e-6, 9)
    expect(() => stripClearance(1.5e-3, [scale[0], { ...scale[1], clearance: 80e-6 }])).toThrow()
    expect(() => stripClearance(1e-3, [scale[0], { ...scale[1], width: 1e-3 }])).toThrow()
  })
})

describe('the crank turned after each cap', () => {
  it('caps go from the middle out unless another order was recorded that names each once', () => {
    expect(capOrder(5)).toEqual([3, 2, 4, 1, 5])
    expect(capOrder(4)).toEqual([2, 3, 1, 4])
    expect(capOrder(3, '3, 1, 2')).toEqual([3, 1, 2])
    for (const said of ['3,1', '3,1,1', '0,1,2', '4,1,2', '1.5,2,3', 'a,b,c', '1,2,3,2'])
      expect(capOrder(3, said), said).toEqual([2, 1, 3])
  })
  const judged = (torques: [main: number, torque: number][], order = [3, 2, 4, 1, 5]) =>
    judgeTurning(new Map(torques), order)
  it('a cap that adds three times what the others do, and at least 1 N·m, is named', () => {
    expect(
      judged([
        [3, 1],
        [2, 2],
        [4, 5],
        [1, 6],
        [5, 7],
      ]),
    ).toEqual({ verdict: 'stop', main: 4, among: [4], jump: 3, usual: 1, gaps: [] })
    expect(
      judged([
        [3, 1],
        [2, 2],
        [4, 4.5],
        [1, 5.5],
        [5, 6.5],
      ]),
    ).toMatchObject({ verdict: 'watch', main: 4, jump: 2.5 })
    expect(
      judged([
        [3, 1],
        [2, 2],
        [4, 3.9],
        [1, 4.9],
        [5, 5.9],
      ]),
    ).toMatchObject({ verdict: 'pass', among: [] })
    expect(
      judged([
        [3, 1],
        [2, 2],
        [4, 3.9],
        [1, 4.9],
        [5, 5.9],
      ]).main,
    ).toBeUndefined()
  })
  it('small jumps are none, however many times the others: under half a newton metre over them', () => {
    expect(
      judged([
        [3, 0.1],
        [2, 0.2],
        [4, 0.69],
        [1, 0.79],
        [5, 0.89],
      ]).verdict,
    ).toBe('pass')
    expect(
      judged([
        [3, 0.1],
        [2, 0.2],
        [4, 0.81],
        [1, 0.91],
        [5, 1.01],
      ]).verdict,
    ).toBe('watch')
    expect(
      judged([
        [3, 0.1],
        [2, 0.2],
        [4, 1.31],
        [1, 1.41],
        [5, 1.51],
      ]).verdict,
    ).toBe('stop')
  })
  it('where caps between were not read all of them are named, and what they usually add is taken off', () => {
    expect(
      judged([
        [3, 1],
        [2, 2],
        [1, 8],
        [5, 9],
      ]),
    ).toMatchObject({
      verdict: 'stop',
      main: 1,
      among: [4, 1],
      jump: 5,
      usual: 1,
      gaps: [4],
    })
  })
  it('one reading alone says nothing, none at all neither, and what was not reached yet is no gap', () => {
    expect(judged([[3, 9]])).toMatchObject({ verdict: 'pass', gaps: [] })
    expect(judged([])).toEqual({ verdict: 'pass', among: [], jump: 0, usual: 0, gaps: [] })
    expect(
      judged([
        [2, 2],
        [1, 4],
      ]).gaps,
    ).toEqual([3, 4])
    // What loosens as caps are set adds nothing usual.
    expect(
      judged([
        [3, 3],
        [2, 2],
        [4, 1],
      ]),
    ).toMatchObject({ usual: 0, jump: 3 })
  })
})
