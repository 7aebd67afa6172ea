import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { rodSwing } from '../cycle/load'
import { filmGrid } from '../film/grid'
import { filmForce, prepareFilm } from '../film/reynolds'
import type { Fineness } from '../film/types'
import { engineOrbits, rodGearOf } from '../outlook/orbits'
import { orbit, type OrbitCase } from './orbit'

const DEGREE = Math.PI / 180
/** Steps of a degree, Newton's rounds, how near the film's force must come to the load, of itself. */
const STEPS = 2
const ROUNDS = 12
const CLOSE = 1e-3
const NUDGE = 1e-3

/**
 * The journal's way over one cycle by the Reynolds equation marched in time: at every moment the motion is found at which the grid's film, wedge and squeeze together, with its groove held at the feed's
 * pressure, carries the load. Slow, and there to check `orbit` by.
 *
 * @param from where it begins, eccentricity ratio in the shell's frame
 * @returns least film, m, and highest pressure in the film, Pa, at each degree
 */
function marchOrbit(bearing: OrbitCase, from: { x: number; y: number }, fineness: Fineness) {
  const { diameter, length, radialClearance: c, viscosity, speed, load, frameRate, groove } = bearing
  const radius = 0.5 * diameter
  const omega = 2 * Math.PI * speed
  const scale = (6 * viscosity * omega * radius * radius) / (c * c)
  const width = groove && groove.upper + groove.lower > 0 ? (0.5 * length - groove.land) / radius : 0
  const film = prepareFilm(filmGrid(fineness, length / diameter, width))
  if (groove && width > 0)
    for (let i = 0; i < fineness.around; i++) {
      const away = Math.abs(i * film.grid.step - (i * film.grid.step > Math.PI ? 2 * Math.PI : 0))
      if (
        away <= 0.5 * groove.upper + 1e-9 ||
        (away >= 0.5 * Math.PI - 1e-9 && away <= 0.5 * (Math.PI + groove.lower) && groove.lower > 0)
      )
        film.prescribed.fill(1, i * fineness.across, i * fineness.across + film.grid.grooved)
    }
  /** Force that the film carries, over scale R², at a place, a motion per radian of the crank, and a share of its speed that the shell's frame leaves. */
  function carried(x: number, y: number, dx: number, dy: number, wedge: number) {
    film.solve(
      {
        eccentricity: Math.hypot(x, y),
        thickest: Math.atan2(x, y) + Math.PI,
        wedge,
        squeezeCos: -2 * dy,
        squeezeSin: -2 * dx,
      },
      (groove?.feedPressure ?? 0) / scale,
    )
    const { cos, sin, peak } = filmForce(film)
    return { x: sin, y: cos, peak }
  }

  let motion = { x: 0, y: 0 }
  let peak = 0
  function rate(x: number, y: number, at: number): { x: number; y: number } {
    const before = Math.floor(at) % 720
    const after = (before + 1) % 720
    const part = at - Math.floor(at)
    const between = (of: Float64Array) => of[before] + part * (of[after] - of[before])
    const wanted = { x: between(load.x) / (scale * radius * radius), y: between(load.y) / (scale * radius * radius) }
    const wedge = 1 - (frameRate ? between(frameRate) / omega : 0)
    const size = Math.hypot(wanted.x, wanted.y)
    for (let round = 0; round < ROUNDS; round++) {
      const now = carried(x, y, motion.x, motion.y, wedge)
      peak = now.peak * scale
      const off = { x: now.x - wanted.x, y: now.y - wanted.y }
      if (Math.hypot(off.x, off.y) < CLOSE * size) break
      const [one, other] = [
        carried(x, y, motion.x + NUDGE, motion.y, wedge),
        carried(x, y, motion.x, motion.y + NUDGE, wedge),
      ]
      const [xx, xy] = [(one.x - now.x) / NUDGE, (other.x - now.x) / NUDGE]
      const [yx, yy] = [(one.y - now.y) / NUDGE, (other.y - now.y) / NUDGE]
      const determinant = xx * yy - xy * yx
      motion = {
        x: motion.x - (yy * off.x - xy * off.y) / determinant,
        y: motion.y - (xx * off.y - yx * off.x) / determinant,
      }
    }
    return { ...motion }
  }

  const films = new Float64Array(720)
  const pressures = new Float64Array(720)
  let { x, y } = from
  for (let degree = 0; degree < 720; degree++)
    for (let k = 0; k < STEPS; k++) {
      const step = DEGREE / STEPS
      const first = rate(x, y, degree + k / STEPS)
      if (k === 0) [films[degree], pressures[degree]] = [c * (1 - Math.hypot(x, y)), peak]
      const second = rate(x + 0.5 * step * first.x, y + 0.5 * step * first.y, degree + (k + 0.5) / STEPS)
      x += step * second.x
      y += step * second.y
    }
  return { film: films, pressure: pressures }
}

describe('an orbit by mobility, against the Reynolds equation marched in time', () => {
  const speed = 3200 / 60
  const six = DEMO_BUILDS.ottiline()
  const all = [...engineOrbits(six, { speed, temperature: 95 })]
  const of = (set: 'main' | 'rod', number: number) => all.find((each) => each.set === set && each.number === number)!
  const main = (number: number, arcs?: { upper: number; lower: number }): OrbitCase => ({
    ...of('main', number),
    diameter: 0.066,
    length: 0.0218,
    viscosity: 0.0075,
    speed,
    groove: arcs && { ...arcs, land: 0.0079, feedPressure: 4.5e5 },
  })
  const rod: OrbitCase = {
    ...of('rod', 3),
    diameter: 0.054,
    length: 0.018,
    viscosity: 0.0075,
    speed,
    frameRate: rodSwing(rodGearOf(six), speed).rate,
  }
  it.each([
    ['a main without a groove', main(2), 4],
    ['a rod in its swinging frame', rod, 4],
    ['a main with half grooves', main(2, { upper: Math.PI, lower: 0 }), 6],
    ['a main with a groove all round', main(2, { upper: Math.PI, lower: Math.PI }), 6],
  ])('%s: least film and highest pressure within 5 percent', (_, bearing, across) => {
    const found = orbit(bearing)
    const marched = marchOrbit(bearing, { x: found.x[0], y: found.y[0] }, { around: 120, across })
    expect(Math.abs(found.least.film / Math.min(...marched.film) - 1)).toBeLessThan(0.05)
    expect(Math.abs(found.peak.pressure / Math.max(...marched.pressure) - 1)).toBeLessThan(0.05)
  })
})
