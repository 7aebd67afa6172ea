import type { Database } from '../data/database'
import { HERE, logAccess } from '../data/accessLog'
import { addPerson, changePerson, listPeople, setPassphrase } from '../data/people'
import { endSessions } from '../data/sessions'
import { guessedFault } from './guessed'
import { hashOf, passphraseFault, pinFault } from './secret'

/**
 * Sets the shop's passphrase, and an owner with a PIN: somebody of the list is made one, another is added. Everything that stood open has ended with it.
 *
 * @returns the sessions that have ended, or why nothing was set
 */
export async function setUpAccess(
  db: Database,
  passphrase: string,
  owner?: { name: string; pin: string },
): Promise<{ ended: string[] } | { fault: string; path: 'passphrase' | 'pin' }> {
  const fault = passphraseFault(passphrase) ?? (await guessedFault(passphrase))
  if (fault) return { fault, path: 'passphrase' }
  const wrong = owner && pinFault(owner.pin)
  if (wrong) return { fault: wrong, path: 'pin' }
  const [hash, pin] = await Promise.all([hashOf(passphrase), owner && hashOf(owner.pin)])
  return db.transaction(async (tx) => {
    await setPassphrase(tx, hash)
    await logAccess(tx, 'passphrase-set', HERE)
    if (owner) {
      const known = (await listPeople(tx)).find(({ name }) => name.toLowerCase() === owner.name.toLowerCase())
      if (known) await changePerson(tx, known.id, { role: 'owner', pin })
      else await addPerson(tx, owner.name, 'owner', pin)
      await logAccess(tx, known ? 'pin-set' : 'person-added', HERE, known?.name ?? owner.name)
    }
    return { ended: await endSessions(tx) }
  })
}
