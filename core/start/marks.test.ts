import { describe, expect, it } from 'vitest'
import { feed, FLAT, GOOD, LEAST, RULES, running } from './testWatch'
import { prepareWatch } from './watch'
import type { RunSample } from './watchTypes'

describe('what a watch says before anything runs', () => {
  it('rest, cranking, running; no countdown, no first pressure, nothing expected before it fired', () => {
    const watch = prepareWatch(RULES, FLAT)
    const still = watch.take({ time: 0, speed: 0.3, pressure: 0, whole: true })
    expect(still).toMatchObject({ phase: 'rest', pressure: 0, watches: [], blind: [] })
    for (const key of ['running', 'countdown', 'firstPressure', 'stop', 'expected'] as const)
      expect(still[key]).toBeUndefined()
    expect(watch.take({ time: 1, speed: 0.31, pressure: 0, whole: true }).phase).toBe('cranking')
    watch.fired(1)
    const seen = watch.tick(3)
    expect(seen).toMatchObject({ phase: 'running', running: 2, countdown: 3 })
    expect(seen.expected).toMatchObject({ low: 2.4e5, high: 3.6e5 })
    expect(watch.tick(7.5).countdown).toBe(0)
  })
  it('a model that is not there, a source that was to feed it, a speed that nobody knows', () => {
    expect(prepareWatch(RULES).tick(60)).toMatchObject({ blind: ['no-prediction'], watches: ['not-watching'] })
    const awaiting = prepareWatch(RULES, FLAT, true)
    expect(awaiting.tick(2).blind).toEqual([])
    expect(awaiting.tick(2.1).blind).toEqual(['no-readings'])
    expect(prepareWatch(RULES, FLAT).tick(60).blind).toEqual([])
    const watch = prepareWatch(RULES, FLAT)
    expect(watch.take({ time: 0, pressure: 0 }).blind).toEqual(['no-speed'])
    watch.fired(0.5)
    expect(watch.take({ time: 1, pressure: 0 }).blind).toEqual([])
    watch.off()
    expect(watch.take({ time: 2, pressure: 0 }).blind).toEqual(['no-speed'])
    expect(watch.take({ time: 3, pressure: 0, speed: 0 }).blind).toEqual([])
  })
  it('is told that it fired once; the second word changes nothing', () => {
    const watch = prepareWatch(RULES, FLAT)
    watch.fired(0)
    watch.fired(3)
    expect(watch.tick(4).running).toBe(4)
  })
})

describe('when it fires and stands by its speed', () => {
  const quick = () => {
    const watch = prepareWatch(RULES, FLAT)
    feed(watch, 0, 2, { pressure: 0, speed: 3 })
    return watch
  }
  const slow = () => {
    const watch = prepareWatch(RULES, FLAT)
    feed(watch, 0, 8, { pressure: 0, speed: 3 }, 1)
    return watch
  }
  it('fires with the third reading over the mark at ten a second, counted from the first; never at the mark', () => {
    const watch = quick()
    expect(watch.take({ time: 2.1, pressure: 0, speed: 6 }).running).toBeUndefined()
    expect(watch.take({ time: 2.2, pressure: 0, speed: 6 }).running).toBeUndefined()
    expect(watch.take({ time: 2.3, pressure: 0, speed: 6 }).running).toBeCloseTo(0.2, 9)
    expect(feed(quick(), 2.1, 4, { pressure: 0, speed: 5 }).phase).toBe('cranking')
  })
  it('with the second at one a second, or where a hand read', () => {
    const logger = slow()
    expect(logger.take({ time: 9, pressure: 0, speed: 6 }).running).toBeUndefined()
    expect(logger.take({ time: 10, pressure: 0, speed: 6 }).running).toBeCloseTo(1, 9)
    const hand = quick()
    expect(hand.take({ time: 3, pressure: 0, speed: 6, whole: true }).running).toBeUndefined()
    expect(hand.take({ time: 4, pressure: 0, speed: 6, whole: true }).running).toBeCloseTo(1, 9)
  })
  it('stands with the second reading under half of cranking speed at ten a second, with the first at one a second or by hand', () => {
    const watch = running()
    expect(watch.take({ time: 1.1, ...GOOD, speed: 1.4 }).phase).toBe('running')
    expect(watch.take({ time: 1.2, ...GOOD, speed: 1.4 }).running).toBeUndefined()
    // At half of it, it still turns.
    expect(feed(running(), 1.1, 3, { ...GOOD, speed: 1.5 }).phase).toBe('running')
    expect(running().take({ time: 1.1, ...GOOD, speed: 1, whole: true }).running).toBeUndefined()
    const logger = prepareWatch(RULES, FLAT)
    logger.fired(0)
    feed(logger, 0, 8, GOOD, 1)
    expect(logger.take({ time: 9, ...GOOD, speed: 1 }).running).toBeUndefined()
  })
  it('does not stand within a second of firing', () => {
    const at = (fired: number) => {
      const watch = prepareWatch(RULES, FLAT)
      watch.fired(fired)
      return feed(watch, 4, 4.5, { pressure: 0, speed: 0 }).phase
    }
    expect(at(3.6)).toBe('running')
    expect(at(3.2)).not.toBe('running')
  })
  it('what is only cranked after a silence is another start; after a short gap, or at speed, it is the same', () => {
    expect(running().take({ time: 3.5, ...GOOD, speed: 3 }).running).toBeUndefined()
    expect(running().take({ time: 2.9, ...GOOD, speed: 3 }).phase).toBe('running')
    expect(running().take({ time: 3.5, ...GOOD, speed: 6 }).phase).toBe('running')
    expect(running().take({ time: 3.5, ...GOOD, speed: 5 }).phase).toBe('running')
  })
  it('forgets first pressure and its stretches once it stands', () => {
    const watch = running()
    expect(watch.take({ time: 1.1, ...GOOD }).firstPressure).toBeCloseTo(0, 9)
    watch.off()
    const seen = watch.take({ time: 1.2, ...GOOD, speed: 0 })
    expect([seen.running, seen.firstPressure, seen.countdown]).toEqual([undefined, undefined, undefined])
  })
})

