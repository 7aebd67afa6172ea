import type { PGlite, Transaction } from '@electric-sql/pglite'

/** What queries are given: the database, or a transaction in it. */
export type Queries = Pick<PGlite | Transaction, 'query' | 'exec'>

export interface Migration {
  /** `0001_records` */
  name: string
  sql: string
}

/**
 * Brings a database up to date: each migration once, in order of its number, all in one transaction, so that a failure
 * leaves what was there.
 *
 * @throws Error naming the migration that failed, or one that the database has and this version does not
 */
export async function migrate(database: PGlite, migrations: Migration[]): Promise<string[]> {
  const ordered = [...migrations].sort((a, b) => a.name.localeCompare(b.name))
  return database.transaction(async (tx) => {
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
