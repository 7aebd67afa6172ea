import { progressOf } from '#core/progress/progress'
import { houseRules } from '#core/house/limits'
import { listBuilds } from '../../data/builds'
import { getHouse } from '../../data/house'
import type { Sheet } from '#core/build/schema'
import { hasRun, primedAt } from '#core/prime/primed'
import { primeClock } from '#core/prime/standing'

/** Prime clocks by build, kept while its revision and the house's rules are the same: they take a while to compute. */
const clocks = new Map<string, { of: string; until: number | undefined }>()

/** When a primed and unstarted engine's prime runs out, ms since 1970. */
function runsOut(id: string, revision: number, sheet: Sheet): number | undefined {
  const at = primedAt(sheet)
  if (at === undefined || hasRun(sheet)) return undefined
  const of = `${revision} ${JSON.stringify(sheet.house?.rules ?? {})}`
  const known = clocks.get(id)
  if (known?.of === of) return known.until
  let until: number | undefined
  try {
    until = at + 1000 * primeClock(sheet).good
  } catch {
    // A sheet that no model can be made of has no clock.
  }
  clocks.set(id, { of, until })
  return until
}

/** All builds with how far each is by this house's rules, for the Floor. */
export default defineEventHandler(async () => {
  const builds = await listBuilds(requireDatabase())
  const house = houseRules((await getHouse(requireDatabase())).house)
  return builds.map(({ id, revision, sheet, changed_at }) => ({
    id, revision, name: sheet.name, engine: sheet.engine, work: sheet.work, layout: sheet.layout.preset, changedAt: changed_at, progress: progressOf({ ...sheet, house }),
    primedAt: primedAt(sheet), primedUntil: runsOut(id, revision, { ...sheet, house }),
  }))
})