describe('the deadline', () => {
  it('is met exactly; with nothing read it needs no reading, with a logger three dry ones since it fired', () => {
    const silent = prepareWatch(RULES, FLAT)
    silent.fired(0)
    expect(silent.tick(4.99).stop).toBeUndefined()
    expect(silent.tick(5).stop).toMatchObject({ code: 'no-pressure', limit: 5, time: 5, temperature: -5 })

    const logger = prepareWatch(RULES, FLAT)
    feed(logger, 0, 4.9, { pressure: 0, speed: 3, temperature: 12 })
    logger.fired(5)
    // Before it fired dry readings are none; two since are too few.
    expect(logger.take({ time: 10, pressure: 0, speed: 15 }).stop).toBeUndefined()
    expect(logger.take({ time: 10.1, pressure: 30e3, speed: 15 }).stop).toBeUndefined()
    expect(logger.take({ time: 10.2, pressure: 29e3, speed: 15 }).stop).toBeUndefined()
    expect(logger.take({ time: 10.3, pressure: 0, speed: 15 }).stop).toMatchObject({
      code: 'no-pressure',
      temperature: 12,
    })
  })
  it('first pressure is the first of two readings at the mark or over it, since it fired', () => {
    const watch = prepareWatch(RULES, FLAT)
    watch.take({ time: 0.4, pressure: 50e3, speed: 3 })
    watch.fired(0.5)
    watch.take({ time: 0.6, pressure: 0, speed: 15 })
    watch.take({ time: 2, pressure: 30e3, speed: 15 })
    expect(watch.take({ time: 2.1, pressure: 0, speed: 15 }).firstPressure).toBeUndefined()
    const seen = watch.take({ time: 2.2, pressure: 30e3, speed: 15 })
    expect(seen.firstPressure).toBeCloseTo(1.5, 9)
    expect(seen.countdown).toBeUndefined()
    const hand = prepareWatch(RULES, FLAT)
    hand.fired(0)
    expect(hand.take({ time: 2, pressure: 30e3, whole: true }).firstPressure).toBe(2)
  })
})

