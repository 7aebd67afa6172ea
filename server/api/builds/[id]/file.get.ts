import { houseRules } from '#core/house/limits'
import { getHouse } from '../../../data/house'
import { experienced } from '../../../threads/experience'

export default describedHandler(
  {
    about:
      'The build as a file to keep or to send, with the house rules that it is judged by here and what the shop’s other engines say of its model.',
  },
  async (event) => {
    const { id, sheet } = await requireBuild(event)
    setResponseHeader(event, 'content-disposition', `attachment; filename="${fileNameOf(sheet.name)}.uldo.json"`)
    setResponseHeader(event, 'content-type', 'application/json')
    const db = requireDatabase()
    const { house } = await getHouse(db)
    return JSON.stringify({ ...(await experienced(db, id, sheet)), house: houseRules(house) }, null, 2)
  },
)
