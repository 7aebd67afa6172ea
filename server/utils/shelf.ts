import type { H3Event } from 'h3'
import { z } from 'zod'
import type { ShelfItem } from '#core/shelf/schema'
import type { ItemResult } from '../data/shelf'

/** The item that a write made, or a refusal that says what stood in its way. */
export function itemAnswer(result: ItemResult): ShelfItem {
  switch (result.kind) {
    case 'written':
      return result.item
    case 'unknown':
      throw refusal(404, 'unknown-item', 'There is no such item on the shelf.', {
        problems: [{ path: 'item', message: 'names nothing on the shelf' }],
      })
    case 'twice':
      throw refusal(409, 'twice', 'One of that kind and name lies there already: change its count.', {
        problems: [{ path: 'label', message: 'lies on the shelf already' }],
      })
    case 'held':
      throw refusal(409, 'held', `${result.reserved} of it are set aside for builds: release them first.`, {
        problems: [{ path: 'count', message: `must be ${result.reserved} at least` }],
      })
    case 'conflict':
      throw refusal(
        409,
        'conflict',
        `Somebody changed it since: ${result.item.count} lie there now. Look at it again.`,
        { problems: [{ path: 'base', message: `it is at revision ${result.item.revision}` }] },
      )
  }
}

export function requireItemId(event: H3Event): string {
  return requireValid(z.uuid(), getRouterParam(event, 'item'), 'Shelf item id')
}
