import type { BriefField } from '../parts/list'
import type { Sheet } from '../record/schema'
import { requireValue } from '../engine/values'
import { usableSheet } from '../engine/usableSheet'
import { ceilingOf, ruleOf } from '../house/limits'
import { oilOf } from '../record/oil'
import { targetAt } from '../outlook/outlook'
import { namedStates } from '../outlook/states'
import { HARD_LIMIT } from './verdict'

/** What a start is held against whatever else fails. SI, °C. */
export interface WatchRules {
  /** Crank speed while the starter turns it, and from which on it has fired, rev/s. */
  cranking: number
  firing: number
  /** Speeds that an engine runs at, from the lowest idle to the highest, rev/s: where no speed is read. */
  speeds: [number, number]
  /** Coldest start and hot oil, °C: where no temperature is read. */
  temperatures: [number, number]
  deadline: number
  /** Ceiling with cold oil and with hot, Pa. */
  ceilingCold: number
  ceilingHot: number
  /** Under it after arrival the pressure is lost, Pa. */
  loss: number
  /** s under the band. */
  outOfBand: number
  /** Share lost at steady speed. */
  falling: number
}

/** Most that an engine may show and be said to have lost its pressure, Pa. */
const MOST_LOSS = 0.3e5

/** The rules of a sheet. They need no model, and a sheet that no model can be made of has them too. */
export function watchRules(whole: Sheet): WatchRules {
  const { sheet } = usableSheet(whole)
  const of = (key: BriefField) => requireValue(sheet, `brief.${key}`).value
  const idleHot = namedStates(sheet).find(({ name }) => name === 'idleHot')!
  const wanted = targetAt(sheet, oilOf(sheet), idleHot).least
  return {
    cranking: of('crankingSpeed'),
    firing: 1.6 * of('crankingSpeed'),
    speeds: [0.75 * Math.min(of('idleSpeed'), of('coldIdleSpeed')), Math.max(of('maximumSpeed'), of('workingSpeed'))],
    temperatures: [Math.min(of('coldStart'), 15), of('hotOil')],
    deadline: Math.min(HARD_LIMIT, ruleOf(sheet, 'start.deadline')),
    ceilingCold: ceilingOf(sheet, 'idleCold'),
    ceilingHot: ceilingOf(sheet, 'workingHot'),
    loss: Math.min(MOST_LOSS, 0.5 * wanted),
    outOfBand: ruleOf(sheet, 'start.outOfBand'),
    falling: ruleOf(sheet, 'start.falling'),
  }
}

/** Oil temperatures between which the ceiling goes from cold to hot, °C. */
const COLD_TO_HOT = [40, 80]

/** Ceiling for oil of a temperature, Pa: cold until it warms, hot once it has, between them by the degree; the higher where nobody knows. */
export function ceilingAt(
  { ceilingCold, ceilingHot }: Pick<WatchRules, 'ceilingCold' | 'ceilingHot'>,
  temperature: number | undefined,
): number {
  if (temperature === undefined) return Math.max(ceilingCold, ceilingHot)
  const [cold, warm] = COLD_TO_HOT
  const hot = Math.min(1, Math.max(0, (temperature - cold) / (warm - cold)))
  return ceilingCold + hot * (ceilingHot - ceilingCold)
}
