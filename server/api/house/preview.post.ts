import { z } from 'zod'
import { houseRules } from '#core/house/limits'
import { House } from '#core/house/schema'
import { listBuilds } from '../../data/builds'
import { getHouse } from '../../data/house'
import { heavily, TookTooLong, TooBusy } from '../../heavy/pool'

const Body = z.strictObject({ rules: House.shape.rules, school: House.shape.school })

/** Which builds' verdicts would move by other house rules, before they are written. */
export default defineEventHandler(async (event) => {
  const wanted = await requireJson(event, Body, 'House rules')
  const db = requireDatabase()
  const { house } = await getHouse(db)
  const builds = await listBuilds(db)
  return heavily('preview', builds.map(({ id, sheet }) => ({ id, name: sheet.name, engine: sheet.engine, sheet })), houseRules(house), houseRules(wanted)).catch((error: Error) => {
    throw error instanceof TooBusy || error instanceof TookTooLong ? refusal(503, 'busy', error.message) : error
  })
})
