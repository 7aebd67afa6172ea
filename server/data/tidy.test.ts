import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { newSheet } from '#core/record/layouts'
import { getBuild, insertBuild } from './builds'
import type { Database } from './database'
import { insertEvent, insertRun, insertSamples } from './runs'
import { emptyDatabase } from './testDatabase'
import { keepTidy, tidy } from './tidy'

describe('tidy records', () => {
  let db: Database
  const build = randomUUID()
  /** So much of a sheet stands outside its row that each change of it leaves some behind. */
  const sheet = { ...newSheet('inline4', 'Four', 'Test engine'), note: Array.from({ length: 900 }, randomUUID).join() }
  beforeAll(async () => {
    db = await emptyDatabase()
    await insertBuild(db, build, newSheet('inline4', 'Four', 'Test engine'))
  })
  afterAll(() => db.close())

  async function change(times: number) {
    for (let i = 0; i < times; i++)
      await db.query('update build set sheet = $2 where id = $1', [build, JSON.stringify({ ...sheet, number: i })])
    // What PostgreSQL counts of its tables it writes down a second later.
    await vi.waitFor(
      async () =>
        expect(
          (
            await db.query<{ dead: number }>(
              'select n_dead_tup::integer as dead from pg_stat_all_tables where relid = (select reltoastrelid from pg_class where relname = $1)',
              ['build'],
            )
          ).rows[0]!.dead,
        ).toBeGreaterThan(50),
      { timeout: 15_000, interval: 300 },
    )
  }
  const size = async () =>
    (await db.query<{ size: number }>("select pg_total_relation_size('build')::integer as size")).rows[0]!.size

  it('give back what changes left behind: the records do not grow with each change', async () => {
    await change(200)
    const once = await size()
    expect(await tidy(db)).toContain('build')
    await change(200)
    expect(await size()).toBeLessThan(1.2 * once)
    expect((await getBuild(db, build))!.sheet).toMatchObject({ number: 199 })
  })

  it('leave a table alone in which little changed', async () => {
    await tidy(db)
    await db.query('update build set sheet = sheet where id = $1', [build])
    expect(await tidy(db)).not.toContain('build')
  })

  it('wait while an engine turns, but not for a run that was forgotten', async () => {
    const run = (await insertRun(db, build, {
      id: randomUUID(),
      kind: 'prime',
      setup: { source: 'logger' },
      who: 'Maren',
    }))!
    await insertSamples(
      db,
      run.id,
      Array.from({ length: 900 }, (_, i) => ({ time: i / 10, pressure: 3e5 })),
    )
    await change(200)
    const tidied = vi.spyOn(db, 'exec')
    const end = keepTidy(db, { looks: 20, first: 0 })
    await new Promise((done) => setTimeout(done, 500))
    expect(tidied).not.toHaveBeenCalled()
    await db.query("update run set started_at = now() - interval '3 hours'")
    await vi.waitFor(() => expect(tidied.mock.calls.flat().join()).toMatch(/"build".*"run_sample"/), {
      timeout: 15_000,
    })
    await insertEvent(db, run.id, { clientKey: randomUUID(), time: 1, kind: 'end', words: 'ended', data: {}, who: 'M' })
    end()
  })
})
