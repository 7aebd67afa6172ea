import { progressOf } from '#core/progress/progress'
import { houseRules } from '#core/house/limits'
import { listBuilds } from '../../data/builds'
import { getHouse } from '../../data/house'
import type { Sheet } from '#core/build/schema'
import { hasRun, primedAt } from '#core/prime/primed'
import { heavily } from '../../heavy/pool'

/** Prime clocks by build, kept while its revision and the house's rules are the same: they take a while to compute. */
const clocks = new Map<string, { of: string; until: number | undefined }>()

/** When a primed and unstarted engine's prime runs out, ms since 1970. Computed once for each state of its record, off the event loop; unknown until then. */
async function runsOut(id: string, revision: number, sheet: Sheet): Promise<number | undefined> {
  const at = primedAt(sheet)
  if (at === undefined || hasRun(sheet)) return undefined
  const of = `${revision} ${JSON.stringify(sheet.house?.rules ?? {})}`
  const known = clocks.get(id)
  if (known?.of === of) return known.until
  // A sheet that no model can be made of has no clock.
  const until = await heavily('primeGood', sheet).then((good) => at + 1000 * good, () => undefined)
  clocks.set(id, { of, until })
  return until
}

/** All builds with how far each is by this house's rules, for the Floor. */
export default defineEventHandler(async () => {
  const builds = await listBuilds(requireDatabase())
  const house = houseRules((await getHouse(requireDatabase())).house)
  return Promise.all(builds.map(async ({ id, revision, sheet, changed_at }) => ({
    id, revision, name: sheet.name, engine: sheet.engine, work: sheet.work, layout: sheet.layout.preset, changedAt: changed_at, progress: progressOf({ ...sheet, house }),
    primedAt: primedAt(sheet), primedUntil: await runsOut(id, revision, { ...sheet, house }),
  })))
})
