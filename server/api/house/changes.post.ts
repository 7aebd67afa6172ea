import type { Operation } from 'fast-json-patch'
import { enterHouseChange } from '../../data/house'

/** Enters a change to what the shop keeps and answers with the whole of it once it is committed. */
export default defineEventHandler(async (event) => {
  const change = await requireJson(event, ChangeBody, 'House')
  const result = await enterHouseChange(requireDatabase(), { ...change, patch: change.patch as Operation[] })
  if (result.kind === 'entered') {
    if (!result.again) announceShop({ kind: 'house', revision: result.row.revision })
    return result.row
  }
  throw changeRefusal(result, 'House')
})
