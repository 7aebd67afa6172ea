import type { Entry } from '#core/record/entry'
import type { Sheet } from '#core/record/schema'
import type { Queries } from './database'

export interface BuildRow {
  id: string
  revision: number
  sheet: Sheet
  changed_at: string
  /** A build to learn on. */
  sandbox?: boolean
}

export async function listBuilds(db: Queries): Promise<BuildRow[]> {
  return (
    await db.query<BuildRow>(
      'select id, revision, sheet, changed_at from build where deleted_at is null and sandbox_until is null order by changed_at desc, id',
    )
  ).rows
}

export async function getBuild(db: Queries, id: string): Promise<BuildRow | undefined> {
  return (
    await db.query<BuildRow>(
      'select id, revision, sheet, changed_at, sandbox_until is not null as sandbox from build where id = $1 and deleted_at is null',
      [id],
    )
  ).rows[0]
}

/** A build to learn on stays so long, when nobody ends it, h. */
const SANDBOX_HOURS = 24

/** Begins a build, or one to learn on; under an id that is there already it is the one that stands. */
export async function insertBuild(db: Queries, id: string, sheet: Sheet, sandbox = false): Promise<BuildRow> {
  await db.query(
    `insert into build (id, revision, sheet, sandbox_until)
      values ($1, 0, $2, case when $3 then now() + interval '${SANDBOX_HOURS} hours' end) on conflict (id) do nothing`,
    [id, JSON.stringify(sheet), sandbox],
  )
  return (await getBuild(db, id))!
}

export async function entriesAfter(db: Queries, id: string, revision: number): Promise<Entry[]> {
  const { rows } = await db.query<EntryRow>(
    `select ${ENTRY} from entry where build_id = $1 and revision > $2 order by revision`,
    [id, revision],
  )
  return rows.map(entryOf)
}

/** Columns of an entry. */
const ENTRY = 'revision, client_key, device, who, at, patch, inverse, reason, signed_by'
type EntryRow = Omit<Entry, 'clientKey' | 'signedBy'> & { client_key: string; signed_by: string | null }
const entryOf = ({ client_key, signed_by, ...row }: EntryRow): Entry => ({
  ...row,
  clientKey: client_key,
  at: new Date(row.at).toISOString(),
  ...(signed_by === null ? {} : { signedBy: signed_by }),
})
