import jsonPatch from 'fast-json-patch'
import type { Change, Entry } from '#core/record/entry'
import type { Problem, Sheet } from '#core/record/schema'
import { entriesAfter } from './builds'
import type { Database, Queries } from './database'
import { makeLines } from './lines'
import { applyPatch, conflictWith, valueAt } from './patch'
import { decide } from './proposals'
import { type MoveOrder, moveWithin } from './shelfMoves'
import { foreignStamp } from './stamps'

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

/** A sheet as it stands at a revision and a moment of the database: by the two a write knows that nothing else came between. */
interface Standing {
  revision: number
  moment: string
  sheet: Sheet
}

/** Sheets as they were last written here, so that the next change need not read them; so many at most. */
const written = new WeakMap<Queries, Map<string, Standing>>()
const KEPT = 100

function keep(db: Queries, id: string, standing: Standing): void {
  const all = written.get(db) ?? new Map<string, Standing>()
  written.set(db, all)
  all.delete(id)
  all.set(id, standing)
  if (all.size > KEPT) all.delete(all.keys().next().value!)
}

/** So often a change is tried before it asks for the build alone. */
const UNLOCKED = 3
/** PostgreSQL's word for a key that is there already. */
const TWICE = '23505'

/**
 * Enters a change, once: sheet, revision and entry in one transaction. A change made on an older revision goes in when
 * no other tab has since written to the same path; else it is a conflict, with what is there now. A change sent again under its
 * key gives the entry it made the first time.
 *
 * @throws RangeError in words when the shelf does not hold what is wanted of it
 */
export const enterChange = (db: Database, id: string, change: Change, belongs: Belongs = {}): Promise<ChangeResult> =>
  // Hands at one build would only be in each other's way; those of another server are met by what is written onto.
  lines.next(id, () => enterInTurn(db, id, change, belongs))
const lines = makeLines()

async function enterInTurn(db: Database, id: string, change: Change, belongs: Belongs): Promise<ChangeResult> {
  // Alone it is one statement, which writes only onto what was read: the database is asked half as often.
  if (!belongs.orders?.length && !belongs.signed) {
    const last = written.get(db)?.get(id)
    if (last?.revision === change.base) {
      // What is not entered onto what was written last is looked at anew, with what others have written since.
      const result = await enterOnto(db, id, change, belongs, last).catch(onlyTwice)
      if (result !== 'overtaken' && result.kind === 'entered') return result
    }
    for (let tries = 0; tries < UNLOCKED; tries++) {
      const result = await readAndEnter(db, id, change, belongs).catch(onlyTwice)
      if (result !== 'overtaken') return result
    }
  }
  return db.transaction(async (tx): Promise<ChangeResult> => {
    await tx.query('select 1 from build where id = $1 for update', [id])
    const result = await readAndEnter(tx, id, change, belongs)
    if (result === 'overtaken') throw new Error(`Build ${id} was written to under its lock.`)
    return result
  })
}

/** The same change came twice at once: it is there, and found by its key. */
function onlyTwice(error: unknown): 'overtaken' {
  if ((error as { code?: unknown }).code === TWICE) return 'overtaken'
  throw error
}

/** Enters a change onto the record as it is read now; `overtaken` where another came between the reading and the writing. */
async function readAndEnter(
  db: Queries,
  id: string,
  change: Change,
  belongs: Belongs,
): Promise<ChangeResult | 'overtaken'> {
  const build = (
    await db.query<Standing & { known: number | null }>(
      `select revision, sheet, changed_at::text as moment,
              (select revision from entry where client_key = $2 and build_id = $1) as known
         from build where id = $1 and deleted_at is null`,
      [id, change.clientKey],
    )
  ).rows[0]
  if (!build) return { kind: 'unknown' }
  if (build.known !== null)
    return { kind: 'entered', entry: (await entriesAfter(db, id, build.known - 1))[0], again: true }

  if (change.base > build.revision) return { kind: 'ahead', revision: build.revision }
  const since = change.base < build.revision ? await entriesAfter(db, id, change.base) : []
  if ((since.at(-1)?.revision ?? 0) > build.revision) return 'overtaken'
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
  return enterOnto(db, id, change, belongs, build)
}

/** Enters a change onto a sheet, if it stands so still. */
async function enterOnto(
  db: Queries,
  id: string,
  change: Change,
  { orders = [], bound = false, signed }: Belongs,
  before: Standing,
): Promise<ChangeResult | 'overtaken'> {
  const applied = applyPatch(before.sheet, change.patch)
  if ('problems' in applied) return { kind: 'invalid', problems: applied.problems }
  const foreign = bound
    ? await foreignStamp(before.sheet, applied.sheet, change.who, () => entriesAfter(db, id, 0))
    : undefined
  if (foreign)
    return {
      kind: 'invalid',
      problems: [{ path: foreign.path, message: `bears the name ${foreign.by}, and ${change.who} writes it` }],
    }
  if (signed && !(await decide(db, signed.number, 'signed', signed.by, signed.words)))
    return { kind: 'invalid', problems: [{ path: 'number', message: 'waits no longer: somebody has dealt with it' }] }
  if (orders.length > 0) await moveWithin(db, id, change.who, orders, change.clientKey)
  const sheet = JSON.stringify(applied.sheet)
  const inverse = jsonPatch.compare(applied.sheet, before.sheet)
  const { rows } = await db.query<{ at: string | null; moment: string | null }>(
    `select at, at::text as moment from enter_change($1, $2, $3::timestamptz, $4, $5, $6, $7, $8, $9, $10, $11) as at`,
    [
      id,
      before.revision,
      before.moment,
      sheet,
      change.clientKey,
      change.device,
      change.who,
      JSON.stringify(change.patch),
      JSON.stringify(inverse),
      change.reason,
      signed?.by ?? null,
    ],
  )
  const { at, moment } = rows[0]!
  if (at === null || moment === null) return 'overtaken'
  const revision = before.revision + 1
  // What a transaction writes may yet be taken back.
  if ('transaction' in db) keep(db, id, { revision, moment, sheet: applied.sheet })
  const { clientKey, device, who, patch, reason } = change
  return {
    kind: 'entered',
    again: false,
    entry: {
      revision,
      clientKey: clientKey.toLowerCase(),
      device: device.toLowerCase(),
      who,
      at: new Date(at).toISOString(),
      patch,
      inverse,
      reason,
      ...(signed ? { signedBy: signed.by } : {}),
    },
  }
}
