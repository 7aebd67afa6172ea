import type { PGlite } from '@electric-sql/pglite'

let database: PGlite | undefined

/** Called once at start, when the database is open and up to date. */
export function provideDatabase(opened: PGlite): void {
  database = opened
}

/** The open database; refuses with 503 while the server is starting or stopping. */
export function requireDatabase(): PGlite {
  if (!database) throw refusal(503, 'starting', 'The records are not open yet. Try again in a moment.')
  return database
}
