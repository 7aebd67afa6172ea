import { type Hold, ShelfEntry, type ShelfItem } from '#core/shelf/schema'
import type { Database, Queries } from './database'

const COLUMNS = `i.id, i.revision, i.kind, i.label, i.engine, i.count, i.place, i.note, i.price, i.photo, i.properties,
  coalesce((select sum(h.reserved) from shelf_hold h where h.item_id = i.id), 0)::integer as reserved`

type Row = Omit<ShelfItem, 'price' | 'photo'> & { price: number | null; photo: string | null }
const itemOf = ({ price, photo, ...rest }: Row): ShelfItem => ({
  ...rest,
  ...(price === null ? {} : { price }),
  ...(photo === null ? {} : { photo }),
})

export async function listItems(db: Queries): Promise<ShelfItem[]> {
  return (
    await db.query<Row>(`select ${COLUMNS} from shelf_item i where not i.removed order by i.kind, i.engine, i.label`)
  ).rows.map(itemOf)
}

/** What every build holds of every item. */
export async function listHolds(db: Queries): Promise<(Hold & { name: string })[]> {
  return (
    await db.query<Hold & { name: string }>(
      `select h.item_id as item, h.build_id as build, h.reserved, h.taken, b.sheet ->> 'name' as name from shelf_hold h join build b on b.id = h.build_id where h.reserved + h.taken > 0 order by name`,
    )
  ).rows
}

export async function getItem(db: Queries, id: string): Promise<ShelfItem | undefined> {
  const row = (await db.query<Row>(`select ${COLUMNS} from shelf_item i where i.id = $1 and not i.removed`, [id]))
    .rows[0]
  return row && itemOf(row)
}

/** Says who writes, for the history of the shelf, until the transaction ends. */
export async function namesWriter(tx: Queries, who: string): Promise<void> {
  await tx.query("select set_config('uldo.who', $1, true)", [who])
}

/** An item as it was after each change to it. */
export interface ShelfState {
  revision: number
  change: 'insert' | 'update' | 'delete'
  item: Record<string, unknown>
  who: string
  at: string
}

/** What became of an item on the shelf, whoever wrote it, oldest first. */
export async function itemHistory(db: Queries, id: string): Promise<ShelfState[]> {
  return (
    await db.query<ShelfState>(
      'select revision, change, item, who, at from shelf_history where item_id = $1 order by number',
      [id],
    )
  ).rows.map((row) => ({ ...row, at: new Date(row.at).toISOString() }))
}

export type ItemResult =
  | { kind: 'written'; item: ShelfItem }
  | { kind: 'unknown' }
  | { kind: 'conflict'; item: ShelfItem }
  | { kind: 'twice' }
  | { kind: 'held'; reserved: number }

/** The same in a transaction of its own, for somebody. */
export const insertItemBy = (db: Database, entry: ShelfEntry, who: string): Promise<ItemResult> =>
  db.transaction(async (tx) => {
    await namesWriter(tx, who)
    return insertItem(tx, entry)
  })

/** Puts a new item on the shelf; `twice` when one of its kind, label and engine lies there. */
export async function insertItem(db: Queries, entry: ShelfEntry): Promise<ItemResult> {
  const { kind, label, engine, count, place, note, price, photo, properties } = entry
  const { rows } = await db.query<{ id: string }>(
    `insert into shelf_item (kind, label, engine, count, place, note, price, photo, properties) values ($1, $2, $3, $4, $5, $6, $7, $8, $9) 
     on conflict (kind, label, engine) do update set count = excluded.count, place = excluded.place, note = excluded.note, price = excluded.price, photo = excluded.photo, properties = excluded.properties,
       removed = false, revision = shelf_item.revision + 1, changed_at = now() where shelf_item.removed returning id`,
    [kind, label, engine, count, place, note, price ?? null, photo ?? null, JSON.stringify(properties)],
  )
  return rows[0] ? { kind: 'written', item: (await getItem(db, rows[0].id))! } : { kind: 'twice' }
}

