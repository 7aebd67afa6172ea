import type { Database } from '../data/database'
import type { Backups } from '../backup/service'

let database: Database | undefined

/** Called once at start, when the database is open and up to date. */
export function provideDatabase(opened: Database): void {
  database = opened
}

/** The open database; refuses with 503 while the server is starting or stopping. */
export function requireDatabase(): Database {
  if (!database) throw refusal(503, 'starting', 'The records are not open yet. Try again in a moment.')
  return database
}

let backups: Backups | undefined

export function provideBackups(prepared: Backups): void {
  backups = prepared
}

/** This shop's backups; undefined before the records are open. */
export const currentBackups = () => backups

/** This shop's backups; refuses with 503 while the server is starting. */
export function requireBackups(): Backups {
  requireDatabase()
  return backups!
}
