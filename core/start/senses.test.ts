import { describe, expect, it } from 'vitest'
import { blindness, type Senses, silenceAfter } from './blindness'
import type { Envelope } from './envelope'
import { prepareFall } from './fall'
import { speedsBehind } from './speedsBehind'
import { stretch, SURE } from './stretch'
import { swings } from './swings'
import { ceilingAt } from './watchRules'

describe('how long something has held', () => {
  const held = (readings: [holds: boolean, seconds: number][]) => {
    const sure = stretch()
    for (const [holds, seconds] of readings) sure.step(holds, seconds)
    return sure
  }
  it('counts from the first reading on, whose own gap says nothing', () => {
    expect(held([[true, 5]])).toMatchObject({ seconds: 0, readings: 1 })
    expect(
      held([
        [true, 5],
        [true, 0.5],
        [true, 0.5],
      ]),
    ).toMatchObject({ seconds: 1, readings: 3 })
    expect(
      held([
        [false, 1],
        [false, 1],
      ]),
    ).toMatchObject({ seconds: 0, readings: 0 })
  })
  it('is sure after one second and three readings, or at once where a hand read', () => {
    expect(SURE).toEqual({ seconds: 1, readings: 3 })
    expect(
      held([
        [true, 0],
        [true, 0.6],
        [true, 0.6],
      ]).holds(false),
    ).toBe(true)
    expect(
      held([
        [true, 0],
        [true, 1.2],
      ]).holds(false),
    ).toBe(false)
    expect(
      held([
        [true, 0],
        [true, 0.4],
        [true, 0.4],
      ]).holds(false),
    ).toBe(false)
    expect(held([[true, 0]]).holds(true)).toBe(true)
    expect(held([]).holds(true)).toBe(false)
  })
  it('one reading between does not end it: its time is taken off, and it holds again with the next', () => {
    const sure = held([
      [true, 0],
      [true, 1],
      [true, 1],
      [false, 0.5],
    ])
    expect([sure.seconds, sure.holds(false), sure.holds(true)]).toEqual([1.5, false, false])
    sure.step(true, 0.5)
    expect([sure.seconds, sure.readings, sure.holds(false)]).toEqual([2, 4, true])
  })
  it('two that use its time up end it; four in a row take readings off one by one', () => {
    expect(
      held([
        [true, 0],
        [true, 1],
        [false, 0.6],
        [false, 0.6],
      ]),
    ).toMatchObject({ seconds: 0, readings: 0 })
    const long = held([[true, 0], ...Array.from({ length: 9 }, (): [boolean, number] => [true, 5])])
    for (let i = 0; i < 3; i++) long.step(false, 1)
    expect(long.readings).toBe(10)
    long.step(false, 1)
    long.step(false, 1)
    expect([long.readings, long.seconds]).toEqual([8, 40])
  })
  it('knows when it began, and nothing once it is cleared', () => {
    const sure = held([
      [true, 9],
      [true, 2],
      [true, 3],
    ])
    expect(sure.since(100)).toBe(95)
    sure.clear()
    expect([sure.seconds, sure.readings, sure.since(100)]).toEqual([0, 0, 100])
  })
})

describe('speeds behind a reading', () => {
  const of = (...speeds: number[]) => speeds.map((speed) => ({ speed }))
  it('are the slowest and the fastest, single spikes left out and the ends not trusted alone', () => {
    expect(speedsBehind(of(15, 15, 40, 15, 15, 15), 15, 0.1)).toEqual([15, 15])
    expect(speedsBehind(of(15, 12, 12, 15, 18, 18, 15), 15, 0.1)).toEqual([12, 18])
    expect(speedsBehind(of(99, 15, 15, 15, 0), 15, 0.1)).toEqual([15, 15])
    expect(speedsBehind(of(15), 14, 0.1)).toEqual([14, 14])
  })
  it('of a slow logger every one counts', () => {
    expect(speedsBehind(of(15, 40, 15), 15, 0.6)).toEqual([15, 40])
    expect(speedsBehind(of(15, 40, 15), 15, 0.5)).toEqual([15, 15])
  })
})

describe('a needle', () => {
  const read = (reading: (i: number) => number, speed: (i: number) => number = () => 15, count = 60) =>
    Array.from({ length: count }, (_, i) => ({ time: i / 10, reading: reading(i), speed: speed(i) }))
  const beat = (i: number) => (i % 2 === 0 ? 1 : -1)
  it('swings by more than a tenth about its mean at a steady speed', () => {
    expect(
      swings(
        read((i) => 3e5 * (1 + 0.12 * beat(i))),
        6,
        6e4,
      ),
    ).toBe(true)
    expect(
      swings(
        read((i) => 3e5 * (1 + 0.08 * beat(i))),
        6,
        6e4,
      ),
    ).toBe(false)
  })
  it('does not by single spikes, with a speed that moves, or by a handful of readings', () => {
    expect(
      swings(
        read((i) => (i % 20 === 0 ? 9e5 : 3e5)),
        6,
        6e4,
      ),
    ).toBe(false)
    const hunting = (i: number) => 15 * (1 + 0.06 * beat(i))
    expect(
      swings(
        read((i) => 3e5 * (1 + 0.2 * beat(i)), hunting),
        6,
        6e4,
      ),
    ).toBe(false)
    expect(
      swings(
        read(
          (i) => 3e5 * (1 + 0.2 * beat(i)),
          () => 15,
          11,
        ),
        1,
        6e4,
      ),
    ).toBe(false)
    expect(
      swings(
        read(
          (i) => 3e5 * (1 + 0.2 * beat(i)),
          () => 15,
          12,
        ),
        1,
        6e4,
      ),
    ).toBe(true)
  })
  it('looks at the last six seconds, and at a low pressure against the least', () => {
    const before = read(
      (i) => (i < 30 ? 3e5 * (1 + 0.3 * beat(i)) : 3e5),
      () => 15,
      120,
    )
    expect(swings(before, 11.9, 6e4)).toBe(false)
    expect(
      swings(
        read((i) => 2e4 * (1 + 0.25 * beat(i))),
        6,
        6e4,
      ),
    ).toBe(false)
    expect(
      swings(
        read((i) => 2e4 * (1 + 0.35 * beat(i))),
        6,
        6e4,
      ),
    ).toBe(true)
  })
})