/** Writes an item over the revision that it was made on; never fewer of it than are set aside. */
export async function updateItem(
  db: Database,
  id: string,
  base: number,
  entry: ShelfEntry,
  who = 'A program',
): Promise<ItemResult> {
  return db.transaction(async (tx): Promise<ItemResult> => {
    await namesWriter(tx, who)
    await tx.query('select id from shelf_item where id = $1 for update', [id])
    const now = await getItem(tx, id)
    if (!now) return { kind: 'unknown' }
    return now.revision === base ? writeItem(tx, id, now, entry) : { kind: 'conflict', item: now }
  })
}

/** One that was taken off for good under a name makes room for another: its moves stay with it. */
export async function makeRoom(
  tx: Queries,
  { kind, label, engine }: Pick<ShelfEntry, 'kind' | 'label' | 'engine'>,
): Promise<void> {
  await tx.query(
    "update shelf_item set label = left(label, 60) || ' ' || left(id::text, 8) where kind = $1 and label = $2 and engine = $3 and removed",
    [kind, label, engine],
  )
}

export async function writeItem(
  tx: Queries,
  id: string,
  now: ShelfItem,
  { kind, label, engine, count, place, note, price, photo, properties }: ShelfEntry,
): Promise<ItemResult> {
  if (count < now.reserved) return { kind: 'held', reserved: now.reserved }
  await makeRoom(tx, { kind, label, engine })
  const taken =
    (
      await tx.query('select 1 from shelf_item where kind = $1 and label = $2 and engine = $3 and id <> $4', [
        kind,
        label,
        engine,
        id,
      ])
    ).rows.length > 0
  if (taken) return { kind: 'twice' }
  await tx.query(
    'update shelf_item set kind = $2, label = $3, engine = $4, count = $5, place = $6, note = $7, price = $8, photo = $9, properties = $10, revision = revision + 1, changed_at = now() where id = $1',
    [id, kind, label, engine, count, place, note, price ?? null, photo ?? null, JSON.stringify(properties)],
  )
  return { kind: 'written', item: (await getItem(tx, id))! }
}

/** Takes an item off the shelf for good; not while a build holds any of it. */
export async function deleteItem(db: Database, id: string, who = 'A program'): Promise<'gone' | 'unknown' | 'held'> {
  return db.transaction(async (tx) => {
    await namesWriter(tx, who)
    if (!(await getItem(tx, id))) return 'unknown'
    const share =
      (await tx.query('select 1 from shelf_hold where item_id = $1 and reserved + taken > 0', [id])).rows.length > 0
    if (share) return 'held'
    await tx.query(
      'update shelf_item set removed = true, count = 0, revision = revision + 1, changed_at = now() where id = $1',
      [id],
    )
    return 'gone'
  })
}

/** Writes many items in one statement: new ones are added, those of the same kind, label and engine get the new figures. All or none. */
export async function writeItems(
  db: Database,
  entries: ShelfEntry[],
  who = 'A program',
): Promise<{ added: number; changed: number }> {
  const { rows } = await db.transaction(async (tx) => {
    await namesWriter(tx, who)
    return tx.query<{ added: boolean }>(
      `insert into shelf_item as s (kind, label, engine, count, place, note, price, properties)
     select kind, label, engine, count, place, note, price, properties
     from jsonb_to_recordset($1::jsonb) as r(kind text, label text, engine text, count integer, place text, note text, price double precision, properties jsonb)
     on conflict (kind, label, engine) do update set count = greatest(excluded.count, (select coalesce(sum(h.reserved), 0) from shelf_hold h where h.item_id = s.id)), place = excluded.place,
       note = excluded.note, price = excluded.price, properties = excluded.properties, removed = false, revision = s.revision + 1, changed_at = now()
     returning revision = 0 as added`,
      [JSON.stringify(entries)],
    )
  })
  const added = rows.filter((row) => row.added).length
  return { added, changed: rows.length - added }
}
