import type { Migration } from '../data/database'
import type { Table } from '../data/tables'

/** What an archive of the whole shop is called by, and the version of its form that is written here. */
export const FORMAT = 'uldo-backup'
export const VERSION = 1

/** First file of an archive: what it is, by which schema its rows are, and up to which entry it goes. */
export const HEAD = 'uldo.json'
/** Last file of an archive: digest of every other, and how many rows each table has. One without it is cut short. */
export const CHECKS = 'checks.json'

/** Tables whose rows are numbered as they are entered and never altered: an archive has each up to a number. */
export const LOGS = [
  'entry',
  'house_entry',
  'shelf_move',
  'shelf_entry',
  'shelf_history',
  'run_event',
  'access_entry',
] as const satisfies Table[]
export type Log = (typeof LOGS)[number]
/** Tables that are written whole as they are at that moment. Sessions are not kept: after a restore everybody signs in anew. */
export const WHOLE = [
  'house',
  'shelf_item',
  'shelf_hold',
  'run',
  'person',
  'passphrase',
  'token',
  'link',
  'proposal',
  'practice',
] as const satisfies Table[]

export interface Head {
  format: typeof FORMAT
  version: number
  /** Version of the application that wrote it. */
  application: string
  madeAt: string
  /** Names of the migrations that its rows have been through. */
  migrations: string[]
  /** Highest number of each log that is in it; an older archive has not all of them. */
  upTo: Record<Log, number>
}

export interface Checks {
  /** SHA-256 by file, hexadecimal. */
  files: Record<string, string>
  rows: Partial<Record<Table, number>>
}

/** A backup that is not taken: what is wrong with it, in words. */
export class BadBackup extends Error {}

/**
 * The migrations that an archive's rows have been through, of those that there are.
 *
 * @throws BadBackup when it was written by another program, or by a newer version than this one
 */
export function migrationsOf(head: Partial<Head>, migrations: Migration[]): Migration[] {
  if (head.format !== FORMAT) throw new BadBackup('It is no backup of Uldo.')
  if (typeof head.version !== 'number' || head.version > VERSION)
    throw new BadBackup(
      `It was written by a newer Uldo (form ${head.version}, this one reads ${VERSION}). Restore it with that version.`,
    )
  const newer = (head.migrations ?? []).find((name) => !migrations.some((each) => each.name === name))
  if (newer)
    throw new BadBackup(`It was written by a newer Uldo (its records have ${newer}). Restore it with that version.`)
  return migrations.filter(({ name }) => head.migrations!.includes(name))
}
