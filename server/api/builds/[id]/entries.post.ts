import type { Operation } from 'fast-json-patch'
import { z } from 'zod'
import type { Change } from '#core/record/entry'
import { enterChange } from '../../../data/enterChange'
import { applyPatch } from '../../../data/patch'
import { getHouse } from '../../../data/house'
import { propose } from '../../../data/proposals'

const Body = ChangeBody.extend({ orders: z.array(MoveBody).max(100).optional() })

export default describedHandler(
  {
    about:
      'Enters a change, with the moves on the shelf that belong to it, and answers once it is committed. An apprentice’s waits for a sign-off where the house says so.',
    body: Body,
  },
  async (event) => {
    const id = requireBuildId(event)
    const { orders = [], ...body } = await requireJson(event, Body, 'Change')
    const hand = await requireHand(event, body.who)
    const change: Change = { ...body, who: hand.name, patch: body.patch as Operation[] }
    const db = requireDatabase()
    if (hand.role === 'apprentice' && (await getHouse(db)).house.signOff) {
      const { sheet } = await requireBuild(event)
      const applied = applyPatch(sheet, change.patch)
      if ('problems' in applied) throw changeRefusal({ kind: 'invalid', problems: applied.problems }, 'Change')
      const proposal = await propose(db, id, { ...change, orders })
      announceShop({ kind: 'proposals', build: id })
      setResponseStatus(event, 202)
      return { proposal }
    }
    return entered(
      id,
      await enterChange(db, id, change, { orders, bound: hand.bound }).catch(asShort),
      orders.length > 0,
    )
  },
)
