import type { Database } from '../data/database'
import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import type { Sheet } from '#core/record/schema'
import type { RunNews } from '#core/run/run'
import type { RunEvent } from '#core/run/schema'
import { insertBuild } from '../data/builds'
import { eventsOf, getRun, insertEvent, insertRun, insertSamples } from '../data/runs'
import { emptyDatabase } from '../data/testDatabase'
import { type Alarm, resumeWatches, standingAlarms, stopWatches, watchStart, type WatchParts } from './clock'

/** Sheets that an expectation was asked for, and what holds up the next one. */
const { asked, gate } = vi.hoisted(() => ({ asked: [] as Sheet[], gate: { opened: Promise.resolve() } }))
/** Holds up the model until the test says. */
function held() {
  let comes = () => {}
  gate.opened = new Promise((done) => (comes = done))
  return { comes }
}
vi.mock('../threads/pool', async (original) => {
  const pool = await original<typeof import('../threads/pool')>()
  const inThread: typeof pool.inThread = (task, ...given) => {
    asked.push(given[0] as Sheet)
    return gate.opened.then(() => pool.inThread(task, ...given))
  }
  return { ...pool, inThread }
})

describe('the watch on the server', () => {
  let db: Database
  const build = randomUUID()
  const sheet = DEMO_BUILDS.ottiline()
  beforeAll(async () => {
    db = await emptyDatabase()
    await insertBuild(db, build, sheet)
  })
  afterAll(async () => {
    stopWatches()
    await db.close()
  })
  /** A server's ends, with a clock that the test moves and a hub of its own. */
  function parts() {
    const hearers = new Map<string, ((news: RunNews) => void)[]>()
    const alarms: Alarm[] = []
    let now = Date.now()
    const own: WatchParts = {
      db,
      now: () => now,
      alarm: (alarm) => alarms.push(alarm),
      kept: () => undefined,
      tell: (id, news) => hearers.get(id)?.forEach((hear) => hear(news)),
      hearRun: (id, hear) => {
        hearers.set(id, [...(hearers.get(id) ?? []), hear])
        return () =>
          void hearers.set(
            id,
            (hearers.get(id) ?? []).filter((each) => each !== hear),
          )
      },
    }
    return { own, alarms, later: (seconds: number) => (now += 1000 * seconds) }
  }
  const begin = async (source: 'hand' | 'logger' | 'rig' = 'logger') =>
    (await insertRun(db, build, { id: randomUUID(), kind: 'start', setup: { source }, who: 'Maren' }))!
  const event = (kind: RunEvent['kind'], time: number, data: RunEvent['data'] = {}): RunEvent => ({
    clientKey: randomUUID(),
    time,
    kind,
    words: '',
    data,
    who: 'Maren',
  })
  async function say(own: WatchParts, run: string, what: RunEvent) {
    const kept = (await insertEvent(db, run, what))!
    own.tell(run, { kind: 'event', event: kept.event })
  }
  async function read(own: WatchParts, run: string, samples: { time: number; pressure: number; speed: number }[]) {
    await insertSamples(db, run, samples)
    own.tell(run, { kind: 'samples', samples })
  }
  const calls = async (run: string) => (await eventsOf(db, run)).filter(({ data }) => data.watch === 'server')

  it('expects what the oil of the run makes, not of what was filled in since', async () => {
    const { own } = parts()
    const run = await begin()
    asked.length = 0
    await watchStart(own, run, { ...sheet, oil: { grade: '0W-20' } })
    await vi.waitFor(() => expect(asked.map(({ oil }) => oil)).toEqual([sheet.oil]))
  })
  it('a simulated engine is stopped for its own board, and calls nobody else in the shop to a switch', async () => {
    const { own, alarms } = parts()
    const run = await begin('rig')
    await watchStart(own, run, sheet)
    const stretch = (from: number, to: number, pressure: number) =>
      Array.from({ length: Math.round(10 * (to - from)) }, (_, i) => ({ time: from + i / 10, pressure, speed: 15 }))
    await read(own, run.id, [{ time: 0, pressure: 0, speed: 0 }, ...stretch(0.1, 20, 3.5e5), ...stretch(20, 24, 0)])
    await vi.waitFor(async () => expect(await calls(run.id)).toMatchObject([{ data: { code: 'lost' } }]))
    expect(alarms).toEqual([])
    expect(standingAlarms()).toEqual([])
  })
  it('calls a loss from a logger once, keeps it with the run, tells every page, and is quiet when a hand has taken it', async () => {
    const { own, alarms } = parts()
    const run = await begin()
    await watchStart(own, run, sheet)
    const stretch = (from: number, to: number, pressure: number) =>
      Array.from({ length: Math.round(10 * (to - from)) }, (_, i) => ({ time: from + i / 10, pressure, speed: 15 }))
    await read(own, run.id, [{ time: 0, pressure: 0, speed: 0 }, ...stretch(0.1, 20, 3.5e5)])
    expect(alarms).toEqual([])
    await read(own, run.id, stretch(20, 24, 0))
    await vi.waitFor(async () =>
      expect(await calls(run.id)).toMatchObject([{ kind: 'word', data: { code: 'lost' }, who: 'Uldo' }]),
    )
    expect(alarms).toMatchObject([{ on: true, run: run.id, build, name: 'Ottiline', code: 'lost' }])
    expect(standingAlarms()).toHaveLength(1)
    await read(own, run.id, stretch(24, 26, 0))
    await say(own, run.id, event('stop', 26))
    expect(alarms.at(-1)).toMatchObject({ on: false, run: run.id })
    expect(standingAlarms()).toEqual([])
    expect(await calls(run.id)).toHaveLength(1)
  })
  it('what was read before the model came is judged by it when it comes, without another reading', async () => {
    const { own } = parts()
    const run = await begin('rig')
    const model = held()
    await watchStart(own, run, sheet)
    const samples = Array.from({ length: 300 }, (_, i) => ({
      time: i / 10,
      pressure: 1.2e5,
      speed: 15,
      temperature: 20,
    }))
    await read(own, run.id, [{ time: 0, pressure: 0, speed: 0 }, ...samples])
    expect(await calls(run.id)).toEqual([])
    model.comes()
    await vi.waitFor(async () => expect(await calls(run.id)).toMatchObject([{ data: { code: 'under-band' } }]), {
      timeout: 15_000,
    })
    expect((await calls(run.id))[0].time).toBeLessThan(20)
  })
  it('by hand with every page shut: no reading by the deadline is called', async () => {
    const { own, alarms, later } = parts()
    const run = await begin('hand')
    await watchStart(own, run, sheet)
    await say(own, run.id, event('act', 0.2, { action: 'crank' }))
    await say(own, run.id, event('act', 1, { action: 'fire' }))
    later(7)
    await vi.waitFor(() => expect(alarms).toMatchObject([{ on: true, code: 'no-pressure' }]), { timeout: 15_000 })
  })
  it('is taken up again when the server stood still, from what was read before', async () => {
    const first = parts()
    const run = await begin()
    await insertSamples(
      db,
      run.id,
      Array.from({ length: 200 }, (_, i) => ({ time: i / 10, pressure: i < 2 ? 0 : 3.5e5, speed: i < 1 ? 0 : 15 })),
    )
    await resumeWatches(first.own)
    await read(
      first.own,
      run.id,
      Array.from({ length: 40 }, (_, i) => ({ time: 20 + i / 10, pressure: 0, speed: 15 })),
    )
    await vi.waitFor(async () => expect(await calls(run.id)).toHaveLength(1))
    // A call that was made is not made again; it stands until a hand has taken it, whichever server shouts.
    stopWatches()
    // A server that stops takes nothing back.
    expect(first.alarms.map(({ on }) => on)).toEqual([true])
    expect(standingAlarms().map((alarm) => alarm.run)).toContain(run.id)
    const second = parts()
    await watchStart(second.own, (await getRun(db, run.id))!, sheet)
    expect(second.alarms).toMatchObject([{ on: true, run: run.id, code: 'lost', reading: 0 }])
    expect(await calls(run.id)).toHaveLength(1)
    const taken = { clientKey: randomUUID(), time: 24, kind: 'stop' as const, words: 'off', data: {}, who: 'Maren' }
    const entered = (await insertEvent(db, run.id, taken))!
    second.own.tell(run.id, { kind: 'event', event: entered.event })
    expect(second.alarms.map(({ on }) => on)).toEqual([true, false])
    stopWatches()
    const third = parts()
    await watchStart(third.own, (await getRun(db, run.id))!, sheet)
    expect(third.alarms).toEqual([])
  })
})
