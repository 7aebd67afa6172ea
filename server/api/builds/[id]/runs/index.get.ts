import { z } from 'zod'
import { listRuns, listRunsWhole } from '../../../../data/runs'

const Asked = z.object({ events: z.enum(['yes', 'no']).default('no') })

export default describedHandler(
  { about: 'Runs of a build, newest first; with their events where they are asked for.', query: Asked },
  async (event) => {
    const { events } = requireValid(Asked, getQuery(event), 'Runs')
    const { id } = await requireBuild(event)
    return (await (events === 'yes' ? listRunsWhole : listRuns)(requireDatabase(), id)).map(shown)
  },
)
