import { type PreparedBearing } from './bearing'
import type { FilmCase, FilmState } from './types'

/** How a film's heat leaves it. */
export interface Heat {
  /** Temperature at which oil comes to the feed, °C. */
  inletTemperature: number
  /** Film viscosity at a temperature, Pa·s. */
  viscosityAt: (temperature: number) => number
  /** kg/m³ and J/(kg·K). */
  density: number
  heatCapacity: number
  /** Share of the shear power that shell and journal carry away. */
  metalShare: number
}

export interface WarmFilm extends FilmState {
  /** Temperature of each column, °C. */
  temperatures: Float64Array
  /** Hottest column over the inlet, K; and what leaves the ends, on average, over the inlet, K. */
  peakRise: number
  meanRise: number
  rounds: number
}

const AGREED = 0.05
const MOST_ROUNDS = 30

/**
 * A film that warms itself. Each column of it takes in what the one before gives, q₋, and fresh oil g where it is fed; it
 * gives q on and e out of its ends, and takes up what is sheared in it, less the metal's share s:
 *
 *   ρ c_p (q + e) T = ρ c_p (q₋ T₋ + g T_in) + (1 − s) μ(T) U² L R Δφ / (c H),   g = q + e − q₋
 *
 * Viscosity follows column by column, and the film is solved again until no column moves by more than a twentieth of a degree. In the ruptured part the streams shear only over the width they fill, which
 * keeps their power below a full film's by the film's thinnest full height over its own.
 * Source: Pinkus, Thermal Aspects of Fluid Film Tribology (1990), ch. 5 (adiabatic circumferential balance); mixing at the
 * feed after Mitsui, Hori & Tanaka, J. Lubr. Technol. 105 (1983).
 *
 * @param solve gives the film's state as it now is: at an eccentricity, or under a load
 */
export function warm(bearing: FilmCase, prepared: PreparedBearing, heat: Heat, solve: () => FilmState): WarmFilm {
  const { film } = prepared
  const { grid } = film
  const { around, across, step } = grid
  const radius = 0.5 * bearing.diameter
  const c = bearing.radialClearance
  const speed = 2 * Math.PI * bearing.speed * radius
  const temperatures = new Float64Array(around).fill(heat.inletTemperature)
  const columnFlow = new Float64Array(around)
  const ends = new Float64Array(around)
  let state = solve()
  let rounds = 0
  for (let moved = Infinity; moved > AGREED && rounds < MOST_ROUNDS; rounds++) {
    const full = measureFlows(state)
    moved = march(state, full)
    for (let i = 0; i < around; i++) film.viscosities[i] = heat.viscosityAt(temperatures[i]) / bearing.viscosity
    state = solve()
  }
  let carried = 0
  let out = 0
  for (let i = 0; i < around; i++) {
    carried += ends[i] * (temperatures[i] - heat.inletTemperature)
    out += ends[i]
  }
  const peakRise = Math.max(...temperatures) - heat.inletTemperature
  return { ...state, temperatures, peakRise, meanRise: out > 0 ? carried / out : peakRise, rounds }

  /** Flow through each column, m³/s; what a ruptured one carries is what the last full one gave. Returns which are full. */
  function measureFlows({ pressures, eccentricity, thickest }: FilmState): boolean[] {
    const full = Array.from(
      { length: around },
      (_, i) => pressures[i * across] > 0 || film.prescribed[i * across] === 1,
    )
    for (let i = 0; i < around; i++) {
      const height = c * (1 + eccentricity * Math.cos((i + 0.5) * step - thickest))
      const next = ((i + 1) % around) * across
      let flow = 0.5 * speed * height * bearing.length
      const ease = (height ** 3 * 2 * radius) / (12 * bearing.viscosity * film.viscosities[i] * radius * step)
      for (let j = 0; j < across; j++) flow -= ease * grid.widths[j] * (pressures[next + j] - pressures[i * across + j])
      columnFlow[i] = Math.max(flow, 1e-3 * 0.5 * speed * c * bearing.length)
      const own = c * (1 + eccentricity * Math.cos(i * step - thickest))
      ends[i] =
        (own ** 3 * step * pressures[i * across + across - 1]) /
        (6 * bearing.viscosity * film.viscosities[i] * (grid.heights[across] - grid.heights[across - 1]))
    }
    const begin = full.indexOf(true)
    for (let k = 1; k < around && begin >= 0; k++) {
      const i = (begin + k) % around
      if (!full[i]) columnFlow[i] = Math.min(columnFlow[i], columnFlow[(i + around - 1) % around])
    }
    return full
  }

  /** One turn of the heat balance along the film, twice so that the feed sees what comes back to it. */
  function march({ eccentricity, thickest }: FilmState, full: boolean[]): number {
    let moved = 0
    let t = temperatures[around - 1]
    let flow = columnFlow[around - 1]
    for (let k = 0; k < 2 * around; k++) {
      const i = k % around
      const height = 1 + eccentricity * Math.cos(i * step - thickest)
      const filled = full[i] ? 1 : Math.min(1, columnFlow[i] / (0.5 * speed * c * height * bearing.length))
      const power = ((heat.viscosityAt(t) * speed * speed) / (c * height)) * bearing.length * radius * step * filled
      const leaving = Math.max(columnFlow[i] + ends[i], flow)
      t =
        (flow * t +
          (leaving - flow) * heat.inletTemperature +
          ((1 - heat.metalShare) * power) / (heat.density * heat.heatCapacity)) /
        leaving
      t = Math.min(t, heat.inletTemperature + 200)
      flow = columnFlow[i]
      if (k < around) continue
      const eased = temperatures[i] + 0.6 * (t - temperatures[i])
      moved = Math.max(moved, Math.abs(eased - temperatures[i]))
      temperatures[i] = eased
    }
    return moved
  }
}
