import { openRuns } from './runs'
import type { Database } from './database'

/** Looked so often whether a table wants it, and for the first time so long after the start, ms. */
const LOOKS = 600_000
const FIRST = 60_000
/** A run that has been open for longer was forgotten and holds nothing up, ms. */
const FORGOTTEN = 2 * 3_600_000

/**
 * Tables in which enough has changed since they were last tidied: PostgreSQL's own measure for its autovacuum (fifty rows and a fifth of the table are out of date,
 * there or in what it stores out of line; fifty rows and a tenth are unknown to the planner).
 */
const WANTING = `select own.relname as name from pg_stat_user_tables own
  join pg_class on pg_class.oid = own.relid
  left join pg_stat_all_tables long on long.relid = pg_class.reltoastrelid
  where own.n_dead_tup > 50 + own.n_live_tup / 5 or long.n_dead_tup > 50 + long.n_live_tup / 5 or own.n_mod_since_analyze > 50 + own.n_live_tup / 10
  order by own.relname`

/**
 * Gives back what changes have left behind in a folder's records, and tells the planner what the tables hold, one table after the other, so that whoever waits gets
 * between. A PostgreSQL server does so by itself; a database in this process has nobody else who would: without it each change of a sheet stays for ever.
 *
 * @returns the tables that were tidied
 */
export async function tidy(db: Database): Promise<string[]> {
  const { rows } = await db.query<{ name: string }>(WANTING)
  for (const { name } of rows) {
    await db.exec(`vacuum (analyze) "${name}"`)
    await new Promise((done) => setImmediate(done))
  }
  return rows.map(({ name }) => name)
}

/** Whether an engine turns by these records just now. */
async function isRunGoing(db: Database): Promise<boolean> {
  const open = [...(await openRuns(db, 'start')), ...(await openRuns(db, 'prime'))]
  return open.some(({ startedAt }) => Date.now() - Date.parse(startedAt) < FORGOTTEN)
}

/** Tidies now and then while no engine turns; how to end it. */
export function keepTidy(db: Database, { looks = LOOKS, first = FIRST } = {}): () => void {
  let ended = false
  let timer = setTimeout(look, first)
  timer.unref()
  async function look() {
    try {
      if (!(await isRunGoing(db))) await tidy(db)
    } catch (error) {
      console.error(`The records could not be tidied: ${(error as Error).message}`)
    }
    if (ended) return
    timer = setTimeout(look, looks)
    timer.unref()
  }
  return () => {
    ended = true
    clearTimeout(timer)
  }
}
