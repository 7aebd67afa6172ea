import type { Entry } from '#core/record/entry'
import jsonPatch from 'fast-json-patch'

/** Something in a sheet that says who recorded it. */
interface Stamped {
  path: string
  by: string
  /** What was recorded, without what others may add to it. */
  act: string
}

/** What may be added to a record by another hand than its own. */
const ADDED = ['note', 'photos']

/** Everything under a value that says who recorded it, by path. */
function* stampsIn(value: unknown, path: string): Generator<Stamped> {
  if (typeof value !== 'object' || value === null) return
  const { by } = value as { by?: unknown }
  if (typeof by === 'string')
    yield {
      path,
      by,
      act: JSON.stringify(
        Object.entries(value)
          .filter(([key]) => !ADDED.includes(key))
          .sort(([a], [b]) => (a < b ? -1 : 1)),
      ),
    }
  for (const [key, each] of Object.entries(value))
    yield* stampsIn(each, `${path}/${key.replaceAll('~', '~0').replaceAll('/', '~1')}`)
}

/**
 * What a change would put under a name that is not its maker's, and that never stood there so: an undo gives back what another hand had recorded, a note beside a reading
 * leaves it its hand; everything else is a name that somebody put to it.
 *
 * @param before the sheet that it was made on
 * @param name whose change it is
 * @param entries everything entered until then, the newest last
 * @returns the first such path; undefined when there is none
 */
export function foreignStamp(
  before: object,
  after: object,
  name: string,
  entries: () => Promise<Pick<Entry, 'inverse'>[]>,
): Promise<{ path: string; by: string } | undefined> {
  const stood = new Map([...stampsIn(before, '')].map(({ path, act }) => [path, act]))
  const foreign = [...stampsIn(after, '')].filter(({ path, by, act }) => by !== name && stood.get(path) !== act)
  return foreign.length === 0 ? Promise.resolve(undefined) : everStood(before, foreign, entries)
}

async function everStood(
  before: object,
  foreign: Stamped[],
  entries: () => Promise<Pick<Entry, 'inverse'>[]>,
): Promise<{ path: string; by: string } | undefined> {
  const left = new Map(foreign.map((stamp) => [stamp.path, stamp]))
  let document = structuredClone(before)
  for (const { inverse } of (await entries()).reverse()) {
    document = jsonPatch.applyPatch(document, structuredClone(inverse), false, true).newDocument
    for (const { path, act } of stampsIn(document, '')) if (left.get(path)?.act === act) left.delete(path)
    if (left.size === 0) return undefined
  }
  const [first] = left.values()
  return first
}
