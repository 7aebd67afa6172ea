import { listRuns } from '../../../../data/runs'

/** Runs of a build, newest first. */
export default defineEventHandler(async (event) =>
  (await listRuns(requireDatabase(), (await requireBuild(event)).id)).map(shown),
)
