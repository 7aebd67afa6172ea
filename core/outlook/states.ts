import type { ReadingKey } from '../parts/list'
import type { Running } from '../engine/engine'
import type { Sheet } from '../record/schema'
import { requireValue } from '../engine/values'
import { STATE_NAMES, type StateName } from '../targets/targets'

export const STATE_LABELS: Record<StateName, string> = {
  crankingCold: 'Cranking cold',
  idleCold: 'Idle cold',
  idleHot: 'Idle hot',
  workingHot: 'Working hot',
}

/** Mean cylinder pressure over the working stroke at idle and at working speed, Pa: only places the journals in their films. */
const MEAN_PRESSURE = { idle: 0.3e6, working: 1.2e6 }

/** Mean cylinder pressure at a speed, Pa: as at idle up to there, rising evenly to working speed, the same above. */
export function meanPressureAt(sheet: Sheet, speed: number): number {
  const idle = requireValue(sheet, 'brief.idleSpeed').value
  const working = requireValue(sheet, 'brief.workingSpeed').value
  const share = working > idle ? Math.min(1, Math.max(0, (speed - idle) / (working - idle))) : 0
  return MEAN_PRESSURE.idle + share * (MEAN_PRESSURE.working - MEAN_PRESSURE.idle)
}

/** A moment at a crank speed, rev/s, and an oil temperature, °C, with the cylinder pressure that goes with the speed. */
export function momentAt(sheet: Sheet, speed: number, temperature: number): Running {
  return { speed, temperature, meanPressure: meanPressureAt(sheet, speed) }
}

/** Evenly from one value to another, both among them. */
export function evenly(from: number, to: number, count: number): number[] {
  return Array.from({ length: count }, (_, i) => from + ((to - from) * i) / (count - 1))
}

/** Crank speeds from cranking to the maximum, evenly, rev/s. */
export function speedsOver(sheet: Sheet, count: number): number[] {
  return evenly(
    requireValue(sheet, 'brief.crankingSpeed').value,
    requireValue(sheet, 'brief.maximumSpeed').value,
    count,
  )
}

const SPEEDS: Record<StateName, ReadingKey> = {
  crankingCold: 'brief.crankingSpeed',
  idleCold: 'brief.coldIdleSpeed',
  idleHot: 'brief.idleSpeed',
  workingHot: 'brief.workingSpeed',
}

export interface NamedState extends Running {
  name: StateName
}

/** The four states a build is judged at. */
export function namedStates(sheet: Sheet): NamedState[] {
  const cold = requireValue(sheet, 'brief.coldStart').value
  const hot = requireValue(sheet, 'brief.hotOil').value
  return STATE_NAMES.map((name) => {
    const speed = requireValue(sheet, SPEEDS[name]).value
    return {
      name,
      speed,
      temperature: name === 'crankingCold' || name === 'idleCold' ? cold : hot,
      meanPressure: meanPressureAt(sheet, speed),
    }
  })
}
