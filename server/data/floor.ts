import type { Sheet } from '#core/record/schema'
import { KEPT_DAYS, NameOf, type Place } from '#core/house/floor'
import type { Database, Queries } from './database'

export interface FloorRow {
  id: string
  revision: number
  changed_at: string
  place: Place
  /** Where it was deleted: by whom, and until when it is kept. */
  deleted_by: string
  kept_until: string | null
}

const COLUMNS = `id, revision, changed_at, deleted_by,
  case when deleted_at is not null then 'deleted' when archived_at is not null then 'archive' else 'floor' end as place,
  deleted_at + interval '${KEPT_DAYS} days' as kept_until`

/** All builds with where they are, without their sheets, last changed first: those that were deleted too, while they are kept. */
export async function listFloor(db: Queries): Promise<FloorRow[]> {
  return (
    await db.query<FloorRow>(`select ${COLUMNS} from build where sandbox_until is null order by changed_at desc, id`)
  ).rows
}

/** Sheets of these builds, by their ids. */
export async function sheetsOf(db: Queries, ids: readonly string[]): Promise<Map<string, Sheet>> {
  if (ids.length === 0) return new Map()
  const { rows } = await db.query<{ id: string; sheet: Sheet }>('select id, sheet from build where id = any($1)', [ids])
  return new Map(rows.map(({ id, sheet }) => [id, sheet]))
}

export type Moved =
  { kind: 'moved'; place: Place } | { kind: 'unknown' } | { kind: 'running' } | { kind: 'other-name'; name: string }

/**
 * Puts a build by, deletes it, or brings it back to the floor. It is deleted only under its own name, which whoever
 * deletes it has typed, and never while a run of it is going.
 */
export async function moveBuild(
  db: Database,
  id: string,
  { place, name, who }: { place: Place; name?: string; who: string },
): Promise<Moved> {
  return db.transaction(async (tx): Promise<Moved> => {
    const build = (
      await tx.query<{ name: string }>(`select sheet ->> 'name' as name from build where id = $1 for update`, [id])
    ).rows[0]
    if (!build) return { kind: 'unknown' }
    if (place === 'deleted' && !NameOf(build.name).safeParse({ name }).success)
      return { kind: 'other-name', name: build.name }
    const going = await tx.query('select 1 from run where build_id = $1 and ended_at is null', [id])
    if (place === 'deleted' && going.rows.length > 0) return { kind: 'running' }
    await tx.query(
      `update build set archived_at = case when $2 = 'archive' then now() end,
        deleted_at = case when $2 = 'deleted' then now() end,
        deleted_by = case when $2 = 'deleted' then $3 else '' end where id = $1`,
      [id, place, who],
    )
    return { kind: 'moved', place }
  })
}

/** What belongs to a build, in the order in which it can go. */
const BELONGS = [
  'delete from run_sample where run_id in (select id from run where build_id = $1)',
  'delete from run_event where run_id in (select id from run where build_id = $1)',
  'delete from run where build_id = $1',
  'delete from photo where build_id = $1',
  'delete from link where build_id = $1',
  'delete from proposal where build_id = $1',
  'delete from entry where build_id = $1',
  'delete from shelf_move where build_id = $1',
  'delete from shelf_hold where build_id = $1',
  'delete from build where id = $1',
]

/**
 * Takes away for good what was deleted and has been kept for its time, each with all that belongs to it.
 *
 * @returns how many went
 */
export async function purgeDeleted(db: Database): Promise<number> {
  const { rows } = await db.query<{ id: string }>(
    `select id from build where deleted_at < now() - interval '${KEPT_DAYS} days'`,
  )
  for (const { id } of rows) await takeAway(db, id)
  return rows.length
}

/** Takes a build away for good, with all that belongs to it. */
async function takeAway(db: Database, id: string): Promise<void> {
  await db.transaction(async (tx) => {
    await tx.query(`select set_config('uldo.purges', $1, true)`, [id])
    for (const sql of BELONGS) await tx.query(sql, [id])
  })
}

/**
 * Takes away for good a build to learn on; those whose time is over go with it.
 *
 * @returns false where no such sandbox is there: an engine of the shop's is not touched
 */
export async function endSandbox(db: Database, id: string): Promise<boolean> {
  const { rows } = await db.query<{ id: string }>(
    'select id from build where sandbox_until < now() or (sandbox_until is not null and id = $1)',
    [id],
  )
  for (const each of rows) await takeAway(db, each.id)
  return rows.some((each) => each.id === id)
}
