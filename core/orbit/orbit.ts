import type { CycleLoad } from '../cycle/load'
import { finiteMobility } from './finiteWidth'
import { grooveUnder, type OrbitGroove } from './grooves'
import type { Mobility } from './mobility'

/** A bearing under a load that changes over the cycle, SI. */
export interface OrbitCase {
  diameter: number
  length: number
  radialClearance: number
  viscosity: number
  /** Crank speed, rev/s. */
  speed: number
  /** Force on the journal for each degree, in the shell's frame. */
  load: CycleLoad
  /** How fast the shell's frame itself turns, rad/s, for each degree; left out for a shell that stands still. Clockwise is positive. */
  frameRate?: Float64Array
  /** Grooves of a shell that stands still, its crown at the frame's y axis. */
  groove?: OrbitGroove
}

export interface Orbit {
  /** Journal's eccentricity ratio in the shell's frame for each degree. */
  x: Float64Array
  y: Float64Array
  /** Least film at each degree, m. */
  film: Float64Array
  /** The thinnest of them: m, the degree, and where on the shell, rad from the frame's y axis clockwise. */
  least: { film: number; degree: number; place: number }
  /** Highest pressure in the film at each degree, Pa, and the greatest of them with its degree. */
  pressure: Float64Array
  peak: { pressure: number; degree: number }
  /** Cycles until the orbit closed. */
  cycles: number
}

/** Steps of a degree, at least and at most, and cycles at most until the orbit closes. */
const STEPS: [number, number] = [4, 64]
/** How far the journal may go in a step, of the clearance. */
const REACH = 0.2
const MOST_CYCLES = 8
const CLOSED = 2e-3
const FULLEST = 0.9999

/**
 * The journal's orbit over a four-stroke cycle by the mobility method, with mobilities of a bearing of this width: midpoint steps of a quarter degree or finer, from the
 * middle of the bearing, until two cycles agree to 0.002 of the clearance. A groove all round makes two bearings, each a land wide with half the load; one of less parts the
 * film while its thin place lies over it. Film and peak pressure within 5 percent of the Reynolds equation marched in time on the grid (core/orbit/transient.test.ts).
 * Source: Booker, J. Lubr. Technol. 93 (1971).
 *
 * @throws RangeError naming the field that is out of range
 */
