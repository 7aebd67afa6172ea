import { solveBand } from './band'
import type { FilmGrid } from './grid'

/** What makes pressure in the film, without units. */
export interface FilmMotion {
  /** ε */
  eccentricity: number
  /** Where the film is thickest, rad from column 0. */
  thickest: number
  /** Turning: weight of the wedge ∂H/∂φ. */
  wedge: number
  /** Squeeze: 2 ∂H/∂t over the reference rate, as parts along the cosine and sine of the angle from column 0. */
  squeezeCos: number
  squeezeSin: number
}

/** A film on a grid, ready to be solved again and again; the last solution is where the next begins. */
export interface Film {
  grid: FilmGrid
  /** Pressure P = p c² / (6 μ ω R²) at column i, node j: index i · across + j; the end is always zero. */
  pressures: Float64Array
  /** Columns and nodes held at feed pressure: 1 where held. */
  prescribed: Uint8Array
  /** Viscosity of each column over the reference. */
  viscosities: Float64Array
  solve: (motion: FilmMotion, feedPressure: number) => FilmFlows
}

/** Flows without units: in (ω R² c / 2) for half of the bearing. */
export interface FilmFlows {
  /** Out of one end. */
  end: number
  /** Into the film from the held nodes. */
  feed: number
  /** Through the film at column 0, turning with the journal, over half of the length. */
  atStart: number
  rounds: number
}

/** Gauss-Legendre points and weights on −½ to ½. */
const POINTS = [-0.3872983346207417, 0, 0.3872983346207417]
const WEIGHTS = [5 / 18, 8 / 18, 5 / 18]
const MOST_ROUNDS = 60
const FULL = 0
const RUPTURED = 1

/**
 * The finite-width Reynolds equation with Reynolds' rupture (pressure and its slope vanish together), by finite volumes:
 *
 *   ∂/∂φ(H³/m ∂P/∂φ) + ∂/∂ζ(H³/m ∂P/∂ζ) = w ∂H/∂φ + s,   H = 1 + ε cos (φ − φ₀),   P ≥ 0
 *
 * φ in the direction of turning, the film thickest at φ₀, ζ along the axis in radii, m the viscosity over its reference. Flux
 * between columns is exact for flow along φ: q = (w A − ΔP) / B with A = ∫ m/H² and B = ∫ m/H³ over the step. Where the film
 * is full and where it is ruptured is a complementarity problem, solved by the primal-dual active set.
 * Sources: Pinkus & Sternlicht, Theory of Hydrodynamic Lubrication (1961), ch. 1 and 3; Cryer, Mathematics of Computation
 * 25 (1971), for rupture as complementarity; Hintermüller, Ito & Kunisch, SIAM J. Optim. 13 (2002), for the active set.
 */
