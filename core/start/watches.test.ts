import { describe, expect, it } from 'vitest'
import type { Expectation } from './expectation'
import { feed, FLAT, GOOD, RULES, running } from './testWatch'
import { prepareWatch } from './watch'
import type { RunSample } from './watchTypes'

describe('what is only to be looked at', () => {
  it('out of the band by more than the gauge’s error, once it has settled', () => {
    const at = (pressure: number, until = 13, model: Expectation | null = FLAT) => {
      const watch = prepareWatch(RULES, model ?? undefined)
      watch.fired(0)
      return feed(watch, 0, until, { ...GOOD, pressure }).watches
    }
    expect(at(3.76e5)).toEqual([])
    expect(at(3.77e5)).toEqual(['above-band'])
    expect(at(2.24e5)).toEqual([])
    expect(at(2.23e5)).toEqual(['below-band'])
    expect(at(3.77e5, 8.9)).toEqual([])
    expect(at(3.77e5, 13, null)).toEqual(['not-watching'])
    const hand = running({}, FLAT, 12)
    expect(hand.take({ time: 13, ...GOOD, pressure: 4e5, whole: true }).watches).toEqual(['above-band'])
  })
  it('sender and gauge that differ by more than 15 percent and 0.4 bar for four seconds, either way', () => {
    const at = (gauge: number | undefined, pressure: number | undefined, seconds = 6) =>
      feed(running({}, FLAT, 12), 12.1, 12.1 + seconds, { ...GOOD, gauge, pressure }).watches.includes('gauges-differ')
    expect(at(3e5, 2.5e5)).toBe(true)
    expect(at(3e5, 3.5e5)).toBe(true)
    expect(at(3e5, 2.55e5)).toBe(false)
    expect(at(3e5, 2.5e5, 3)).toBe(false)
    // Little in bar, much in percent.
    expect(at(1.6e5, 1.25e5)).toBe(false)
    expect(at(3e5, undefined)).toBe(false)
    expect(at(undefined, 3e5)).toBe(false)
    const early = prepareWatch(RULES, FLAT)
    early.fired(0)
    expect(feed(early, 0, 8, { ...GOOD, gauge: 3e5, pressure: 2.4e5 }).watches).toEqual([])
  })
  it('a needle that swings at a steady speed; not before it has settled, and not where no speed is read', () => {
    const swing = (time: number) => ({ pressure: 3e5 + 0.5e5 * Math.sin(5 * time) })
    const read = { speed: 15, temperature: 20 }
    const at = (from: number, until: number, more: Partial<RunSample>) => {
      const watch = prepareWatch(RULES, FLAT)
      watch.fired(0)
      if (from > 0) feed(watch, 0, from, { pressure: 3e5, temperature: 20, ...more })
      return feed(watch, from + 0.1, until, (time) => ({ ...swing(time), temperature: 20, ...more })).watches
    }
    expect(at(10, 18, read)).toEqual(['swings'])
    expect(at(0, 8, read)).toEqual([])
    expect(at(10, 18, {})).toEqual([])
  })
  it('a temperature of which nothing more is heard stands for a minute', () => {
    const watch = running({}, FLAT, 2)
    const seen = feed(watch, 3, 61, { pressure: 3e5, speed: 15 }, 1)
    expect(seen.watches).toEqual([])
    expect(watch.take({ time: 62, pressure: 3e5, speed: 15 }).watches).toEqual([])
    expect(watch.take({ time: 62.1, pressure: 3e5, speed: 15 }).watches).toEqual(['temperature-unknown'])
  })
  it('silence of a logger after two seconds, of a hand after thirty, and only while it runs', () => {
    const watch = running()
    expect(watch.tick(2.9).blind).toEqual([])
    expect(watch.tick(3.1)).toMatchObject({ blind: ['no-readings'], watches: ['not-watching'] })
    const hand = prepareWatch(RULES, FLAT)
    hand.fired(0)
    hand.take({ time: 1, ...GOOD, whole: true })
    expect(hand.tick(31).blind).toEqual([])
    expect(hand.tick(31.1).blind).toEqual(['no-readings'])
  })
})

describe('a clock that jumps', () => {
  it('is one that goes back by more than half a second, or ahead by more than an hour; it is said for ten seconds', () => {
    const after = (time: number) => running({}, FLAT, 1).take({ time, ...GOOD }).blind
    expect(after(0.5)).toEqual([])
    expect(after(0.4)).toEqual(['clock'])
    expect(after(3601)).toEqual([])
    expect(after(3601.1)).toEqual(['clock'])
    const watch = running({}, FLAT, 1)
    watch.take({ time: 5000, ...GOOD })
    expect(feed(watch, 5000.1, 5009.9, GOOD).blind).toEqual(['clock'])
    expect(watch.take({ time: 5010, ...GOOD }).blind).toEqual([])
  })
  it('begins the deadline anew where nothing had come, and is past its settling where it had', () => {
    expect(running({}, FLAT, 1).take({ time: 5000, ...GOOD })).toMatchObject({ running: 9, phase: 'running' })
    const dry = prepareWatch(RULES, FLAT)
    dry.fired(0)
    feed(dry, 0, 3, { ...GOOD, pressure: 0 })
    const seen = dry.take({ time: 5000, ...GOOD, pressure: 0 })
    expect([seen.running, seen.countdown]).toEqual([0, 5])
    const rest = prepareWatch(RULES, FLAT)
    feed(rest, 0, 1, { pressure: 0, speed: 0 })
    expect(rest.take({ time: 5000, pressure: 0, speed: 0 }).running).toBeUndefined()
  })
  it('readings before it are not those after it', () => {
    const watch = running({}, FLAT, 1)
    feed(watch, 1.1, 1.2, { ...GOOD, pressure: 1e5 })
    expect(watch.take({ time: 5000, ...GOOD }).pressure).toBe(3e5)
    // Nor is the silence since.
    expect(watch.tick(5001.9).blind).toEqual(['clock'])
  })
})

describe('the speeds behind a reading', () => {
  /** Twice as much at speed as at idle. */
  const steep: Expectation = {
    ...FLAT,
    speeds: [10, 30],
    pressure: Float64Array.from([2e5, 4e5, 2e5, 4e5]),
    low: Float64Array.from([1.8e5, 3.6e5, 1.8e5, 3.6e5]),
    high: Float64Array.from([2.2e5, 4.4e5, 2.2e5, 4.4e5]),
  }
  it('are those of the last ten seconds, without a single spike', () => {
    const watch = prepareWatch(RULES, steep)
    watch.fired(0)
    feed(watch, 0, 20, { pressure: 4e5, speed: 30, temperature: 20 })
    const slower = { pressure: 2e5, speed: 10, temperature: 20 }
    expect(feed(watch, 20.1, 29.8, slower).expected!.high).toBeCloseTo(4.4e5, 0)
    expect(feed(watch, 29.9, 31, slower).expected).toMatchObject({ low: 1.8e5, high: 2.2e5 })
    expect(watch.take({ time: 31.1, ...slower, speed: 30 }).expected!.high).toBeCloseTo(2.2e5, 0)
    expect(watch.take({ time: 31.2, ...slower }).expected!.high).toBeCloseTo(2.2e5, 0)
  })
})
