import type { TestProject } from 'vitest/node'
import { migrate } from './database'
import { migrations } from './migrationFiles'
import { startPostgres } from './ownPostgres'
import { openPostgres } from './postgres'

declare module 'vitest' {
  interface ProvidedContext {
    /** The server on which tests make databases of their own, and the one there that has all tables; in its project alone. */
    postgres?: { url: string; template: string }
  }
}

/** Name of the database that has all tables and no rows: each test's own is a copy of it. */
const TEMPLATE = 'uldo_empty'

/** A server for a run's tests of the records, with a database that is migrated once. */
export default async function setUp(project: TestProject): Promise<() => Promise<void>> {
  const server = await startPostgres()
  const first = openPostgres(server.url)
  await first.exec(`create database ${TEMPLATE}`)
  await first.close()
  const empty = openPostgres(server.database(TEMPLATE))
  await migrate(empty, migrations)
  await empty.close()
  project.provide('postgres', { url: server.url, template: TEMPLATE })
  return () => server.stop()
}
