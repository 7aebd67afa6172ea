import { withoutFitted } from '../parts/reliefBench'
import type { BriefField } from '../parts/list'
import type { Sheet } from '../record/schema'
import { reliefValve } from '../parts/reliefRecord'
import { requireValue } from '../engine/values'
import type { PumpGaps } from '../pump/slip'
import { modelOf } from './model'
import { FULL_SAMPLES } from './solved'
import { type PumpLoad, pumpLoad } from './pumpLoad'
import { type StateReadings, stateReadings } from './change'

/** A pump that could go into a build. */
export interface CandidatePump extends PumpGaps {
  id: string
  label: string
  /** m³/rev */
  displacement: number
}

export interface PumpComparison {
  /** Nothing for the pump that is fitted. */
  id?: string
  label: string
  displacement: number
  states: StateReadings
  /** At working speed, hot. */
  working: PumpLoad
  /** At maximum speed, hot, and at cold idle: where suction is hardest. */
  fastest: PumpLoad
  coldest: PumpLoad
}

/** Compares pumps for this engine: what each gives at the four states, what it takes at speed, whether the suction keeps up; the fitted one first, then with a stiffer relief spring. */
export function comparePumps(
  sheet: Sheet,
  candidates: CandidatePump[],
  fitted: { label: string; displacement: number },
): PumpComparison[] {
  const of = (each: Sheet): Omit<PumpComparison, 'label' | 'displacement'> => {
    const speed = (key: BriefField) => requireValue(each, `brief.${key}`).value
    const [hot, cold] = [speed('hotOil'), speed('coldStart')]
    const model = modelOf(each)
    return {
      states: stateReadings(each, FULL_SAMPLES),
      working: pumpLoad(model, speed('workingSpeed'), hot),
      fastest: pumpLoad(model, speed('maximumSpeed'), hot),
      coldest: pumpLoad(model, speed('coldIdleSpeed'), cold),
    }
  }
  return [
    { ...fitted, ...of(sheet) },
    {
      id: STIFFER,
      label: 'Spring a tenth stiffer',
      displacement: fitted.displacement,
      ...of(withStifferSpring(sheet)),
    },
    ...candidates.map((pump) => ({
      id: pump.id,
      label: pump.label,
      displacement: pump.displacement,
      ...of(withPump(sheet, pump)),
    })),
  ]
}

/** Stands for the fitted pump with a stiffer spring: the other school's answer. */
export const STIFFER = 'stiffer-spring'

function withStifferSpring(sheet: Sheet): Sheet {
  const { springRate, freeLength } = reliefValve(sheet)
  const readings: Sheet['readings'] = {
    ...sheet.readings,
    'relief.springRate': { value: 1.1 * springRate, source: 'measured' },
    'relief.freeLength': { value: freeLength, source: 'measured' },
  }
  // What the bench said was of the other spring.
  delete readings['relief.benchPressure']
  return { ...sheet, readings, benches: withoutFitted(sheet, 'relief') }
}

/** The sheet with another pump in it, as measured. */
export function withPump(sheet: Sheet, pump: Omit<CandidatePump, 'id' | 'label'>): Sheet {
  const readings = { ...sheet.readings }
  delete readings['pump.centres']
  for (const field of ['displacement', 'rotorDiameter', 'rotorLength', 'endClearance', 'tipClearance'] as const)
    readings[`pump.${field}`] = { value: pump[field], source: 'measured' }
  return { ...sheet, readings }
}
