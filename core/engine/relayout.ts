import type { Operation } from 'fast-json-patch'
import { bearingCount } from '../parts/clearances'
import { type Catalogue, catalogueOf } from './catalogue'
import { isCaution } from './checkSheet'
import { Layout, problemsOf, type Problem, type Sheet } from '../record/schema'

/** A layout as it is being edited, checked: what is wrong by field, or the layout. */
export function checkLayout(draft: unknown): { ok: true; layout: Layout } | { ok: false; problems: Problem[] } {
  const parsed = Layout.safeParse(draft)
  return parsed.success ? { ok: true, layout: parsed.data } : { ok: false, problems: problemsOf(parsed.error) }
}

/**
 * The patch that gives a sheet another layout. What the new one has no place for goes with it, in one change, so that one undo brings all of it back; measured values
 * are set aside under the layout that they belong to and come back with it, and never stand for another quantity. What was looked at is asked for again where it means
 * something else now.
 */
export function relayout(sheet: Sheet, layout: Layout): Operation[] {
  const [was, next] = [catalogueOf(sheet.layout), catalogueOf(layout)]
  const { quantities, choices } = next
  const checks = new Set(next.checks.map(({ key }) => key))
  const before = new Map(was.inspections.map((item) => [item.key, item]))
  const after = new Map(next.inspections.map((item) => [item.key, item]))
  const bearings = (['main', 'rod'] as const).flatMap((set) =>
    Array.from({ length: bearingCount({ ...sheet, layout }, set) }, (_, i) => `${set}.${i + 1}`),
  )
  const gone = (record: Record<string, unknown>, path: string, stays: (key: string) => boolean): Operation[] =>
    Object.keys(record)
      .filter((key) => !stays(key))
      .map((key) => ({ op: 'remove', path: `/${path}/${key}` }))
  const otherPump = layout.pumpKind !== sheet.layout.pumpKind
  const parks = (key: string) => !quantities.has(key) || (otherPump && ofPumpKind(was, key))
  const place = (key: string) => (ofPumpKind(was, key) ? `${sheet.layout.pumpKind}.${key}` : `was.${key}`)
  const parked = { ...sheet.parked }
  const back: Operation[] = []
  for (const [key, reading] of Object.entries(sheet.readings)) if (parks(key)) parked[place(key)] = reading
  for (const [name, reading] of Object.entries(sheet.parked ?? {})) {
    const [from, ...rest] = name.split('.')
    const key = rest.join('.')
    const belongs = ofPumpKind(next, key)
      ? from === layout.pumpKind && otherPump
      : from === 'was' && !(key in sheet.readings)
    if (!belongs || !quantities.has(key)) continue
    back.push({ op: 'add', path: `/readings/${key}`, value: reading })
    Reflect.deleteProperty(parked, name)
  }
  // A valve whose place means something else now is looked at again, and so is what was said of a cooler that is gone.
  const asks = (key: string) => {
    const [own, then] = [before.get(key), after.get(key)]
    return (
      then === undefined ||
      (own !== undefined &&
        own.findings.some(
          ({ value, verdict }) => then.findings.find((each) => each.value === value)?.verdict !== verdict,
        ))
    )
  }
  const changed = JSON.stringify(parked) !== JSON.stringify(sheet.parked ?? {})
  return [
    { op: 'replace', path: '/layout', value: layout },
    ...gone(sheet.readings, 'readings', (key) => !parks(key)),
    ...back,
    ...(changed ? [{ op: 'add' as const, path: '/parked', value: parked }] : []),
    ...gone(sheet.checks, 'checks', (key) => checks.has(key) || isCaution(key)),
    ...gone(sheet.shells, 'shells', (key) => bearings.includes(key)),
    ...gone(sheet.choices, 'choices', (key) => choices.has(key)),
    ...gone(sheet.benches, 'benches', (key) => layout.galleryRelief || !key.startsWith('relief2.')),
    ...gone(
      sheet.inspections,
      'inspections',
      (key) => bearings.includes(key.split('.').slice(0, 2).join('.')) || (after.has(key) && !asks(key)),
    ),
  ]
}

/** Whether a reading says one thing of a gear pump and another of a gerotor, under one key. */
const ofPumpKind = ({ quantities }: Catalogue, key: string): boolean => quantities.get(key)?.ofPumpKind ?? false

/** Rods fed front to back, as evenly over the mains as their number allows: where an editor begins. */
export function evenFeed(rods: number, mains: number): number[] {
  return Array.from({ length: rods }, (_, i) => Math.min(mains, 1 + Math.floor((i * mains) / rods)))
}
