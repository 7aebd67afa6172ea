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

/** What stands at a pointer; undefined where nothing does. */
export function valueAt(document: object, pointer: string): unknown {
  try {
    return jsonPatch.getValueByPointer(document, pointer) as unknown
  } catch {
    return undefined
  }
}
