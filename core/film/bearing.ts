import { journalPosition, loadNumber } from '../bearing/eccentricity'
import { checkFilm } from './check'
import { filmGrid } from './grid'
import { searchLoad, searchPosition } from './search'
import { type Film, filmForce, type FilmFlows, type FilmMotion, prepareFilm } from './reynolds'
import { type FilmCase, FilmError, type FilmState, type Fineness, STANDARD } from './types'

/** A bearing's film made ready: kept between solutions, so that each begins where the last ended. */
export interface PreparedBearing {
  film: Film
  /** State at an eccentricity, its line of centres through the thickest film at column 0. */
  at: (eccentricity: number) => FilmState
  /** State under a load, N. Column 0 is the thickest film, or the load's direction when the groove is placed from that. */
  carry: (load: number) => FilmState
}

interface Solved {
  eccentricity: number
  thickest: number
  force: ReturnType<typeof filmForce>
  flows: FilmFlows
}

/**
 * A bearing for the Reynolds solver, in physical units: P = p c² / (6 μ ω R²).
 *
 * @throws FilmError naming the field that is out of range
 */
export function prepareBearing(bearing: FilmCase, fineness: Fineness = STANDARD): PreparedBearing {
  checkFilm(bearing, fineness)
  const { diameter, length, radialClearance: c, speed, viscosity, feed } = bearing
  const radius = 0.5 * diameter
  const omega = 2 * Math.PI * speed
  const scale = (6 * viscosity * omega * radius * radius) / (c * c)
  const flowScale = omega * radius * radius * c
  const grid = filmGrid(fineness, length / diameter, feed.kind === 'groove' ? (0.5 * feed.width) / radius : 0)
  const film = prepareFilm(grid)
  const lower = feed.kind === 'groove' ? (feed.lower ?? 0) : 0
  const motion: FilmMotion = { eccentricity: 0, thickest: 0, wedge: 1, squeezeCos: 0, squeezeSin: 0 }
  holdFeed()

  function holdFeed(): void {
    if (feed.kind === 'axial') return void film.prescribed.fill(1, 0, grid.across)
    for (let i = 0; i < grid.around; i++) {
      const off = Math.abs(wrap(i * grid.step - feed.centre))
      // A groove narrower than a column still feeds one.
      const upper = feed.arc > 0 && off <= Math.max(0.5 * feed.arc, 0.5 * grid.step) + 1e-9
      const below = off - 0.5 * Math.PI
      if (upper || (lower > 0 && below >= -1e-9 && below <= 0.5 * lower + 1e-9))
        film.prescribed.fill(1, i * grid.across, i * grid.across + grid.grooved)
    }
  }

  function solve(eccentricity: number, thickest: number): Solved {
    motion.eccentricity = eccentricity
    motion.thickest = thickest
    const flows = film.solve(motion, bearing.feedPressure / scale)
    return { eccentricity, thickest, force: filmForce(film), flows }
  }

  function state({ eccentricity, thickest, force, flows }: Solved): FilmState {
    const load = scale * radius * radius * Math.hypot(force.cos, force.sin)
    const attitude = wrap(thickest + Math.PI - Math.atan2(force.sin, force.cos))
    let shear = 0
    for (let i = 0; i < grid.around; i++)
      shear += (film.viscosities[i] * grid.step) / (1 + eccentricity * Math.cos(i * grid.step - thickest))
    const drag =
      ((viscosity * omega * radius * radius * length) / c) * shear +
      ((0.5 * c * eccentricity) / radius) * load * Math.sin(attitude)
    return {
      eccentricity,
      attitude,
      thickest,
      load,
      minimumFilm: c * (1 - eccentricity),
      peakPressure: scale * force.peak,
      sideLeakage: flowScale * flows.end,
      inletFlow: flowScale * (feed.kind === 'axial' ? flows.atStart : flows.end),
      dragPower: drag * omega * radius,
      sommerfeld: ((radius / c) ** 2 * viscosity * speed * 2 * radius * length) / load,
      pressures: film.pressures.map((p) => scale * p),
      fineness,
    }
  }

  const whole = feed.kind === 'groove' && feed.arc + lower >= 2 * Math.PI - 1e-9
  return {
    film,
    at: (eccentricity) => {
      if (!(eccentricity > 0 && eccentricity < 1)) throw new FilmError('eccentricity', 'must lie between 0 and 1')
      return state(solve(eccentricity, 0))
    },
    carry: (load) => {
      if (!(load > 0 && Number.isFinite(load))) throw new FilmError('load', 'must be greater than zero')
      const unit = load / (scale * radius * radius)
      const fixed = feed.kind === 'groove' && feed.from === 'load' && !whole
      const pressed = fixed ? 0.5 * bearing.feedPressure * diameter * length : 0
      const guess = journalPosition(loadNumber({ ...bearing, load: load + pressed }), length / diameter)
      return state(
        fixed
          ? searchPosition(guess, (eccentricity, thickest) => solve(eccentricity, thickest), unit)
          : searchLoad(guess.eccentricity, (eccentricity) => solve(eccentricity, 0), unit),
      )
    },
  }
}

function wrap(angle: number): number {
  return angle - 2 * Math.PI * Math.round(angle / (2 * Math.PI))
}