describe('a fall', () => {
  const envelope = (at: number): Envelope => ({
    band: { pressure: at, low: 0.9 * at, high: 1.1 * at },
    slowest: at,
    fastest: at,
    least: 0.8 * at,
    half: 0.4 * at,
  })
  /** Feeds ten readings a second; the first limit that was fallen under and when. */
  function watched(pressure: (t: number) => number, speed: (t: number) => number = () => 15, expected = 3e5) {
    const fall = prepareFall()
    for (let i = 0; i < 300; i++) {
      const t = i / 10
      const limit = fall.step(t, 0.1, pressure(t), envelope(expected), [{ speed: speed(t) }], 0.3, false)
      if (limit !== undefined) return { t, limit }
    }
    return undefined
  }
  it('by more than the share that may be lost is found within seconds, with the limit it is under', () => {
    const found = watched((t) => (t < 10 ? 3e5 : 1.8e5))
    expect(found!.t).toBeGreaterThan(12.9)
    expect(found!.t).toBeLessThan(14)
    expect(found!.limit).toBeCloseTo(0.7 * 3e5, 0)
    expect(watched((t) => (t < 10 ? 3e5 : 2.2e5))).toBeUndefined()
  })
  it('is none where it is less than 30 kPa, comes with another speed, or lasts less than a hunt', () => {
    expect(watched((t) => (t < 10 ? 5e4 : 2.5e4), undefined, 5e4)).toBeUndefined()
    expect(
      watched(
        (t) => (t < 10 ? 3e5 : 1.8e5),
        (t) => (t < 10 ? 15 : 12),
      ),
    ).toBeUndefined()
    expect(watched((t) => (t > 10 && t < 12.5 ? 1.8e5 : 3e5))).toBeUndefined()
  })
  it('a spike before is not what it fell from, and read by a hand one reading tells', () => {
    expect(watched((t) => (t > 9.95 && t < 10.15 ? 9e5 : 3e5))).toBeUndefined()
    const fall = prepareFall()
    const by = (t: number, pressure: number) => fall.step(t, 5, pressure, envelope(3e5), [{ speed: 15 }], 0.3, true)
    expect([by(0, 3e5), by(3, 3e5), by(6, 3e5), by(9, 1.5e5)]).toEqual([
      undefined,
      undefined,
      undefined,
      expect.closeTo(2.1e5, 0),
    ])
    fall.clear()
    expect(by(12, 1e5)).toBeUndefined()
  })
})

describe('what a watch does not see', () => {
  const all: Senses = {
    modelled: true,
    running: true,
    unread: 0,
    byHand: false,
    interval: 0.1,
    turnsKnown: true,
    jumped: false,
  }
  it('is nothing while all of it is there, and is named by what is not', () => {
    expect(blindness(all)).toEqual([])
    expect(blindness({ ...all, modelled: false })).toEqual(['no-prediction'])
    expect(blindness({ ...all, jumped: true })).toEqual(['clock'])
    expect(blindness({ ...all, running: false, turnsKnown: false })).toEqual(['no-speed'])
    expect(blindness({ ...all, turnsKnown: false })).toEqual([])
    expect(blindness({ ...all, running: false, turnsKnown: false, unread: undefined })).toEqual([])
  })
  it('a logger is silent after three of its intervals and two seconds; a hand after thirty, while it runs', () => {
    expect([silenceAfter(0.1), silenceAfter(1)]).toEqual([2, 3])
    expect(blindness({ ...all, unread: 2.1 })).toEqual(['no-readings'])
    expect(blindness({ ...all, unread: 2.1, interval: 1 })).toEqual([])
    expect(blindness({ ...all, unread: 29, byHand: true })).toEqual([])
    expect(blindness({ ...all, unread: 31, byHand: true })).toEqual(['no-readings'])
    expect(blindness({ ...all, unread: 31, byHand: true, running: false })).toEqual([])
  })
  it('a source that was to come and does not is silent after two seconds; where none is to come nothing is', () => {
    const waiting = { ...all, running: false, unread: undefined }
    expect(blindness({ ...waiting, awaited: 2.1 })).toEqual(['no-readings'])
    expect(blindness({ ...waiting, awaited: 1.9 })).toEqual([])
    expect(blindness(waiting)).toEqual([])
  })
})

describe('the ceiling', () => {
  const rules = { ceilingCold: 8e5, ceilingHot: 6e5 }
  it('is the cold one up to 40 °C, the hot one from 80, between them by the degree, the higher where nobody knows', () => {
    expect([-20, 0, 5, 40, 60, 80, 130].map((t) => ceilingAt(rules, t))).toEqual([8e5, 8e5, 8e5, 8e5, 7e5, 6e5, 6e5])
    expect(ceilingAt(rules, undefined)).toBe(8e5)
    expect(ceilingAt({ ceilingCold: 5e5, ceilingHot: 6e5 }, undefined)).toBe(6e5)
  })
})
