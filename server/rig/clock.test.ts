import type { Database } from '../data/database'
import { randomUUID } from 'node:crypto'
import { afterAll, afterEach, beforeAll, expect, it, vi } from 'vitest'
import type { RunNews } from '#core/run/run'
import { DEMO_BUILDS } from '../../demo/make'
import { insertBuild } from '../data/builds'
import { getRun, insertEvent, insertRun, lastSequence, samplesAfter } from '../data/runs'
import { emptyDatabase } from '../data/testDatabase'
import { actOnRig, runRig, stopRigs } from './clock'

const sheet = DEMO_BUILDS.ottiline()
const build = randomUUID()
let db: Database
beforeAll(async () => {
  db = await emptyDatabase()
  await insertBuild(db, build, sheet)
})
afterAll(() => db.close())
afterEach(() => {
  stopRigs()
  vi.unstubAllGlobals()
})

/** A prime on the rig with what it tells, in the order it tells it. */
async function begin() {
  const told: RunNews[] = []
  vi.stubGlobal('announceRun', (_id: string, news: RunNews) => void told.push(news))
  const run = (await insertRun(db, build, {
    id: randomUUID(),
    kind: 'prime',
    setup: { source: 'rig', rig: { seed: 7, pace: 20 } },
    who: 'Maren',
  }))!
  await runRig(db, run, sheet)
  await vi.waitFor(() => expect(told.length).toBeGreaterThan(0))
  const act = async (action: string) =>
    insertEvent(db, run.id, {
      clientKey: randomUUID(),
      time: actOnRig(run.id, action)!,
      kind: 'act',
      words: action,
      data: { action },
      who: 'Maren',
    })
  return { run, told, act }
}

it('tells what was seen before the readings of that moment, so that nobody is called late who is not', async () => {
  const { told, act } = await begin()
  await act('start')
  await vi.waitFor(() => expect(told.some((news) => news.kind === 'event')).toBe(true), 20_000)
  let upTo = 0
  for (const news of told) {
    if (news.kind === 'samples') upTo = news.samples.at(-1)!.time
    else if (news.kind === 'event') expect(news.event.time).toBeGreaterThan(upTo)
  }
})

it('taken up again it goes on from its last reading, as if it had not stood', async () => {
  const { run, told, act } = await begin()
  await act('start')
  await vi.waitFor(() => expect(told.some((news) => news.kind === 'event')).toBe(true), 20_000)
  stopRigs()
  await vi.waitFor(async () => {
    const last = await lastSequence(db, run.id)
    await new Promise((done) => setTimeout(done, 150))
    expect(await lastSequence(db, run.id)).toBe(last)
  })
  const before = await lastSequence(db, run.id)
  await runRig(db, (await getRun(db, run.id))!, sheet)
  await vi.waitFor(async () => expect(await lastSequence(db, run.id)).toBeGreaterThan(before + 5000), 20_000)
  stopRigs()
  const samples = await samplesAfter(db, run.id, -1, 5000)
  samples.forEach(({ time }, i) => expect(time).toBeCloseTo((i + 1) / 10, 6))
  // What was seen before it stood is not seen a second time.
  const places = (await getRun(db, run.id))!.events.filter(({ kind }) => kind === 'seen').map(({ data }) => data.place)
  expect(places.length).toBeGreaterThan(0)
  expect(new Set(places).size).toBe(places.length)
})

it('keeps the oil that the run was begun with, whatever was filled in since', async () => {
  vi.stubGlobal('announceRun', () => {})
  const pressures = async (now: typeof sheet) => {
    const { id } = (await insertRun(db, build, {
      id: randomUUID(),
      kind: 'start',
      setup: { source: 'rig', rig: { seed: 7, pace: 20 } },
      who: 'Maren',
    }))!
    for (const action of ['crank', 'fire'])
      await insertEvent(db, id, {
        clientKey: randomUUID(),
        time: 0,
        kind: 'act',
        words: action,
        data: { action },
        who: 'Maren',
      })
    await runRig(db, (await getRun(db, id))!, now)
    await vi.waitFor(async () => expect(await lastSequence(db, id)).toBeGreaterThan(60_000), 20_000)
    stopRigs()
    return (await samplesAfter(db, id, -1, 5000)).slice(0, 600).map(({ pressure }) => pressure)
  }
  const own = await pressures(sheet)
  expect(Math.max(...own.map((each) => each ?? 0))).toBeGreaterThan(1e5)
  expect(await pressures({ ...sheet, oil: { grade: '20' } })).toEqual(own)
})
