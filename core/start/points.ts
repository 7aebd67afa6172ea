import type { BriefField } from '../parts/list'
import type { Sheet } from '../record/schema'
import { requireValue } from '../engine/values'
import { ceilingOf } from '../house/limits'
import { deviation, mean } from '../quantity/mean'
import type { RunSample } from './watchTypes'

export const POINT_NAMES = ['idleCold', 'fastIdle', 'idleHot', 'workingHot'] as const
export type PointName = (typeof POINT_NAMES)[number]

/** A stretch of a run in which nothing moved: what the gauge said there. SI, °C. */
export interface SteadyPoint {
  name: PointName
  /** s of the run, its middle. */
  time: number
  pressure: number
  speed: number
  temperature: number
  /** Standard deviation of the readings, Pa. */
  scatter: number
  readings: number
}

/** How long and how still counts as steady: s, share of speed, °C. */
const SECONDS = 8
const SPEED = 0.04
const WARMS = 3
/** Within so much of the brief's hot oil it is hot; cold is within so much of where it started, °C. */
const NEAR_HOT = 12
const NEAR_COLD = 25
/** How near to a named speed, share. */
const NEAR_SPEED = 0.15
/** The window is looked at so often, s: an hour at ten a second is taken in at once. */
const AGAIN = 0.95
/** Pressure may scatter by so much about its mean, share. */
const SCATTER = 0.08

/** Which of the four points a speed and temperature are, by the brief; undefined between them. */
export function pointAt(sheet: Sheet, speed: number, temperature: number): PointName | undefined {
  const of = (key: BriefField) => requireValue(sheet, `brief.${key}`).value
  const near = (wanted: number) => Math.abs(speed - wanted) <= NEAR_SPEED * wanted
  const hot = temperature >= of('hotOil') - NEAR_HOT
  if (hot && near(of('idleSpeed'))) return 'idleHot'
  if (hot && near(of('workingSpeed'))) return 'workingHot'
  if (!hot && temperature <= of('coldStart') + NEAR_COLD && near(of('coldIdleSpeed'))) return 'idleCold'
  if (speed > 1.25 * of('coldIdleSpeed') && speed < 0.85 * of('workingSpeed')) return 'fastIdle'
  return undefined
}

/**
 * Finds steady points in a run as it goes: eight seconds in which speed, temperature and pressure stand still. Of each
 * named point the stillest stretch is kept.
 */
export function prepareCapture(sheet: Sheet): {
  take: (sample: RunSample) => SteadyPoint | undefined
  points: Map<PointName, SteadyPoint>
} {
  const points = new Map<PointName, SteadyPoint>()
  const window: Required<Pick<RunSample, 'time' | 'speed' | 'temperature'>>[] = []
  const pressures: number[] = []
  let lookedAt = -Infinity
  const ceiling = Math.max(ceilingOf(sheet, 'idleCold'), ceilingOf(sheet, 'workingHot'))

  function take(sample: RunSample): SteadyPoint | undefined {
    const pressure = sample.gauge ?? sample.pressure
    if (pressure === undefined || sample.speed === undefined || sample.temperature === undefined) return undefined
    window.push({ time: sample.time, speed: sample.speed, temperature: sample.temperature })
    pressures.push(pressure)
    while (window.length > 0 && sample.time - window[0].time > SECONDS) {
      window.shift()
      pressures.shift()
    }
    if (window.length < 8 || sample.time - window[0].time < SECONDS - 0.3 || sample.time - lookedAt < AGAIN)
      return undefined
    lookedAt = sample.time
    const speed = mean(window.map((each) => each.speed))
    const temperature = mean(window.map((each) => each.temperature))
    if (
      speed < 1 ||
      window.some((each) => Math.abs(each.speed - speed) > SPEED * speed) ||
      Math.abs(window[window.length - 1].temperature - window[0].temperature) > WARMS
    )
      return undefined
    const name = pointAt(sheet, speed, temperature)
    const level = mean(pressures)
    const scatter = deviation(pressures)
    // Over the ceiling nothing is steady, whatever the needle does: it is to be stopped.
    if (!name || scatter > SCATTER * Math.max(level, 20e3) || level > ceiling) return undefined
    const before = points.get(name)
    if (before && before.scatter <= scatter && sample.time - before.time < 60) return undefined
    const point = {
      name,
      time: sample.time - 0.5 * SECONDS,
      pressure: level,
      speed,
      temperature,
      scatter,
      readings: window.length,
    }
    points.set(name, point)
    return point
  }
  return { take, points }
}
