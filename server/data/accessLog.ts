import type { Queries } from './database'
import type { Origin } from './sessions'

/** What the log of access tells. */
export type AccessEvent =
  | 'passphrase-right'
  | 'passphrase-wrong'
  | 'pin-right'
  | 'pin-wrong'
  | 'waits'
  | 'signed-out'
  | 'session-ended'
  | 'passphrase-set'
  | 'person-added'
  | 'person-gone'
  | 'role-changed'
  | 'pin-set'
  | 'pin-taken'
  | 'unlocked'
  | 'token-made'
  | 'token-ended'
  | 'link-made'
  | 'link-used'
  | 'link-ended'

export interface AccessLine {
  number: number
  at: string
  what: AccessEvent
  subject: string
  who: string
  address: string
  agent: string
}

/** Where something was done that no request asked for: on the shop's own machine. */
export const HERE: Origin = { address: 'this machine', agent: '' }

export async function logAccess(
  db: Queries,
  what: AccessEvent,
  { address, agent }: Origin,
  subject = '',
  who = '',
): Promise<void> {
  await db.query('insert into access_entry (what, subject, who, address, agent) values ($1, $2, $3, $4, $5)', [
    what,
    subject,
    who,
    address,
    agent.slice(0, 200),
  ])
}

/** The newest lines, newest first. */
export async function accessLog(db: Queries, most = 200): Promise<AccessLine[]> {
  return (
    await db.query<AccessLine>(
      'select number::integer as number, at, what, subject, who, address, agent from access_entry order by number desc limit $1',
      [most],
    )
  ).rows
}

/** Wrong tries since the last right one, and when the last was, ms. */
export interface Failures {
  count: number
  last: number
}

/** Wrong PINs under a name since the last right one, or since it was unlocked or set anew. */
export const wrongPins = (db: Queries, name: string): Promise<Failures> =>
  failures(
    db,
    "what = 'pin-wrong' and lower(subject) = lower($1) and number > coalesce((select max(number) from access_entry where what in ('pin-right', 'pin-set', 'unlocked') and lower(subject) = lower($1)), 0)",
    [name],
  )

/** Wrong passphrases from an address since the last right one from there. */
export const wrongPassphrases = (db: Queries, address: string): Promise<Failures> =>
  failures(
    db,
    "what = 'passphrase-wrong' and address = $1 and number > coalesce((select max(number) from access_entry where what = 'passphrase-right' and address = $1), 0)",
    [address],
  )

/** Wrong passphrases from everywhere within an hour. */
export const wrongWithinHour = (db: Queries): Promise<Failures> =>
  failures(db, "what = 'passphrase-wrong' and at > now() - interval '1 hour'", [])

/** Wrong passphrases and PINs within an hour, from everywhere and under every name. */
export const wrongTries = async (db: Queries): Promise<number> =>
  (
    await db.query<{ count: number }>(
      "select count(*)::integer as count from access_entry where what in ('passphrase-wrong', 'pin-wrong') and at > now() - interval '1 hour'",
    )
  ).rows[0].count

async function failures(db: Queries, where: string, values: unknown[]): Promise<Failures> {
  const row = (
    await db.query<{ count: number; last: string | null }>(
      `select count(*)::integer as count, max(at) as last from access_entry where ${where} and at > now() - interval '1 day'`,
      values,
    )
  ).rows[0]
  return { count: row.count, last: row.last === null ? 0 : new Date(row.last).getTime() }
}
