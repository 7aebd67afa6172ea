import { z } from 'zod'
import { verdictMoves } from '#core/house/preview'
import { houseRules } from '#core/house/limits'
import { House } from '#core/house/schema'
import { listBuilds } from '../../data/builds'
import { getHouse } from '../../data/house'

const Body = z.strictObject({ rules: House.shape.rules, school: House.shape.school })

/** Which builds' verdicts would move by other house rules, before they are written. */
export default defineEventHandler(async (event) => {
  const wanted = await requireJson(event, Body, 'House rules')
  const db = requireDatabase()
  const { house } = await getHouse(db)
  const builds = await listBuilds(db)
  return builds.flatMap(({ id, sheet }) => {
    const moves = movesOf({ ...sheet, house: houseRules(house) }, houseRules(wanted))
    return moves.length > 0 ? [{ id, name: sheet.name, engine: sheet.engine, moves }] : []
  })
})

/** A build that cannot be computed has no verdicts to move. */
function movesOf(...[sheet, rules]: Parameters<typeof verdictMoves>) {
  try {
    return verdictMoves(sheet, rules)
  } catch (error) {
    if (error instanceof RangeError) return []
    throw error
  }
}
