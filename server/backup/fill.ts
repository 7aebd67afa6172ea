import type { Queries } from '../data/database'
import type { Table } from '../data/tables'
import { BadBackup, LOGS } from './format'
import { readArchive } from './read'

/** Tables that number their rows themselves, by this version. */
const NUMBERED: Table[] = [...LOGS, 'proposal']

/**
 * Puts an archive's rows into tables that are empty, in the order in which it has them: what is pointed at before what points.
 *
 * @throws BadBackup naming a photo of which the picture is missing
 */
export async function fillTables(db: Queries, file: string): Promise<void> {
  // What is put back is no new change: nothing is entered for it. Whoever owns the tables may say so, on a server too.
  const withHistory = (await db.query("select 1 from pg_trigger where tgname = 'shelf_item_history'")).rows.length > 0
  const history = (state: 'enable' | 'disable') =>
    withHistory ? db.exec(`alter table shelf_item ${state} trigger shelf_item_history`) : undefined
  await history('disable')
  const photos = new Map<string, Buffer>()
  const rows = async (table: Table, lines: string[]) => {
    if (table === 'photo') {
      for (const line of lines) {
        const { id } = JSON.parse(line) as { id: string }
        if (!photos.has(id)) throw new BadBackup(`The picture of photo ${id} is missing.`)
        await db.query(
          'insert into photo (id, build_id, media_type, bytes, who, at) select id, build_id, media_type, $2, who, at from jsonb_populate_record(null::photo, $1::jsonb)',
          [line, photos.get(id)],
        )
        photos.delete(id)
      }
    } else
      await db.query(
        `insert into ${table} overriding system value select * from jsonb_populate_recordset(null::${table}, $1::jsonb)`,
        [`[${lines.join(',')}]`],
      )
  }
  await readArchive(file, { head: () => undefined, rows, photo: (id, bytes) => photos.set(id, bytes) })
  await history('enable')
}

/** Numbers go on after those that were put in. */
export async function numberOn(db: Queries): Promise<void> {
  for (const table of NUMBERED)
    await db.query(
      `select setval(pg_get_serial_sequence('${table}', 'number'), greatest(1, (select coalesce(max(number), 1) from ${table})), exists(select 1 from ${table}))`,
    )
}
