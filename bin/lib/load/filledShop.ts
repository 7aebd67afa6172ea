import { randomUUID } from 'node:crypto'
import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import { DEMO_BUILDS } from '../../../demo/make'
import { type Database, migrate } from '../../../server/data/database'
import { addPerson } from '../../../server/data/people'
import { migrations } from '../../../server/data/migrationFiles'

/**
 * Fills empty records with a shop of many years: builds in turn after the demo's, each with as many entries of two
 * readings, by three hands over two years. Every entry replays to the sheet.
 *
 * @returns the builds' ids
 */
export async function fillShop(db: Database, { builds = 200, entries = 500 } = {}): Promise<string[]> {
  await migrate(db, migrations)
  for (const name of ['Maren', 'Jorun', 'Ilse']) await addPerson(db, name, 'builder')
  const sheets = Object.values(DEMO_BUILDS).map((make) => make())
  const ids: string[] = []
  for (let i = 0; i < builds; i++) {
    const sheet = structuredClone(sheets[i % sheets.length]!)
    sheet.name = `${sheet.name} ${i + 1}`
    const keys = Object.keys(sheet.readings)
      .filter((key) => sheet.readings[key]!.source === 'measured')
      .slice(0, 40)
    const id = randomUUID()
    ids.push(id)
    await db.query(
      `insert into build (id, revision, sheet, created_at, changed_at) values ($1, $2, $3, now() - interval '2 years', now() - $4 * interval '1 hour')`,
      [id, entries, JSON.stringify(sheet), i],
    )
    // Each entry writes one of the readings anew, as it stands: they replay to the sheet.
    await db.query(
      `insert into entry (build_id, revision, client_key, device, who, at, patch, inverse, reason)
       select $1::uuid, n, gen_random_uuid(), gen_random_uuid(), (array['Maren', 'Jorun', 'Ilse'])[1 + n % 3], now() - (2 * 365 - n) * interval '1 day',
              jsonb_build_array(jsonb_build_object('op', 'replace', 'path', '/readings/' || k, 'value', $3::jsonb->k)),
              jsonb_build_array(jsonb_build_object('op', 'replace', 'path', '/readings/' || k, 'value', jsonb_set($3::jsonb->k, '{by}', '"Tobi"'))), ''
       from generate_series(1, $2::int) n, lateral (select ($4::text[])[1 + n % cardinality($4::text[])] k) keyed`,
      [id, entries, JSON.stringify(sheet.readings), keys],
    )
  }
  return ids
}

/** The same in a data folder that has no records. */
export async function fillFolder(folder: string, many?: { builds?: number; entries?: number }): Promise<string[]> {
  mkdirSync(join(folder, 'records'), { recursive: true })
  const db = await PGlite.create(join(folder, 'records'))
  const ids = await fillShop(db, many)
  await db.close()
  return ids
}
