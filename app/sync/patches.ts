import equal from 'fast-deep-equal'
import jsonPatch, { type Operation } from 'fast-json-patch'

/** A document whose objects on the way to a pointer are copies, and which shares all else with the one that it was. */
function copiedTo<T>(document: T, pointer: string): T {
  const copy = (value: unknown): unknown =>
    Array.isArray(value) ? [...(value as unknown[])] : value && typeof value === 'object' ? { ...value } : value
  const root = copy(document) as T
  let at = root as Record<string, unknown>
  for (const key of pointer.split('/').slice(1, -1).map(jsonPatch.unescapePathComponent)) {
    if (at === null || typeof at !== 'object' || !Object.hasOwn(at, key)) break
    at[key] = copy(at[key])
    at = at[key] as Record<string, unknown>
  }
  return root
}

function appliedOne<T>(document: T, operation: Operation): T {
  const open = 'from' in operation ? copiedTo(document, operation.from) : document
  return jsonPatch.applyOperation(copiedTo(open, operation.path), structuredClone(operation), true, true, true)
    .newDocument as T
}

/** A document with a patch applied, sharing what the patch does not touch; undefined where it does not apply. */
export function applied<T>(document: T, patch: Operation[]): T | undefined {
  try {
    return patch.reduce(appliedOne, document)
  } catch {
    return undefined
  }
}

/** The patch that takes a patch back, path by path: what stood there, or nothing. Throws where the patch does not apply. */
export function takenBack<T extends object>(document: T, patch: Operation[]): Operation[] {
  const back: Operation[] = []
  patch.reduce((now, operation) => {
    const stood = valueAt(now, operation.path)
    const next = appliedOne(now, operation)
    const { path } = operation
    if (stood === undefined) back.unshift({ op: 'remove', path })
    else if (operation.op === 'remove') back.unshift({ op: 'add', path, value: stood })
    else back.unshift({ op: 'replace', path, value: stood })
    return next
  }, document)
  return back
}

/** The document after the next entry; undefined where it must be fetched anew: entries lie between, or it does not apply to what stands here. */
export function afterEntry<T>(
  document: T | undefined,
  revision: number,
  entry: { revision: number; patch: Operation[] },
): T | undefined {
  return document !== undefined && entry.revision === revision + 1 ? applied(document, entry.patch) : undefined
}

/** A document with patches on their way laid over it, one after the other; one that does not apply any more shows nothing. */
export function appliedOver<T>(document: T, patches: Operation[][]): T {
  return patches.reduce((now, patch) => applied(now, patch) ?? now, document)
}

/** What stands at a pointer; undefined where nothing does. */
export function valueAt(document: object, pointer: string): unknown {
  try {
    return jsonPatch.getValueByPointer(document, pointer) as unknown
  } catch {
    return undefined
  }
}

/** Whether two values are the same as the records keep them: whatever the order of their fields, and nothing that is undefined counts. */
export function sameValue(a: unknown, b: unknown): boolean {
  const kept = (value: unknown): unknown => (value === undefined ? undefined : JSON.parse(JSON.stringify(value)))
  return equal(kept(a), kept(b))
}

/** The patch that makes one shop document another: each rule for itself, all else by its first name. */
export function housePatch(before: Record<string, unknown>, after: Record<string, unknown>): Operation[] {
  return Object.keys(after).flatMap((key): Operation[] => {
    if (sameValue(before[key], after[key])) return []
    if (key !== 'rules') return [{ op: 'replace', path: `/${key}`, value: after[key] }]
    const [own, next] = [before.rules, after.rules] as Record<string, unknown>[]
    return [
      ...Object.keys(own)
        .filter((rule) => !(rule in next))
        .map((rule): Operation => ({ op: 'remove', path: `/rules/${rule}` })),
      ...Object.keys(next)
        .filter((rule) => !sameValue(own[rule], next[rule]))
        .map((rule): Operation => ({ op: 'add', path: `/rules/${rule}`, value: next[rule] })),
    ]
  })
}
