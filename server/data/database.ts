/** Rows of a query, and how many it wrote. */
export interface Answer<T> {
  rows: T[]
  affectedRows?: number
}

/** What queries are given: the database, or a transaction in it. */
export interface Queries {
  query: <T>(sql: string, values?: unknown[]) => Promise<Answer<T>>
  /** Statements one after the other, without values. */
  exec: (sql: string) => Promise<unknown>
}

/** The records: a folder of this machine's (PGlite is one as it is), or a PostgreSQL server (`postgres.ts`). The same SQL goes to both. */
export interface Database extends Queries {
  transaction: <T>(work: (tx: Queries) => Promise<T>) => Promise<T>
  close: () => Promise<void>
}

/** A transaction as what is asked in it takes the records: what would be one of its own is part of it. */
export const joined = (tx: Queries): Database => ({
  query: (sql, values) => tx.query(sql, values),
  exec: (sql) => tx.exec(sql),
  transaction: (work) => work(tx),
  close: () => Promise.resolve(),
})

/** Records that no other process writes to while this one has them: a folder, by its lock. */
const alone = new WeakSet<Queries>()
export const hasAlone = <T extends Queries>(db: T): T => {
  alone.add(db)
  return db
}
export const isAlone = (db: Queries): boolean => alone.has(db)

export interface Migration {
  /** `0001_records` */
  name: string
  sql: string
}

/** The lock of the database that whoever brings it up to date holds. */
const MIGRATING = 0x756c646d

/**
 * Brings a database up to date: each migration once, in order of its number, all in one transaction, so that a failure
 * leaves what was there.
 *
 * @throws Error naming the migration that failed, or one that the database has and this version does not
 */
export async function migrate(database: Database, migrations: Migration[]): Promise<string[]> {
  const ordered = [...migrations].sort((a, b) => a.name.localeCompare(b.name))
  return database.transaction(async (tx) => {
    // Of several servers that start at once one does it, and the others find it done.
    await tx.query('select pg_advisory_xact_lock($1)', [MIGRATING])
    await tx.exec(
      'create table if not exists migration (name text primary key, applied_at timestamptz not null default now())',
    )
    const done = new Set((await tx.query<{ name: string }>('select name from migration')).rows.map((row) => row.name))
    for (const name of done) {
      if (!ordered.some((migration) => migration.name === name))
        throw new Error(`The data folder was written by a newer Uldo (it has ${name}). Start that version.`)
    }
    const applied: string[] = []
    for (const { name, sql } of ordered) {
      if (done.has(name)) continue
      try {
        await tx.exec(sql)
      } catch (error) {
        throw new Error(`Migration ${name} failed: ${(error as Error).message}`, { cause: error })
      }
      await tx.query('insert into migration (name) values ($1)', [name])
      applied.push(name)
    }
    return applied
  })
}