describe('ceiling and total loss', () => {
  it('are passed by what is beyond them, for a second in three readings, never by what stands at them', () => {
    const after = (pressure: number, more: Partial<RunSample> = {}) =>
      feed(running(), 1.1, 4, { ...GOOD, pressure, ...more }).stop
    expect(after(9e5)).toBeUndefined()
    expect(after(9e5 + 1)).toMatchObject({ code: 'over-limit', limit: 9e5, reading: 9e5 + 1, speed: 15 })
    expect(after(30e3)).toBeUndefined()
    expect(after(29e3)).toMatchObject({ code: 'lost', limit: 30e3 })
    expect(after(29e3)!.time).toBeLessThan(2.5)
  })
  it('loss asks that the crank turns over half of cranking speed; where no speed is read, that it fired', () => {
    expect(feed(running(), 1.1, 1.9, { ...GOOD, pressure: 0, speed: 1.5 }).stop).toBeUndefined()
    expect(feed(running(), 1.1, 4, { ...GOOD, pressure: 0, speed: 1.6 }).stop?.code).toBe('lost')
    const stands = running()
    feed(stands, 1.1, 1.2, { ...GOOD, speed: 1.5 })
    expect(feed(stands, 1.3, 4, { ...GOOD, pressure: 0, speed: 1.5 }).stop).toBeUndefined()
    const blind = prepareWatch(RULES, FLAT)
    blind.fired(0)
    feed(blind, 0, 1, { pressure: 3e5 })
    expect(feed(blind, 1.1, 4, { pressure: 0 }).stop?.code).toBe('lost')
  })
  it('the first stop stays, whatever is read after it', () => {
    const watch = running()
    const stop = feed(watch, 1.1, 4, { ...GOOD, pressure: 0 }).stop
    for (let time = 5; time < 9; time++) expect(watch.take({ time, ...GOOD, pressure: 9.5e5 }).stop).toEqual(stop)
  })
  it('a single spike is shown as none, and what a hand read as it is', () => {
    const watch = running()
    expect(watch.take({ time: 1.1, ...GOOD, pressure: 0 }).pressure).toBe(3e5)
    expect(watch.take({ time: 1.2, ...GOOD, pressure: 1e5, whole: true }).pressure).toBe(1e5)
  })
})

describe('too low', () => {
  it('counts from nine seconds after first pressure, for as long as the house says', () => {
    const low = feed(running({}, FLAT, 0.2), 0.3, 40, { ...GOOD, pressure: LEAST - 1e3 })
    expect(low.stop).toMatchObject({ code: 'under-band' })
    expect(low.stop!.limit).toBeCloseTo(LEAST, 6)
    expect(low.stop!.time).toBeGreaterThan(16.9)
    expect(low.stop!.time).toBeLessThan(17.4)
    expect(feed(running({}, FLAT, 0.2), 0.3, 40, { ...GOOD, pressure: LEAST + 1 }).stop).toBeUndefined()
  })
  it('under half of the band’s lower edge nine seconds are enough, whatever the house says', () => {
    const half = feed(running({ outOfBand: 25 }, FLAT, 0.2), 0.3, 60, { ...GOOD, pressure: 1.19e5 })
    expect(half.stop).toMatchObject({ code: 'under-band' })
    expect(half.stop!.limit).toBeCloseTo(1.2e5, 6)
    expect(half.stop!.time).toBeLessThan(18.4)
    const over = feed(running({ outOfBand: 25 }, FLAT, 0.2), 0.3, 60, { ...GOOD, pressure: 1.2e5 + 1 })
    expect(over.stop!.limit).toBeCloseTo(LEAST, 6)
    expect(over.stop!.time).toBeGreaterThan(33.9)
  })
  it('time that passes without a reading adds nothing to it', () => {
    const watch = running({}, FLAT, 12)
    feed(watch, 12.1, 14, { ...GOOD, pressure: 1e5 })
    for (let time = 15; time < 60; time++) expect(watch.tick(time).stop).toBeUndefined()
  })
  it('a fall is none while nobody knows the oil’s temperature', () => {
    const falls = (temperature?: number) =>
      feed(running({ outOfBand: 60 }, FLAT, 20), 20.1, 40, (time) => ({
        ...GOOD,
        temperature,
        pressure: 3e5 * Math.max(0.55, 1 - 0.06 * (time - 20)),
      })).stop?.code
    expect(falls(20)).toBe('falling')
    const unknown = prepareWatch({ ...RULES, outOfBand: 60 }, FLAT)
    unknown.fired(0)
    feed(unknown, 0, 20, { pressure: 3e5, speed: 15 })
    const seen = feed(unknown, 20.1, 40, (time) => ({
      pressure: 3e5 * Math.max(0.55, 1 - 0.06 * (time - 20)),
      speed: 15,
    }))
    expect(seen.stop).toBeUndefined()
    expect(seen.watches).toContain('temperature-unknown')
  })
})
