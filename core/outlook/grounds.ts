import { quantityAt } from '../engine/values'
import { ANY_PARTS } from '../parts/list'
import type { Ground } from '../parts/part'
import type { Sheet } from '../record/schema'
import type { StateName } from '../targets/targets'

/** Something that governs a state and of which nothing at all was recorded. */
export interface Missing {
  about: Ground['about']
  /** The reading that would give it grounds. */
  key: string
  label: string
}

/** States in which a relief valve may govern: cold, and at speed. */
const RELIEF_STATES: StateName[] = ['crankingCold', 'idleCold', 'workingHot']

/**
 * What governs a state and stands wholly on the layout's defaults: mains, rods, the pump's displacement and clearances; cold and at speed the relief valves
 * too. While there is any, the state is assumed and not passed.
 */
export function missingGrounds(sheet: Sheet, state: StateName): Missing[] {
  return ANY_PARTS.filter(({ fitted }) => fitted(sheet.layout))
    .flatMap(({ grounds }) => grounds?.(sheet.layout) ?? [])
    .filter(({ states, stands }) => (states === 'all' || RELIEF_STATES.includes(state)) && !stands(sheet))
    .map(({ about, key }) => ({ about, key: key(sheet), label: quantityAt(sheet, key(sheet))?.label ?? key(sheet) }))
}
