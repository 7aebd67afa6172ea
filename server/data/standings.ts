import type { Standing } from '../threads/tasks'
import type { Queries } from './database'

export interface KeptStanding {
  build: string
  /** Names the sheet, the rules and the program it was computed from: of any other it says nothing. */
  computedFrom: string
  standing: Standing
}

/** How builds stood by their models when that was last computed. */
export async function listStandings(db: Queries): Promise<KeptStanding[]> {
  const { rows } = await db.query<{ build: string; computed_from: string; standing: Standing }>(
    'select build, computed_from, standing from standing',
  )
  return rows.map(({ computed_from, ...row }) => ({ ...row, computedFrom: computed_from }))
}

/** Keeps how a build stands, in place of what was kept before; of one that is gone nothing is kept. */
export async function keepStanding(db: Queries, { build, computedFrom, standing }: KeptStanding): Promise<void> {
  await db.query(
    `insert into standing (build, computed_from, standing) select id, $2, $3 from build where id = $1
     on conflict (build) do update set computed_from = excluded.computed_from, standing = excluded.standing`,
    [build, computedFrom, JSON.stringify(standing)],
  )
}
