import { bearingsOf } from '../parts/clearances'
import { pumpDisplacement } from '../parts/pumpRecord'
import type { Sheet } from '../record/schema'
import { catalogueOf, heldValue } from '../engine/values'
import { benchLog, springRateOf } from '../parts/reliefRecord'
import type { StateName } from '../targets/targets'

/** Something that governs a state and of which nothing at all was recorded. */
export interface Missing {
  about: 'mains' | 'rods' | 'displacement' | 'pump clearances' | 'relief valve' | 'gallery relief valve'
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
  const missing: Missing[] = []
  const catalogue = catalogueOf(sheet.layout)
  const lacks = (about: Missing['about'], key: string) =>
    missing.push({ about, key, label: catalogue.get(key)?.label ?? key })
  for (const [set, about] of [
    ['main', 'mains'],
    ['rod', 'rods'],
  ] as const) {
    const records = bearingsOf(sheet, set)
    if (records.some(({ clearance, chosen }) => clearance.source !== 'layout' || chosen)) continue
    const first = records.find(({ journal }) => !journal)
    lacks(about, first ? `${set}.${first.number}.journal` : `${set}.1.bore`)
  }
  if (pumpDisplacement(sheet).source === 'layout') lacks('displacement', 'pump.displacement')
  const gaps = ['pump.endClearance', 'pump.tipClearance']
  if (gaps.every((key) => !(key in sheet.readings))) lacks('pump clearances', gaps[0])
  if (RELIEF_STATES.includes(state)) {
    if (!valveHasGrounds(sheet, 'relief')) lacks('relief valve', 'relief.springRate')
    if (sheet.layout.galleryRelief && !valveHasGrounds(sheet, 'relief2'))
      lacks('gallery relief valve', 'relief2.springRate')
  }
  return missing
}

/** Whether anything of what sets a valve's opening was recorded: spring, lengths or plunger, or a bench reading. */
export function valveHasGrounds(sheet: Sheet, valve: 'relief' | 'relief2'): boolean {
  if (springRateOf(sheet, valve).source !== 'layout') return true
  if (benchLog(sheet, valve).some(({ fitted }) => fitted)) return true
  return ['freeLength', 'installedLength', 'plungerDiameter'].some((field) => {
    const held = heldValue(sheet, `${valve}.${field}`)
    return held !== undefined && held.source !== 'layout'
  })
}
