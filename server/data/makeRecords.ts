import { existsSync, renameSync, rmdirSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'

/** Makes empty records beside their place, and puts them there once they are whole: what ends the process meanwhile leaves nothing half made. */
export async function makeRecords(records: string): Promise<void> {
  if (existsSync(join(records, 'PG_VERSION'))) return
  const half = `${records}.making`
  rmSync(half, { recursive: true, force: true })
  await (await PGlite.create(half)).close()
  if (existsSync(records)) rmdirSync(records)
  renameSync(half, records)
}