export function prepareFilm(grid: FilmGrid): Film {
  const { around, across, step } = grid
  const size = around * across
  const pressures = new Float64Array(size)
  const prescribed = new Uint8Array(size)
  const state = new Uint8Array(size)
  const viscosities = new Float64Array(around).fill(1)
  // Between column i and i + 1: flux that the wedge drives, and conductance.
  const driven = new Float64Array(around)
  const along = new Float64Array(around)
  const outward = new Float64Array(around)
  const source = new Float64Array(around)
  const matrix = new Float64Array(size * (2 * across + 1))
  const right = new Float64Array(size)
  const place = new Int32Array(around)
  const gaps = Float64Array.from({ length: across }, (_, j) => 1 / (grid.heights[j + 1] - grid.heights[j]))

  function coefficients({ eccentricity, thickest, wedge, squeezeCos, squeezeSin }: FilmMotion): void {
    for (let i = 0; i < around; i++) {
      const middle = (i + 0.5) * step - thickest
      const viscosity = 0.5 * (viscosities[i] + viscosities[(i + 1) % around])
      let a = 0
      let b = 0
      let cube = 0
      for (let g = 0; g < 3; g++) {
        const height = 1 + eccentricity * Math.cos(middle + POINTS[g] * step)
        const square = height * height
        a += WEIGHTS[g] / square
        b += WEIGHTS[g] / (square * height)
        const own = 1 + eccentricity * Math.cos(i * step - thickest + POINTS[g] * step)
        cube += WEIGHTS[g] * own * own * own
      }
      along[i] = 1 / (viscosity * b * step)
      driven[i] = (wedge * a) / b
      outward[i] = (cube * step) / viscosities[i]
      source[i] = step * (squeezeCos * Math.cos(i * step) + squeezeSin * Math.sin(i * step))
    }
  }

  /** What a node gives away less what its pressure asks for: zero where full, positive where ruptured. */
  function residual(i: number, j: number): number {
    const at = i * across + j
    const p = pressures[at]
    const next = ((i + 1) % around) * across + j
    const last = ((i + around - 1) % around) * across + j
    const before = i === 0 ? around - 1 : i - 1
    const width = grid.widths[j]
    let flow =
      (along[i] * (p - pressures[next]) +
        along[before] * (p - pressures[last]) +
        driven[i] -
        driven[before] +
        source[i]) *
      width
    flow += outward[i] * gaps[j] * (p - (j + 1 < across ? pressures[at + 1] : 0))
    if (j > 0) flow += outward[i] * gaps[j - 1] * (p - pressures[at - 1])
    return flow
  }

  /** A column wholly known breaks the ring, and the band is half as wide; −1 when there is none. */
  function breakAt(): number {
    for (let i = 0; i < around; i++) {
      let known = true
      for (let j = 0; j < across && known; j++)
        known = prescribed[i * across + j] === 1 || state[i * across + j] === RUPTURED
      if (known) return i
    }
    return -1
  }

  function round(): void {
    const start = breakAt()
    // With the ring closed, columns are taken from both sides of it in turn.
    if (start >= 0) for (let k = 0; k < around; k++) place[(start + k) % around] = k
    else for (let k = 0; k < around; k++) place[k % 2 === 0 ? k / 2 : around - (k + 1) / 2] = k
    const width = start >= 0 ? across : 2 * across
    const row = width + 1
    matrix.fill(0, 0, size * row)
    for (let i = 0; i < around; i++) {
      const before = i === 0 ? around - 1 : i - 1
      const after = i + 1 === around ? 0 : i + 1
      const toBefore = (place[before] - place[i]) * across
      const toAfter = (place[after] - place[i]) * across
      const wedge = driven[i] - driven[before] + source[i]
      for (let j = 0; j < across; j++) {
        const at = i * across + j
        const own = place[i] * across + j
        const diagonal = own * row + width
        if (prescribed[at] || state[at] === RUPTURED) {
          matrix[diagonal] = 1
          right[own] = prescribed[at] ? pressures[at] : 0
          continue
        }
        const ahead = along[i] * grid.widths[j]
        const behind = along[before] * grid.widths[j]
        const out = outward[i] * gaps[j]
        const inward = j > 0 ? outward[i] * gaps[j - 1] : 0
        // A known neighbour gives its pressure to the right side; an unknown one its place left of the diagonal.
        let value = -wedge * grid.widths[j]
        const next = after * across + j
        const last = before * across + j
        if (prescribed[next]) value += ahead * pressures[next]
        else if (state[next] === FULL && toAfter < 0) matrix[diagonal + toAfter] = -ahead
        if (prescribed[last]) value += behind * pressures[last]
        else if (state[last] === FULL && toBefore < 0) matrix[diagonal + toBefore] = -behind
        if (j + 1 < across && prescribed[at + 1]) value += out * pressures[at + 1]
        if (j > 0) {
          if (prescribed[at - 1]) value += inward * pressures[at - 1]
          else if (state[at - 1] === FULL) matrix[diagonal - 1] = -inward
        }
        matrix[diagonal] = ahead + behind + out + inward
        right[own] = value
      }
    }
    solveBand(matrix, right, size, width)
    for (let i = 0; i < around; i++)
      for (let j = 0; j < across; j++) pressures[i * across + j] = right[place[i] * across + j]
  }

  /** Ruptures what has gone below zero, fills what has more oil coming than going. True when anything changed. */
  function settle(): boolean {
    let changed = false
    for (let i = 0; i < around; i++) {
      for (let j = 0; j < across; j++) {
        const at = i * across + j
        if (prescribed[at]) continue
        const wanted = state[at] === FULL ? (pressures[at] < 0 ? RUPTURED : FULL) : residual(i, j) < 0 ? FULL : RUPTURED
        if (wanted !== state[at]) {
          state[at] = wanted
          changed = true
        }
      }
    }
    for (let at = 0; at < size; at++) if (state[at] === RUPTURED && !prescribed[at]) pressures[at] = 0
    return changed
  }

  function flows(rounds: number): FilmFlows {
    let end = 0
    let feed = 0
    let atStart = 0
    const last = across - 1
    for (let i = 0; i < around; i++) {
      const before = i === 0 ? around - 1 : i - 1
      const at = i * across + last
      end += outward[i] * gaps[last] * pressures[at]
      // The half cell at the end has a wedge of its own, where the film reaches it full.
      if (state[at] === FULL || prescribed[at]) end -= (driven[i] - driven[before] + source[i]) * grid.widths[across]
      for (let j = 0; j < across; j++) if (prescribed[i * across + j]) feed += residual(i, j)
    }
    for (let j = 0; j < across; j++)
      atStart += (driven[0] + along[0] * (pressures[j] - pressures[across + j])) * grid.widths[j]
    atStart += driven[0] * grid.widths[across]
    return { end, feed, atStart, rounds }
  }

  function solve(motion: FilmMotion, feedPressure: number): FilmFlows {
    coefficients(motion)
    for (let at = 0; at < size; at++) {
      if (prescribed[at]) pressures[at] = feedPressure
      if (prescribed[at]) state[at] = FULL
    }
    let rounds = 0
    do round()
    while (settle() && ++rounds < MOST_ROUNDS)
    return flows(rounds + 1)
  }

  return { grid, pressures, prescribed, viscosities, solve }
}

/** ∫∫ P cos φ and ∫∫ P sin φ over the whole bearing, and the highest P. */
export function filmForce({ grid, pressures }: Pick<Film, 'grid' | 'pressures'>): {
  cos: number
  sin: number
  peak: number
} {
  let cos = 0
  let sin = 0
  let peak = 0
  for (let i = 0; i < grid.around; i++) {
    let sum = 0
    for (let j = 0; j < grid.across; j++) {
      const p = pressures[i * grid.across + j]
      sum += grid.weights[j] * p
      if (p > peak) peak = p
    }
    cos += sum * Math.cos(i * grid.step)
    sin += sum * Math.sin(i * grid.step)
  }
  return { cos: 2 * grid.step * cos, sin: 2 * grid.step * sin, peak }
}
