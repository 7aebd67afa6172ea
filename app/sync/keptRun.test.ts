import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, it } from 'vitest'
import type { KeptEvent, Run } from '#core/run/run'
import type { Kept } from './kept'
import { dropRun, keepRun, runUnderWay } from './keptRun'
import { forgetSeen } from './lastSeen'

const run = { id: 'r1', buildId: 'b1', kind: 'start', setup: { source: 'hand' }, endedAt: null } as unknown as Run
const fired = { clientKey: 'e1', time: 2, kind: 'act', words: 'Fired', data: { action: 'fired' }, number: 1 }
const seen = {
  run,
  samples: [{ time: 3, pressure: 2e5 }],
  events: [fired as unknown as KeptEvent],
  beganAt: 1_000_000,
}
let order = 0
const waiting = (document: string, url: string, body: unknown) =>
  ({ kind: 'run', document, url, body, at: 2_000_000, order: order++, key: `${order}`, state: 'waiting' }) as Kept

describe('a run under way, without the server', () => {
  beforeEach(() => forgetSeen())

  it('is what was seen of it, with what waits on top', async () => {
    await keepRun(seen)
    const found = await runUnderWay('b1', 'start', [
      waiting('r1', '/api/runs/r1/samples', [{ time: 5, pressure: 3e5 }]),
      waiting('r1', '/api/runs/r1/events', { clientKey: 'e2', time: 6, kind: 'note', words: 'smoke', data: {} }),
      waiting('r2', '/api/runs/r2/samples', [{ time: 9, pressure: 9e5 }]),
    ])
    expect(found).toMatchObject({ run, beganAt: 1_000_000 })
    expect(found!.samples.map(({ time }) => time)).toEqual([3, 5])
    expect(found!.events.map(({ clientKey }) => clientKey)).toEqual(['e1', 'e2'])
  })
  it('that was begun without the server is in what waits alone, and takes the place of one seen before', async () => {
    await keepRun(seen)
    const begun = waiting('r9', '/api/builds/b1/runs', { id: 'r9', kind: 'start', who: 'Ilse', setup: run.setup })
    const found = await runUnderWay('b1', 'start', [begun, waiting('r9', '/api/runs/r9/samples', [{ time: 1 }])])
    expect(found).toMatchObject({ run: { id: 'r9', who: 'Ilse', kind: 'start', endedAt: null }, beganAt: 2_000_000 })
    expect(found!.samples).toEqual([{ time: 1 }])
    expect(found!.events).toEqual([])
  })
  it('is none of another kind, of another build, that was ended, or whose end waits', async () => {
    await keepRun(seen)
    expect(await runUnderWay('b1', 'prime', [])).toBeUndefined()
    expect(await runUnderWay('b2', 'start', [])).toBeUndefined()
    const begun = waiting('r9', '/api/builds/b1/runs', { id: 'r9', kind: 'start', who: 'Ilse', setup: run.setup })
    expect(await runUnderWay('b1', 'prime', [begun])).toBeUndefined()
    expect(await runUnderWay('b2', 'start', [begun])).toBeUndefined()
    const end = { clientKey: 'e3', time: 9, kind: 'end', words: 'off', data: {} }
    expect(await runUnderWay('b1', 'start', [waiting('r1', '/api/runs/r1/events', end)])).toBeUndefined()
    await keepRun({ ...seen, run: { ...run, endedAt: '2026-05-02T08:00:00Z' } })
    expect(await runUnderWay('b1', 'start', [])).toBeUndefined()
  })
  it('is none once it was dropped', async () => {
    await keepRun(seen)
    await dropRun(run, 'another that was looked at')
    expect(await runUnderWay('b1', 'start', [])).toBeDefined()
    await dropRun(run, run.id)
    expect(await runUnderWay('b1', 'start', [])).toBeUndefined()
  })
})
