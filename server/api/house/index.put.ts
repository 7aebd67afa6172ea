import { z } from 'zod'
import { House } from '#core/house/schema'
import { putHouse } from '../../data/house'

const Body = z.strictObject({ base: z.number().int().min(0), house: House })

export default describedHandler(
  { about: 'Writes what the shop keeps, over the revision it was made on.', body: Body },
  async (event) => {
    const { base, house } = await requireJson(event, Body, 'House')
    const result = await putHouse(requireDatabase(), base, house, (await requireHand(event)).name)
    if (result.kind === 'conflict')
      throw refusal(409, 'conflict', 'Somebody changed the house rules since. Look at them again.', {
        problems: [{ path: 'base', message: `the house is at revision ${result.row.revision}` }],
      })
    return result.row
  },
)
