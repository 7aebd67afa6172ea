import { z } from 'zod'
import { ShelfEntry } from '#core/shelf/schema'
import { updateItem } from '../../../data/shelf'

const Body = z.strictObject({ base: z.number().int().min(0), entry: ShelfEntry })

export default describedHandler(
  { about: 'Writes an item over the revision that it was made on.', body: Body },
  async (event) => {
    const id = requireItemId(event)
    const { base, entry } = await requireJson(event, Body, 'Shelf item')
    return itemAnswer(await updateItem(requireDatabase(), id, base, entry, (await requireHand(event)).name))
  },
)
