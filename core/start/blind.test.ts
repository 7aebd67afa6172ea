import { beforeAll, describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { normal, seeded } from '../random/random'
import { type Expectation, expectationOf, expectedAt } from './expectation'
import { watchRun } from './follow'
import { prepareWatch } from './watch'
import { type WatchRules, watchRules } from './watchRules'
import type { Assessment, RunSample } from './watchTypes'

const six = DEMO_BUILDS.ottiline()
const IDLE = 900 / 60
let expectation: Expectation
let rules: WatchRules
beforeAll(() => {
  expectation = expectationOf(six, 60)
  rules = watchRules(six)
})

const healthy = (speed: number, temperature: number) => expectedAt(expectation, speed, temperature).pressure
/** Readings at a rate, from a crank that stands: what the watch says last, up to a stop. */
function run(
  seconds: number,
  of: (time: number) => Partial<RunSample>,
  { model = true, rate = 10, watch = prepareWatch(rules, model ? expectation : undefined) } = {},
): Assessment {
  let seen = watch.take({ time: 0, pressure: 0, speed: 0 })
  for (let i = 1; i <= rate * seconds && !seen.stop; i++) seen = watch.take({ time: i / rate, ...of(i / rate) })
  return seen
}

describe('without a model', () => {
  it('deadline, ceiling and total loss are watched from the first second, and it says what is not', () => {
    const dry = run(20, () => ({ speed: IDLE, pressure: 0 }), { model: false })
    expect(dry.stop).toMatchObject({ code: 'no-pressure', limit: 5 })
    expect(dry.time).toBeLessThan(5.5)
    expect(run(20, (time) => ({ speed: IDLE, pressure: time < 8 ? 3e5 : 9e5 }), { model: false }).stop).toMatchObject({
      code: 'over-limit',
    })
    const lost = run(40, (time) => ({ speed: IDLE, pressure: time < 20 ? 3e5 : 0.1e5 }), { model: false })
    expect(lost.stop).toMatchObject({ code: 'lost', limit: 30e3 })
    expect(lost.time).toBeLessThan(22)
    const fine = run(30, () => ({ speed: IDLE, pressure: 3e5 }), { model: false })
    expect(fine).toMatchObject({
      stop: undefined,
      blind: ['no-prediction'],
      watches: expect.arrayContaining(['not-watching']) as string[],
    })
    expect(fine.expected).toBeUndefined()
  })
  it('a record that no model can be made of has its rules all the same', () => {
    const void_ = {
      ...six,
      readings: {
        ...six.readings,
        'pump.endClearance': { value: -0.07, source: 'measured' as const },
        'main.3.bore': { value: 0.06, source: 'measured' as const },
      },
    }
    expect(watchRules(void_)).toMatchObject({ deadline: 5, loss: 30e3 })
  })
  it('an expectation that comes later is taken up as it is', () => {
    const watch = prepareWatch(rules)
    run(5, () => ({ speed: IDLE, temperature: 10, pressure: healthy(IDLE, 10) }), { watch })
    watch.expect(expectation)
    expect(watch.take({ time: 5.1, speed: IDLE, temperature: 10, pressure: healthy(IDLE, 10) })).toMatchObject({
      blind: [],
      expected: { pressure: expect.any(Number) as number },
    })
  })
})

describe('an idle that hunts', () => {
  const hunting = (share: number, period: number) => (time: number) =>
    IDLE * (1 + share * Math.sin((2 * Math.PI * time) / period))
  it.each([
    [0.05, 2],
    [0.07, 3],
    [0.1, 4],
    [0.15, 6],
    [0.2, 8],
    [0.2, 1.5],
  ])('by %d in %d s hides no loss and makes none', (share, period) => {
    const speed = hunting(share, period)
    const sound = (time: number) => ({ speed: speed(time), temperature: 60, pressure: healthy(speed(time), 60) })
    expect(run(80, sound).stop).toBeUndefined()
    const lost = run(80, (time) => (time < 30 ? sound(time) : { ...sound(time), pressure: 0 }))
    expect(lost.stop?.code).toBe('lost')
    expect(lost.time).toBeLessThan(33)
  })
})

describe('what is not known', () => {
  it('without an oil temperature a warm engine is not stopped, and it is asked for', () => {
    for (const temperature of [8, 40, 70, 95, 100]) {
      const seen = run(60, () => ({ speed: IDLE, pressure: healthy(IDLE, temperature) }))
      expect(seen.stop, `${temperature}`).toBeUndefined()
      expect(seen.watches).toContain('temperature-unknown')
    }
  })
  it('a temperature that is 15 K out stops nothing', () => {
    for (const error of [-15, 15])
      expect(
        run(60, () => ({ speed: IDLE, temperature: 80 + error, pressure: healthy(IDLE, 80) })).stop,
        `${error}`,
      ).toBeUndefined()
  })
  it('without a speed the hand’s word counts: a deadline from “fired”, and no loss once it is “off”', () => {
    const silent = prepareWatch(rules, expectation)
    expect(
      run(20, () => ({ pressure: 0, temperature: 20 }), { watch: prepareWatch(rules, expectation) }).stop,
    ).toBeUndefined()
    const watch = prepareWatch(rules, expectation)
    watch.fired(1)
    for (let i = 10; i < 150; i++) watch.take({ time: i / 10, pressure: 3e5, temperature: 60 })
    watch.off()
    let seen = watch.take({ time: 15, pressure: 0 })
    for (let i = 151; i < 300; i++) seen = watch.take({ time: i / 10, pressure: 0 })
    expect(seen.stop).toBeUndefined()
    // While it runs by the hand's word a loss is a loss.
    const running = prepareWatch(rules, expectation)
    running.fired(1)
    let lost = running.take({ time: 1, pressure: 0 })
    for (let i = 11; i < 300 && !lost.stop; i++)
      lost = running.take({ time: i / 10, pressure: i < 200 ? 3e5 : 0, temperature: 60 })
    expect(lost.stop).toMatchObject({ code: 'lost' })
    expect(lost.time).toBeLessThan(23)
    silent.take({ time: 0, pressure: 1e3 })
    expect(silent.take({ time: 0.1, pressure: 1e3 }).blind).toEqual(['no-speed'])
  })
})

describe('a band that is wide', () => {
  /** So wide that no reading is under what a healthy engine could show. */
  const wide = (): Expectation => ({
    ...expectation,
    low: expectation.pressure.map((each) => 0.5 * each),
    high: expectation.pressure.map((each) => 1.5 * each),
  })
  it('a reading under half of its lower edge for ten seconds is a stop all the same, and one over that is none', () => {
    const half = 0.25 * Math.min(...[45, 60, 75].map((each) => healthy(IDLE, each)))
    const at = (share: number, seconds = 40) =>
      run(20 + seconds, (time) => ({ speed: IDLE, temperature: 60, pressure: time < 20 ? half * 1.4 : half * share }), {
        watch: prepareWatch({ ...rules, falling: 1 }, wide()),
      })
    const low = at(0.92)
    expect(low.stop).toMatchObject({ code: 'under-band' })
    expect(low.time).toBeGreaterThan(28)
    expect(low.time).toBeLessThan(31)
    expect(at(1.08).stop).toBeUndefined()
    expect(at(0.92, 7).stop).toBeUndefined()
  })
})

describe('instruments as shops have them', () => {
  it('a dip of two seconds at a steady speed is no fall; one of six is', () => {
    const dips = (seconds: number) =>
      run(
        40,
        (time) => ({
          speed: IDLE,
          temperature: 60,
          pressure: healthy(IDLE, 60) * (time > 25 && time < 25 + seconds ? 0.6 : 1),
        }),
        { watch: prepareWatch({ ...rules, outOfBand: 60 }, expectation) },
      )
    expect(dips(2).stop).toBeUndefined()
    expect(dips(6).stop).toMatchObject({ code: 'falling' })
  })
  it('two zero readings of a logger once a second are none, the third is a loss', () => {
    const zeros = (count: number) =>
      run(
        30,
        (time) => ({ speed: IDLE, temperature: 60, pressure: time >= 20 && time < 20 + count ? 0 : healthy(IDLE, 60) }),
        { rate: 1 },
      )
    expect(zeros(2).stop).toBeUndefined()
    expect(zeros(3).stop).toMatchObject({ code: 'lost', time: 22 })
  })
  it('an oil temperature of which nothing more is heard is not known any more after a minute', () => {
    const heard = (seconds: number) =>
      run(seconds, (time) => ({ speed: IDLE, pressure: healthy(IDLE, 60), ...(time < 5 ? { temperature: 60 } : {}) }), {
        watch: prepareWatch(rules, expectation),
      })
    expect(heard(60).watches).not.toContain('temperature-unknown')
    expect(heard(70).watches).toContain('temperature-unknown')
  })
  it.each([1.5, 2, 3])('a sender that lags by %d s stops nothing while speeds change', (lag) => {
    let shown = 0
    const speedAt = (time: number) => (time < 25 ? IDLE : time < 45 ? 3000 / 60 : 650 / 60)
    const seen = run(80, (time) => {
      const temperature = Math.min(95, 10 + 1.2 * time)
      shown += (0.1 / lag) * (healthy(speedAt(time), temperature) - shown)
      return { speed: speedAt(time), temperature, pressure: shown }
    })
    expect(seen.stop).toBeUndefined()
  })
  it('one reading in a hundred that is zero or wild stops nothing', () => {
    const random = seeded(4)
    const seen = run(120, () => {
      const wild = random() < 0.01
      return {
        speed: IDLE * (1 + 0.004 * normal(random)),
        temperature: 40,
        pressure: wild ? (random() < 0.5 ? 0 : 12e5) : healthy(IDLE, 40) + 3e3 * normal(random),
      }
    })
    expect(seen.stop).toBeUndefined()
  })
  it('a crank that stops ends the firing and is no loss; a restart is a new one', () => {
    const speedAt = (time: number) =>
      time < 20 ? IDLE : time < 26 ? Math.max(0, IDLE * (1 - (time - 20) / 1.5)) : time < 29 ? 3 : IDLE
    const seen = run(60, (time) => ({
      speed: speedAt(time),
      temperature: 80,
      pressure: healthy(Math.max(0.1, speedAt(time)), 80) * (speedAt(time) > 1 ? 1 : 0),
    }))
    expect(seen.stop).toBeUndefined()
    expect(seen.running).toBeGreaterThan(25)
    expect(seen.running).toBeLessThan(32)
  })
  it('readings every five seconds: a loss is called within four of them', () => {
    const lost = run(120, (time) => ({ speed: IDLE, temperature: 60, pressure: time < 60 ? healthy(IDLE, 60) : 0 }), {
      rate: 0.2,
    })
    expect(lost.stop?.code).toBe('lost')
    expect(lost.time).toBeLessThanOrEqual(75)
    expect(
      run(120, () => ({ speed: IDLE, temperature: 60, pressure: healthy(IDLE, 60) }), { rate: 0.2 }).stop,
    ).toBeUndefined()
  })
  it('an engine that idles low by design is not stopped for it', () => {
    const low = { ...six, readings: { ...six.readings, 'maker.idleHot': { value: 0.35e5, source: 'maker' as const } } }
    const own = watchRules(low)
    expect(own.loss).toBeCloseTo(0.175e5, 0)
    expect(run(40, () => ({ speed: IDLE, pressure: 0.35e5 }), { watch: prepareWatch(own) }).stop).toBeUndefined()
  })
  it('a needle that swings at a steady speed is said, and one that follows a hunting idle is not', () => {
    const swings = (time: number) => healthy(IDLE, 60) * (1 + 0.2 * Math.sin(4 * time))
    expect(run(40, (time) => ({ speed: IDLE, temperature: 60, pressure: swings(time) })).watches).toContain('swings')
    const hunts = (time: number) => IDLE * (1 + 0.15 * Math.sin(2 * time))
    expect(
      run(40, (time) => ({ speed: hunts(time), temperature: 60, pressure: healthy(hunts(time), 60) })).watches,
    ).not.toContain('swings')
  })
  it('a logger that falls silent, and a clock that jumps, are said', () => {
    const watch = prepareWatch(rules, expectation)
    run(20, () => ({ speed: IDLE, temperature: 60, pressure: healthy(IDLE, 60) }), { watch })
    expect(watch.tick(24).blind).toEqual(['no-readings'])
    expect(watch.tick(24).watches).toContain('not-watching')
    const back = watch.take({ time: 3, speed: IDLE, temperature: 60, pressure: healthy(IDLE, 60) })
    expect(back).toMatchObject({ stop: undefined, blind: ['clock'] })
  })
})

describe('a run by hand', () => {
  const by = (events: [time: number, kind: 'act' | 'oil', data: Record<string, string | number>][]) =>
    events.map(([time, kind, data]) => ({ time, kind, data }))
  it('the oil’s temperature that was typed is kept with the run: read back it stops nothing, and it is asked for again later', () => {
    const hot = { time: 30, pressure: healthy(650 / 60, 95) }
    const samples = [{ time: 4, pressure: 3.5e5 }, { time: 20, pressure: healthy(650 / 60, 95) }, hot]
    const events = by([
      [0, 'act', { action: 'crank' }],
      [2, 'act', { action: 'fire' }],
      [15, 'act', { action: 'idle' }],
      [16, 'oil', { temperature: 95 }],
    ])
    const watch = watchRun(six, { source: 'hand' }, expectation)
    const seen = watch.feed(samples, events)!
    expect(seen.stop).toBeUndefined()
    expect(watch.said(30)).toEqual({ by: 'throttle', speed: expect.closeTo(650 / 60, 4) as number, temperature: 95 })
    expect(watch.said(200)).toEqual({ by: 'throttle', speed: expect.closeTo(650 / 60, 4) as number })
    for (let time = 31; time < 60; time++) expect(watch.tick(time)?.stop).toBeUndefined()
  })
  it('a logger from which nothing ever came is said before anything turns; a hand that has not read yet is not', () => {
    const of = (source: 'logger' | 'serial' | 'hand') => watchRun(six, { source }, expectation).tick(3)?.blind ?? []
    for (const source of ['logger', 'serial'] as const) expect(of(source)).toContain('no-readings')
    expect(of('hand')).not.toContain('no-readings')
  })
  it('a hand that has not read for half a minute while it runs does not watch any more, and does once it reads', () => {
    const watch = watchRun(six, { source: 'hand' }, expectation)
    const act = (time: number, action: string) => ({ time, kind: 'act', data: { action } })
    watch.feed([{ time: 2, pressure: 3.5e5 }], [act(0, 'crank'), act(1, 'fire')] as never)
    expect(watch.tick(25)!.blind).not.toContain('no-readings')
    expect(watch.tick(33)!.blind).toContain('no-readings')
    expect(watch.feed([{ time: 34, pressure: 3.5e5 }], [])!.blind).not.toContain('no-readings')
  })
  it('no reading by the deadline is a stop, whatever the record holds', () => {
    const watch = watchRun(
      { ...six, readings: { ...six.readings, 'pump.endClearance': { value: -70e-6, source: 'measured' } } },
      { source: 'hand' },
    )
    watch.feed(
      [],
      by([
        [0, 'act', { action: 'crank' }],
        [3, 'act', { action: 'fire' }],
      ]),
    )
    expect(watch.tick(7)?.stop).toBeUndefined()
    expect(watch.tick(8.2)?.stop?.code).toBe('no-pressure')
  })
  it('a reading over the ceiling is a stop at once', () => {
    const watch = watchRun(six, { source: 'hand' })
    expect(
      watch.feed(
        [
          { time: 4, pressure: 3e5 },
          { time: 9, pressure: 15e5 },
        ],
        by([[1, 'act', { action: 'fire' }]]),
      )?.stop?.code,
    ).toBe('over-limit')
  })
})
