import { deleteItem } from '../../../data/shelf'

export default describedHandler({ about: 'Takes an item off the shelf for good.' }, async (event) => {
  const result = await deleteItem(requireDatabase(), requireItemId(event), (await requireHand(event)).name)
  if (result === 'unknown') return itemAnswer({ kind: 'unknown' })
  if (result === 'held')
    throw refusal(409, 'held', 'A build holds some of it: put that back first.', {
      problems: [{ path: 'item', message: 'is held by a build' }],
    })
  return { gone: true }
})
