import jsonPatch, { type Operation } from 'fast-json-patch'
import { z } from 'zod'
import type { Change, Entry } from '#core/record/entry'
import { problemsOfChange } from '#core/engine/checkSheet'
import { type Problem, problemsOf, Sheet } from '#core/record/schema'

/** What a sheet has of its shop: no change of a record writes it. */
const SHOPS: Problem[] = [
  { path: '/house', message: 'is the shop’s, not the build’s: change it under House rules' },
  { path: '/experience', message: 'is learnt from the shop’s starts: it is counted or not by choices/shop.experience' },
]

/** The members of a sheet that are records by a key, such as its readings. */
const RECORDS = new Set(
  Object.entries(Sheet.shape).flatMap(([member, schema]) => {
    const inner = 'unwrap' in schema ? schema.unwrap() : schema
    return inner instanceof z.ZodRecord ? [member] : []
  }),
)
/** Whether a sheet has all that each has: one of an earlier version is filled up as it is written. */
const ALWAYS = Object.entries(Sheet.shape).flatMap(([member, schema]) =>
  schema instanceof z.ZodOptional ? [] : [member as keyof Sheet],
)
const isWhole = (sheet: Sheet) => ALWAYS.every((member) => sheet[member] !== undefined)

/** What a patch writes into: members of a sheet, whole or by their keys; undefined where it may be anything. */
type Touched = Map<string, 'whole' | Set<string>>

function touchedBy(patch: Operation[]): Touched | undefined {
  const touched: Touched = new Map()
  for (const operation of patch)
    for (const path of 'from' in operation ? [operation.path, operation.from] : [operation.path]) {
      const [start, member, key] = path.split('/').map(jsonPatch.unescapePathComponent)
      if (start !== '' || member === undefined || !Object.hasOwn(Sheet.shape, member)) return undefined
      const before = touched.get(member)
      if (key === undefined || !RECORDS.has(member) || before === 'whole') touched.set(member, 'whole')
      else touched.set(member, (before ?? new Set<string>()).add(key))
    }
  return touched
}

/** A sheet whose touched parts are its own, to be written into: the others are those of the sheet that it comes of. */
function copyOf(sheet: Sheet, touched: Touched | undefined): Record<string, unknown> {
  if (!touched) return jsonPatch.deepClone(sheet) as Record<string, unknown>
  const copy: Record<string, unknown> = { ...sheet }
  for (const [member, keys] of touched) {
    const own = copy[member]
    if (own === undefined) continue
    if (keys === 'whole') {
      copy[member] = jsonPatch.deepClone(own)
      continue
    }
    const record = { ...(own as Record<string, unknown>) }
    for (const key of keys) if (Object.hasOwn(record, key)) record[key] = jsonPatch.deepClone(record[key])
    copy[member] = record
  }
  return copy
}

/** Whether the touched parts are as a sheet's are, as the schema reads them; undefined where the whole is to be looked at to say what is wrong. */
function parsedParts(document: Record<string, unknown>, touched: Touched): Sheet | undefined {
  const sheet = { ...document }
  for (const [member, keys] of touched) {
    const schema = Sheet.shape[member as keyof Sheet]
    const now = document[member]
    const part =
      keys === 'whole' || typeof now !== 'object' || now === null
        ? now
        : Object.fromEntries(Object.entries(now).filter(([key]) => keys.has(key)))
    const parsed = schema.safeParse(part)
    if (!parsed.success) return undefined
    if (parsed.data === undefined) delete sheet[member]
    else sheet[member] = part === now ? parsed.data : { ...(now as object), ...(parsed.data as object) }
  }
  return sheet as Sheet
}

/**
 * The sheet after a patch, checked against the schema; or what is wrong, by path. What the patch does not write into is not looked at again, and is the same in both: neither may be written into
 * afterwards.
 */
export function applyPatch(sheet: Sheet, patch: Operation[]): { sheet: Sheet } | { problems: Problem[] } {
  const touched = isWhole(sheet) ? touchedBy(patch) : undefined
  let document: Record<string, unknown>
  try {
    document = jsonPatch.applyPatch(copyOf(sheet, touched), patch, true, true, true).newDocument
  } catch (error) {
    const operation = (error as { operation?: Operation }).operation
    return {
      problems: [
        {
          path: operation?.path ?? 'patch',
          message: `cannot be applied here (${(error as Error).name === 'JsonPatchError' ? (error as { name: string; message: string }).message.split('\n')[0] : 'unknown'})`,
        },
      ],
    }
  }
  const shops = SHOPS.find(({ path }) => patch.some((operation) => overlap(operation.path, path)))
  if (shops) return { problems: [shops] }
  let after = touched && parsedParts(document, touched)
  if (!after) {
    const parsed = Sheet.safeParse(document)
    if (!parsed.success) return { problems: problemsOf(parsed.error) }
    after = parsed.data
  }
  const problems = problemsOfChange(
    sheet,
    after,
    patch.map(({ path }) => path),
  )
  return problems.length > 0 ? { problems } : { sheet: after }
}

/** The newest entry that another hand made on one of a change's paths since it was made, out of its sight. */
export function conflictWith(
  change: Pick<Change, 'device' | 'knows' | 'patch'>,
  since: Entry[],
): { entry: Entry; path: string } | undefined {
  const out = since
    .filter(({ device, clientKey }) => device !== change.device && !change.knows?.includes(clientKey))
    .reverse()
  for (const entry of out) {
    const met = change.patch.find((own) => entry.patch.some((theirs) => overlap(own.path, theirs.path)))
    if (met) return { entry, path: met.path }
  }
  return undefined
}

function overlap(a: string, b: string): boolean {
  return a === b || a.startsWith(`${b}/`) || b.startsWith(`${a}/`)
}

export function valueAt(document: object, path: string): unknown {
  try {
    return jsonPatch.getValueByPointer(document, path) ?? null
  } catch {
    return null
  }
}
