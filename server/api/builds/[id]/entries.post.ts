import type { Operation } from 'fast-json-patch'
import { z } from 'zod'
import { enterChange } from '../../../data/builds'

const Body = ChangeBody.extend({ orders: z.array(MoveBody).max(100).optional() })

/** Enters a change, with the moves on the shelf that belong to it, and answers once it is committed. */
export default defineEventHandler(async (event) => {
  const id = requireBuildId(event)
  const { orders = [], ...change } = await requireJson(event, Body, 'Change')
  const result = await enterChange(requireDatabase(), id, { ...change, patch: change.patch as Operation[] }, orders).catch((error: unknown) => {
    if (!(error instanceof RangeError)) throw error
    throw refusal(409, 'short', error.message, { problems: [{ path: 'orders', message: error.message }] })
  })
  if (result.kind === 'unknown') throw unknownBuild(id)
  if (result.kind !== 'entered') throw changeRefusal(result, 'Change')
  if (!result.again) {
    announceEntry(id, result.entry)
    if (orders.length > 0) announceShop({ kind: 'shelf' })
  }
  return result.entry
})
