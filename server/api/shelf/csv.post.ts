import { z } from 'zod'
import type { BadRow, shelfFromCsv } from '#core/shelf/csv'
import { writeItems } from '../../data/shelf'
import { inThread, TooBusy } from '../../threads/pool'

/** Largest file, bytes: some tens of thousands of rows. */
const FILE_LIMIT = 8_000_000

const Query = z.object({ who: z.string().trim().min(1).max(60).optional() })

export default describedHandler(
  {
    about: 'Takes a CSV file in: all good rows at once, the bad ones named by line and column.',
    query: Query,
    takes: ['text/csv'],
  },
  async (event) => {
    const { who } = requireValid(Query, getQuery(event), 'Shelf file')
    const { name } = await requireHand(event, who)
    const text = (await requireBytes(event, FILE_LIMIT, 'Shelf file')).toString('utf8')
    requireKeepable(text, 'Shelf file')
    const read = await inThread('shelfCsv', text).catch((error: Error) => {
      throw error instanceof TooBusy ? refusal(429, 'busy', `Shelf file: ${error.message}`) : error
    })
    if ('refused' in read)
      throw refusal(400, 'invalid', `Shelf file: ${read.refused}`, {
        problems: [{ path: 'headings', message: read.refused }],
      })
    const { good, bad } = apart(read)
    const written =
      good.length > 0
        ? await writeItems(
            requireDatabase(),
            good.map(({ entry }) => entry),
            name,
          )
        : { added: 0, changed: 0 }
    return { ...written, bad }
  },
)

/** Rows of the same item twice in one file: the first stands, the others are named. */
function apart({ good, bad }: ReturnType<typeof shelfFromCsv>): ReturnType<typeof shelfFromCsv> {
  const seen = new Map<string, number>()
  const twice: BadRow[] = []
  const first = good.filter(({ line, entry }) => {
    const key = JSON.stringify([entry.kind, entry.label, entry.engine])
    const before = seen.get(key)
    if (before === undefined) seen.set(key, line)
    else twice.push({ line, column: 'label', message: `“${entry.label}” stands in line ${before} already` })
    return before === undefined
  })
  return { good: first, bad: [...bad, ...twice].sort((a, b) => a.line - b.line) }
}
