import { PGlite } from '@electric-sql/pglite'
import { migrate } from './database'
import { migrations } from './migrationFiles'

export { migrations }

/** A database in memory with all of its tables, for a test. */
export async function emptyDatabase(): Promise<PGlite> {
  const db = await PGlite.create()
  await migrate(db, migrations)
  return db
}
