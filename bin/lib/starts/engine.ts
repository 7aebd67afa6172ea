import { ceilingAt, watchRules } from '../../../core/start/watchRules'
import { DEMO_BUILDS } from '../../../demo/make'
import type { Sheet } from '../../../core/record/schema'
import { expectationOf, type Expectation } from '../../../core/start/expectation'
import { normal, type Random, seeded } from '../../../core/random/random'

/**
 * Starts as other hands make them: an engine of its own dynamics, so that the watch is not judged by the rig that it was made beside. Its pressure is one number that
 * follows a square-root and linear law of speed and an exponential law of temperature up to a ceiling, fitted to a handful of the build's expectations and then put off
 * by this engine's own factor; neither the circuit nor the filling nor the rig's lags are in it.
 */
export interface OwnEngine {
  /** Pressure with a full circuit, Pa. */
  pressure: (speed: number, temperature: number) => number
  idle: number
  coldIdle: number
  working: number
  cranking: number
  /** °C */
  cold: number
  hot: number
}

export interface BuildCase {
  name: string
  sheet: Sheet
  expectation: Expectation
}

export function buildCases(names: (keyof typeof DEMO_BUILDS)[] = ['ottiline', 'dunmarrow', 'pell']): BuildCase[] {
  return names.map((name) => {
    const sheet = DEMO_BUILDS[name]()
    return { name, sheet, expectation: expectationOf(sheet) }
  })
}

const value = (sheet: Sheet, key: string, fallback: number) => sheet.readings[`brief.${key}`]?.value ?? fallback

/** A sound engine's relief valve holds it so far under what filter and seals may see, as a share: one that goes over is rightly stopped. */
const UNDER_CEILING = 0.95

/** An engine of a build: its law through the build's own expectation on a coarse grid, times a factor of its own that lies inside its band nine times in ten. */
export function drawEngine({ sheet, expectation }: BuildCase, random: Random): OwnEngine {
  const { speeds, temperatures, pressure, low, high } = expectation
  const rules = watchRules(sheet)
  // One deviate for the whole engine: an engine that is low when hot is low when cold.
  const deviate = Math.max(-2, Math.min(2, normal(random)))
  const rows = temperatures.length
  const at = (row: number, column: number) => {
    const i = row * speeds.length + column
    const half = deviate > 0 ? (high[i] - pressure[i]) / 1.645 : (pressure[i] - low[i]) / 1.645
    return Math.max(0, pressure[i] + deviate * half)
  }
  /** Log-linear in temperature and power law in speed between a coarse grid's points: not the expectation's own bilinear interpolation. */
  function law(speed: number, temperature: number): number {
    const step = 2
    let row = 0
    while (row + step < rows - 1 && temperature > temperatures[row + step]) row += step
    const next = Math.min(rows - 1, row + step)
    const warm = Math.max(
      -0.2,
      Math.min(1.2, (temperature - temperatures[row]) / (temperatures[next] - temperatures[row])),
    )
    let column = 0
    while (column + step < speeds.length - 1 && speed > speeds[column + step]) column += step
    const beside = Math.min(speeds.length - 1, column + step)
    const fast = Math.log(Math.max(0.2, speed) / speeds[column]) / Math.log(speeds[beside] / speeds[column])
    const along = (r: number) =>
      Math.exp((1 - fast) * Math.log(at(r, column) + 500) + fast * Math.log(at(r, beside) + 500)) - 500
    return Math.max(0, Math.exp((1 - warm) * Math.log(along(row) + 500) + warm * Math.log(along(next) + 500)) - 500)
  }
  const rev = 1 / 60
  return {
    pressure: (speed, temperature) =>
      speed < 0.3 ? 0 : Math.min(UNDER_CEILING * ceilingAt(rules, temperature), law(speed, temperature)),
    idle: value(sheet, 'idleSpeed', 700 * rev),
    coldIdle: value(sheet, 'coldIdleSpeed', 1000 * rev),
    working: value(sheet, 'workingSpeed', 3000 * rev),
    cranking: value(sheet, 'crankingSpeed', 180 * rev),
    cold: value(sheet, 'coldStart', 0),
    hot: value(sheet, 'hotOil', 95),
  }
}

export { seeded }
