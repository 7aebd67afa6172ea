import { accessLog } from '../../data/accessLog'
import { getPassphrase, listPeople } from '../../data/people'
import { listSessions } from '../../data/sessions'
import { listTokens } from '../../data/tokens'

/** Who works here and what each may, who is signed in where, the tokens, and the log of access. */
export default defineEventHandler(async () => {
  const db = requireDatabase()
  const [people, sessions, tokens, log, passphrase] = await Promise.all([listPeople(db), listSessions(db), listTokens(db), accessLog(db), getPassphrase(db)])
  return { people, sessions, tokens, log, passphrase: passphrase !== undefined }
})
