import { createHash, randomUUID } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { PGlite } from '@electric-sql/pglite'
import { inject } from 'vitest'
import { type Database, migrate } from './database'
import { openPostgres } from './postgres'
import type {} from './testPostgres'
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

/** A database of a test's own on the PostgreSQL server that its project has started; undefined in the others. */
async function ofServer(filled: boolean): Promise<Database | undefined> {
  const given = inject('postgres')
  if (!given) return undefined
  const { url, template } = given
  const name = `test_${randomUUID().replaceAll('-', '')}`
  const server = openPostgres(url)
  await server.exec(`create database ${name} template ${filled ? template : 'template0'}`)
  await server.close()
  const own = new URL(url)
  own.pathname = name
  return openPostgres(own.href)
}

/** A database with nothing in it, for a test: in memory, or on the project's PostgreSQL server. */
export const bareDatabase = async (): Promise<Database> => (await ofServer(false)) ?? PGlite.create()

/** A database with all of its tables, for a test: in memory, or on the project's PostgreSQL server. */
export async function emptyDatabase(): Promise<Database> {
  const own = await ofServer(true)
  if (own) return own
  if (existsSync(made)) return PGlite.create({ loadDataDir: new Blob([readFileSync(made)]) })
  const db = await PGlite.create()
  await migrate(db, migrations)
  mkdirSync(cache, { recursive: true })
  // Under another name first: tests run side by side.
  const part = `${made}.${randomUUID()}`
  writeFileSync(part, Buffer.from(await (await db.dumpDataDir('none')).arrayBuffer()))
  renameSync(part, made)
  return db
}
