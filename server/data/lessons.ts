import type { Lesson, NoLesson } from '#core/logbook/lessons'
import type { Sheet } from '#core/record/schema'
import type { Queries } from './database'

/** What an engine teaches, or why it teaches nothing. */
export type Taught = Lesson | { why: NoLesson }

/** An engine of the shop whose gauge was read, with what was last computed of it. */
export interface LessonRow {
  build: string
  revision: number
  name: string
  engine: string
  /** Names the sheet and the program that it was computed from; null where nothing was. */
  computedFrom: string | null
  /** Null where its readings are too few or too low to teach anything. */
  lesson: Taught | null
}

/** A gauge that was read at a point of a start. */
const READ = `array['start.idleCold.pressure', 'start.idleHot.pressure', 'start.workingHot.pressure']`

/** What was last read of each build, by whether its gauge was read; its sheet is not looked into again while its revision and its lesson are the same. */
const seen = new WeakMap<Queries, Map<string, { revision: number; computedFrom: string | null; row?: LessonRow }>>()

/** Engines of the shop whose gauge was read: not deleted, and none to learn on; by build. */
export async function listLessons(db: Queries): Promise<LessonRow[]> {
  const { rows: now } = await db.query<{ id: string; revision: number; computed_from: string | null }>(
    `select build.id, build.revision, lesson.computed_from from build left join lesson on lesson.build = build.id
      where build.deleted_at is null and build.sandbox_until is null order by build.id`,
  )
  const before = seen.get(db) ?? new Map()
  const changed = now.filter(({ id, revision, computed_from }) => {
    const known = before.get(id)
    return known?.revision !== revision || known.computedFrom !== computed_from
  })
  const changedIds = new Set(changed.map(({ id }) => id))
  const read = new Map((await readLessons(db, [...changedIds])).map((row) => [row.build, row]))
  const after = new Map(
    now.map(({ id, revision, computed_from }) => [
      id,
      changedIds.has(id) ? { revision, computedFrom: computed_from, row: read.get(id) } : before.get(id)!,
    ]),
  )
  seen.set(db, after)
  return [...after.values()].flatMap(({ row }) => (row ? [row] : []))
}

async function readLessons(db: Queries, builds: string[]): Promise<LessonRow[]> {
  if (builds.length === 0) return []
  const { rows } = await db.query<Omit<LessonRow, 'computedFrom'> & { computed_from: string | null }>(
    `select build.id as build, build.revision, build.sheet ->> 'name' as name, build.sheet ->> 'engine' as engine,
        lesson.computed_from, lesson.lesson
       from build left join lesson on lesson.build = build.id
      where build.id = any($1::uuid[]) and jsonb_exists_any(build.sheet -> 'readings', ${READ})`,
    [builds],
  )
  return rows.map(({ computed_from, ...row }) => ({ ...row, computedFrom: computed_from }))
}

/** Keeps what an engine teaches in place of what was kept before; of one that is gone nothing is kept. */
export async function keepLesson(
  db: Queries,
  build: string,
  computedFrom: string,
  lesson: Taught | undefined,
): Promise<void> {
  await db.query(
    `insert into lesson (build, computed_from, lesson) select id, $2, $3 from build where id = $1
     on conflict (build) do update set computed_from = excluded.computed_from, lesson = excluded.lesson`,
    [build, computedFrom, lesson ? JSON.stringify(lesson) : null],
  )
}

/** Sheets of the shop's other engines of a kind, as they name it: not deleted, and none to learn on. */
export async function listSisters(
  db: Queries,
  build: string,
): Promise<{ build: string; name: string; engine: string; sheet: Sheet }[]> {
  const kind = (sheet: string) => `lower(regexp_replace(trim(${sheet} ->> 'engine'), '\\s+', ' ', 'g'))`
  const { rows } = await db.query<{ build: string; name: string; engine: string; sheet: Sheet }>(
    `select other.id as build, other.sheet ->> 'name' as name, other.sheet ->> 'engine' as engine, other.sheet
       from build, build as other
      where build.id = $1 and other.id <> build.id and other.deleted_at is null and other.sandbox_until is null
        and ${kind('other.sheet')} = ${kind('build.sheet')}
      order by other.changed_at desc limit 60`,
    [build],
  )
  return rows
}
