import { expect, it } from 'vitest'
import { type BearingDuty } from '../bearing/eccentricity'
import { groovedPosition } from '../bearing/grooved'
import { grooveLeakage, grooveRoom, leavingAt } from '../bearing/leakage'
import { filledShare, filmRise, HEAT_CAPACITY, landsShare, shearPower } from '../bearing/warmth'
import { oilGrade } from '../oil/grades'
import { oilAt, oilFrom, thinned } from '../oil/oil'
import { eccentricityFor, loadNumber } from '../bearing/eccentricity'
import { setHoleFed } from '../parts/bearingInputs'
import { prepareBearing } from './bearing'
import { warm } from './heat'

/** The circuit's one temperature of a film against the grid's heat balance, column by column. */
const shape = { diameter: 0.066, length: 0.0245, radialClearance: 2.85e-5 }
const land = 0.0086
const oil = oilFrom(oilGrade('15W-40')!)
const METAL = 0.3
const feedPressure = 3e5
const CASES = [0, 20, 60, 95].flatMap((temperature) =>
  [11, 15, 53].flatMap((speed) => [900, 3000].map((load) => ({ temperature, speed, load }))),
)
type Case = (typeof CASES)[number]

/** Mean rise of what leaves the ends, by the grid. */
function ofGrid({ temperature, speed, load }: Case, arc: number, width: number): number {
  const viscosityAt = (at: number) => oilAt(oil, at).filmViscosity
  const bearing = {
    ...shape,
    speed,
    viscosity: viscosityAt(temperature),
    feedPressure,
    feed: { kind: 'groove' as const, arc, centre: Math.PI, width, from: 'load' as const },
  }
  const prepared = prepareBearing(bearing)
  const heat = {
    inletTemperature: temperature,
    viscosityAt,
    density: oilAt(oil, temperature).density,
    heatCapacity: HEAT_CAPACITY,
    metalShare: METAL,
  }
  return warm(bearing, prepared, heat, () => prepared.carry(load)).meanRise
}

/** The same by the closed balance, of a bearing that is set at a viscosity: how eccentric it runs and what leaves it. */
function closed(
  { temperature, speed }: Case,
  at: (viscosity: number) => { eccentricity: number; leaves: number; share: number },
): number {
  const state = oilAt(oil, temperature)
  return filmRise((rise) => {
    const viscosity = state.filmViscosity * thinned(state, rise)
    const { eccentricity, leaves, share } = at(viscosity)
    const power = shearPower(0.5 * shape.diameter, shape.length, shape.radialClearance, speed, viscosity, eccentricity)
    return ((1 - METAL) * share * power) / (state.density * HEAT_CAPACITY * leaves)
  })
}
const grooved = (each: Case, upper: number, lower: number) =>
  closed(each, (viscosity) => {
    const duty = { ...shape, speed: each.speed, load: each.load, viscosity, upper, lower, land, feedPressure }
    const { eccentricity, attitude } = groovedPosition(duty)
    const groove = grooveRoom()
    grooveLeakage({ ...duty, radius: 0.033, clearance: shape.radialClearance, eccentricity, crown: -attitude }, groove)
    return {
      eccentricity,
      leaves: leavingAt({ conductance: 0, carried: 0, groove }, feedPressure),
      share: landsShare(lower),
    }
  })
const holed = (each: Case) =>
  closed(each, (viscosity) => {
    const duty: BearingDuty = { ...shape, speed: each.speed, load: each.load, viscosity }
    const eccentricity = eccentricityFor(loadNumber(duty), shape.length / shape.diameter)
    const film = { conductance: 0, carried: 0 }
    setHoleFed(
      film,
      { leakage: 1, oilHole: 6e-3 },
      viscosity,
      shape.diameter,
      shape.length,
      shape.radialClearance,
      each.speed,
      eccentricity,
    )
    return { eccentricity, leaves: leavingAt(film, feedPressure), share: filledShare(eccentricity) }
  })
/** How far a rise is out, of the grid's; a degree or two are none. */
const off = (rise: number, grid: number) => Math.max(0, Math.abs(rise - grid) - 1.5) / grid

it.each([
  ['with a half groove', Math.PI, 0.2, (each: Case) => grooved(each, Math.PI, 0)],
  ['with a groove of 120°', (2 * Math.PI) / 3, 0.2, (each: Case) => grooved(each, (2 * Math.PI) / 3, 0)],
  ['with grooves all round', 2 * Math.PI, 0.2, (each: Case) => grooved(each, Math.PI, Math.PI)],
  ['fed by a hole', 12 / 66, 0.2, holed],
])('%s a film warms its oil as the grid says', (words, arc, within, rise) => {
  const worst = CASES.map((each) => {
    const width = words === 'fed by a hole' ? 0.0048 : shape.length - 2 * land
    const grid = ofGrid(each, arc, width)
    return { ...each, rise: rise(each), grid, off: off(rise(each), grid) }
  }).sort((a, b) => b.off - a.off)[0]
  expect(worst.off, JSON.stringify(worst)).toBeLessThan(within)
})
it('a film that does not turn warms nothing, one that shears little warms by what it sheds, and none by more than 150 K', () => {
  expect(shearPower(0.03, 0.02, 3e-5, 0, 0.01, 0.5)).toBe(0)
  expect(filmRise(() => 0)).toBe(0)
  expect(filmRise(() => NaN)).toBe(0)
  expect(filmRise(() => 0.4)).toBe(0.4)
  expect(filmRise(() => 1e6)).toBe(150)
  // 2000 / 4^(ΔT/10): by hand 2000 · 4^−3.02 = 30.4 at 30.2 K.
  expect(filmRise((rise) => 2000 * 4 ** (-rise / 10))).toBeCloseTo(30.2, 0)
  // Petroff by hand: 2 π · 0.01 · (2 π 50)² · 0.03³ · 0.02 / 30 µm = 111.6 W.
  expect(shearPower(0.03, 0.02, 3e-5, 50, 0.01, 0)).toBeCloseTo(111.6, 1)
})

it('the rise is found in three looks where the heat falls off evenly by the degree, to five figures', () => {
  for (const [most, fall] of [
    [2000, 0.14],
    [40, 0.03],
    [4000, 0.12],
  ]) {
    let looks = 0
    const shed = (rise: number) => most * Math.exp(-fall * rise)
    const found = filmRise((rise) => {
      looks++
      return shed(rise)
    }, 0.6 * fall)
    expect(shed(found) / found).toBeCloseTo(1, 5)
    expect(looks).toBeLessThan(4)
  }
})
