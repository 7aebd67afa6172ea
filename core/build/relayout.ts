import type { Operation } from 'fast-json-patch'
import { bearingCount } from './clearances'
import { checksOf } from './checks'
import { inspectionsOf } from './inspections'
import { quantitiesOf } from './quantities'
import { Layout, problemsOf, type Problem, type Sheet } from './schema'

/** A layout as it is being edited, checked: what is wrong by field, or the layout. */
export function checkLayout(draft: unknown): { ok: true; layout: Layout } | { ok: false; problems: Problem[] } {
  const parsed = Layout.safeParse(draft)
  return parsed.success ? { ok: true, layout: parsed.data } : { ok: false, problems: problemsOf(parsed.error) }
}

/**
 * The patch that gives a sheet another layout: what the new one has no place for goes with it, in one change, so that one undo
 * brings all of it back.
 */
export function relayout(sheet: Sheet, layout: Layout): Operation[] {
  const quantities = new Set(quantitiesOf(layout).map(({ key }) => key))
  const checks = new Set(checksOf(layout).map(({ key }) => key))
  const inspections = new Set(inspectionsOf(layout).map(({ key }) => key))
  const bearings = (['main', 'rod'] as const).flatMap((set) => Array.from({ length: bearingCount({ ...sheet, layout }, set) }, (_, i) => `${set}.${i + 1}`))
  const gone = (record: Record<string, unknown>, path: string, stays: (key: string) => boolean): Operation[] =>
    Object.keys(record).filter((key) => !stays(key)).map((key) => ({ op: 'remove', path: `/${path}/${key}` }))
  return [
    { op: 'replace', path: '/layout', value: layout },
    ...gone(sheet.readings, 'readings', (key) => quantities.has(key)),
    ...gone(sheet.checks, 'checks', (key) => checks.has(key) || key.startsWith('caution.')),
    ...gone(sheet.shells, 'shells', (key) => bearings.includes(key)),
    ...gone(sheet.inspections, 'inspections', (key) => inspections.has(key) || bearings.includes(key.split('.').slice(0, 2).join('.'))),
  ]
}

/** Rods fed front to back, as evenly over the mains as their number allows: where an editor begins. */
export function evenFeed(rods: number, mains: number): number[] {
  return Array.from({ length: rods }, (_, i) => Math.min(mains, 1 + Math.floor((i * mains) / rods)))
}
