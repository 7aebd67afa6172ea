import { PinChange } from '#core/house/forms'
import { hashOf, isSecret, pinFault } from '../../access/secret'
import { logAccess, wrongPins } from '../../data/accessLog'
import { changePerson, pinOf } from '../../data/people'
import { endSessions } from '../../data/sessions'

export default describedHandler(
  {
    about:
      'Gives whoever is signed in another PIN, for the one that stands; every other session of theirs has ended with it.',
    body: PinChange,
  },
  async (event) => {
    const { now, pin } = await requireJson(event, PinChange, 'PIN')
    const { actor } = event.context
    if (actor.kind !== 'person') throw refusal(409, 'open', 'On this machine PINs are set under House rules, People.')
    const fault = pinFault(pin)
    if (fault) throw refusal(400, 'invalid', fault, { problems: [{ path: 'pin', message: fault }] })
    return tryOne(async () => {
      const db = requireDatabase()
      await requireNoWait(event, await wrongPins(db, actor.name), `PINs for ${actor.name}`, actor.name)
      const hash = await pinOf(db, actor.id)
      if (!hash || !(await isSecret(hash, now))) {
        await logAccess(db, 'pin-wrong', originOf(event), actor.name)
        throw refusal(403, 'pin', 'The PIN that stands is another.', {
          problems: [{ path: 'now', message: 'is not right' }],
        })
      }
      await changePerson(db, actor.id, { pin: await hashOf(pin) })
      await logAccess(db, 'pin-set', originOf(event), actor.name, actor.name)
      for (const ended of await endSessions(db, actor.id)) announceEnded(ended)
      await beginUserSession(event, actor.id, actor.device)
      return { set: true }
    })
  },
)
