import type { PGlite } from '@electric-sql/pglite'
import { FIRST_HOUSE } from '#core/house/first'
import type { House } from '#core/house/schema'
import type { Queries } from './database'

export interface HouseRow {
  revision: number
  house: House
}

/** The shop's document; its first day's until something was written. */
export async function getHouse(db: Queries): Promise<HouseRow> {
  const row = (await db.query<{ revision: number; document: House }>('select revision, document from house')).rows[0]
  return row ? { revision: row.revision, house: row.document } : { revision: 0, house: FIRST_HOUSE }
}

/** Writes the document over the revision it was made on; what is there now when that is no longer the newest. */
export async function putHouse(db: PGlite, base: number, house: House): Promise<{ kind: 'written'; row: HouseRow } | { kind: 'conflict'; row: HouseRow }> {
  return db.transaction(async (tx) => {
    const now = await getHouse(tx)
    if (now.revision !== base) return { kind: 'conflict' as const, row: now }
    const revision = base + 1
    await tx.query('insert into house (id, revision, document) values (1, $1, $2) on conflict (id) do update set revision = $1, document = $2, changed_at = now()', [revision, JSON.stringify(house)])
    return { kind: 'written' as const, row: { revision, house } }
  })
}
