import { setImmediate as turn } from 'node:timers/promises'
import type { PaceHistory } from '#core/plan/pace'
import type { Layout } from '#core/record/schema'
import type { Queries } from './database'

/** A shop's pace is learnt from its newest entries, read so many at a time: others have their turn between. */
const NEWEST = 6000
const PIECE = 200

/** Who entered what when, by build, in its order: of each change only the paths that it wrote. */
export async function paceHistories(db: Queries): Promise<PaceHistory[]> {
  const newest = (await db.query<{ number: string | null }>('select max(number)::text as number from entry')).rows[0]
  const histories = new Map<string, PaceHistory | undefined>()
  for (let after = Math.max(0, Number(newest?.number ?? 0) - NEWEST); ; await turn()) {
    const { rows } = await db.query<{
      number: string
      build: string
      who: string
      at: string | Date
      patch: { path: string }[]
    }>(
      `select number::text, build_id as build, who, at, patch from entry where number > $1 order by number limit ${PIECE}`,
      [after],
    )
    for (const { build, who, at, patch } of rows) {
      if (!histories.has(build)) histories.set(build, await emptyHistory(db, build))
      histories.get(build)?.entries.push({
        who,
        at: new Date(at).toISOString(),
        patch: patch.map(({ path }) => ({ path })),
      })
    }
    if (rows.length < PIECE) break
    after = Number(rows.at(-1)!.number)
  }
  return [...histories.values()].filter((each) => each !== undefined)
}

/** With the layout of its build, by which a path belongs to a station. */
async function emptyHistory(db: Queries, build: string): Promise<PaceHistory | undefined> {
  const { rows } = await db.query<{ layout: Layout }>(`select sheet -> 'layout' as layout from build where id = $1`, [
    build,
  ])
  return rows[0] && { layout: rows[0].layout, entries: [] }
}
