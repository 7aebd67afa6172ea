import { progressOf } from '#core/progress/progress'
import { openCase } from '#core/trace/cases'
import { houseRules } from '#core/house/limits'
import { listFloor } from '../../data/floor'
import { getHouse } from '../../data/house'
import { proposalCounts } from '../../data/proposals'
import { unansweredStops } from '../../data/runs'
import { inThread } from '../../threads/pool'
import type { Standing } from '../../threads/tasks'
import type { Sheet } from '#core/record/schema'
import { oiledAt, primedAt, ranAt } from '#core/prime/primed'

/** How builds stand by their models, kept while their revision and the house's rules are the same: they take a while to compute. */
const standings = new Map<string, { of: string; standing?: Standing; done: Promise<void> }>()
/** The Floor waits so long for them, ms, and then is told that there is more to come. */
const WAITS = 400

/** Of what is deleted nothing is computed. */
const NONE: { standing?: Standing; done: Promise<void> } = { done: Promise.resolve() }

function standingOf(id: string, revision: number, sheet: Sheet) {
  const of = `${revision} ${JSON.stringify(sheet.house ?? {})}`
  const known = standings.get(id)
  if (known?.of === of) return known
  const made: { of: string; standing?: Standing; done: Promise<void> } = { of, done: Promise.resolve() }
  // What no model can be made of, or is too much at once, has none: the Floor says so by saying nothing.
  made.done = inThread('standing', sheet, oiledAt(sheet) !== undefined).then(
    (standing) => void (made.standing = standing),
    () => void standings.delete(id),
  )
  standings.set(id, made)
  return made
}

/** All builds with how far each is by this house's rules, for the Floor. */
export default defineEventHandler(async () => {
  const db = requireDatabase()
  const [builds, { house }, stops, waiting] = await Promise.all([
    listFloor(db),
    getHouse(db),
    unansweredStops(db),
    proposalCounts(db),
  ])
  const rules = houseRules(house)
  const all = builds
    .map(({ sheet, ...row }) => ({ ...row, sheet: { ...sheet, house: rules } }))
    .map((build) => ({
      ...build,
      known: build.place === 'deleted' ? NONE : standingOf(build.id, build.revision, build.sheet),
    }))
  await Promise.race([
    Promise.allSettled(all.map(({ known }) => known.done)),
    new Promise((done) => setTimeout(done, WAITS)),
  ])
  return all.map(({ id, revision, sheet, changed_at, known, place, deleted_by, kept_until }) => {
    const ran = ranAt(sheet)
    // A last prime that read above what the model allows starts no clock.
    const primed = known.standing?.notPrimed && primedAt(sheet) === oiledAt(sheet) ? ran : oiledAt(sheet)
    const good = known.standing?.good
    return {
      id,
      revision,
      name: sheet.name,
      engine: sheet.engine,
      work: sheet.work,
      layout: sheet.layout.preset,
      changedAt: changed_at,
      progress: progressOf(sheet),
      primedAt: primed,
      ranAt: ran,
      primedUntil: primed !== undefined && good !== undefined ? primed + 1000 * good : undefined,
      standing: known.standing,
      tracing: openCase(sheet)?.recorded.opened,
      stopped: stops.get(id),
      waiting: waiting.get(id) ?? 0,
      place,
      ...(place === 'deleted' ? { deletedBy: deleted_by, keptUntil: kept_until } : {}),
    }
  })
})
