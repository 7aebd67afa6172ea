import { z } from 'zod'
import { logAccess } from '../../data/accessLog'
import { endSession, listSessions } from '../../data/sessions'

export default describedHandler(
  { about: 'Ends a session, and what it listens to: the device has to be given the passphrase again.' },
  async (event) => {
    const id = z.uuid().safeParse(getRouterParam(event, 'session'))
    const session = (await listSessions(requireDatabase())).find((each) => each.id === id.data)
    if (!session)
      throw refusal(404, 'unknown-session', 'That session has ended already.', {
        problems: [{ path: 'session', message: 'has ended' }],
      })
    await endSession(requireDatabase(), session.id)
    announceEnded(session.id)
    await logAccess(
      requireDatabase(),
      'session-ended',
      originOf(event),
      session.person ?? '',
      (await requireHand(event)).name,
    )
    return { gone: true }
  },
)
