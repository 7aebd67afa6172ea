import type { Database } from '../data/database'
import { createHash } from 'node:crypto'
import { LEAST_ENGINES, type Learnt } from '#core/logbook/habit'
import { withExperience } from '#core/engine/experience'
import type { Sheet } from '#core/record/schema'
import { getBuild } from '../data/builds'
import { keepLesson, type LessonRow, listLessons } from '../data/lessons'
import { inThread } from './pool'

/** Lessons that are being computed, by what from. */
const doing = new Map<string, Promise<void>>()
/** What was learnt for the builds that were last asked for, by what from; so many are kept. */
const learnt = new Map<string, { from: string; found: Promise<Learnt> }>()
const MOST = 100

const fromOf = (program: string, { revision }: Pick<LessonRow, 'revision'>) => `${program} ${revision}`

/**
 * What every engine of the shop that was read teaches. One whose record has changed since is computed anew; it is waited for where that is asked.
 */
export async function shopLessons(db: Database, waits = true): Promise<LessonRow[]> {
  const program = String(useRuntimeConfig().app.buildId)
  const rows = await listLessons(db)
  const stale = rows.filter((row) => row.computedFrom !== fromOf(program, row))
  if (stale.length === 0) return rows
  const computed = Promise.allSettled(stale.map((row) => compute(db, row.build, fromOf(program, row))))
  if (!waits) return rows
  await computed
  return listLessons(db)
}

/** Computes what one engine teaches, once for each state of its record. */
function compute(db: Database, build: string, from: string): Promise<void> {
  const name = `${build} ${from}`
  const before = doing.get(name)
  if (before) return before
  const work = (async () => {
    const row = await getBuild(db, build)
    if (row) await keepLesson(db, build, from, await inThread('lesson', row.sheet))
  })().finally(() => doing.delete(name))
  doing.set(name, work)
  return work
}

/** Names what the shop's lessons are, so that what was computed with others is known to be old; empty while they are too few to say anything. */
export const nameLessons = (rows: LessonRow[]): string => {
  const taught = rows.filter(({ lesson }) => lesson && !('why' in lesson))
  return taught.length < LEAST_ENGINES
    ? ''
    : createHash('sha256')
        .update(JSON.stringify(taught.map(({ build, computedFrom }) => [build, computedFrom])))
        .digest('base64')
}

/** What the shop's other engines say of one build's model. */
export const learntFor = async (db: Database, build: string, sheet: Sheet, waits = true): Promise<Learnt> =>
  learntOf(await shopLessons(db, waits), build, sheet)

/** The same by lessons that were read already: for one build after the other. */
export async function learntOf(shop: readonly LessonRow[], build: string, sheet: Sheet): Promise<Learnt> {
  const rows = shop.filter((row) => row.build !== build)
  const lessons = rows.flatMap(({ build: id, name, engine, lesson }) =>
    lesson && !('why' in lesson) ? [{ build: id, name, engine, lesson }] : [],
  )
  const silent = rows.flatMap(({ build: id, name, lesson }) =>
    lesson && 'why' in lesson ? [{ build: id, name, why: lesson.why }] : [],
  )
  if (lessons.length === 0) return { engines: [], silent }
  const from = createHash('sha256')
    .update(
      JSON.stringify([rows.map(({ build: id, computedFrom }) => [id, computedFrom]), { ...sheet, house: undefined }]),
    )
    .digest('base64')
  const before = learnt.get(build)
  const found = before?.from === from ? before.found : inThread('learnt', sheet, lessons)
  // Last asked for, last forgotten.
  learnt.delete(build)
  learnt.set(build, { from, found })
  if (learnt.size > MOST) learnt.delete(learnt.keys().next().value!)
  found.catch(() => learnt.get(build)?.found === found && learnt.delete(build))
  return { ...(await found), silent }
}

/** A sheet with what the shop's other engines say of its model; without it where that cannot be told, or not within so many ms. */
export async function experienced(db: Database, build: string, sheet: Sheet, within = Infinity): Promise<Sheet> {
  const asked = learntFor(db, build, sheet, within === Infinity).catch(() => undefined)
  const found =
    within === Infinity
      ? await asked
      : await Promise.race([asked, new Promise<undefined>((late) => setTimeout(() => late(undefined), within))])
  return withExperience(sheet, found?.experience)
}
