import { z } from 'zod'
import { entriesAfter } from '../../../data/builds'

const Query = z.object({ after: z.coerce.number().int().min(0).max(2_147_483_647).default(0) })

export default describedHandler(
  { about: 'Entries of a build after a revision, in order.', query: Query },
  async (event) => {
    const { after } = requireValid(Query, getQuery(event), 'Entries')
    const { id } = await requireBuild(event)
    return entriesAfter(requireDatabase(), id, after)
  },
)
