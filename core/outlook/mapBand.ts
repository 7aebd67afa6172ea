import type { Sheet } from '../record/schema'
import { pressureBands } from './band'
import type { OutlookMap } from './map'
import { modelOf } from './model'
import { evenly, momentAt } from './states'

/** Gauge pressures that 5 and 95 percent of engines like this one stay under, Pa, by temperature, then speed. */
export interface MapBand {
  low: Float64Array
  high: Float64Array
}

/** Places, speeds by temperatures, whose bands are sampled, and samples behind each. */
const COARSE: [number, number] = [13, 9]
const SAMPLES = 80

/**
 * The band of a map. Sampled by `pressureBands` at a coarse grid over the same speeds and temperatures, with the same engines at every
 * place; between these low and high are the best value times their interpolated shares of it (bilinear): shares change slowly where pressures do not.
 */
export function mapBand(
  sheet: Sheet,
  { speeds, temperatures, pressure }: Pick<OutlookMap, 'speeds' | 'temperatures' | 'pressure'>,
): MapBand {
  const model = modelOf(sheet)
  const [across, down] = COARSE
  const [slow, fast] = [speeds[0], speeds.at(-1)!]
  // Closer together at low speed, where pressure climbs to its relief.
  const sampled = evenly(0, 1, across).map((share) => slow + (fast - slow) * share * share)
  const places = evenly(temperatures[0], temperatures.at(-1)!, down).flatMap((temperature) =>
    sampled.map((speed) => momentAt(sheet, speed, temperature)),
  )
  const shares = pressureBands(model, places, SAMPLES).map(({ pressure: best, low, high }) =>
    best > 1 ? { low: low / best, high: high / best } : { low: 1, high: 1 },
  )
  const [low, high] = [new Float64Array(pressure.length), new Float64Array(pressure.length)]
  /** Where a speed lies between the sampled ones, evenly from one to the next. */
  const placeOf = (speed: number) => {
    const next = sampled.findIndex((each, k) => k > 0 && (each >= speed || k === across - 1))
    return next - 1 + (speed - sampled[next - 1]) / (sampled[next] - sampled[next - 1])
  }
  temperatures.forEach((_, row) =>
    speeds.forEach((__, column) => {
      const at = row * speeds.length + column
      const [x, y] = [placeOf(speeds[column]), (row / (temperatures.length - 1)) * (down - 1)]
      const [i, j] = [Math.min(across - 2, Math.floor(x)), Math.min(down - 2, Math.floor(y))]
      const between = (key: 'low' | 'high') => {
        const along = (line: number) =>
          shares[line * across + i][key] * (1 - x + i) + shares[line * across + i + 1][key] * (x - i)
        return along(j) * (1 - y + j) + along(j + 1) * (y - j)
      }
      low[at] = pressure[at] * between('low')
      high[at] = pressure[at] * between('high')
    }),
  )
  return { low, high }
}
