import { randomUUID } from 'node:crypto'
import type { Role } from '#core/house/people'
import type { Queries } from './database'

/** A person's session ends after so long without a request, and after so long in all; a device forgets the passphrase after so long unused. Intervals of SQL. */
const IDLE = '2 hours'
const WHOLE = '16 hours'
const DEVICE = '90 days'

/** Too old to go on; never while a start or prime of that person's is going on, which the page watches. */
const LATE = `((s.seen_at < now() - interval '${IDLE}' or s.began_at < now() - interval '${WHOLE}')
  and not exists (select 1 from run where run.who = p.name and run.ended_at is null and run.started_at > now() - interval '1 day'))`

/** A device that knows the passphrase, and who is signed in on it. */
export interface Session {
  id: string
  device: string
  person?: { id: string; name: string; role: Role }
}

export interface SessionLine {
  id: string
  person: string | null
  agent: string
  address: string
  began: string
  seen: string
}

/** Where a request came from, as the log keeps it. */
export interface Origin {
  address: string
  agent: string
}

/** Begins a session on a device, for a person or for none yet; what stood open on the device has ended with it. */
export async function beginSession(
  db: Queries,
  { address, agent }: Origin,
  person?: string,
  device: string = randomUUID(),
): Promise<Session> {
  const id = randomUUID()
  await db.query('update session set ended_at = now() where device = $1 and ended_at is null', [device])
  await db.query('insert into session (id, device, person_id, agent, address) values ($1, $2, $3, $4, $5)', [
    id,
    device,
    person ?? null,
    agent.slice(0, 200),
    address,
  ])
  return (await liveSession(db, id))!
}

/** A session that stands, and who is signed in on it: nobody where that was too long ago. Undefined where it has ended, or never was. */
export async function liveSession(db: Queries, id: string): Promise<Session | undefined> {
  const row = (
    await db.query<{
      device: string
      person: string | null
      name: string | null
      role: Role | null
      late: boolean
      old: boolean
      stale: boolean
    }>(
      `select s.device, p.id as person, p.name, p.role, ${LATE} as late, s.seen_at < now() - interval '${DEVICE}' as old,
       s.seen_at < now() - interval '1 minute' as stale
     from session s left join person p on p.id = s.person_id and p.ended_at is null and p.pin is not null where s.id = $1 and s.ended_at is null`,
      [id],
    )
  ).rows[0]
  if (!row) return undefined
  if (row.old) {
    await endSession(db, id)
    return undefined
  }
  if (row.late && row.person) await db.query('update session set person_id = null where id = $1', [id])
  if (row.stale) await db.query('update session set seen_at = now() where id = $1', [id])
  return {
    id,
    device: row.device,
    ...(row.person && !row.late ? { person: { id: row.person, name: row.name!, role: row.role! } } : {}),
  }
}

/** Whether a session still stands for whoever was signed in: asked by what stays open long, without keeping it alive. */
export async function stillStands(db: Queries, id: string): Promise<boolean> {
  return (
    (
      await db.query(
        `select 1 from session s left join person p on p.id = s.person_id where s.id = $1 and s.ended_at is null and s.person_id is not null and not ${LATE}`,
        [id],
      )
    ).rows.length > 0
  )
}

export async function endSession(db: Queries, id: string): Promise<void> {
  await db.query('update session set ended_at = now() where id = $1 and ended_at is null', [id])
}

/** Ends the sessions of a person, or all of them: their ids. */
export async function endSessions(db: Queries, person?: string): Promise<string[]> {
  return (
    await db.query<{ id: string }>(
      'update session set ended_at = now() where ended_at is null and ($1::uuid is null or person_id = $1) returning id',
      [person ?? null],
    )
  ).rows.map(({ id }) => id)
}

/** Open sessions, the latest seen first. */
export async function listSessions(db: Queries): Promise<SessionLine[]> {
  return (
    await db.query<SessionLine>(
      'select s.id, p.name as person, s.agent, s.address, s.began_at as began, s.seen_at as seen from session s left join person p on p.id = s.person_id where s.ended_at is null order by s.seen_at desc',
    )
  ).rows
}
