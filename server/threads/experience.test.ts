import type { Database } from '../data/database'
import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { lessonOf } from '#core/logbook/lessons'
import type { Sheet } from '#core/record/schema'
import type * as Shop from './experience'
import { insertBuild } from '../data/builds'
import { enterChange } from '../data/enterChange'
import { moveBuild } from '../data/floor'
import { keepLesson, listLessons, listSisters } from '../data/lessons'
import { emptyDatabase } from '../data/testDatabase'

/** What was asked of the threads, by task; they wait for the gate. */
const asked: string[] = []
let gate: Promise<unknown> = Promise.resolve()

const bare = DEMO_BUILDS.ottiline()
function started(bars: number, engine = bare.engine): Sheet {
  const sheet = { ...DEMO_BUILDS.ottiline(), engine }
  sheet.readings['start.idleHot.pressure'] = { value: bars * 1e5, source: 'measured' }
  return sheet
}

describe('what engines of the shop teach', () => {
  let db: Database
  const [next, gone, sandbox, ...read] = Array.from({ length: 6 }, () => randomUUID())
  let shop: typeof Shop
  beforeAll(async () => {
    // Test files share what they have read: this one reads it anew, with threads of its own.
    vi.resetModules()
    vi.doMock('./pool', async (original) => {
      const pool = await original<typeof import('./pool')>()
      const inThread: typeof pool.inThread = (task, ...given) => {
        asked.push(task)
        return gate.then(() => pool.inThread(task, ...given))
      }
      return { ...pool, inThread }
    })
    shop = await import('./experience')
    vi.stubGlobal('useRuntimeConfig', () => ({ app: { buildId: 'this' } }))
    db = await emptyDatabase()
    await insertBuild(db, next, bare)
    for (const [i, id] of read.entries())
      await insertBuild(db, id, { ...started(2.7, i === 0 ? ' HESPER  3.6' : bare.engine), name: `Engine ${i}` })
    await insertBuild(db, gone, { ...started(1), name: 'Gone' })
    await moveBuild(db, gone, { place: 'deleted', name: 'Gone', who: 'Maren' })
    await insertBuild(db, sandbox, started(1), true)
  })
  afterAll(async () => {
    vi.doUnmock('./pool')
    vi.resetModules()
    vi.unstubAllGlobals()
    await db.close()
  })

  it('is of those whose gauge was read, and neither of what is deleted nor of one to learn on', async () => {
    expect((await listLessons(db)).map(({ build }) => build)).toEqual([...read].sort())
    await keepLesson(db, read[0], 'one', lessonOf(started(2.7)))
    await keepLesson(db, read[0], 'two', undefined)
    await keepLesson(db, randomUUID(), 'three', undefined)
    const [kept] = (await listLessons(db)).filter(({ build }) => build === read[0])
    expect(kept).toMatchObject({ computedFrom: 'two', lesson: null, name: 'Engine 0' })
  })

  it('sisters are of the same kind as their sheets name it, however it was typed, and not the engine itself', async () => {
    expect((await listSisters(db, next)).map(({ name }) => name).sort()).toEqual(['Engine 0', 'Engine 1', 'Engine 2'])
    expect(await listSisters(db, read[1])).toHaveLength(3)
  })

  it('is computed once for each state of a record, kept, and then moves what the next one is predicted by', async () => {
    asked.length = 0
    const rows = await shop.shopLessons(db)
    expect(asked).toEqual(['lesson', 'lesson', 'lesson'])
    expect(rows.every(({ lesson }) => lesson && !('why' in lesson))).toBe(true)
    expect(shop.nameLessons(rows)).not.toBe('')
    expect(shop.nameLessons(rows.slice(1))).toBe('')
    const found = await shop.learntFor(db, next, bare)
    expect(found.experience).toMatchObject({ engines: 3 })
    expect(found.experience!.mean).toBeCloseTo(2.7 / 2.8477 - 1, 3)
    expect((await shop.learntFor(db, next, bare)).experience).toBe(found.experience)
    expect(asked).toEqual(['lesson', 'lesson', 'lesson', 'learnt'])
    // An engine teaches itself nothing: of its own readings the other two are left.
    expect((await shop.learntFor(db, read[0], started(2.7))).engines).toHaveLength(2)
    // Another reading of one, and what it teaches is another.
    await enterChange(db, read[2], {
      clientKey: randomUUID(),
      device: randomUUID(),
      base: 0,
      who: 'Maren',
      reason: '',
      patch: [{ op: 'replace', path: '/readings/start.idleHot.pressure/value', value: 2.6e5 }],
    })
    const later = await shop.shopLessons(db)
    expect(shop.nameLessons(later)).not.toBe(shop.nameLessons(rows))
    expect((await shop.learntFor(db, next, bare)).experience!.mean).toBeLessThan(found.experience!.mean)
  })

  it('stands with a sheet unless its builder does not want it, or it does not come in time', async () => {
    expect((await shop.experienced(db, next, bare)).experience).toMatchObject({ engines: 3 })
    const off: Sheet = { ...bare, choices: { ...bare.choices, 'shop.experience': 'off' } }
    expect((await shop.experienced(db, next, off)).experience).toBeUndefined()
    gate = new Promise(() => undefined)
    expect(await shop.experienced(db, next, { ...bare, work: 'another' }, 30)).toEqual({ ...bare, work: 'another' })
  })
})
