import pg from 'pg'
import { type OwnPostgres, startPostgres } from './ownPostgres'

/** A primary and the standby that follows it in step: a commit is acknowledged once both have it on their disks. */
export interface Pair {
  primary: OwnPostgres
  standby: OwnPostgres
  /** Names both, as `ULDO_DATABASE_URL` does. */
  url: string
  /** The standby writes from now on. */
  promote: () => Promise<void>
  stop: () => Promise<void>
}

async function asked<T extends pg.QueryResultRow>(url: string, sql: string): Promise<T[]> {
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  try {
    return (await client.query<T>(sql)).rows
  } finally {
    await client.end()
  }
}

/** Starts the two, for tests and measurements. */
export async function startPair(): Promise<Pair> {
  const primary = await startPostgres({ safe: true })
  const standby = await startPostgres({ safe: true, follows: primary })
  await asked(primary.url, `alter system set synchronous_standby_names = '*'`)
  await asked(primary.url, 'select pg_reload_conf()')
  const inStep = async () =>
    (await asked<{ state: string }>(primary.url, 'select sync_state as state from pg_stat_replication')).some(
      ({ state }) => state === 'sync',
    )
  for (let tries = 0; !(await inStep()); tries++) {
    if (tries > 100) throw new Error('The standby does not follow in step.')
    await new Promise((done) => setTimeout(done, 100))
  }
  return {
    primary,
    standby,
    url: `postgres://uldo@127.0.0.1:${primary.port},127.0.0.1:${standby.port}/postgres`,
    promote: async () => void (await asked(standby.url, 'select pg_promote(true)')),
    stop: async () => {
      await primary.stop()
      await standby.stop()
    },
  }
}
