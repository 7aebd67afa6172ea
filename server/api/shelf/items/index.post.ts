import { ShelfEntry } from '#core/shelf/schema'
import { insertItem } from '../../../data/shelf'

/** Puts a new item on the shelf. */
export default defineEventHandler(async (event) => {
  const result = await insertItem(requireDatabase(), await requireJson(event, ShelfEntry, 'Shelf item'))
  setResponseStatus(event, 201)
  return itemAnswer(result)
})
