import { z } from 'zod'
import { Pin } from '#core/house/forms'
import { isSecret } from '../../access/secret'
import { logAccess, wrongPins } from '../../data/accessLog'
import { getPerson, pinOf } from '../../data/people'

const Body = Pin.extend({ person: z.uuid() })

export default describedHandler(
  { about: 'Signs somebody in by a PIN, on a device that knows the passphrase.', body: Body },
  async (event) => {
    const { person: id, pin } = await requireJson(event, Body, 'Sign in')
    const { actor } = event.context
    if (actor.kind !== 'device' && actor.kind !== 'person')
      throw refusal(409, 'open', 'On this machine nobody has to sign in.')
    return tryOne(async () => {
      const db = requireDatabase()
      const origin = originOf(event)
      const person = await getPerson(db, id)
      const hash = await pinOf(db, id)
      if (!person || !hash)
        throw refusal(403, 'pin', 'Nobody of that name signs in here.', {
          problems: [{ path: 'person', message: 'has no PIN' }],
        })
      await requireNoWait(event, await wrongPins(db, person.name), `PINs for ${person.name}`, person.name)
      if (!(await isSecret(hash, pin))) {
        await logAccess(db, 'pin-wrong', origin, person.name)
        throw refusal(403, 'pin', `That is not ${person.name}’s PIN.`, {
          problems: [{ path: 'pin', message: 'is not right' }],
        })
      }
      await logAccess(db, 'pin-right', origin, person.name)
      announceEnded(actor.session)
      await beginUserSession(event, person.id, actor.device)
      return { person: { id: person.id, name: person.name, role: person.role } }
    })
  },
)
