import { createHash, randomUUID } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { PGlite } from '@electric-sql/pglite'
import { migrate } from './database'
import { migrations } from './migrationFiles'

export { migrations }

/** An empty database as these migrations leave it: made once, since that takes seconds, and read by every test after. */
const cache = fileURLToPath(new URL('../../.cache/', import.meta.url))
const { version } = JSON.parse(
  readFileSync(new URL('../../node_modules/@electric-sql/pglite/package.json', import.meta.url), 'utf8'),
) as { version: string }
const made = `${cache}empty-${createHash('sha256')
  .update(JSON.stringify([version, migrations]))
  .digest('hex')
  .slice(0, 16)}.tar`

/** A database in memory with all of its tables, for a test. */
export async function emptyDatabase(): Promise<PGlite> {
  if (existsSync(made)) return PGlite.create({ loadDataDir: new Blob([readFileSync(made)]) })
  const db = await PGlite.create()
  await migrate(db, migrations)
  mkdirSync(cache, { recursive: true })
  // Under another name first: tests run side by side.
  const own = `${made}.${randomUUID()}`
  writeFileSync(own, Buffer.from(await (await db.dumpDataDir('none')).arrayBuffer()))
  renameSync(own, made)
  return db
}
