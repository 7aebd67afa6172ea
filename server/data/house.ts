import { randomUUID } from 'node:crypto'
import jsonPatch from 'fast-json-patch'
import type { Change, Entry } from '#core/record/entry'
import { type Problem, problemsOf } from '#core/record/schema'
import { FIRST_HOUSE } from '#core/house/first'
import { begunOnArrival, NO_PLAN } from '#core/house/plan'
import { House } from '#core/house/schema'
import { conflictWith, valueAt } from './patch'
import type { Database, Queries } from './database'

export interface HouseRow {
  revision: number
  house: House
}

/** The shop's document; its first day's until something was written. */
export async function getHouse(db: Queries): Promise<HouseRow> {
  const row = (await db.query<{ revision: number; document: House }>('select revision, document from house')).rows[0]
  // What was put back from before there was a plan has none.
  return row
    ? { revision: row.revision, house: { ...row.document, plan: row.document.plan ?? NO_PLAN } }
    : { revision: 0, house: FIRST_HOUSE }
}

async function writeHouse(
  tx: Queries,
  { revision, house: written }: HouseRow,
  before: House,
  change: Pick<Change, 'clientKey' | 'device' | 'who' | 'patch' | 'reason'>,
): Promise<HouseRow> {
  const house = { ...written, plan: begunOnArrival(before.plan, written.plan, new Date().toISOString()) }
  await tx.query(
    'insert into house (id, revision, document) values (1, $1, $2) on conflict (id) do update set revision = $1, document = $2, changed_at = now()',
    [revision, JSON.stringify(house)],
  )
  await tx.query(
    'insert into house_entry (revision, client_key, device, who, patch, inverse, reason) values ($1, $2, $3, $4, $5, $6, $7)',
    [
      revision,
      change.clientKey,
      change.device,
      change.who,
      JSON.stringify(change.patch),
      JSON.stringify(jsonPatch.compare(house, before)),
      change.reason,
    ],
  )
  return { revision, house }
}

/** Writes the document over the revision it was made on; what is there now when that is no longer the newest. */
export async function putHouse(
  db: Database,
  base: number,
  house: House,
  who = 'A program',
): Promise<{ kind: 'written'; row: HouseRow } | { kind: 'conflict'; row: HouseRow }> {
  return db.transaction(async (tx) => {
    await tx.query('lock table house in exclusive mode')
    const now = await getHouse(tx)
    if (now.revision !== base) return { kind: 'conflict' as const, row: now }
    const patch = jsonPatch.compare(now.house, house)
    return {
      kind: 'written' as const,
      row: await writeHouse(tx, { revision: base + 1, house }, now.house, {
        clientKey: randomUUID(),
        device: randomUUID(),
        who,
        patch,
        reason: 'the whole document',
      }),
    }
  })
}

export type HouseChangeResult =
  | { kind: 'entered'; row: HouseRow; again: boolean }
  | { kind: 'conflict'; revision: number; path: string; now: unknown; who: string; at: string }
  | { kind: 'ahead'; revision: number }
  | { kind: 'invalid'; problems: Problem[] }

/** Enters a change to what the shop keeps, once, by the same rules as a change to a build: other paths merge, the same path is a conflict. */
export async function enterHouseChange(db: Database, change: Change): Promise<HouseChangeResult> {
  return db.transaction(async (tx): Promise<HouseChangeResult> => {
    await tx.query('lock table house in exclusive mode')
    const now = await getHouse(tx)
    if ((await tx.query('select 1 from house_entry where client_key = $1', [change.clientKey])).rows.length > 0)
      return { kind: 'entered', row: now, again: true }
    if (change.base > now.revision) return { kind: 'ahead', revision: now.revision }
    const met = conflictWith(change, await houseEntriesAfter(tx, change.base))
    if (met)
      return {
        kind: 'conflict',
        revision: now.revision,
        path: met.path,
        now: valueAt(now.house, met.path),
        who: met.entry.who,
        at: met.entry.at,
      }
    let document: unknown
    try {
      document = jsonPatch.applyPatch(structuredClone(now.house), change.patch, true, true, true).newDocument
    } catch (error) {
      return {
        kind: 'invalid',
        problems: [
          {
            path: (error as { operation?: { path: string } }).operation?.path ?? 'patch',
            message: 'cannot be applied here',
          },
        ],
      }
    }
    const parsed = House.safeParse(document)
    if (!parsed.success) return { kind: 'invalid', problems: problemsOf(parsed.error) }
    return {
      kind: 'entered',
      again: false,
      row: await writeHouse(tx, { revision: now.revision + 1, house: parsed.data }, now.house, change),
    }
  })
}

/** What was changed of what the shop keeps after a revision, in order. */
export async function houseEntriesAfter(db: Queries, revision: number): Promise<Entry[]> {
  const { rows } = await db.query<Omit<Entry, 'clientKey'> & { client_key: string }>(
    'select revision, client_key, device, who, at, patch, inverse, reason from house_entry where revision > $1 order by revision',
    [revision],
  )
  return rows.map(({ client_key, ...row }) => ({ ...row, clientKey: client_key, at: new Date(row.at).toISOString() }))
}
