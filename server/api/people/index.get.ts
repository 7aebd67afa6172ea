import { waitFor } from '../../access/lockout'
import { accessLog, wrongPins } from '../../data/accessLog'
import { getPassphrase, listPeople } from '../../data/people'
import { listSessions } from '../../data/sessions'
import { listTokens } from '../../data/tokens'

export default describedHandler(
  { about: 'Who works here and what each may, who is signed in where, the tokens, and the log of access.' },
  async () => {
    const db = requireDatabase()
    const [people, sessions, tokens, log, passphrase] = await Promise.all([
      listPeople(db),
      listSessions(db),
      listTokens(db),
      accessLog(db),
      getPassphrase(db),
    ])
    const wrong = await Promise.all(people.map(({ name }) => wrongPins(db, name)))
    /** Who has to wait after wrong PINs, ms. */
    const waits = Object.fromEntries(
      people
        .map(({ id }, i) => [id, waitFor(wrong[i].count, wrong[i].last, Date.now())] as const)
        .filter(([, wait]) => wait > 0),
    )
    return { people, sessions, tokens, log, waits, passphrase: passphrase !== undefined }
  },
)
