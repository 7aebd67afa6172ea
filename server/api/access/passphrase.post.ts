import { Passphrase } from '#core/house/forms'
import { MOST_IN_AN_HOUR } from '../../access/lockout'
import { isSecret } from '../../access/secret'
import { logAccess, wrongPassphrases, wrongWithinHour } from '../../data/accessLog'
import { getPassphrase } from '../../data/people'

export default describedHandler(
  { about: 'Makes a device known by the shop’s passphrase: persons sign in on it from then on.', body: Passphrase },
  async (event) => {
    const { passphrase } = await requireJson(event, Passphrase, 'Passphrase')
    if (event.context.actor.kind === 'open') throw refusal(409, 'open', 'On this machine nobody has to sign in.')
    return tryOne(async () => {
      const db = requireDatabase()
      const origin = originOf(event)
      await requireNoWait(event, await wrongPassphrases(db, origin.address), 'passphrases')
      const all = await wrongWithinHour(db)
      if (all.count >= MOST_IN_AN_HOUR)
        throw refusal(
          429,
          'waits',
          `${all.count} wrong passphrases within an hour: nothing is tried until there are fewer. The shop’s own machine shows from where.`,
        )
      const hash = await getPassphrase(db)
      if (!hash || !(await isSecret(hash, passphrase))) {
        await logAccess(db, 'passphrase-wrong', origin)
        throw refusal(403, 'passphrase', 'That is not the shop’s passphrase.', {
          problems: [{ path: 'passphrase', message: 'is not right' }],
        })
      }
      await logAccess(db, 'passphrase-right', origin)
      await beginUserSession(event)
      return { device: true }
    })
  },
)
