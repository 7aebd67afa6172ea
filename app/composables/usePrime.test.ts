import { describe, expect, it } from 'vitest'
import type { KeptEvent } from '#core/run/run'
import { primeSeen } from './usePrime'

const event = (kind: KeptEvent['kind'], time: number, data: KeptEvent['data'] = {}): KeptEvent => ({
  clientKey: `${kind} ${time}`,
  number: time,
  at: '',
  time,
  kind,
  words: '',
  data,
  who: 'Maren',
})
const on = [event('act', 10, { action: 'start' })]
const readings = (from: number, to: number, every: number, pressure = 2e5) =>
  Array.from({ length: Math.floor((to - from) / every) + 1 }, (_, i) => ({ time: from + i * every, pressure }))

describe('what has been seen of a prime', () => {
  it('a logger that falls silent while the pump turns is told by the seconds since its last reading', () => {
    const samples = readings(0, 20, 0.1)
    expect(primeSeen(samples, on, 22).unread).toBeUndefined()
    expect(primeSeen(samples, on, 24).unread).toBeCloseTo(4, 6)
    // Nobody reads a pump that stands.
    expect(primeSeen(samples, [...on, event('act', 21, { action: 'stop' })], 60).unread).toBeUndefined()
    // From which nothing ever came: counted from when it turned.
    expect(primeSeen([], on, 14).unread).toBeCloseTo(4, 6)
  })
  it('a slow logger is silent after three of its own intervals, a hand after half a minute', () => {
    const slow = readings(0, 30, 5)
    expect(primeSeen(slow, on, 44).unread).toBeUndefined()
    expect(primeSeen(slow, on, 46).unread).toBeCloseTo(16, 6)
    expect(primeSeen(readings(12, 14, 2), on, 43, 'hand').unread).toBeUndefined()
    expect(primeSeen(readings(12, 14, 2), on, 45, 'hand').unread).toBeCloseTo(31, 6)
    // A camera knows at once that it sees nothing.
    const tenths = readings(12, 20, 0.1)
    expect(primeSeen(tenths, on, 20.2, 0.22).unread).toBeUndefined()
    expect(primeSeen(tenths, on, 20.3, 0.22).unread).toBeCloseTo(0.3, 1)
  })
  it('a gauge that comes up does not flicker, one that goes up and down does', () => {
    const shown = (pressure: (i: number) => number) =>
      primeSeen(
        readings(10, 20, 0.1).map((each, i) => ({ ...each, pressure: pressure(i) })),
        on,
        20,
      ).flicker
    expect(shown((i) => (i < 90 ? 0.05e5 : 0.4e5))).toBe(0)
    expect(shown((i) => 400 * i)).toBe(0)
    expect(shown((i) => 0.3e5 + 0.1e5 * Math.sin(i))).toBeGreaterThan(0.15)
  })
  it('knows the newest readings beside the mean of the last seconds, and one wild reading is none of them', () => {
    const rising = [...readings(10, 19.7, 0.1), ...readings(19.8, 20, 0.1, 9e5)]
    const seen = primeSeen(rising, on, 20)
    expect(seen.latest).toBe(9e5)
    expect(seen.gauge).toBeLessThan(4e5)
    expect(primeSeen([...readings(10, 19.9, 0.1), { time: 20, pressure: 9e5 }], on, 20).latest).toBe(2e5)
  })
})
