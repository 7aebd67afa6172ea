import { describe, expect, it } from 'vitest'
import type { Run } from '#core/run/run'
import { hearRun, announceRun } from './hub'
import { secondsInto, shown, takeSamples } from './runs'

describe('samples as a logger sends them', () => {
  it('with their times are taken as they are', () => {
    const samples = [
      { time: 0, pressure: 1e5 },
      { time: 0.1, pressure: 1.1e5, speed: 12 },
    ]
    expect(takeSamples(samples, 99)).toEqual({ samples, refused: [] })
  })
  it('without one are taken as of now, a millisecond apart, so that none is lost as the same', () => {
    const { samples } = takeSamples([{ pressure: 1e5 }, { pressure: 1.1e5 }, { time: 3, speed: 10 }], 42)
    expect(samples).toEqual([
      { time: 42, pressure: 1e5 },
      { time: 42.001, pressure: 1.1e5 },
      { time: 3, speed: 10 },
    ])
  })
  it('what cannot be kept is named by its place and field, and the rest stands', () => {
    const { samples, refused } = takeSamples(
      [
        { time: 1, pressure: 1e5 },
        { time: 1.1, pressure: 'high' },
        { time: 1.2 },
        { time: 1.3, presure: 1e5 },
        7,
        { time: -1, pressure: 1e5 },
        { time: 1.5, pressure: 9e9 },
        { time: 1.6, speed: 20 },
      ],
      0,
    )
    expect(samples.map(({ time }) => time)).toEqual([1, 1.6])
    expect(refused.map(({ index, path }) => [index, path])).toEqual([
      [1, 'pressure'],
      [2, ''],
      [3, ''],
      [4, ''],
      [5, 'time'],
      [6, 'pressure'],
    ])
    expect(refused[1].message).toBe('holds no reading')
    for (const { message } of refused) expect(message).not.toBe('')
  })
  it('none at all is none', () => expect(takeSamples([], 0)).toEqual({ samples: [], refused: [] }))
})

describe('a run as it is shown', () => {
  const run = (more: object, endedAt: string | null = null) =>
    ({
      id: 'r',
      endedAt,
      setup: {
        source: 'rig',
        rig: {
          seed: 42,
          pace: 20,
          fault: { key: 'dry-pump', severity: 0.5 },
          clearance: 1.2,
          mechanicalGauge: true,
          ...more,
        },
      },
    }) as unknown as Run
  it('hides the engine number, its fault and its clearance while it is hidden and goes on', () => {
    const seen = JSON.stringify(shown(run({ hidden: true })))
    for (const secret of ['dry-pump', '42', '1.2', 'severity']) expect(seen).not.toContain(secret)
    expect(shown(run({ hidden: true })).setup.rig).toMatchObject({ pace: 20, hidden: true, mechanicalGauge: true })
  })
  it('shows all of it once the run is over, or where nothing was to be hidden', () => {
    expect(shown(run({ hidden: true }, '2026-05-11T08:00:00Z')).setup.rig).toMatchObject({
      seed: 42,
      fault: { key: 'dry-pump' },
    })
    expect(shown(run({})).setup.rig).toMatchObject({ seed: 42 })
  })
  it('its seconds count from its beginning, and are never less than none', () => {
    expect(secondsInto({ startedAt: new Date(Date.now() - 5000).toISOString() })).toBeCloseTo(5, 0)
    expect(secondsInto({ startedAt: new Date(Date.now() + 60_000).toISOString() })).toBe(0)
  })
})

describe('who listens to a run', () => {
  it('hears what is told of it, of no other, and nothing after it stopped', () => {
    const heard: unknown[] = []
    const stop = hearRun('a', (news) => heard.push(news))
    announceRun('a', { kind: 'samples', samples: [{ time: 1, pressure: 2 }] })
    announceRun('b', { kind: 'samples', samples: [{ time: 9, pressure: 9 }] })
    stop()
    announceRun('a', { kind: 'samples', samples: [{ time: 3, pressure: 3 }] })
    expect(heard).toEqual([{ kind: 'samples', samples: [{ time: 1, pressure: 2 }] }])
  })
})
