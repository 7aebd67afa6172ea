import { BYPASS_WORDS } from '../parts/passage'
import { passagesOf } from '../engine/catalogue'
import type { Sheet } from '../record/schema'
import { type StateReadings, stateReadings } from './change'

/** What the gauge would say with a passage item as it should not be. */
export interface PassageEffect {
  key: string
  /** The finding that it is the effect of: `left-out`, or how a bypass valve stands. */
  finding: string
  states: StateReadings
}

/** The sheet with one passage found otherwise. */
export function withFinding(sheet: Sheet, key: string, finding: string): Sheet {
  return { ...sheet, inspections: { ...sheet.inspections, [key]: { ...sheet.inspections[key], finding } } }
}

/** Readings with everything as it is, then with each passage item left out, and each bypass valve in every way it can stand. */
export function passageEffects(sheet: Sheet): { now: StateReadings; effects: PassageEffect[] } {
  const effects = passagesOf(sheet.layout).flatMap(({ key, kind, absent }): PassageEffect[] => {
    const findings = kind === 'bypass' ? Object.keys(BYPASS_WORDS) : absent.kind === 'none' ? [] : ['left-out']
    return findings.map((finding) => ({ key, finding, states: stateReadings(withFinding(sheet, key, finding)) }))
  })
  return { now: stateReadings(sheet), effects }
}
