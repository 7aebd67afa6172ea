import { type MoveOrder, moveWithin } from './shelfMoves'
import jsonPatch, { type Operation } from 'fast-json-patch'
import type { Change, Entry } from '#core/record/entry'
import { problemsOfChange } from '#core/engine/checkSheet'
import { type Problem, problemsOf, Sheet } from '#core/record/schema'
import type { Database, Queries } from './database'
import { decide } from './proposals'
import { foreignStamp } from './stamps'

export interface BuildRow {
  id: string
  revision: number
  sheet: Sheet
  changed_at: string
  /** A build to learn on. */
  sandbox?: boolean
}

export type ChangeResult =
  | { kind: 'entered'; entry: Entry; again: boolean }
  | { kind: 'unknown' }
  | { kind: 'conflict'; revision: number; path: string; now: unknown; who: string; at: string }
  /** Made on a revision that this record has not come to: it was put back to an earlier state since. */
  | { kind: 'ahead'; revision: number }
  | { kind: 'invalid'; problems: Problem[] }

/** What belongs to a change beside its patch. */
export interface Belongs {
  /** Moves on the shelf: entered with it or not at all. */
  orders?: MoveOrder[]
  /** Whether it may put nobody's name to what it records but its own. */
  bound?: boolean
  /** The change that waited of which this comes, and who signed it off. */
  signed?: { number: number; by: string; words: string }
}

export async function listBuilds(db: Queries): Promise<BuildRow[]> {
  return (
    await db.query<BuildRow>(
      'select id, revision, sheet, changed_at from build where deleted_at is null and sandbox_until is null order by changed_at desc, id',
    )
  ).rows
}

export async function getBuild(db: Queries, id: string): Promise<BuildRow | undefined> {
  return (
    await db.query<BuildRow>(
      'select id, revision, sheet, changed_at, sandbox_until is not null as sandbox from build where id = $1 and deleted_at is null',
      [id],
    )
  ).rows[0]
}

/** A build to learn on stays so long, when nobody ends it, h. */
const SANDBOX_HOURS = 24

/** Begins a build, or one to learn on; under an id that is there already it is the one that stands. */
export async function insertBuild(db: Queries, id: string, sheet: Sheet, sandbox = false): Promise<BuildRow> {
  await db.query(
    `insert into build (id, revision, sheet, sandbox_until)
      values ($1, 0, $2, case when $3 then now() + interval '${SANDBOX_HOURS} hours' end) on conflict (id) do nothing`,
    [id, JSON.stringify(sheet), sandbox],
  )
  return (await getBuild(db, id))!
}

export async function entriesAfter(db: Queries, id: string, revision: number): Promise<Entry[]> {
  const { rows } = await db.query<EntryRow>(
    'select revision, client_key, device, who, at, patch, inverse, reason, signed_by from entry where build_id = $1 and revision > $2 order by revision',
    [id, revision],
  )
  return rows.map(entryOf)
}

type EntryRow = Omit<Entry, 'clientKey' | 'signedBy'> & { client_key: string; signed_by: string | null }
const entryOf = ({ client_key, signed_by, ...row }: EntryRow): Entry => ({
  ...row,
  clientKey: client_key,
  at: new Date(row.at).toISOString(),
  ...(signed_by === null ? {} : { signedBy: signed_by }),
})

/**
 * Enters a change, once: sheet, revision and entry in one transaction. A change made on an older revision goes in when
 * no other tab has since written to the same path; else it is a conflict, with what is there now. A change sent again under its
 * key gives the entry it made the first time.
 *
 * @throws RangeError in words when the shelf does not hold what is wanted of it
 */
export async function enterChange(
  db: Database,
  id: string,
  change: Change,
  { orders = [], bound = false, signed }: Belongs = {},
): Promise<ChangeResult> {
  return db.transaction(async (tx): Promise<ChangeResult> => {
    const build = (
      await tx.query<BuildRow>(
        'select id, revision, sheet from build where id = $1 and deleted_at is null for update',
        [id],
      )
    ).rows[0]
    if (!build) return { kind: 'unknown' }
    const known = (
      await tx.query<{ revision: number }>('select revision from entry where client_key = $1 and build_id = $2', [
        change.clientKey,
        id,
      ])
    ).rows[0]
    if (known) return { kind: 'entered', entry: (await entriesAfter(tx, id, known.revision - 1))[0], again: true }

    if (change.base > build.revision) return { kind: 'ahead', revision: build.revision }
    const since = change.base < build.revision ? await entriesAfter(tx, id, change.base) : []
    const met = conflictWith(change, since)
    if (met)
      return {
        kind: 'conflict',
        revision: build.revision,
        path: met.path,
        now: valueAt(build.sheet, met.path),
        who: met.entry.who,
        at: met.entry.at,
      }

    const applied = applyPatch(build.sheet, change.patch)
    if ('problems' in applied) return { kind: 'invalid', problems: applied.problems }
    const foreign = bound
      ? await foreignStamp(build.sheet, applied.sheet, change.who, () => entriesAfter(tx, id, 0))
      : undefined
    if (foreign)
      return {
        kind: 'invalid',
        problems: [{ path: foreign.path, message: `bears the name ${foreign.by}, and ${change.who} writes it` }],
      }
    if (signed && !(await decide(tx, signed.number, 'signed', signed.by, signed.words)))
      return { kind: 'invalid', problems: [{ path: 'number', message: 'waits no longer: somebody has dealt with it' }] }
    if (orders.length > 0) await moveWithin(tx, id, change.who, orders, change.clientKey)
    const revision = build.revision + 1
    await tx.query('update build set sheet = $2, revision = $3, changed_at = now() where id = $1', [
      id,
      JSON.stringify(applied.sheet),
      revision,
    ])
    const inverse = jsonPatch.compare(applied.sheet, build.sheet)
    await tx.query(
      'insert into entry (build_id, revision, client_key, device, who, patch, inverse, reason, signed_by) values ($1, $2, $3, $4, $5, $6, $7, $8, $9)',
      [
        id,
        revision,
        change.clientKey,
        change.device,
        change.who,
        JSON.stringify(change.patch),
        JSON.stringify(inverse),
        change.reason,
        signed?.by ?? null,
      ],
    )
    return { kind: 'entered', again: false, entry: (await entriesAfter(tx, id, revision - 1))[0] }
  })
}

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
