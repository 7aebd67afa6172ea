import jsonPatch, { type Operation } from 'fast-json-patch'
import type { Database, Queries } from '../data/database'
import { type Head, type Log, LOGS, WHOLE } from './format'
import type { Table } from '../data/tables'

/** Rows of a page: so few that reading one holds nothing up. */
const PAGE = 200
const SAMPLES = 5000

/** A stretch of a table's rows, each as JSON text in a line of its own; or a photo as it is. */
export type Piece = { table: Table; rows: string[] } | { photo: string; extension: string; bytes: Uint8Array }

/** What is fixed in one moment: how far each log goes, and small tables whole. */
export interface Moment {
  upTo: Head['upTo']
  migrations: string[]
  builds: { id: string; revision: number }[]
  photos: string[]
  runs: string[]
  small: { table: Table; rows: string[] }[]
}

const asText = async (db: Queries, table: string, rest = '', values: unknown[] = []) =>
  (await db.query<{ row: string }>(`select row_to_json(t)::text as row from ${table} t ${rest}`, values)).rows.map(
    ({ row }) => row,
  )

/** Fixes a moment, in one short transaction: everything that was acknowledged before it is in the backup. */
export async function fixMoment(db: Database): Promise<Moment> {
  return db.transaction(async (tx) => {
    const last = async (table: string) =>
      (await tx.query<{ last: number }>(`select coalesce(max(number), 0)::integer as last from ${table}`)).rows[0].last
    const ids = async (table: string) =>
      (await tx.query<{ id: string }>(`select id from ${table} order by id`)).rows.map(({ id }) => id)
    const upTo = {} as Head['upTo']
    // Numbers are given out before their rows are in: what is being written at this moment is waited for, and what comes after it waits.
    await tx.exec(`lock table ${[...LOGS, ...WHOLE].join(', ')} in share mode`)
    for (const log of LOGS) upTo[log] = await last(log)
    const small: Moment['small'] = []
    for (const table of WHOLE) small.push({ table, rows: await asText(tx, table) })
    return {
      upTo,
      small,
      migrations: (await tx.query<{ name: string }>('select name from migration order by name')).rows.map(
        ({ name }) => name,
      ),
      builds: (
        await tx.query<{ id: string; revision: number }>('select id, revision from build order by created_at, id')
      ).rows,
      photos: await ids('photo'),
      runs: await ids('run'),
    }
  })
}

/** A build's row as it was at a revision: what was written since is taken back. */
async function buildAt(db: Database, id: string, revision: number): Promise<string> {
  const { row, inverses } = await db.transaction(async (tx) => ({
    row: JSON.parse((await asText(tx, 'build', 'where id = $1', [id]))[0]) as { sheet: object; revision: number },
    inverses: (
      await tx.query<{ inverse: Operation[] }>(
        'select inverse from entry where build_id = $1 and revision > $2 order by revision desc',
        [id, revision],
      )
    ).rows.map(({ inverse }) => inverse),
  }))
  for (const inverse of inverses) row.sheet = jsonPatch.applyPatch(row.sheet, inverse, false, true).newDocument
  return JSON.stringify({ ...row, revision })
}

/** Everything up to a moment, piece by piece, in the order of the tables; between two pieces others have their turn. */
export async function* piecesOf(db: Database, moment: Moment): AsyncGenerator<Piece> {
  for (const { id, revision } of moment.builds) yield { table: 'build', rows: [await buildAt(db, id, revision)] }
  yield* logOf(db, 'entry', moment.upTo.entry)
  const whole = (...tables: Table[]) => moment.small.filter(({ table }) => tables.includes(table))
  yield* whole('house')
  yield* logOf(db, 'house_entry', moment.upTo.house_entry)
  for (const id of moment.photos) {
    const row = (
      await db.query<{ media_type: string; bytes: Uint8Array }>('select media_type, bytes from photo where id = $1', [
        id,
      ])
    ).rows[0]
    if (!row) continue
    yield { photo: id, extension: row.media_type.replace('image/', ''), bytes: row.bytes }
    yield {
      table: 'photo',
      rows: await asText(db, '(select id, build_id, media_type, who, at from photo)', 'where id = $1', [id]),
    }
  }
  yield* whole('shelf_item', 'shelf_hold')
  yield* logOf(db, 'shelf_move', moment.upTo.shelf_move)
  yield* logOf(db, 'shelf_entry', moment.upTo.shelf_entry)
  yield* logOf(db, 'shelf_history', moment.upTo.shelf_history)
  yield* whole('run')
  yield* logOf(db, 'run_event', moment.upTo.run_event)
  for (const run of moment.runs) {
    for (let after = -1; ;) {
      const rows = await asText(db, 'run_sample', 'where run_id = $1 and sequence > $2 order by sequence limit $3', [
        run,
        after,
        SAMPLES,
      ])
      if (rows.length === 0) break
      yield { table: 'run_sample', rows }
      after = (JSON.parse(rows[rows.length - 1]) as { sequence: number }).sequence
    }
  }
  yield* whole('person', 'passphrase', 'token', 'link')
  yield* logOf(db, 'access_entry', moment.upTo.access_entry)
  yield* whole('proposal', 'practice')
}

async function* logOf(db: Database, table: Log, upTo: number): AsyncGenerator<Piece> {
  for (let after = 0; after < upTo;) {
    const rows = await asText(db, table, 'where number > $1 and number <= $2 order by number limit $3', [
      after,
      upTo,
      PAGE,
    ])
    if (rows.length === 0) break
    yield { table, rows }
    after = (JSON.parse(rows[rows.length - 1]) as { number: number }).number
  }
}
