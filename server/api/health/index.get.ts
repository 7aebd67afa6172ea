import { resolve } from 'node:path'
import { remedy } from '../../backup/service'
import { recordsState } from '../../plugins/records'

const data = () => resolve(process.env.ULDO_DATA ?? 'data')

export default describedHandler(
  {
    about:
      'Whether the records are open, can really be read, and hold together; what start scripts and tests wait for.',
  },
  async (event) => {
    const db = requireDatabase()
    try {
      await db.query('select count(*), max(revision), max(changed_at) from build')
    } catch (error) {
      if (event.context.actor.kind === 'stranger') throw refusal(503, 'unreadable', 'The records cannot be read.')
      throw refusal(
        503,
        'unreadable',
        `The records cannot be read: ${(error as Error).message} Stop the server and put a backup back. ${remedy(data())}`,
      )
    }
    const { checked, damage } = recordsState
    // Who is not known is told no names and no folders.
    if (damage.length > 0 && event.context.actor.kind === 'stranger')
      throw refusal(503, 'damaged', 'The records do not hold together.')
    if (damage.length > 0)
      throw refusal(
        503,
        'damaged',
        `The records do not hold together: ${damage[0].where}: ${damage[0].why}. Stop the server and put a backup back. ${remedy(data())}`,
        { problems: damage.map(({ where, why }) => ({ path: where, message: why })) },
      )
    return {
      ready: true,
      checked,
      ...(process.env.ULDO_DATABASE_URL ? { keepsWatch: keepsWatch(), hearsOthers: hearsOthers() } : {}),
      instance: process.env.ULDO_INSTANCE ?? null,
      ...(event.context.actor.kind === 'open' ? { network: currentNetwork()?.address ?? null } : {}),
    }
  },
)
