import type { Database } from '../../data/database'
import { createHash } from 'node:crypto'
import { progressOf, type StationProgress } from '#core/progress/progress'
import { openCase } from '#core/trace/cases'
import { withExperience } from '#core/engine/experience'
import { houseRules } from '#core/house/limits'
import type { Sheet } from '#core/record/schema'
import { type FloorRow, listFloor, sheetsOf } from '../../data/floor'
import { getHouse } from '../../data/house'
import { proposalCounts } from '../../data/proposals'
import { unansweredStops } from '../../data/runs'
import { keepStanding, type KeptStanding, listStandings } from '../../data/standings'
import { learntFor, nameLessons, shopLessons } from '../../threads/experience'
import { inThread } from '../../threads/pool'
import type { Standing } from '../../threads/tasks'
import { oiledAt, primedAt, ranAt } from '#core/prime/primed'

/** What the Floor says of a build by its sheet, kept while its revision, the house's rules and the program are the same: of those no sheet is read again. */
interface Known {
  computedFrom: string
  name: string
  engine: string
  work: string
  layout: string
  progress: StationProgress[]
  oiled?: number
  primed?: number
  ran?: number
  tracing?: string
  standing?: Standing
  done: Promise<void>
}
const computed = new Map<string, Known>()
/** The Floor waits so long for how builds stand, ms, and then is told that there is more to come. */
const WAITS = 400

function makeKnown(
  db: Database,
  { id, place }: FloorRow,
  sheet: Sheet,
  computedFrom: string,
  kept: KeptStanding[],
): Known {
  const made: Known = {
    computedFrom,
    name: sheet.name,
    engine: sheet.engine,
    work: sheet.work,
    layout: sheet.layout.preset,
    progress: progressOf(sheet),
    oiled: oiledAt(sheet),
    primed: primedAt(sheet),
    ran: ranAt(sheet),
    tracing: openCase(sheet)?.recorded.opened,
    done: Promise.resolve(),
  }
  // Of what is deleted no model is made.
  if (place === 'deleted') return made
  computed.set(id, made)
  made.standing = kept.find((each) => each.build === id && each.computedFrom === computedFrom)?.standing
  if (!made.standing)
    made.done = learntFor(db, id, sheet, false)
      .then(({ experience }) => inThread('standing', withExperience(sheet, experience), made.oiled !== undefined))
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

export default describedHandler(
  { about: 'All builds with how far each is by this house’s rules, for the Floor.' },
  async () => {
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
    const by = JSON.stringify([useRuntimeConfig().app.buildId, rules, nameLessons(await shopLessons(db, false))])
    const from = (revision: number) => createHash('sha256').update(`${revision} ${by}`).digest('base64')
    const listed = builds.map((build) => ({ build, computedFrom: from(build.revision) }))
    const isKnown = ({ build: { id }, computedFrom }: (typeof listed)[number]) =>
      computed.get(id)?.computedFrom === computedFrom
    const sheets = await sheetsOf(
      db,
      listed.filter((each) => !isKnown(each)).map(({ build }) => build.id),
    )
    const all = listed.flatMap((each) => {
      const { build, computedFrom } = each
      const sheet = sheets.get(build.id)
      const known = sheet
        ? makeKnown(db, build, { ...sheet, house: rules }, computedFrom, kept)
        : computed.get(build.id)
      return known ? [{ ...build, known }] : []
    })
    await Promise.race([
      Promise.allSettled(all.map(({ known }) => known.done)),
      new Promise((done) => setTimeout(done, WAITS)),
    ])
    return all.map(({ id, revision, changed_at, known, place, deleted_by, kept_until }) => {
      const { name, engine, work, layout, progress, ran, oiled, standing, tracing } = known
      // A last prime that read above what the model allows starts no clock.
      const primed = standing?.notPrimed && known.primed === oiled ? ran : oiled
      const good = standing?.good
      return {
        id,
        revision,
        name,
        engine,
        work,
        layout,
        changedAt: changed_at,
        progress,
        primedAt: primed,
        ranAt: ran,
        primedUntil: primed !== undefined && good !== undefined ? primed + 1000 * good : undefined,
        standing,
        tracing,
        stopped: stops.get(id),
        waiting: waiting.get(id) ?? 0,
        place,
        ...(place === 'deleted' ? { deletedBy: deleted_by, keptUntil: kept_until } : {}),
      }
    })
  },
)