export function orbit(bearing: OrbitCase): Orbit {
  for (const field of ['diameter', 'length', 'radialClearance', 'viscosity', 'speed'] as const) {
    if (!(bearing[field] > 0 && Number.isFinite(bearing[field])))
      throw new RangeError(`${field}: must be greater than zero`)
  }
  const { diameter, length, radialClearance: c, viscosity, speed, load, frameRate, groove } = bearing
  const omega = 2 * Math.PI * speed
  const ratio = length / diameter
  const scale = (c / (0.5 * diameter)) ** 2 / (viscosity * length * diameter)
  const whole = finiteMobility(ratio)
  const lands = groove && groove.upper + groove.lower > 0 ? finiteMobility(groove.land / diameter) : undefined
  /** Half of the load on so much less of the length. */
  const each = groove ? (0.5 * length) / groove.land : 1
  const pressed = groove ? feedForce(groove, diameter, length) : 0
  let greatest = 0
  for (let degree = 0; degree < 720; degree++) greatest = Math.max(greatest, Math.hypot(load.x[degree], load.y[degree]))
  const steps = Math.min(
    STEPS[1],
    Math.max(STEPS[0], Math.ceil((scale * greatest) / (Math.PI * ratio * ratio * 360 * speed * REACH))),
  )
  const step = 1 / (360 * speed * steps)
  const x = new Float64Array(720)
  const y = new Float64Array(720)
  const film = new Float64Array(720)
  const pressure = new Float64Array(720)
  const found: Mobility = { along: 0, across: 0 }
  const parted: Mobility = { along: 0, across: 0 }
  const rate = { x: 0, y: 0 }
  const force = { x: 0, y: 0, size: 0, frame: 0 }

  const overGroove = (ex: number, ey: number) => (lands && groove ? grooveUnder(Math.atan2(ex, ey), groove, ratio) : 0)
  /** A film that is parted in part holds what its two ways of being hold together. */
  const together = (one: number, other: number, over: number) =>
    over >= 1 || one === 0 ? other : 1 / ((1 - over) / one + over / other)

  /** Mobility at a place, of the whole length's load. */
  function yielding(ex: number, ey: number, along: number, across: number): void {
    const over = overGroove(ex, ey)
    if (over < 1) whole.at(along, across, found)
    if (!lands || over <= 0) return
    lands.at(along, across, parted)
    found.along = together(found.along, each * parted.along, over)
    found.across = together(found.across, each * parted.across, over)
  }

  /** Load on the journal at a moment, N, kept in `force`. */
  function pull(at: number): void {
    const before = Math.floor(at) % 720
    const after = (before + 1) % 720
    const part = at - Math.floor(at)
    force.x = load.x[before] + part * (load.x[after] - load.x[before])
    force.y = load.y[before] + part * (load.y[after] - load.y[before]) - pressed
    force.size = Math.sqrt(force.x * force.x + force.y * force.y)
    force.frame = frameRate ? frameRate[before] + part * (frameRate[after] - frameRate[before]) : 0
  }

  /** Highest pressure in the film at a place and a degree, Pa. */
  function pressureAt(ex: number, ey: number, degree: number): number {
    pull(degree)
    if (force.size < 1e-9) return 0
    const along = (ex * force.x + ey * force.y) / force.size
    const across = (ex * force.y - ey * force.x) / force.size
    const over = overGroove(ex, ey)
    const one = over < 1 ? whole.peakAt(along, across) : 1
    return (
      ((lands && over > 0 ? together(one, each * lands.peakAt(along, across), over) : one) * force.size) /
      (length * diameter)
    )
  }

  /** dε/dt at a place and a moment, degrees. */
  function move(ex: number, ey: number, at: number): void {
    pull(at)
    // Mean of journal and shell, seen from the shell's frame: (ω + ω_f)/2 − ω_f, clockwise, so that ω × ε is (ω y, −ω x).
    const mean = 0.5 * (omega - force.frame)
    rate.x = mean * ey
    rate.y = -mean * ex
    if (force.size < 1e-9) return
    const ux = force.x / force.size
    const uy = force.y / force.size
    // Across the load, the way that clockwise turning drives the journal: (u_y, −u_x).
    yielding(ex, ey, ex * ux + ey * uy, ex * uy - ey * ux)
    rate.x += scale * force.size * (found.along * ux + found.across * uy)
    rate.y += scale * force.size * (found.along * uy - found.across * ux)
  }

  let ex = 0
  let ey = 0
  let cycles = 0
  for (let off = Infinity; off > CLOSED && cycles < MOST_CYCLES; cycles++) {
    off = 0
    for (let k = 0; k < 720 * steps; k++) {
      const degree = k / steps
      if (k % steps === 0) {
        off = Math.max(off, Math.hypot(ex - x[degree], ey - y[degree]))
        x[degree] = ex
        y[degree] = ey
      }
      move(ex, ey, degree)
      const mx = ex + 0.5 * step * rate.x
      const my = ey + 0.5 * step * rate.y
      const held = inside(mx, my)
      move(mx * held, my * held, degree + 0.5 / steps)
      ex += step * rate.x
      ey += step * rate.y
      const kept = inside(ex, ey)
      ex *= kept
      ey *= kept
    }
  }
  let least = { film: Infinity, degree: 0, place: 0 }
  let peak = { pressure: 0, degree: 0 }
  for (let degree = 0; degree < 720; degree++) {
    film[degree] = c * (1 - Math.hypot(x[degree], y[degree]))
    pressure[degree] = pressureAt(x[degree], y[degree], degree)
    if (film[degree] < least.film) least = { film: film[degree], degree, place: Math.atan2(x[degree], y[degree]) }
    if (pressure[degree] > peak.pressure) peak = { pressure: pressure[degree], degree }
  }
  return { x, y, film, least, pressure, peak, cycles }
}

/** How the feed's pressure in the grooves presses on the journal, from the upper shell's crown, N. */
function feedForce({ upper, lower, land, feedPressure }: OrbitGroove, diameter: number, length: number): number {
  return feedPressure * diameter * (length - land) * (Math.sin(0.5 * upper) + Math.cos(0.5 * lower) - 1)
}

/** Factor that keeps a place within the clearance. */
function inside(x: number, y: number): number {
  const size = Math.hypot(x, y)
  return size > FULLEST ? FULLEST / size : 1
}
