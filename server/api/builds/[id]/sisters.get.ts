import { measuredOf, type Sister } from '#core/logbook/sisters'
import { listSisters } from '../../../data/lessons'

export default describedHandler(
  { about: 'The shop’s other engines of a build’s kind with what was measured of them.' },
  async (event): Promise<Sister[]> => {
    const { id } = await requireBuild(event)
    return (await listSisters(requireDatabase(), id)).map(({ build, name, sheet }) => ({
      build,
      name,
      measured: measuredOf(sheet),
    }))
  },
)
