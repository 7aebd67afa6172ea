import { type KeptResult, PracticeResult } from '#core/practice/result'
import type { Queries } from './database'

/** So many of the newest are listed. */
const LISTED = 500

/** Keeps what somebody did on the practice bench; sent twice, it is kept once. */
export async function keepResult(db: Queries, { id, person, result }: Omit<KeptResult, 'at'>): Promise<void> {
  await db.query('insert into practice (id, person, result) values ($1, $2, $3) on conflict (id) do nothing', [
    id,
    person,
    JSON.stringify(result),
  ])
}

/** What was done on the practice bench, the newest first. */
export async function listResults(db: Queries): Promise<KeptResult[]> {
  const { rows } = await db.query<{ id: string; person: string; at: Date; result: unknown }>(
    'select id, person, at, result from practice order by at desc, id limit $1',
    [LISTED],
  )
  return rows.flatMap(({ at, result, ...row }) => {
    const read = PracticeResult.safeParse(result)
    return read.success ? [{ ...row, at: new Date(at).toISOString(), result: read.data }] : []
  })
}
