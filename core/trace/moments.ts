import type { Running } from '../engine/engine'
import { momentAt, namedStates } from '../outlook/states'
import { primeSetUpOf } from '../prime/setUp'
import type { Sheet } from '../record/schema'
import type { Moment, TraceReading } from './vocabulary'

/** How an engine stands at a moment of a trace: as its brief and its priming say. */
export function runningAt(sheet: Sheet, moment: Moment): Running {
  const [crankingCold, idleCold, idleHot, workingHot] = namedStates(sheet)
  switch (moment) {
    case 'prime': {
      const { method, drillSpeed, temperature } = primeSetUpOf(sheet)
      return method === 'drill' || method === 'tank'
        ? { speed: 0, pumpSpeed: drillSpeed, temperature, meanPressure: 0 }
        : { ...crankingCold, temperature }
    }
    case 'crank':
      return crankingCold
    case 'first-run':
    case 'cold':
      return idleCold
    case 'idle-hot':
      return idleHot
    case 'working-hot':
      return workingHot
  }
}

/** How the engine stood when a gauge was read: as the reading says, and as its moment does where it says nothing. */
export function runningOf(sheet: Sheet, reading: Omit<TraceReading, 'pressure'>, moment: Moment): Running {
  const own = runningAt(sheet, reading.moment ?? moment)
  const temperature = reading.temperature ?? own.temperature
  return reading.speed === undefined ? { ...own, temperature } : momentAt(sheet, reading.speed, temperature)
}

/** Whether an engine at that moment has not run yet, so that its pump may not have drawn. */
export const beforeItRan = (moment: Moment): boolean =>
  moment === 'prime' || moment === 'crank' || moment === 'first-run'
