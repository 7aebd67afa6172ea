import { describe, expect, it } from 'vitest'
import { kinematicViscosity, waltherLine } from '../oil/viscosity'
import { solveBand } from './band'
import { prepareBearing } from './bearing'
import { HEAT_CAPACITY } from '../bearing/warmth'
import { warm } from './heat'
import type { FilmCase } from './types'

const DIAMETER = 0.06
const CLEARANCE = 3e-5
const SPEED = 50
const plain = (ratio: number, feedPressure = 0): FilmCase => ({
  diameter: DIAMETER,
  length: ratio * DIAMETER,
  radialClearance: CLEARANCE,
  speed: SPEED,
  viscosity: 0.01,
  feedPressure,
  feed: { kind: 'axial' },
})

/** Raimondi & Boyd, ASLE Transactions 1 (1958): ε, S, attitude °, Q/(RcNL), Qs/Q, P/p_max, f R/c. */
const PUBLISHED: Record<string, number[][]> = {
  1: [
    [0.1, 1.33, 79.5, 3.37, 0.15, 0.54, 26.4],
    [0.2, 0.631, 74, 3.59, 0.28, 0.529, 12.8],
    [0.4, 0.264, 63.1, 3.99, 0.497, 0.484, 5.79],
    [0.6, 0.121, 50.6, 4.33, 0.68, 0.415, 3.22],
    [0.8, 0.0446, 36.2, 4.62, 0.842, 0.313, 1.7],
    [0.9, 0.0188, 26.5, 4.74, 0.919, 0.247, 1.05],
  ],
  0.5: [
    [0.1, 4.31, 81.62, 3.43, 0.173, 0.523, 85.6],
    [0.2, 2.03, 74.94, 3.72, 0.318, 0.506, 40.9],
    [0.4, 0.779, 61.45, 4.29, 0.552, 0.441, 17],
    [0.6, 0.319, 48.14, 4.85, 0.73, 0.365, 8.1],
    [0.8, 0.0923, 33.31, 5.41, 0.874, 0.267, 3.26],
    [0.9, 0.0313, 23.66, 5.69, 0.939, 0.206, 1.6],
  ],
  0.25: [
    [0.1, 16.2, 82.31, 3.45, 0.18, 0.515, 322],
    [0.2, 7.57, 75.18, 3.76, 0.33, 0.489, 153],
    [0.4, 2.83, 60.86, 4.37, 0.567, 0.415, 61.1],
    [0.6, 1.07, 46.72, 4.99, 0.746, 0.334, 26.7],
    [0.8, 0.261, 31.04, 5.6, 0.884, 0.24, 8.8],
    [0.9, 0.0736, 21.85, 5.91, 0.945, 0.18, 3.5],
  ],
}

describe('Raimondi and Boyd', () => {
  it.each(Object.entries(PUBLISHED))(
    'L/D %s: S, attitude and flows within 2 percent, peak and friction within 3',
    (ratio, rows) => {
      for (const [eccentricity, number, attitude, flow, side, peak, friction] of rows) {
        const bearing = plain(Number(ratio))
        const state = prepareBearing(bearing).at(eccentricity)
        const off = (value: number, published: number) => Math.abs(value / published - 1)
        expect(off(state.sommerfeld, number)).toBeLessThan(0.02)
        expect(off((state.attitude * 180) / Math.PI, attitude)).toBeLessThan(0.02)
        expect(off(state.inletFlow / (0.5 * DIAMETER * CLEARANCE * SPEED * bearing.length), flow)).toBeLessThan(0.02)
        expect(off(state.sideLeakage / state.inletFlow, side)).toBeLessThan(0.02)
        expect(off(state.load / (DIAMETER * bearing.length) / state.peakPressure, peak)).toBeLessThan(0.03)
        const drag = state.dragPower / (Math.PI * DIAMETER * SPEED)
        expect(off(((drag / state.load) * 0.5 * DIAMETER) / CLEARANCE, friction)).toBeLessThan(0.03)
      }
    },
  )
})

