import { inspectionsOf, passagesOf } from '../engine/catalogue'
import type { Station } from '../record/quantity'
import { judgeClearance } from '../bearing/judge'
import { bearingsOf, clearanceLimits } from '../parts/clearances'
import { findingOf, leftOutOf } from '../engine/inspections'
import type { Sheet } from '../record/schema'

/** Something at fault on record that the circuit computes with. */
export interface ComputedFault {
  path: string
  /** In a few words: "gallery plug, front left out". */
  about: string
  station: Station
}

/** Plugs left out, bypass valves as they should not be, bearings out of their limit: the numbers are those of the engine as it stands, with these in it. */
export function computedFaults(sheet: Sheet): ComputedFault[] {
  const out = new Set(leftOutOf(sheet))
  const faults: ComputedFault[] = []
  const items = new Map(passagesOf(sheet.layout).map((item) => [item.key, item]))
  for (const inspection of inspectionsOf(sheet.layout)) {
    const item = items.get(inspection.key)
    const found = item && findingOf(sheet, inspection)
    if (!found || found.verdict === 'pass') continue
    if (item.kind === 'bypass' || (out.has(item.key) && item.absent.kind !== 'none'))
      faults.push({
        path: `inspections/${item.key}`,
        about: `${item.label.toLowerCase()}: ${found.words}`,
        station: 'passages',
      })
  }
  for (const record of (['main', 'rod'] as const).flatMap((set) => bearingsOf(sheet, set))) {
    if (record.clearance.source !== 'measured' || record.conflict) continue
    if (judgeClearance(record.clearance, clearanceLimits(sheet, record.set, record.diameter)).verdict === 'stop')
      faults.push({
        path: `readings/${record.set}.${record.number}.bore`,
        about: `${record.label.toLowerCase()} out of its limit`,
        station: 'bearings',
      })
  }
  return faults
}
