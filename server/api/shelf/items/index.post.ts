import { ShelfEntry } from '#core/shelf/schema'
import { insertItemBy } from '../../../data/shelf'

export default describedHandler({ about: 'Puts a new item on the shelf.', body: ShelfEntry }, async (event) => {
  const result = await insertItemBy(
    requireDatabase(),
    await requireJson(event, ShelfEntry, 'Shelf item'),
    (await requireHand(event)).name,
  )
  setResponseStatus(event, 201)
  return itemAnswer(result)
})
