import { blendHoleFed, setHoleFed } from '../parts/bearingInputs'
import { describe, expect, it } from 'vitest'
import { journalPosition, loadNumber } from '../bearing/eccentricity'
import { fixedHoleConductance, grooveLeakage, grooveRoom } from '../bearing/leakage'
import { elementFlow } from '../circuit/flow'
import { prepareBearing } from './bearing'

/** The closed forms that the circuit uses thousands of times, against the grid solver over the working range. */
const diameter = 0.06
const radialClearance = 3e-5
const speed = 50
const viscosity = 0.01
const oil = { density: 850, viscosity }
const RANGE = [0.25, 0.35, 0.5].flatMap((ratio) =>
  [0.3, 0.6, 0.8, 0.9].map((eccentricity) => [ratio, eccentricity] as const),
)

/** What leaves the ends by the grid, with a groove or hole that stands with the film. */
const ofGrid = (
  length: number,
  eccentricity: number,
  feedPressure: number,
  arc: number,
  centre: number,
  width: number,
) =>
  prepareBearing({
    diameter,
    length,
    radialClearance,
    speed,
    viscosity,
    feedPressure,
    feed: { kind: 'groove', arc, centre, width, from: 'thickest' },
  }).at(eccentricity).sideLeakage
const HOLE = { arc: 0.006 / (0.5 * diameter), width: 0.0048 }

describe('closed forms against the grid', () => {
  it.each([
    [120, 0.13],
    [180, 0.1],
    [240, 0.13],
    [360, 0.1],
  ])('leakage of a main with a groove of %d° is within %d of itself', (degrees, within) => {
    const arc = (degrees * Math.PI) / 180
    let worst = 0
    for (const [ratio, eccentricity] of RANGE) {
      const length = ratio * diameter
      const width = 0.16 * length
      const attitude = Math.atan2(Math.PI * Math.sqrt(1 - eccentricity ** 2), 4 * eccentricity)
      const groove = grooveRoom()
      grooveLeakage(
        {
          radius: 0.5 * diameter,
          length,
          land: 0.5 * (length - width),
          clearance: radialClearance,
          speed,
          viscosity,
          eccentricity,
          upper: Math.min(arc, Math.PI),
          lower: Math.max(0, arc - Math.PI),
          crown: -attitude,
        },
        groove,
      )
      for (const feedPressure of [5e4, 1e5, 4e5]) {
        const grid = ofGrid(length, eccentricity, feedPressure, arc, -attitude, width)
        const closed = elementFlow(
          { id: 'b', kind: 'bearing', from: 'a', to: 'b', conductance: 0, carried: 0, groove },
          feedPressure,
          0,
          oil,
        ).flow
        worst = Math.max(worst, Math.abs(closed / grid - 1))
      }
    }
    console.log(`worst of the groove's closed form, ${degrees}°: ${(100 * worst).toFixed(1)} percent`)
    expect(worst).toBeLessThan(within)
  })

  it('leakage of a rod fed by a hole, over a turn of the hole, is within 10 percent', () => {
    let worst = 0
    for (const [ratio, eccentricity] of RANGE) {
      const length = ratio * diameter
      const rod = { id: 'r', kind: 'bearing' as const, from: 'a', to: 'b', conductance: 0, carried: 0 }
      const now = { leakage: 1, oilHole: 6e-3 }
      setHoleFed(rod, now, viscosity, diameter, length, radialClearance, speed, eccentricity)
      for (const feedPressure of [5e4, 1e5, 4e5]) {
        const places = Array.from({ length: 8 }, (_, k) => ((k + 0.5) / 8) * 2 * Math.PI)
        const grid = places.reduce(
          (sum, centre) =>
            sum + ofGrid(length, eccentricity, feedPressure, HOLE.arc, centre, HOLE.width) / places.length,
          0,
        )
        const closed = elementFlow(rod, feedPressure, 0, oil).flow
        worst = Math.max(worst, Math.abs(closed / grid - 1))
      }
    }
    console.log(`worst of the hole's closed form: ${(100 * worst).toFixed(1)} percent`)
    expect(worst).toBeLessThan(0.1)
  })

  it('leakage of a main without a groove, fed by a hole over against its load, is within 15 percent', () => {
    let worst = 0
    for (const [ratio, eccentricity] of RANGE) {
      const length = ratio * diameter
      const attitude = Math.atan2(Math.PI * Math.sqrt(1 - eccentricity ** 2), 4 * eccentricity)
      const film = { id: 'm', kind: 'bearing' as const, from: 'a', to: 'b', conductance: 0, carried: 0 }
      const gap = radialClearance * (1 + eccentricity * Math.cos(attitude))
      blendHoleFed(
        film,
        fixedHoleConductance(gap, length, 0.006, viscosity),
        diameter,
        length,
        radialClearance,
        speed,
        eccentricity,
      )
      for (const feedPressure of [1e5, 2e5, 4e5]) {
        const grid = ofGrid(length, eccentricity, feedPressure, HOLE.arc, -attitude, HOLE.width)
        worst = Math.max(worst, Math.abs(elementFlow(film, feedPressure, 0, oil).flow / grid - 1))
      }
    }
    console.log(`worst of the fixed hole's closed form: ${(100 * worst).toFixed(1)} percent`)
    expect(worst).toBeLessThan(0.15)
  })

  it('the closed form places the journal within 0.01 of the grid’s eccentricity at L/D 0.35', () => {
    for (const load of [500, 2000, 8000]) {
      const length = 0.35 * diameter
      const grid = prepareBearing({
        diameter,
        length,
        radialClearance,
        speed,
        viscosity,
        feedPressure: 0,
        feed: { kind: 'axial' },
      }).carry(load)
      const short = journalPosition(
        loadNumber({ diameter, length, radialClearance, speed, load, viscosity }),
        length / diameter,
      )
      expect(Math.abs(short.eccentricity - grid.eccentricity)).toBeLessThan(0.01)
    }
  })
})
