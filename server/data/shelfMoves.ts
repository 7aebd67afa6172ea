import { getItem, listItems, namesWriter } from './shelf'
import { type ShelfItem } from '#core/shelf/schema'
import { moved, type Move } from '#core/shelf/stock'
import type { Database, Queries } from './database'

export interface MoveOrder {
  clientKey: string
  item: string
  move: Move
  count: number
}

/** Moves several items for a build, all or none; an order sent again under its key is passed over. Throws RangeError in words when there is not so much. */
export async function moveItems(db: Database, build: string, who: string, orders: MoveOrder[]): Promise<ShelfItem[]> {
  return db.transaction(async (tx) => {
    await moveWithin(tx, build, who, orders)
    return listItems(tx)
  })
}

/** The same inside a transaction: with the change of a record that the moves belong to. */
export async function moveWithin(
  tx: Queries,
  build: string,
  who: string,
  orders: MoveOrder[],
  entryKey?: string,
): Promise<void> {
  const { rows } = await tx.query('select 1 from build where id = $1 and sandbox_until is not null', [build])
  if (rows.length > 0) throw new RangeError('item: the sample engine takes nothing from the shelf')
  await namesWriter(tx, who)
  for (const { clientKey, item: id, move, count } of orders) {
    const known = (await tx.query('select 1 from shelf_move where client_key = $1', [clientKey])).rows.length > 0
    if (known) continue
    await tx.query('select id from shelf_item where id = $1 for update', [id])
    const item = await getItem(tx, id)
    if (!item) throw new RangeError(`item: ${id} does not lie on the shelf`)
    const share = (
      await tx.query<{ reserved: number; taken: number }>(
        'select reserved, taken from shelf_hold where item_id = $1 and build_id = $2',
        [id, build],
      )
    ).rows[0] ?? { reserved: 0, taken: 0 }
    let next: ReturnType<typeof moved>
    try {
      next = moved(item, share, move, count)
    } catch (error) {
      throw new RangeError(`${item.label}: ${(error as Error).message.replace(/^count: /, '')}`, { cause: error })
    }
    await tx.query('update shelf_item set count = $2, revision = revision + 1, changed_at = now() where id = $1', [
      id,
      next.stock.count,
    ])
    await tx.query(
      'insert into shelf_hold (item_id, build_id, reserved, taken) values ($1, $2, $3, $4) on conflict (item_id, build_id) do update set reserved = $3, taken = $4',
      [id, build, next.share.reserved, next.share.taken],
    )
    await tx.query(
      'insert into shelf_move (client_key, item_id, build_id, move, count, who, entry_key) values ($1, $2, $3, $4, $5, $6, $7)',
      [clientKey, id, build, move, count, who, entryKey ?? null],
    )
  }
}
