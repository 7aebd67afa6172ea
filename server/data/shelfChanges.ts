import { getItem, type ItemResult, makeRoom, namesWriter, writeItem } from './shelf'
import { type Problem, problemsOf } from '#core/record/schema'
import { ShelfEntry, type ShelfItem } from '#core/shelf/schema'
import type { Database, Queries } from './database'

/** Figures of an item by field, properties as `properties.thickness`; null takes one out. */
export type Figures = Record<string, string | number | null>

/** A change to the shelf's items as a browser sends it: an item put there under an id of its own, some of its figures written over what they were, or taken off. */
export type ShelfChange = { clientKey: string; who: string } & (
  | { kind: 'add'; item: string; entry: ShelfEntry }
  | { kind: 'set'; item: string; was: Figures; set: Figures }
  | { kind: 'remove'; item: string }
)

export type ShelfChangeResult =
  | { kind: 'entered'; item?: ShelfItem; again: boolean }
  | Exclude<ItemResult, { kind: 'written' }>
  | { kind: 'overwritten'; item: ShelfItem; field: string }
  | { kind: 'invalid'; problems: Problem[] }

/** Enters a change to the shelf, once. A figure that somebody wrote otherwise since it was looked at is a conflict; other figures of the same item are none. */
export async function enterShelfChange(db: Database, change: ShelfChange): Promise<ShelfChangeResult> {
  return db.transaction(async (tx): Promise<ShelfChangeResult> => {
    const { clientKey, who, ...what } = change
    await namesWriter(tx, who)
    if ((await tx.query('select 1 from shelf_entry where client_key = $1', [clientKey])).rows.length > 0)
      return { kind: 'entered', item: await getItem(tx, change.item), again: true }
    const result = await makeShelfChange(tx, change)
    if (result.kind === 'entered')
      await tx.query('insert into shelf_entry (client_key, item_id, change, who) values ($1, $2, $3, $4)', [
        clientKey,
        change.item,
        JSON.stringify(what),
        who,
      ])
    return result
  })
}

async function makeShelfChange(tx: Queries, change: ShelfChange): Promise<ShelfChangeResult> {
  if (change.kind === 'add') {
    const { kind, label, engine, count, place, note, price, photo, properties } = change.entry
    await makeRoom(tx, change.entry)
    const { affectedRows } = await tx.query(
      'insert into shelf_item (id, kind, label, engine, count, place, note, price, photo, properties) values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10) on conflict (kind, label, engine) do nothing',
      [change.item, kind, label, engine, count, place, note, price ?? null, photo ?? null, JSON.stringify(properties)],
    )
    return affectedRows ? { kind: 'entered', item: (await getItem(tx, change.item))!, again: false } : { kind: 'twice' }
  }
  await tx.query('select id from shelf_item where id = $1 for update', [change.item])
  const now = await getItem(tx, change.item)
  if (!now) return { kind: 'unknown' }
  if (change.kind === 'remove') {
    const share = (
      await tx.query<{ share: number }>(
        'select coalesce(sum(reserved + taken), 0)::integer as share from shelf_hold where item_id = $1',
        [change.item],
      )
    ).rows[0].share
    if (share > 0) return { kind: 'held', reserved: share }
    await tx.query(
      'update shelf_item set removed = true, count = 0, revision = revision + 1, changed_at = now() where id = $1',
      [change.item],
    )
    return { kind: 'entered', again: false }
  }
  const fields = Object.keys(change.set)
  const met = fields.find(
    (field) => figureOf(now, field) !== (change.was[field] ?? null) && figureOf(now, field) !== change.set[field],
  )
  if (met) return { kind: 'overwritten', item: now, field: met }
  const { kind, label, engine, count, place, note, price, photo, properties } = now
  const entry: Record<string, unknown> = {
    kind,
    label,
    engine,
    count,
    place,
    note,
    price,
    photo,
    properties: { ...properties },
  }
  for (const field of fields) {
    const [place, key] = field.startsWith('properties.')
      ? [entry.properties as Record<string, unknown>, field.slice('properties.'.length)]
      : [entry, field]
    if (change.set[field] === null) delete place[key]
    else place[key] = change.set[field]
  }
  const parsed = ShelfEntry.safeParse(entry)
  if (!parsed.success) return { kind: 'invalid', problems: problemsOf(parsed.error) }
  const result = await writeItem(tx, change.item, now, parsed.data)
  return result.kind === 'written' ? { kind: 'entered', item: result.item, again: false } : result
}

/** A figure of an item by its field; null where it has none. */
export function figureOf(item: ShelfItem, field: string): string | number | null {
  const value = field.startsWith('properties.')
    ? item.properties[field.slice('properties.'.length)]
    : (item as unknown as Record<string, unknown>)[field]
  return (value as string | number | undefined) ?? null
}
