import type { Operation } from 'fast-json-patch'
import { suffices } from '#core/house/people'
import { isOwners } from '../../access/rights'
import { enterHouseChange } from '../../data/house'

export default describedHandler(
  {
    about: 'Enters a change to what the shop keeps and answers with the whole of it once it is committed.',
    body: ChangeBody,
  },
  async (event) => {
    const change = await requireJson(event, ChangeBody, 'House')
    const { name, role } = await requireHand(event, change.who)
    if (!suffices(role, 'owner') && change.patch.some(({ path }) => isOwners(path)))
      throw refusal(403, 'role', `${name} may not change limits, target rules or sign-offs: it takes an owner.`)
    const result = await enterHouseChange(requireDatabase(), {
      ...change,
      who: name,
      patch: change.patch as Operation[],
    })
    if (result.kind === 'entered') {
      if (!result.again) announceShop({ kind: 'house', revision: result.row.revision })
      return result.row
    }
    throw changeRefusal(result, 'House')
  },
)
