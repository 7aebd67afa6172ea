import { resolve } from 'node:path'
import { remedy } from '../backup/service'
import { recordsState } from '../plugins/records'

const data = () => resolve(process.env.ULDO_DATA ?? 'data')

/** Whether the records are open, can really be read, and hold together; what start scripts and tests wait for. */
export default defineEventHandler(async () => {
  const db = requireDatabase()
  try {
    await db.query('select count(*), max(revision), max(changed_at) from build')
  } catch (error) {
    throw refusal(503, 'unreadable', `The records cannot be read: ${(error as Error).message} Stop the server and put a backup back. ${remedy(data())}`)
  }
  const { checked, damage } = recordsState
  if (damage.length > 0) throw refusal(503, 'damaged', `The records do not hold together: ${damage[0].where}: ${damage[0].why}. Stop the server and put a backup back. ${remedy(data())}`, { problems: damage.map(({ where, why }) => ({ path: where, message: why })) })
  return { ready: true, checked, instance: process.env.ULDO_INSTANCE ?? null }
})
