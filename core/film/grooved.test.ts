import { describe, expect, it } from 'vitest'
import { eccentricityFor, finiteShare, loadNumber } from '../bearing/eccentricity'
import { groovedPosition, loadWithin } from '../bearing/grooved'
import { prepareBearing } from './bearing'

/** Where the circuit's closed forms place the journal, against the grid solver. */
const diameter = 0.066
const radialClearance = 3e-5
const viscosity = 0.012
const feedPressure = 2e5
const degrees = Math.PI / 180
const CASES = [0.25, 0.33, 0.45].flatMap((ratio) =>
  [800, 3000, 9000].flatMap((load) =>
    [12, 50].flatMap((speed) =>
      [0.3, 0.42].map((share) => ({ load, speed, length: ratio * diameter, land: share * ratio * diameter })),
    ),
  ),
)
type Case = (typeof CASES)[number]

const common = { diameter, radialClearance, viscosity }
/** Film of the grid, of its clearance, with one groove about the crown. */
const ofGrid = ({ load, speed, length, land }: Case, arc: number) =>
  1 -
  prepareBearing({
    ...common,
    speed,
    length,
    feedPressure,
    feed: { kind: 'groove', arc: arc * degrees, centre: Math.PI, width: length - 2 * land, from: 'load' },
  }).carry(load).eccentricity
const closed = (each: Case, arc: number) =>
  1 -
  groovedPosition({
    ...common,
    ...each,
    feedPressure,
    upper: Math.min(arc, 180) * degrees,
    lower: Math.max(0, arc - 180) * degrees,
  }).eccentricity

describe('the film of a grooved bearing', () => {
  it.each([
    [120, 0.05],
    [180, 0.05],
    [240, 0.05],
    [280, 0.1],
    [310, 0.1],
    [360, 0.05],
  ])('with %d° of groove is the grid’s within %d of itself', (arc, within) => {
    const off = CASES.map((each) => closed(each, arc) / ofGrid(each, arc) - 1)
    expect(Math.max(...off.map(Math.abs))).toBeLessThan(within)
  })
  it('in the lower shell alone lifts the journal and parts its film, within a tenth of the grid', () => {
    const off: number[] = []
    for (const each of CASES) {
      const grid =
        1 -
        prepareBearing({
          ...common,
          speed: each.speed,
          length: each.length,
          feedPressure,
          feed: {
            kind: 'groove',
            arc: 0,
            lower: Math.PI,
            centre: Math.PI,
            width: each.length - 2 * each.land,
            from: 'load',
          },
        }).carry(each.load).eccentricity
      const ours = 1 - groovedPosition({ ...common, ...each, feedPressure, upper: 0, lower: Math.PI }).eccentricity
      off.push(ours / grid - 1)
    }
    expect(Math.max(...off.map(Math.abs)), off.map((each) => each.toFixed(2)).join(' ')).toBeLessThan(0.1)
  })
  it('all round is that of two bearings, each as long as a land and under half of the load', () => {
    for (const each of CASES) {
      const { load, speed, land } = each
      const alone =
        1 -
        prepareBearing({ ...common, speed, length: land, feedPressure: 0, feed: { kind: 'axial' } }).carry(0.5 * load)
          .eccentricity
      expect(closed(each, 360) / alone).toBeGreaterThan(0.95)
      expect(closed(each, 360) / alone).toBeLessThan(1.05)
    }
  })
  it('thins with every degree that is cut into the loaded half, and joins both ends', () => {
    const each = CASES[7]
    const films = [0, 90, 180, 200, 240, 280, 320, 340, 359.9, 360].map((arc) => closed({ ...each, speed: 40 }, arc))
    // Up to half round the feed's own push is all that tells.
    expect(films[1] / films[0]).toBeGreaterThan(0.9)
    films.slice(2).forEach((film, i) => i > 0 && expect(film).toBeLessThanOrEqual(films[i + 1] * 1.02))
    expect(films[8] / films[9]).toBeCloseTo(1, 1)
  })
  it('all of the load lies within a half turn of its own line, and none within no angle', () => {
    for (const eccentricity of [0.1, 0.5, 0.9]) {
      expect(loadWithin(eccentricity, Math.PI)).toBeCloseTo(1, 9)
      expect(loadWithin(eccentricity, 0)).toBe(0)
      expect(loadWithin(eccentricity, 0.3)).toBeLessThan(loadWithin(eccentricity, 0.6))
    }
    // A thin film carries in a narrow part.
    expect(loadWithin(0.95, 0.4)).toBeGreaterThan(loadWithin(0.3, 0.4))
  })
})

describe('the load of a film of real length', () => {
  it('is the short bearing’s times its share, within 4 percent of the grid', () => {
    for (const ratio of [0.08, 0.2, 0.35, 0.5, 1])
      for (const eccentricity of [0.1, 0.4, 0.7, 0.9, 0.95]) {
        const length = ratio * diameter
        const { load } = prepareBearing(
          { ...common, speed: 50, length, feedPressure: 0, feed: { kind: 'axial' } },
          { around: eccentricity > 0.9 ? 480 : 240, across: 16 },
        ).at(eccentricity)
        const e2 = eccentricity ** 2
        // Ocvirk's own: W = μ N L D (R/c)² (L/D)² π ε √(π² (1 − ε²) + 16 ε²) / (1 − ε²)².
        const short =
          (viscosity *
            50 *
            length *
            diameter *
            ((0.5 * diameter) / radialClearance) ** 2 *
            ratio ** 2 *
            Math.PI *
            eccentricity *
            Math.sqrt(Math.PI ** 2 * (1 - e2) + 16 * e2)) /
          (1 - e2) ** 2
        expect(Math.abs((short * finiteShare(eccentricity, ratio)) / load - 1)).toBeLessThan(0.04)
        expect(
          eccentricityFor(
            loadNumber({ ...common, speed: 50, length, load: short * finiteShare(eccentricity, ratio) }),
            ratio,
          ),
        ).toBeCloseTo(eccentricity, 3)
      }
  })
})
