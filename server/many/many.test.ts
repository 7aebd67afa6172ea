import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { newSheet } from '#core/record/layouts'
import type { RunNews } from '#core/run/run'
import { insertBuild } from '../data/builds'
import type { Database } from '../data/database'
import { type OwnPostgres, startPostgres } from '../data/ownPostgres'
import { connectWriting, openPostgres } from '../data/postgres'
import { insertEvent, insertRun, insertSamples } from '../data/runs'
import { emptyDatabase } from '../data/testDatabase'
import { openCatchUp } from './catchUp'
import { openChannel } from './channel'
import { openKeeper, WATCH_LOCK } from './keeper'
import type { Notice } from './notice'

const SOON = { timeout: 20_000, interval: 30 }

describe('what another server wrote of a run', () => {
  let db: Database
  beforeAll(async () => {
    db = await emptyDatabase()
  })
  afterAll(() => db.close())

  it('is told once, readings that lie before one’s own too, and what no notice came of', async () => {
    const [build, run] = [randomUUID(), randomUUID()]
    await insertBuild(db, build, newSheet('inline4', 'Four', 'Test engine'))
    await insertRun(db, build, { id: run, kind: 'start', setup: { source: 'logger' }, who: 'Maren' })
    const told: RunNews[] = []
    const times = () => told.flatMap((news) => (news.kind === 'samples' ? news.samples.map(({ time }) => time) : []))
    const catchUp = openCatchUp(db, {
      builds: () => [],
      runs: () => [run],
      tellEntry: () => undefined,
      tellRun: (_, news) => told.push(news),
    })
    const write = async (...at: number[]) => {
      const samples = at.map((time) => ({ time, pressure: 1e5 }))
      await insertSamples(db, run, samples)
      return samples
    }
    // This server's own logger is at ten seconds; a hand at another tapped one in at nine.
    catchUp.own.run(run, { kind: 'samples', samples: await write(9.8, 10) })
    await write(9)
    await catchUp.run(run, 8999)
    expect(times()).toEqual([9])
    await write(9.5, 12)
    // The notice was lost.
    await catchUp.everything()
    expect(times()).toEqual([9, 9.5, 12])
    await insertEvent(db, run, {
      clientKey: randomUUID(),
      time: 12,
      kind: 'end',
      words: 'started',
      data: {},
      who: 'Ilo',
    })
    await catchUp.run(run)
    await catchUp.run(run, 0)
    await catchUp.everything()
    expect(times()).toEqual([9, 9.5, 12])
    expect(told.slice(-2)).toMatchObject([
      { kind: 'event', event: { kind: 'end' } },
      { kind: 'end', outcome: 'started' },
    ])
    expect(told.filter(({ kind }) => kind === 'end')).toHaveLength(1)
  })
})

describe('between servers', () => {
  let server: OwnPostgres
  beforeAll(async () => {
    server = await startPostgres()
  })
  afterAll(() => server.stop())

  it('a thousand notices at once are heard by the others in their order, and not by who tells them', async () => {
    const db = openPostgres(server.url)
    const heard: Record<string, Notice[]> = { a: [], b: [] }
    const back = { a: vi.fn(), b: vi.fn() }
    const open = (name: 'a' | 'b') =>
      openChannel(server.url, db, { hear: (notice) => void heard[name].push(notice), back: back[name] })
    const [a, b] = [open('a'), open('b')]
    await vi.waitFor(() => expect([a.hears(), b.hears()]).toEqual([true, true]), SOON)
    const notices = Array.from({ length: 1000 }, (_, number): Notice => ({ kind: 'entry', id: randomUUID(), number }))
    notices.forEach(a.tell)
    await vi.waitFor(() => expect(heard.b).toHaveLength(1000), SOON)
    expect(heard.b).toEqual(notices)
    expect(heard.a).toEqual([])
    // A connection that was lost is made anew, and said, so that what was missed is looked up.
    await server.kill()
    await vi.waitFor(() => expect(b.hears()).toBe(false), SOON)
    await server.start()
    await vi.waitFor(() => expect(back.b).toHaveBeenCalledTimes(2), SOON)
    a.tell({ kind: 'shelf' })
    await vi.waitFor(() => expect(heard.b.at(-1)).toEqual({ kind: 'shelf' }), SOON)
    for (const each of [a, b, db]) await each.close()
  })

  it('one keeps the watch; while the database is away it goes on watching, and leaves only once another has it', async () => {
    const calls: string[] = []
    const open = (name: string) =>
      openKeeper(server.url, {
        take: () => Promise.resolve(void calls.push(`${name} takes`)),
        leave: () => void calls.push(`${name} leaves`),
      })
    const first = open('first')
    await vi.waitFor(() => expect(first.keeps()).toBe(true), SOON)
    const second = open('second')
    await server.kill()
    await new Promise((done) => setTimeout(done, 1200))
    expect(first.keeps()).toBe(true)
    expect(second.keeps()).toBe(false)
    expect(calls).toEqual(['first takes'])
    await server.start()
    await vi.waitFor(() => expect(calls.length).toBeGreaterThan(1), SOON)
    await vi.waitFor(() => expect([first, second].filter((each) => each.keeps())).toHaveLength(1), SOON)
    // Whichever got it: who had it and has it no more was told.
    expect(calls.includes('first leaves')).toBe(second.keeps())
    const [keeper, other] = first.keeps() ? [first, second] : [second, first]
    await keeper.close()
    await vi.waitFor(() => expect(other.keeps()).toBe(true), SOON)
    await other.close()
  })

  it('who has left the watch does not ask for it once more: the next who asks gets it', async () => {
    const keeper = openKeeper(server.url, { take: () => Promise.resolve(), leave: () => undefined })
    await vi.waitFor(() => expect(keeper.keeps()).toBe(true), SOON)
    await keeper.close()
    // Longer than from one asking to the next.
    await new Promise((done) => setTimeout(done, 1000))
    const next = await connectWriting(server.url, {})
    const { rows } = await next.query('select pg_try_advisory_lock($1) as got', [WATCH_LOCK])
    expect(rows).toEqual([{ got: true }])
    await next.end()
  })
})
