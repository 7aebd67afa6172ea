import { z } from 'zod'
import { samplesToCsv } from '#core/run/csv'
import { samplesAfter } from '../../../data/runs'

const Most = z.coerce.number().int().min(1).max(20_000).default(20_000)

export default describedHandler(
  {
    about: 'Samples after a millisecond, as JSON in pieces, or all of them as a CSV file.',
    query: z.object({ after: z.number().optional(), most: Most, format: z.literal('csv').optional() }),
  },
  async (event) => {
    const run = await requireRun(event)
    const query = getQuery(event)
    if (query.format === 'csv') {
      setResponseHeader(event, 'content-type', 'text/csv; charset=utf-8')
      setResponseHeader(
        event,
        'content-disposition',
        `attachment; filename="${run.kind}-${run.startedAt.slice(0, 16).replaceAll(':', '')}.csv"`,
      )
      return samplesToCsv(await samplesAfter(requireDatabase(), run.id, -1, 1_000_000))
    }
    return samplesAfter(
      requireDatabase(),
      run.id,
      requireAfter(query.after),
      requireValid(Most, query.most, 'Readings'),
    )
  },
)
