import { progressOf } from '#core/progress/progress'
import { listBuilds } from '../../data/builds'

/** All builds with how far each is, for the Floor. */
export default defineEventHandler(async () => {
  const builds = await listBuilds(requireDatabase())
  return builds.map(({ id, revision, sheet, changed_at }) => ({
    id, revision, name: sheet.name, engine: sheet.engine, work: sheet.work, layout: sheet.layout.preset, changedAt: changed_at, progress: progressOf(sheet),
  }))
})
