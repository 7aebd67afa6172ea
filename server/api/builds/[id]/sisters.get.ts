import { measuredOf, type Sister } from '#core/logbook/sisters'
import { listSisters } from '../../../data/lessons'

/** The shop's other engines of a build's kind with what was measured of them. */
export default defineEventHandler(async (event): Promise<Sister[]> => {
  const { id } = await requireBuild(event)
  return (await listSisters(requireDatabase(), id)).map(({ build, name, sheet }) => ({
    build,
    name,
    measured: measuredOf(sheet),
  }))
})
