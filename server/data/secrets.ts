import type { Queries } from './database'

/** A secret that all servers of a shop share: made by the first that asks, and the same for all after it. */
export async function sharedSecret(db: Queries, name: string, make: () => string): Promise<string> {
  await db.query('insert into secret (name, value) values ($1, $2) on conflict (name) do nothing', [name, make()])
  return (await db.query<{ value: string }>('select value from secret where name = $1', [name])).rows[0].value
}
