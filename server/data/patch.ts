import jsonPatch, { type Operation } from 'fast-json-patch'
import type { Change, Entry } from '#core/record/entry'
import { problemsOfChange } from '#core/engine/checkSheet'
import { type Problem, problemsOf, Sheet } from '#core/record/schema'

/** What a sheet has of its shop: no change of a record writes it. */
const SHOPS: Problem[] = [
  { path: '/house', message: 'is the shop’s, not the build’s: change it under House rules' },
  { path: '/experience', message: 'is learnt from the shop’s starts: it is counted or not by choices/shop.experience' },
]

/** The sheet after a patch, checked against the schema; or what is wrong, by path. */
export function applyPatch(sheet: Sheet, patch: Operation[]): { sheet: Sheet } | { problems: Problem[] } {
  let document: unknown
  try {
    document = jsonPatch.applyPatch(structuredClone(sheet), patch, true, true, true).newDocument
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
  const parsed = Sheet.safeParse(document)
  if (!parsed.success) return { problems: problemsOf(parsed.error) }
  const problems = problemsOfChange(
    sheet,
    parsed.data,
    patch.map(({ path }) => path),
  )
  return problems.length > 0 ? { problems } : { sheet: parsed.data }
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
