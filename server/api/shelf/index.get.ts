import { listHolds, listItems } from '../../data/shelf'

/** What lies on the shelf, and what builds hold of it. */
export default defineEventHandler(async () => {
  const db = requireDatabase()
  const [items, holds] = await Promise.all([listItems(db), listHolds(db)])
  return { items, holds }
})
