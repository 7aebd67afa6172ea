import { z } from 'zod'
import { NAME_LENGTH, type Person, ROLES } from '#core/house/people'
import { hashOf, pinFault } from '../../access/secret'
import { logAccess } from '../../data/accessLog'
import { changePerson, getPassphrase, hasOwner } from '../../data/people'
import { endSessions } from '../../data/sessions'

const Body = z.strictObject({
  role: z.enum(ROLES).optional(),
  /** Another PIN; none from now on where it is null. */
  pin: z.string().max(20).nullable().optional(),
  /** Forgets the wrong PINs. */
  unlock: z.literal(true).optional(),
  /** Works here no longer. */
  gone: z.literal(true).optional(),
  who: z.string().max(NAME_LENGTH).optional(),
})

export default describedHandler(
  {
    about: 'Changes what somebody may, their PIN, or that they work here. Who lost something is signed off at once.',
    body: Body,
  },
  async (event) => {
    const person = await requirePerson(event)
    const { role, pin, unlock, gone, who } = await requireJson(event, Body, 'Person')
    const hand = await requireHand(event, who)
    const db = requireDatabase()
    const fault = typeof pin === 'string' ? pinFault(pin) : undefined
    if (fault) throw refusal(400, 'invalid', fault, { problems: [{ path: 'pin', message: fault }] })
    const loses = gone || pin === null || (role !== undefined && role !== 'owner')
    if (person.role === 'owner' && loses && (await getPassphrase(db)) && !(await hasOwner(db, person.id)))
      throw refusal(409, 'last-owner', `${person.name} is the last owner with a PIN: make another one first.`, {
        problems: [{ path: 'role', message: 'is the last owner with a PIN' }],
      })
    await changePerson(db, person.id, { role, gone, pin: typeof pin === 'string' ? await hashOf(pin) : pin })
    const log = (what: Parameters<typeof logAccess>[1]) => logAccess(db, what, originOf(event), person.name, hand.name)
    if (role !== undefined && role !== person.role) await log('role-changed')
    if (typeof pin === 'string') await log('pin-set')
    if (pin === null) await log('pin-taken')
    if (unlock) await log('unlocked')
    if (gone) await log('person-gone')
    if (gone || pin !== undefined) for (const ended of await endSessions(db, person.id)) announceEnded(ended)
    announceShop({ kind: 'people' })
    return gone
      ? { gone: true }
      : ({ ...person, role: role ?? person.role, pin: pin === undefined ? person.pin : pin !== null } satisfies Person)
  },
)
