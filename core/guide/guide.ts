import type { Station } from '../record/quantity'
import type { Sheet } from '../record/schema'

/** What a step of the guided build asks for: a reading typed as said, a thing looked at, a check ticked, or a view opened. */
export type Wanted =
  | { kind: 'reading'; key: string; typed: string }
  | { kind: 'inspection'; key: string }
  | { kind: 'check'; key: string }
  | { kind: 'view'; view: string }

/** Where a step of the guide is taken. */
export type GuidePage = Station | 'outlook'

/** A first hour in nine steps: one thing at each station, in the working order, each of which moves or clears something. */
export const GUIDE: Record<GuidePage, Wanted> = {
  brief: { kind: 'reading', key: 'brief.coldStart', typed: '-2 °C' },
  bearings: { kind: 'reading', key: 'main.3.bore', typed: '60.058 mm' },
  pump: { kind: 'reading', key: 'pump.endClearance', typed: '0.12 mm' },
  relief: { kind: 'reading', key: 'relief.freeLength', typed: '49.0 mm' },
  pickup: { kind: 'reading', key: 'pickup.protrusion', typed: '150 mm' },
  passages: { kind: 'inspection', key: 'passage.frontPlug' },
  outlook: { kind: 'view', view: 'moves' },
  prime: { kind: 'check', key: 'prime.packed' },
  start: { kind: 'check', key: 'start.extinguisher' },
}

export const GUIDE_PAGES = Object.keys(GUIDE) as GuidePage[]

/** Whether a step is done by what stands on record, or by the view that was opened. */
export function guideDone(sheet: Sheet, page: GuidePage, opened: ReadonlySet<string>): boolean {
  const wanted = GUIDE[page]
  if (wanted.kind === 'view') return opened.has(wanted.view)
  return wanted.key in { reading: sheet.readings, inspection: sheet.inspections, check: sheet.checks }[wanted.kind]
}

/** The first step that is not done, in the working order; undefined once all are. */
export const guideNext = (sheet: Sheet, opened: ReadonlySet<string>): GuidePage | undefined =>
  GUIDE_PAGES.find((page) => !guideDone(sheet, page, opened))
