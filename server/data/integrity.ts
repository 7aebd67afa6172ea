import jsonPatch from 'fast-json-patch'
import { type BuildRow, entriesAfter, listBuilds } from './builds'
import type { Queries } from './database'
import { TABLES } from './tables'

/** Something in the records that is not as it was written. */
export interface Damage {
  where: string
  why: string
}

/** Every table is read to its end: a page that cannot be read says so here and not in the middle of a start. */
const READ = [...TABLES, 'session', 'standing', 'lesson']

/**
 * Reads all records and replays every build's entries: taken back one by one and entered again they must give the sheet that stands there.
 *
 * @returns what differs or cannot be read; nothing when all is well
 */
export async function checkRecords(db: Queries): Promise<Damage[]> {
  const damage: Damage[] = []
  for (const table of READ) {
    try {
      await db.query(`select count(*), sum(length(t::text)) from ${table} t`)
    } catch (error) {
      damage.push({ where: table, why: (error as Error).message })
    }
  }
  if (damage.length > 0) return damage
  for (const build of await listBuilds(db)) {
    const why = await damageOf(db, build)
    if (why) damage.push({ where: `build ${build.sheet.name} (${build.id})`, why })
  }
  return damage
}

/** Why a build's entries do not give its sheet, taken back one by one and entered again; undefined when they do. */
export async function damageOf(
  db: Queries,
  { id, revision, sheet }: Pick<BuildRow, 'id' | 'revision' | 'sheet'>,
): Promise<string | undefined> {
  try {
    const entries = await entriesAfter(db, id, 0)
    if (entries.length !== revision) throw new Error(`has ${entries.length} entries at revision ${revision}`)
    let document: unknown = structuredClone(sheet)
    for (const { inverse } of [...entries].reverse())
      document = jsonPatch.applyPatch(document, inverse, false, true).newDocument
    for (const { patch } of entries) document = jsonPatch.applyPatch(document, patch, false, true).newDocument
    if (jsonPatch.compare(document as object, sheet).length > 0) throw new Error('its entries do not give its sheet')
    return undefined
  } catch (error) {
    return (error as Error).message.split('\n')[0]
  }
}
