import { houseRules } from '#core/house/limits'
import { getHouse } from '../../../data/house'

/** The build as a file to keep or to send, with the house rules that it is judged by here. */
export default defineEventHandler(async (event) => {
  const { sheet } = await requireBuild(event)
  const name =
    sheet.name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'build'
  setResponseHeader(event, 'content-disposition', `attachment; filename="${name}.uldo.json"`)
  setResponseHeader(event, 'content-type', 'application/json')
  const { house } = await getHouse(requireDatabase())
  return JSON.stringify({ ...sheet, house: houseRules(house) }, null, 2)
})
