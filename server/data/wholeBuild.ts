import type { Queries } from './database'

/** Tables of which a build has rows of its own beside its sheet, in the order in which they can be filled, and how they find it. */
export const OWN_TABLES = {
  entry: 'build_id = $1 order by revision',
  proposal: 'build_id = $1 order by number',
  run: 'build_id = $1 order by started_at, id',
  run_event: 'run_id in (select id from run where build_id = $1) order by number',
} as const
export type OwnTable = keyof typeof OWN_TABLES

/** Rows of a table as JSON, each as the database writes it: nothing is lost on the way out and in. */
export async function ownRows(db: Queries, table: OwnTable, build: string): Promise<Record<string, unknown>[]> {
  const { rows } = await db.query<{ row: Record<string, unknown> }>(
    `select to_jsonb(t) as row from ${table} t where ${OWN_TABLES[table]}`,
    [build],
  )
  return rows.map(({ row }) => row)
}

/** A build's own row without what a place has of it: whether it is archived, deleted, or one to learn on. */
export interface BuildHead {
  id: string
  revision: number
  sheet: unknown
  created_at: string
  changed_at: string
}

export async function buildHead(db: Queries, build: string): Promise<BuildHead | undefined> {
  return (
    await db.query<{ row: BuildHead }>(
      `select to_jsonb(t) as row from (select id, revision, sheet, created_at, changed_at from build where id = $1) t`,
      [build],
    )
  ).rows[0]?.row
}

/** Photos of a build without their pictures. */
export interface PhotoHead {
  id: string
  media_type: string
  who: string
  at: string
}

export async function photoHeads(db: Queries, build: string): Promise<PhotoHead[]> {
  const { rows } = await db.query<{ row: PhotoHead }>(
    `select to_jsonb(t) as row from (select id, media_type, who, at from photo where build_id = $1 order by at, id) t`,
    [build],
  )
  return rows.map(({ row }) => row)
}

/** Puts a build back as it was, with its history; numbers that a database gives itself are given anew, in their old order. */
export async function putBuild(tx: Queries, head: BuildHead): Promise<void> {
  await tx.query('insert into build (id, revision, sheet, created_at, changed_at) values ($1, $2, $3, $4, $5)', [
    head.id,
    head.revision,
    JSON.stringify(head.sheet),
    head.created_at,
    head.changed_at,
  ])
}

const COLUMNS: Record<OwnTable, string> = {
  entry: 'build_id, revision, client_key, device, who, at, patch, inverse, reason, signed_by',
  proposal: 'client_key, build_id, change, who, at, outcome, decided_by, decided_at, words',
  run: 'id, build_id, kind, setup, who, started_at, ended_at, outcome',
  run_event: 'client_key, run_id, time, kind, words, data, who, at',
}
const PAGE = 500

export async function putRows(tx: Queries, table: OwnTable, rows: Record<string, unknown>[]): Promise<void> {
  for (let from = 0; from < rows.length; from += PAGE)
    await tx.query(
      `insert into ${table} (${COLUMNS[table]}) select ${COLUMNS[table]} from jsonb_populate_recordset(null::${table}, $1::jsonb)`,
      [JSON.stringify(rows.slice(from, from + PAGE))],
    )
}

export async function putPhoto(tx: Queries, build: string, head: PhotoHead, bytes: Uint8Array): Promise<void> {
  await tx.query('insert into photo (id, build_id, media_type, bytes, who, at) values ($1, $2, $3, $4, $5, $6)', [
    head.id,
    build,
    head.media_type,
    bytes,
    head.who,
    head.at,
  ])
}

/** Which of a build's own ids are taken here already: of the build, its runs and its photos. */
export async function takenIds(
  db: Queries,
  ids: { builds: string[]; runs: string[]; photos: string[] },
): Promise<string[]> {
  const { rows } = await db.query<{ id: string }>(
    `select id from build where id = any($1::uuid[]) union all select id from run where id = any($2::uuid[])
     union all select id from photo where id = any($3::uuid[])`,
    [ids.builds, ids.runs, ids.photos],
  )
  return rows.map(({ id }) => id)
}

/** What lies on the shelf, what builds hold of it, and every move. */
export async function shelfWhole(db: Queries): Promise<Record<'items' | 'holds' | 'moves', unknown[]>> {
  const all = async (from: string) =>
    (await db.query<{ row: unknown }>(`select to_jsonb(t) as row from ${from} t`)).rows.map(({ row }) => row)
  const living = 'build_id in (select id from build where deleted_at is null and sandbox_until is null)'
  return {
    items: await all('shelf_item'),
    holds: await all(`(select * from shelf_hold where ${living})`),
    moves: await all(`(select * from shelf_move where ${living} order by number)`),
  }
}
