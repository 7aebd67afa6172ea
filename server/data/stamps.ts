import type { Entry } from '#core/record/entry'
import jsonPatch from 'fast-json-patch'

/** Something in a sheet that says who recorded it. */
interface Stamped {
  path: string
  by: string
  /** What was recorded, without what others may add to it. */
  act: string
}

/** What may be added to a record by another hand than its own: of a case also that a check was left, and that it is closed. */
const ADDED = ['note', 'photos', 'skipped', 'closed']

const isStamped = (value: unknown) =>
  typeof value === 'object' && value !== null && typeof (value as { by?: unknown }).by === 'string'

/** What somebody recorded, with its keys in one order whatever kept it, and without what others recorded inside of it: each of those has its own hand. */
function own(value: unknown): unknown {
  if (Array.isArray(value)) return value.filter((each) => !isStamped(each)).map(own)
  if (typeof value !== 'object' || value === null) return value
  return Object.entries(value)
    .filter(([, each]) => !isStamped(each))
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([key, each]) => [key, own(each)])
}

/** Everything under a value that says who recorded it, by path. */
function* stampsIn(value: unknown, path: string): Generator<Stamped> {
  if (typeof value !== 'object' || value === null) return
  if (isStamped(value)) {
    const { by, ...rest } = value as { by: string } & Record<string, unknown>
    for (const key of ADDED) delete rest[key]
    yield { path, by, act: JSON.stringify([by, own(rest)]) }
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
