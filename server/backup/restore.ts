import { existsSync, mkdirSync, readdirSync, renameSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import { migrate, type Migration } from '../data/database'
import { checkRecords } from '../data/integrity'
import { lockFolder } from '../data/lock'
import { fillTables, numberOn } from './fill'
import { BadBackup, type Head, migrationsOf } from './format'
import { readArchive } from './read'

/** Where records are put together before they get their name: a start beside it is refused. */
export const RESTORING = 'records.restoring'

export interface Restored {
  head: Head
  builds: number
  entries: number
}

/**
 * Puts a backup back into a data folder that has no records. The archive is read whole before anything is written; records are put together beside their name, replayed,
 * and only then given it, so that a restore that is broken off leaves the folder as it was, but for what a new one clears away.
 *
 * @throws BadBackup naming what is wrong with the archive, or that the folder has records already
 */
export async function restoreBackup(file: string, folder: string, migrations: Migration[]): Promise<Restored> {
  const records = join(folder, 'records')
  if (existsSync(records) && readdirSync(records).length > 0)
    throw new BadBackup(
      `${folder} has records already, and they are left as they are. Name an empty folder with --to, or move records away first.`,
    )
  const { head, checks } = await readArchive(file, {
    head: (head) => migrationsOf(head, migrations),
    rows: () => undefined,
    photo: () => undefined,
  })
  mkdirSync(folder, { recursive: true })
  const release = lockFolder(folder)
  const half = join(folder, RESTORING)
  try {
    rmSync(half, { recursive: true, force: true })
    const db = await PGlite.create(half)
    try {
      await migrate(db, migrationsOf(head, migrations))
      await fillTables(db, file)
      await migrate(db, migrations)
      await numberOn(db)
      const damage = await checkRecords(db)
      if (damage.length > 0)
        throw new BadBackup(
          `What it holds does not hold together: ${damage.map(({ where, why }) => `${where}: ${why}`).join('; ')}.`,
        )
    } finally {
      await db.close()
    }
    rmSync(records, { recursive: true, force: true })
    renameSync(half, records)
    return { head, builds: checks.rows.build ?? 0, entries: checks.rows.entry ?? 0 }
  } catch (error) {
    rmSync(half, { recursive: true, force: true })
    throw error
  } finally {
    release()
  }
}
