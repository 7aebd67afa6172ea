import type { PaceHistory } from '#core/plan/pace'
import type { Layout } from '#core/record/schema'
import type { Queries } from './database'

/** A shop's pace is learnt from its newest entries. */
const NEWEST = 20_000

/** Who entered what when, by build, in its order: of each change only the paths that it wrote. */
export async function paceHistories(db: Queries): Promise<PaceHistory[]> {
  const { rows } = await db.query<{ build: string; who: string; at: string | Date; paths: string[] | null }>(
    `select build_id as build, who, at, (select array_agg(step ->> 'path') from jsonb_array_elements(patch) step) as paths
     from (select number, build_id, who, at, patch from entry order by number desc limit ${NEWEST}) newest order by number`,
  )
  const { rows: layouts } = await db.query<{ id: string; layout: Layout }>(
    `select id, sheet -> 'layout' as layout from build where id = any($1)`,
    [[...new Set(rows.map(({ build }) => build))]],
  )
  const histories = new Map(layouts.map(({ id, layout }): [string, PaceHistory] => [id, { layout, entries: [] }]))
  for (const { build, who, at, paths } of rows)
    histories
      .get(build)
      ?.entries.push({ who, at: new Date(at).toISOString(), patch: (paths ?? []).map((path) => ({ path })) })
  return [...histories.values()]
}
