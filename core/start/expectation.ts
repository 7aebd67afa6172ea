import type { BriefField } from '../parts/list'
import { filledFor } from '../record/fill'
import type { Sheet } from '../record/schema'
import { requireValue } from '../engine/values'
import { type Band, pressureBands } from '../outlook/band'
import { modelOf } from '../outlook/model'
import { evenly, momentAt } from '../outlook/states'

/** What the gauge should read at any speed and oil temperature of a start, with its band, on a grid. */
export interface Expectation {
  /** rev/s, rising. */
  speeds: number[]
  /** °C, rising. */
  temperatures: number[]
  /** Pa, row by row of temperatures. */
  pressure: Float64Array
  low: Float64Array
  high: Float64Array
}

const SPEEDS = 10
const TEMPERATURES = 12

/** The expectation of a sheet from below cranking to above working speed, and from the coldest start to hotter than hot. */
export function expectationOf(sheet: Sheet, samples = 80): Expectation {
  const of = (key: BriefField) => requireValue(sheet, `brief.${key}`).value
  const model = modelOf(filledFor(sheet, 'start'))
  const least = 0.5 * of('crankingSpeed')
  const most = Math.max(1.2 * of('workingSpeed'), of('maximumSpeed'))
  // Closer at low speed, where pressure rises with it.
  const speeds = Array.from({ length: SPEEDS }, (_, i) => least + (most - least) * (i / (SPEEDS - 1)) ** 2)
  const cold = Math.min(of('coldStart'), 15) - 5
  const temperatures = evenly(cold, of('hotOil') + 20, TEMPERATURES)
  const moments = temperatures.flatMap((temperature) => speeds.map((speed) => momentAt(sheet, speed, temperature)))
  const bands = pressureBands(model, moments, samples)
  const grid = (pick: (band: Band) => number) => Float64Array.from(bands, (band) => Math.max(0, pick(band)))
  return {
    speeds,
    temperatures,
    pressure: grid((band) => band.pressure),
    low: grid((band) => band.low),
    high: grid((band) => band.high),
  }
}

/** The expectation at a moment, linear between its grid's points; at its edges outside of them. */
export function expectedAt(
  { speeds, temperatures, pressure, low, high }: Expectation,
  speed: number,
  temperature: number,
): Band {
  const [i, x] = placeIn(speeds, speed)
  const [j, y] = placeIn(temperatures, temperature)
  const at = j * speeds.length + i
  const up = at + speeds.length
  const between = (grid: Float64Array) =>
    (1 - y) * ((1 - x) * grid[at] + x * grid[at + 1]) + y * ((1 - x) * grid[up] + x * grid[up + 1])
  return { pressure: between(pressure), low: between(low), high: between(high) }
}

/** Interval of rising values that holds a value, and how far along it. */
function placeIn(values: number[], value: number): [number, number] {
  let i = 0
  while (i < values.length - 2 && value > values[i + 1]) i++
  return [i, Math.min(1, Math.max(0, (value - values[i]) / (values[i + 1] - values[i])))]
}
