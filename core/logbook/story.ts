import equal from 'fast-deep-equal'
import type { Operation } from 'fast-json-patch'
import { catalogueOf } from '../engine/catalogue'
import type { Entry } from '../record/entry'
import { applied, valueAt } from '../record/patched'
import type { Station } from '../record/quantity'
import type { Sheet } from '../record/schema'

/** What a line of a build's story is about. */
export const STORY_KINDS = [
  'reading',
  'look',
  'choice',
  'shells',
  'bench',
  'case',
  'service',
  'oil',
  'engine',
  'photo',
  'note',
  'run',
] as const
export type StoryKind = (typeof STORY_KINDS)[number]

/** One thing that was written of a build, by whom and when, with what stood there before. */
export interface StoryLine {
  /** The build's revision after it; 0 is what the record began with. */
  revision: number
  /** ISO 8601; undefined where the record does not say when. */
  at?: string
  who?: string
  signedBy?: string
  kind: StoryKind
  /** Where it belongs; undefined where it is of the whole engine. */
  station?: Station | 'trace'
  /** Part of the sheet, and the key in it: `readings`, `main.4.bore`. */
  part: string
  key: string
  before?: unknown
  after?: unknown
  reason: string
}

/** What is kept by keys in a sheet. */
const KEYED: Record<string, StoryKind> = {
  readings: 'reading',
  checks: 'look',
  inspections: 'look',
  choices: 'choice',
  shells: 'shells',
  benches: 'bench',
  cases: 'case',
  services: 'service',
}
const FIELDS: Record<string, StoryKind> = { oil: 'oil', oils: 'oil', fill: 'oil' }
/** What others may add to something that was recorded. */
const ADDED: Partial<Record<string, StoryKind>> = { photos: 'photo', note: 'note' }

/** A build as it was after each of its entries, the newest first, down to what it began with. */
export function* formerSheets(sheet: Sheet, entries: readonly Pick<Entry, 'revision' | 'inverse'>[]) {
  let document = sheet
  for (const { revision, inverse } of [...entries].reverse()) {
    yield { revision, sheet: document }
    const before = applied(document, inverse)
    if (!before) throw new RangeError(`logbook: entry ${revision} cannot be taken back`)
    document = before
  }
  yield { revision: 0, sheet: document }
}

/**
 * The build as it was at one of its revisions.
 *
 * @throws {RangeError} where an entry cannot be taken back
 */
export function sheetAt(
  sheet: Sheet,
  entries: readonly Pick<Entry, 'revision' | 'inverse'>[],
  revision: number,
): Sheet {
  for (const former of formerSheets(sheet, entries)) if (former.revision <= revision) return former.sheet
  return sheet
}

/** The story of a build, the newest first: everything that was entered, and before it what the record began with, by the hands and times that stand in it. */
export function storyOf(sheet: Sheet, entries: readonly Entry[]): StoryLine[] {
  const former = [...formerSheets(sheet, entries)]
  const lines: StoryLine[] = []
  for (let i = 0; i < former.length - 1; i++) {
    const entry = entries[entries.length - 1 - i]!
    const [after, before] = [former[i]!.sheet, former[i + 1]!.sheet]
    const { revision, at, who, signedBy, reason } = entry
    for (const place of placesOf(entry.patch)) {
      const path = place.key === undefined ? `/${place.part}` : `/${place.part}/${place.key}`
      const [was, is] = [valueAt(before, path), valueAt(after, path)]
      if (equal(was, is)) continue
      const key = place.key ?? place.part
      lines.push({
        revision,
        at,
        who,
        ...(signedBy ? { signedBy } : {}),
        kind: kindOf(place, was, is),
        station: stationOf(was === undefined ? after : before, place.part, key) ?? stationOf(after, place.part, key),
        part: place.part,
        key,
        ...(was === undefined ? {} : { before: was }),
        ...(is === undefined ? {} : { after: is }),
        reason,
      })
    }
  }
  return [...lines, ...beginningOf(former.at(-1)!.sheet)]
}

/** What stands otherwise in a later sheet than in an earlier one. */
export function differences(earlier: Sheet, later: Sheet): StoryLine[] {
  return Object.keys({ ...earlier, ...later })
    .filter((part) => part !== 'house')
    .flatMap((part): StoryLine[] => {
      const [was, is] = [earlier, later].map(
        (sheet) => sheet[part as 'readings'] as Record<string, unknown> | undefined,
      )
      const keys = part in KEYED ? [...new Set([...Object.keys(was ?? {}), ...Object.keys(is ?? {})])] : [undefined]
      return keys.flatMap((key): StoryLine[] => {
        const [before, after] = key === undefined ? [was, is] : [was?.[key], is?.[key]]
        if (equal(before, after)) return []
        return [
          {
            revision: 0,
            kind: kindOf({ part }, before, after),
            station: stationOf(later, part, key ?? part) ?? stationOf(earlier, part, key ?? part),
            part,
            key: key ?? part,
            ...(before === undefined ? {} : { before }),
            ...(after === undefined ? {} : { after }),
            reason: '',
          },
        ]
      })
    })
}

interface Place {
  part: string
  key?: string
  /** What lies under the key, where only that was written. */
  under?: string
}

/** Places of a sheet that a patch touches, each once. */
function placesOf(patch: readonly Operation[]): Place[] {
  const places = new Map<string, Place>()
  for (const { path } of patch) {
    const [part = '', key, under] = path
      .slice(1)
      .split('/')
      .map((each) => each.replaceAll('~1', '/').replaceAll('~0', '~'))
    const place = part in KEYED && key !== undefined ? { part, key, under } : { part }
    const name = `${place.part}/${place.key ?? ''}`
    // What was written whole stands above what was added to it.
    if (!places.has(name) || place.under === undefined) places.set(name, place)
  }
  return [...places.values()]
}

function kindOf({ part, under }: Place, was: unknown, is: unknown): StoryKind {
  const added = was !== undefined && is !== undefined && under !== undefined ? ADDED[under] : undefined
  return added ?? KEYED[part] ?? FIELDS[part] ?? 'engine'
}

/** What the record began with: what says by whom and when it was recorded. */
function beginningOf(sheet: Sheet): StoryLine[] {
  const lines = ['readings', 'checks', 'inspections', 'benches'].flatMap((part) =>
    Object.entries(sheet[part as 'readings']).map(([key, value]): StoryLine => ({
      revision: 0,
      ...(value.at ? { at: value.at } : {}),
      ...(value.by ? { who: value.by } : {}),
      kind: KEYED[part]!,
      station: stationOf(sheet, part, key),
      part,
      key,
      after: value,
      reason: '',
    })),
  )
  return lines.sort((a, b) => (b.at ?? '').localeCompare(a.at ?? ''))
}

/** Benches and shells stand at one station; all else where the layout says. */
function stationOf({ layout }: Sheet, part: string, key: string): StoryLine['station'] {
  if (part === 'benches') return 'relief'
  if (part === 'shells') return 'bearings'
  if (part === 'cases') return 'trace'
  // What becomes of a running engine follows its first start.
  if (part === 'services') return 'start'
  const { quantities, checks, inspections } = catalogueOf(layout)
  if (part === 'readings') return quantities.get(key)?.station
  if (part === 'checks') return checks.find((each) => each.key === key)?.station
  if (part === 'inspections') return inspections.find((each) => each.key === key)?.station
  return part === 'choices' || part in KEYED ? undefined : 'brief'
}
