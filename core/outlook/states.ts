import type { Running } from '../build/engine'
import type { Sheet } from '../build/schema'
import { requireValue } from '../build/values'
import { STATE_NAMES, type StateName } from '../targets/targets'

export const STATE_LABELS: Record<StateName, string> = {
  crankingCold: 'Cranking cold', idleCold: 'Idle cold', idleHot: 'Idle hot', workingHot: 'Working hot',
}

/** Mean cylinder pressure over the working stroke, Pa: only places the journals in their films. */
const MEAN_PRESSURE: Record<StateName, number> = { crankingCold: 0.3e6, idleCold: 0.4e6, idleHot: 0.3e6, workingHot: 1.2e6 }

const SPEEDS: Record<StateName, string> = {
  crankingCold: 'brief.crankingSpeed', idleCold: 'brief.coldIdleSpeed', idleHot: 'brief.idleSpeed', workingHot: 'brief.workingSpeed',
}

export interface NamedState extends Running {
  name: StateName
}

/** The four states a build is judged at. */
export function namedStates(sheet: Sheet): NamedState[] {
  const cold = requireValue(sheet, 'brief.coldStart').value
  const hot = requireValue(sheet, 'brief.hotOil').value
  return STATE_NAMES.map((name) => ({
    name,
    speed: requireValue(sheet, SPEEDS[name]).value,
    temperature: name === 'crankingCold' || name === 'idleCold' ? cold : hot,
    meanPressure: MEAN_PRESSURE[name],
  }))
}
