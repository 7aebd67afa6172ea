import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type Database, migrate, type Migration } from '../data/database'
import { checkRecords } from '../data/integrity'
import { openPostgres } from '../data/postgres'
import { WATCH_LOCK } from '../many/keeper'
import { fillTables, numberOn } from './fill'
import { BadBackup } from './format'
import { readArchive } from './read'
import { type Restored, restoreBackup } from './restore'
import { writeBackup } from './write'

/** Tables by which it is told that a database has a shop in it already. */
const SHOPS = ['build', 'house', 'shelf_item', 'person']

async function withArchive<T>(from: Database, version: string, work: (file: string) => Promise<T>): Promise<T> {
  const folder = mkdtempSync(join(tmpdir(), 'uldo-move-'))
  try {
    const file = join(folder, 'move.tar.gz')
    await writeBackup(from, file, version, Date.now())
    return await work(file)
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

/**
 * Brings all records into an empty database of a PostgreSQL server, in one transaction: it is all there, replayed and found whole, or nothing is. Where they came
 * from they stay.
 *
 * @throws BadBackup where the database has a shop's records already, or what came does not hold together; DatabaseAway
 */
export async function moveToServer(
  from: Database,
  url: string,
  version: string,
  migrations: Migration[],
): Promise<Restored> {
  const to = openPostgres(url)
  try {
    await migrate(to, migrations)
    return await withArchive(from, version, (file) =>
      to.transaction(async (tx) => {
        await tx.query('select pg_advisory_xact_lock($1)', [WATCH_LOCK])
        for (const table of SHOPS)
          if ((await tx.query(`select 1 from ${table} limit 1`)).rows.length > 0)
            throw new BadBackup('That database has records already, and they are left as they are. Name an empty one.')
        const { head, checks } = await readArchive(file, {
          head: () => undefined,
          rows: () => undefined,
          photo: () => undefined,
        })
        await fillTables(tx, file)
        await numberOn(tx)
        const damage = await checkRecords(tx)
        if (damage.length > 0)
          throw new BadBackup(
            `What it holds does not hold together: ${damage.map(({ where, why }) => `${where}: ${why}`).join('; ')}.`,
          )
        return { head, builds: checks.rows.build ?? 0, entries: checks.rows.entry ?? 0 }
      }),
    )
  } finally {
    await to.close()
  }
}

/**
 * Brings all records of a PostgreSQL server into a data folder that has none. On the server they stay.
 *
 * @throws BadBackup where a server of Uldo still runs on the database, or the folder has records
 */
export async function moveToFolder(
  url: string,
  folder: string,
  version: string,
  migrations: Migration[],
): Promise<Restored> {
  const from = openPostgres(url)
  try {
    const { rows } = await from.query<{ running: number }>(
      "select count(*)::integer as running from pg_locks where locktype = 'advisory' and objid = $1 and granted and database = (select oid from pg_database where datname = current_database())",
      [WATCH_LOCK],
    )
    if (rows[0].running > 0)
      throw new BadBackup(
        'A server of Uldo runs on that database: what is written meanwhile would stay behind. Stop it first.',
      )
    await migrate(from, migrations)
    return await withArchive(from, version, (file) => restoreBackup(file, folder, migrations))
  } finally {
    await from.close()
  }
}