describe('film', () => {
  it('converges with the grid: halving the steps takes most of the difference away', () => {
    const number = (around: number, across: number) => prepareBearing(plain(0.5), { around, across }).at(0.8).sommerfeld
    const finest = number(480, 32)
    const errors = [number(60, 4), number(120, 8), number(240, 16)].map((value) => Math.abs(value / finest - 1))
    expect(errors[1]).toBeLessThan(0.6 * errors[0])
    expect(errors[2]).toBeLessThan(0.6 * errors[1])
    expect(errors[1]).toBeLessThan(0.01)
  })
  it('finds the eccentricity that carries the load it gave', () => {
    const bearing = prepareBearing(plain(0.4))
    for (const eccentricity of [0.05, 0.4, 0.8, 0.97]) {
      const { load } = bearing.at(eccentricity)
      expect(bearing.carry(load).eccentricity).toBeCloseTo(eccentricity, 3)
    }
  })
  it('goes on smoothly to the shell: load rises and film falls without end as ε nears 1', () => {
    const bearing = prepareBearing(plain(0.35), { around: 240, across: 8 })
    let last = 0
    for (const eccentricity of [0.001, 0.01, 0.1, 0.5, 0.9, 0.97, 0.99]) {
      const state = bearing.at(eccentricity)
      expect(state.load).toBeGreaterThan(last)
      expect(Number.isFinite(state.peakPressure)).toBe(true)
      last = state.load
    }
    expect(last).toBeGreaterThan(1e5)
  })
  it('a full groove leaks as the closed form says when the journal is nearly concentric: π p R c³ / (3 μ l)', () => {
    const width = 0.004
    const bearing: FilmCase = {
      ...plain(0.4, 3e5),
      feed: { kind: 'groove', arc: 2 * Math.PI, centre: 0, width, from: 'thickest' },
    }
    const land = 0.5 * (bearing.length - width)
    const wanted = (Math.PI * 3e5 * 0.5 * DIAMETER * CLEARANCE ** 3) / (3 * 0.01 * land)
    expect(prepareBearing(bearing).at(0.001).sideLeakage / wanted).toBeCloseTo(1, 2)
  })
  it('with the groove in the upper shell the load’s balance is met, and more feed pressure presses the journal down', () => {
    const at = (feedPressure: number) =>
      prepareBearing({
        ...plain(0.37, feedPressure),
        feed: { kind: 'groove', arc: Math.PI, centre: Math.PI, width: 0.004, from: 'load' },
      })
    for (const load of [300, 3000, 12000]) {
      const [low, high] = [at(1e5).carry(load), at(5e5).carry(load)]
      expect(low.load / load).toBeCloseTo(1, 3)
      expect(high.eccentricity).toBeGreaterThan(low.eccentricity)
      expect(high.sideLeakage).toBeGreaterThan(low.sideLeakage)
    }
  })
  it('carries tens of megapascals on a feed of hundreds of kilopascals', () => {
    const state = prepareBearing({
      ...plain(0.35, 3e5),
      feed: { kind: 'groove', arc: Math.PI, centre: Math.PI, width: 0.004, from: 'load' },
    }).carry(15000)
    expect(state.peakPressure).toBeGreaterThan(20e6)
    expect(state.minimumFilm).toBeLessThan(5e-6)
  })
  it.each([
    ['radialClearance', { radialClearance: 0 }],
    ['speed', { speed: 0 }],
    ['viscosity', { viscosity: Number.NaN }],
    ['feedPressure', { feedPressure: -1 }],
    ['groove.width', { feed: { kind: 'groove', arc: 1, centre: 0, width: 0.06, from: 'load' } }],
  ])('refuses %s at the door', (path, wrong) => {
    expect(() => prepareBearing({ ...plain(0.4), ...wrong } as FilmCase)).toThrow(expect.objectContaining({ path }))
  })
})

describe('heat', () => {
  const line = waltherLine(108, 14.6)
  const viscosityAt = (temperature: number) => kinematicViscosity(line, temperature) * 830e-6
  const run = (metalShare: number, load = 4000) => {
    const bearing: FilmCase = {
      ...plain(0.4, 2e5),
      viscosity: viscosityAt(95),
      feed: { kind: 'groove', arc: Math.PI, centre: Math.PI, width: 0.004, from: 'load' },
    }
    const prepared = prepareBearing(bearing)
    const cold = prepared.carry(load)
    return {
      cold,
      hot: warm(
        bearing,
        prepared,
        { inletTemperature: 95, viscosityAt, density: 830, heatCapacity: HEAT_CAPACITY, metalShare },
        () => prepared.carry(load),
      ),
    }
  }
  it('thins its own oil: less film and more leakage than at the inlet’s temperature', () => {
    const { cold, hot } = run(0.2)
    expect(hot.minimumFilm).toBeLessThan(cold.minimumFilm)
    expect(hot.sideLeakage).toBeGreaterThan(cold.sideLeakage)
    expect(hot.peakRise).toBeGreaterThan(hot.meanRise)
  })
  it('carries off what is sheared, within a quarter (the ruptured streams shear less than a full film)', () => {
    const { hot } = run(0.2)
    const taken = 830 * HEAT_CAPACITY * hot.sideLeakage * hot.meanRise
    expect(taken / (0.8 * hot.dragPower)).toBeGreaterThan(0.75)
    expect(taken / (0.8 * hot.dragPower)).toBeLessThan(1.1)
  })
  it('stays at the inlet’s temperature when the metal takes everything', () => {
    expect(run(1).hot.peakRise).toBeCloseTo(0, 6)
  })
})

it('a band system gives back what made it', () => {
  const [size, width] = [9, 3]
  const full = Array.from({ length: size }, (_, i) =>
    Array.from({ length: size }, (_, j) =>
      i === j ? 6 + i : Math.abs(i - j) <= width ? -1 / (1 + Math.abs(i - j)) : 0,
    ),
  )
  const wanted = Float64Array.from({ length: size }, (_, i) => Math.cos(i))
  const right = Float64Array.from(full, (row) => row.reduce((sum, value, j) => sum + value * wanted[j], 0))
  const matrix = new Float64Array(size * (width + 1))
  for (let i = 0; i < size; i++)
    for (let j = Math.max(0, i - width); j <= i; j++) matrix[i * (width + 1) + j - i + width] = full[i][j]
  solveBand(matrix, right, size, width)
  right.forEach((value, i) => expect(value).toBeCloseTo(wanted[i], 12))
})
