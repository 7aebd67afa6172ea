import { listHolds, listItems } from '../../data/shelf'

export default describedHandler({ about: 'What lies on the shelf, and what builds hold of it.' }, async () => {
  const db = requireDatabase()
  const [items, holds] = await Promise.all([listItems(db), listHolds(db)])
  return { items, holds }
})
