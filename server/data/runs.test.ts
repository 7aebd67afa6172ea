import type { Database } from './database'
import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { newSheet } from '#core/record/layouts'
import type { RunEvent } from '#core/run/schema'
import { insertBuild } from './builds'
import {
  getRun,
  insertEvent,
  insertRun,
  insertSamples,
  insertStretch,
  lastSequence,
  listRuns,
  openRigRuns,
  samplesAfter,
  takeSamplesIn,
} from './runs'
import { emptyDatabase } from './testDatabase'

describe('runs', () => {
  let db: Database
  const build = randomUUID()
  beforeAll(async () => {
    db = await emptyDatabase()
    await insertBuild(db, build, newSheet('inline4', 'Four', 'Test engine'))
  })
  afterAll(() => db.close())
  const begin = async (setup: Parameters<typeof insertRun>[2]['setup'] = { source: 'logger' }) =>
    (await insertRun(db, build, { id: randomUUID(), kind: 'start', setup, who: 'Maren' }))!
  const event = (more: Partial<RunEvent> = {}): RunEvent => ({
    clientKey: randomUUID(),
    time: 1.5,
    kind: 'mark',
    words: 'fired',
    data: {},
    who: 'Maren',
    ...more,
  })

  it('begins once, whatever is sent again', async () => {
    const run = await begin()
    await insertRun(db, build, { id: run.id, kind: 'prime', setup: { source: 'hand' }, who: 'Else' })
    expect(await getRun(db, run.id)).toMatchObject({
      kind: 'start',
      who: 'Maren',
      samples: 0,
      endedAt: null,
      setup: { source: 'logger' },
    })
    expect((await listRuns(db, build)).map(({ id }) => id)).toContain(run.id)
  })
  it('keeps the oil that was in the engine, whatever is filled in later; one that a sender names stands', async () => {
    const own = randomUUID()
    const sheet = {
      ...newSheet('inline4', 'Oil', 'Test engine'),
      oils: { firstFill: { grade: '30' }, prime: { grade: '20' } },
    }
    await insertBuild(db, own, sheet)
    const oilOf = async (kind: 'prime' | 'start', oil?: { grade: string }) =>
      (await insertRun(db, own, {
        id: randomUUID(),
        kind,
        setup: { source: 'logger', ...(oil ? { oil } : {}) },
        who: 'Maren',
      }))!.setup.oil?.grade
    expect([await oilOf('start'), await oilOf('prime'), await oilOf('start', { grade: '15W-40' })]).toEqual([
      '30',
      '20',
      '15W-40',
    ])
    expect((await begin()).setup.oil).toEqual(newSheet('inline4', 'a', 'b').oil)
  })
  it('keeps a sample once by its millisecond, and gives them back in order, in pieces', async () => {
    const run = await begin()
    const samples = Array.from({ length: 50 }, (_, i) => ({
      time: i / 10,
      pressure: 1000 * i,
      ...(i % 2 ? { speed: 12 } : {}),
    }))
    expect(await insertSamples(db, run.id, samples)).toBe(50)
    expect(await insertSamples(db, run.id, samples.slice(40).concat({ time: 5, pressure: 7 }))).toBe(1)
    expect(await samplesAfter(db, run.id, -1, 3)).toEqual([
      { time: 0, pressure: 0 },
      { time: 0.1, pressure: 1000, speed: 12 },
      { time: 0.2, pressure: 2000 },
    ])
    expect((await samplesAfter(db, run.id, 4800, 100)).map(({ time }) => time)).toEqual([4.9, 5])
    expect(await lastSequence(db, run.id)).toBe(5000)
  })
  it('says of each what became of it: new, there already just so, or another in its place, in the record or in the lot itself', async () => {
    const run = await begin()
    expect(
      await takeSamplesIn(db, run.id, [
        { time: 1, pressure: 1e5 },
        { time: 2, pressure: 2e5 },
      ]),
    ).toEqual({ taken: 2, known: 0, lost: [] })
    expect(
      await takeSamplesIn(db, run.id, [
        { time: 2, pressure: 2e5 },
        { time: 1, pressure: 3e5 },
        { time: 3, pressure: 4e5 },
        { time: 3, pressure: 5e5 },
      ]),
    ).toEqual({ taken: 1, known: 1, lost: [1, 3] })
  })
  it('begins by this server’s clock less what lay between beginning and sending, however wrong the sender’s clock is', async () => {
    const ahead = Date.now() + 7200e3
    const run = (await insertRun(db, build, {
      id: randomUUID(),
      kind: 'start',
      setup: { source: 'logger' },
      who: 'M',
      begunAt: ahead - 4000,
      sentAt: ahead,
    }))!
    expect(Math.abs(Date.parse(run.startedAt) - (Date.now() - 4000))).toBeLessThan(2000)
  })
  it('takes an hour at ten a second', async () => {
    const run = await begin()
    for (let piece = 0; piece < 9; piece++)
      await insertSamples(
        db,
        run.id,
        Array.from({ length: 4000 }, (_, i) => ({ time: (4000 * piece + i) / 10, pressure: i, temperature: 20 })),
      )
    expect((await getRun(db, run.id))!.samples).toBe(36_000)
  })
  it('enters an event once, and an end ends the run', async () => {
    const run = await begin()
    const mark = event()
    expect(await insertEvent(db, run.id, mark)).toMatchObject({ again: false })
    expect(await insertEvent(db, run.id, mark)).toMatchObject({ again: true })
    await insertEvent(db, run.id, event({ kind: 'end', words: 'stopped by hand', time: 20 }))
    const ended = (await getRun(db, run.id))!
    expect(ended.events.map(({ kind, words }) => [kind, words])).toEqual([
      ['mark', 'fired'],
      ['end', 'stopped by hand'],
    ])
    expect(ended).toMatchObject({ outcome: 'stopped by hand', endedAt: expect.any(String) })
    expect(await insertEvent(db, randomUUID(), event())).toBeUndefined()
  })
  it('enters readings and what was seen meanwhile together, or neither', async () => {
    const run = await begin()
    const seen = event({ kind: 'seen', data: { place: 'pad' } })
    expect(
      (await insertStretch(db, run.id, [{ time: 0, pressure: 0 }], [seen])).map(({ clientKey }) => clientKey),
    ).toEqual([seen.clientKey])
    expect(await insertStretch(db, run.id, [{ time: 0.1, pressure: 1 }], [seen])).toEqual([])
    await expect(
      insertStretch(db, run.id, [{ time: 0.2, pressure: 2 }], [event({ clientKey: 'no key' })]),
    ).rejects.toThrow()
    expect(await samplesAfter(db, run.id, -1, 10)).toEqual([
      { time: 0, pressure: 0 },
      { time: 0.1, pressure: 1 },
    ])
  })
  it('finds the runs that a rig must be taken up for', async () => {
    const rig = await begin({ source: 'rig', rig: { seed: 1, pace: 1 } })
    const over = await begin({ source: 'rig', rig: { seed: 2, pace: 1 } })
    await insertEvent(db, over.id, event({ kind: 'end' }))
    expect((await openRigRuns(db)).map(({ id }) => id)).toEqual([rig.id])
  })
})
