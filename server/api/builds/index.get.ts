import { createHash } from 'node:crypto'
import type { PGlite } from '@electric-sql/pglite'
import { progressOf, type StationProgress } from '#core/progress/progress'
import { openCase } from '#core/trace/cases'
import { withExperience } from '#core/engine/experience'
import { houseRules } from '#core/house/limits'
import { type FloorRow, listFloor } from '../../data/floor'
import { getHouse } from '../../data/house'
import { proposalCounts } from '../../data/proposals'
import { unansweredStops } from '../../data/runs'
import { keepStanding, type KeptStanding, listStandings } from '../../data/standings'
import { learntFor, nameLessons, shopLessons } from '../../threads/experience'
import { inThread } from '../../threads/pool'
import type { Standing } from '../../threads/tasks'
import { oiledAt, primedAt, ranAt } from '#core/prime/primed'

/** What takes a while to compute of a build, kept while its revision, the house's rules and the program are the same. */
interface Known {
  computedFrom: string
  progress: StationProgress[]
  standing?: Standing
  done: Promise<void>
}
const computed = new Map<string, Known>()
/** The Floor waits so long for how builds stand, ms, and then is told that there is more to come. */
const WAITS = 400

function knownOf(db: PGlite, { id, revision, sheet, place }: FloorRow, kept: KeptStanding[], lessons: string): Known {
  const computedFrom = createHash('sha256')
    .update(JSON.stringify([useRuntimeConfig().app.buildId, revision, sheet.house, lessons]))
    .digest('base64')
  const before = computed.get(id)
  if (before?.computedFrom === computedFrom) return before
  const made: Known = { computedFrom, progress: progressOf(sheet), done: Promise.resolve() }
  // Of what is deleted no model is made.
  if (place === 'deleted') return made
  computed.set(id, made)
  made.standing = kept.find((each) => each.build === id && each.computedFrom === computedFrom)?.standing
  if (!made.standing)
    made.done = learntFor(db, id, sheet, false)
      .then(({ experience }) => inThread('standing', withExperience(sheet, experience), oiledAt(sheet) !== undefined))
      .then(
        async (standing) => {
          made.standing = standing
          await keepStanding(db, { build: id, computedFrom, standing })
        },
        // What no model can be made of, or is too much at once, has none: the Floor says so by saying nothing.
        () => void computed.delete(id),
      )
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
  // What an earlier server had computed is read once.
  const kept = computed.size === 0 ? await listStandings(db) : []
  const lessons = nameLessons(await shopLessons(db, false))
  const all = builds
    .map((build) => ({ ...build, sheet: { ...build.sheet, house: rules } }))
    .map((build) => ({ ...build, known: knownOf(db, build, kept, lessons) }))
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
      progress: known.progress,
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
