import { z } from 'zod'
import { shelfToCsv } from '#core/shelf/csv'
import { SHELF_KINDS } from '#core/shelf/fields'
import { listItems } from '../../data/shelf'

const Query = z.object({ kind: z.enum(SHELF_KINDS).optional() })

export default describedHandler(
  { about: 'The shelf as a CSV file, all of it or one kind.', query: Query, gives: 'text/csv' },
  async (event) => {
    const { kind } = requireValid(Query, getQuery(event), 'Shelf file')
    const items = (await listItems(requireDatabase())).filter((item) => !kind || item.kind === kind)
    setResponseHeader(event, 'content-disposition', `attachment; filename="shelf${kind ? `-${kind}` : ''}.csv"`)
    setResponseHeader(event, 'content-type', 'text/csv; charset=utf-8')
    return shelfToCsv(items)
  },
)
