import { readFileSync, readdirSync } from 'node:fs'
import { PGlite } from '@electric-sql/pglite'
import { migrate } from './database'

const folder = new URL('./migrations/', import.meta.url)

/** Every migration, in its order: for tests, which have no build to bundle them. */
export const migrations = readdirSync(folder).sort().map((file) => ({ name: file.replace(/\.sql$/, ''), sql: readFileSync(new URL(file, folder), 'utf8') }))

/** A database in memory with all of its tables, for a test. */
export async function emptyDatabase(): Promise<PGlite> {
  const db = await PGlite.create()
  await migrate(db, migrations)
  return db
}
