import { join, resolve } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import { type Database, migrate } from '../../server/data/database'
import { DatabaseAway } from '../../server/data/failure'
import { holderOf, lockFolder } from '../../server/data/lock'
import { makeRecords } from '../../server/data/makeRecords'
import { migrations } from '../../server/data/migrationFiles'
import { openPostgres } from '../../server/data/postgres'
import { existsSync, readdirSync } from 'node:fs'

/** The shop's data folder, as the server takes it. */
export const dataFolder = () => resolve(process.env.ULDO_DATA ?? 'data')

/** A word after a flag on the command line. */
export function flag(words: string[], name: string): string | undefined {
  const at = words.indexOf(name)
  return at < 0 ? undefined : words[at + 1]
}

/** Ends a command with words for a person. */
export function end(words: string, code = 2): never {
  console.error(words)
  process.exit(code)
}

/** Where the server that holds a folder can be asked; undefined when none does. */
export function serverOf(folder: string): string | undefined {
  const holder = holderOf(folder)
  if (!holder) return undefined
  return (
    holder.address ??
    end(`The data folder ${folder} is in use by process ${holder.pid}, which does not say where it can be asked.`)
  )
}

/** Opens a folder's records in this process while no server has them, and closes them again; begins them where `fresh` and there are none. */
export async function withRecords<T>(folder: string, work: (db: PGlite) => Promise<T>, fresh = false): Promise<T> {
  const none = !existsSync(join(folder, 'records')) || readdirSync(join(folder, 'records')).length === 0
  if (!(fresh && none) && !existsSync(join(folder, 'records', 'PG_VERSION')))
    end(`There are no records in ${folder}. Name the folder with ULDO_DATA.`)
  const release = lockFolder(folder)
  await makeRecords(join(folder, 'records'))
  const db = await PGlite.create(join(folder, 'records'))
  try {
    await migrate(db, migrations)
    return await work(db)
  } finally {
    await db.close()
    release()
  }
}

/** The shop's records while no server of this folder has them: on the PostgreSQL server of ULDO_DATABASE_URL, which others may use meanwhile, else in the folder. */
export async function withShop<T>(folder: string, work: (db: Database) => Promise<T>, fresh = false): Promise<T> {
  const url = process.env.ULDO_DATABASE_URL
  if (!url) return withRecords(folder, work, fresh)
  const db = openPostgres(url)
  try {
    await migrate(db, migrations)
    return await work(db)
  } catch (error) {
    return error instanceof DatabaseAway
      ? end(`${error.message}. Start PostgreSQL, or mend ULDO_DATABASE_URL.`, 7)
      : Promise.reject(error as Error)
  } finally {
    await db.close()
  }
}

/** Where the shop's records are, in words; an address without its password. */
export const whereRecordsAre = (folder: string): string =>
  process.env.ULDO_DATABASE_URL?.replace(/(:\/\/[^:@/]+):[^@/]*@/, '$1@') ?? folder
