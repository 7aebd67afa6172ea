import { moveItems } from '../../../data/shelfMoves'
import { z } from 'zod'

const Body = z.strictObject({
  who: z.string().trim().min(1, 'must name who moves it').max(60),
  orders: z.array(MoveBody).min(1).max(100),
})

export default describedHandler(
  { about: 'Sets aside, takes or puts back what lies on the shelf, for a build: all of it or nothing.', body: Body },
  async (event) => {
    const { id } = await requireBuild(event)
    const { who, orders } = await requireJson(event, Body, 'Shelf move')
    const { name } = await requireHand(event, who)
    try {
      const items = await moveItems(requireDatabase(), id, name, orders)
      announceShop({ kind: 'shelf' })
      return { items }
    } catch (error) {
      if (!(error instanceof RangeError)) throw error
      throw refusal(409, 'short', error.message, { problems: [{ path: 'orders', message: error.message }] })
    }
  },
)
