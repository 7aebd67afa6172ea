import type { Entry } from '#core/record/entry'
import type { ChangeResult } from '../data/enterChange'

/** Tells everybody of a change that was entered, and gives its entry; refuses where it was not. */
export function entered(id: string, result: ChangeResult, moved: boolean): Entry {
  if (result.kind === 'unknown') throw unknownBuild(id)
  if (result.kind !== 'entered') throw changeRefusal(result, 'Change')
  if (!result.again) {
    announceEntry(id, result.entry)
    if (moved) announceShop({ kind: 'shelf' })
  }
  return result.entry
}

/** What the shelf does not hold, as a refusal; any other error as it is. */
export function asShort(error: unknown): never {
  if (!(error instanceof RangeError)) throw error
  throw refusal(409, 'short', error.message, { problems: [{ path: 'orders', message: error.message }] })
}
