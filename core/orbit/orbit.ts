import type { CycleLoad } from '../cycle/load'
import { mobility } from './mobility'

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
}

export interface Orbit {
  /** Journal's eccentricity ratio in the shell's frame for each degree. */
  x: Float64Array
  y: Float64Array
  /** Least film at each degree, m. */
  film: Float64Array
  /** The thinnest of them: m, the degree, and where on the shell, rad from the frame's y axis clockwise. */
  least: { film: number; degree: number; place: number }
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
 * The journal's orbit over a four-stroke cycle by the mobility method: midpoint steps of a quarter degree or finer, from the
 * middle of the bearing, until two cycles agree to 0.002 of the clearance.
 * Source: Booker, J. Lubr. Technol. 93 (1971).
 *
 * @throws RangeError naming the field that is out of range
 */
export function orbit(bearing: OrbitCase): Orbit {
  for (const field of ['diameter', 'length', 'radialClearance', 'viscosity', 'speed'] as const) {
    if (!(bearing[field] > 0 && Number.isFinite(bearing[field])))
      throw new RangeError(`${field}: must be greater than zero`)
  }
  const { diameter, length, radialClearance: c, viscosity, speed, load, frameRate } = bearing
  const omega = 2 * Math.PI * speed
  const ratio = length / diameter
  const scale = (c / (0.5 * diameter)) ** 2 / (viscosity * length * diameter)
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
  const found = { along: 0, across: 0 }
  const rate = { x: 0, y: 0 }

  /** dε/dt at a place and a moment, degrees. */
  function move(ex: number, ey: number, at: number): void {
    const before = Math.floor(at) % 720
    const after = (before + 1) % 720
    const part = at - Math.floor(at)
    const fx = load.x[before] + part * (load.x[after] - load.x[before])
    const fy = load.y[before] + part * (load.y[after] - load.y[before])
    const force = Math.hypot(fx, fy)
    const frame = frameRate ? frameRate[before] + part * (frameRate[after] - frameRate[before]) : 0
    // Mean of journal and shell, seen from the shell's frame: (ω + ω_f)/2 − ω_f, clockwise, so that ω × ε is (ω y, −ω x).
    const mean = 0.5 * (omega - frame)
    rate.x = mean * ey
    rate.y = -mean * ex
    if (force < 1e-9) return
    const ux = fx / force
    const uy = fy / force
    // Across the load, the way that clockwise turning drives the journal.
    const vx = uy
    const vy = -ux
    mobility(ex * ux + ey * uy, ex * vx + ey * vy, ratio, found)
    rate.x += scale * force * (found.along * ux + found.across * vx)
    rate.y += scale * force * (found.along * uy + found.across * vy)
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
  for (let degree = 0; degree < 720; degree++) {
    film[degree] = c * (1 - Math.hypot(x[degree], y[degree]))
    if (film[degree] < least.film) least = { film: film[degree], degree, place: Math.atan2(x[degree], y[degree]) }
  }
  return { x, y, film, least, cycles }
}

/** Factor that keeps a place within the clearance. */
function inside(x: number, y: number): number {
  const size = Math.hypot(x, y)
  return size > FULLEST ? FULLEST / size : 1
}
