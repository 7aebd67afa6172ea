import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { modelOf } from '../outlook/model'
import { momentAt } from '../outlook/states'
import { pressureBands } from '../outlook/band'
import { envelopeOf, stopUnder } from './envelope'
import { type Expectation, expectationOf, expectedAt } from './expectation'
import { FALL_WINDOW, prepareFall } from './fall'
import { throttleSpeeds, watchRun } from './follow'
import { watchRules } from './watchRules'

const six = () => DEMO_BUILDS.ottiline()
/** p = 1000 n + 10 T with a band of ±100, on a grid that is not even. */
const PLANE: Expectation = (() => {
  const [speeds, temperatures] = [
    [1, 2, 5, 10],
    [0, 20, 100],
  ]
  const of = (more: number) =>
    Float64Array.from(temperatures.flatMap((t) => speeds.map((n) => 1000 * n + 10 * t + more)))
  return { speeds, temperatures, pressure: of(0), low: of(-100), high: of(100) }
})()

describe('an expectation', () => {
  it('between its places is linear, at them exact, outside of them its edge', () => {
    for (const [speed, temperature] of [
      [1, 0],
      [2, 20],
      [3.5, 60],
      [9, 5],
      [10, 100],
    ])
      expect(expectedAt(PLANE, speed, temperature)).toEqual({
        pressure: expect.closeTo(1000 * speed + 10 * temperature, 9),
        low: expect.closeTo(1000 * speed + 10 * temperature - 100, 9),
        high: expect.closeTo(1000 * speed + 10 * temperature + 100, 9),
      })
    expect(expectedAt(PLANE, 0.2, -30).pressure).toBeCloseTo(1000, 9)
    expect(expectedAt(PLANE, 40, 300).pressure).toBeCloseTo(11_000, 9)
  })
  it('reaches from half of cranking to over working and maximum speed, from under the coldest start to over hot oil', () => {
    const sheet = six()
    const { speeds, temperatures, low, high, pressure } = expectationOf(sheet, 20)
    const of = (key: string) => sheet.readings[`brief.${key}`].value
    expect([speeds[0], speeds.at(-1)]).toEqual([
      expect.closeTo(0.5 * of('crankingSpeed'), 9),
      expect.closeTo(Math.max(1.2 * of('workingSpeed'), of('maximumSpeed')), 9),
    ])
    // Squared steps: the middle of ten places is 25/81 of the way.
    expect((speeds[5] - speeds[0]) / (speeds[9] - speeds[0])).toBeCloseTo(25 / 81, 9)
    expect([temperatures[0], temperatures.at(-1)]).toEqual([of('coldStart') - 5, of('hotOil') + 20])
    sheet.readings['brief.coldStart'] = { value: 30, source: 'maker' }
    expect(expectationOf(sheet, 2).temperatures[0]).toBe(10)
    sheet.readings['brief.maximumSpeed'] = { value: 1.05 * of('workingSpeed'), source: 'maker' }
    expect(expectationOf(sheet, 2).speeds.at(-1)).toBeCloseTo(1.2 * of('workingSpeed'), 9)
    const [i, j] = [4, 7]
    const moment = momentAt(six(), speeds[i], temperatures[j])
    const [band] = pressureBands(modelOf(six()), [moment], 20)
    expect(pressure[j * speeds.length + i] / band.pressure).toBeCloseTo(1, 6)
    expect(low[j * speeds.length + i]).toBeLessThan(band.pressure)
    expect(high[j * speeds.length + i]).toBeGreaterThan(band.pressure)
  })
})

describe('an envelope', () => {
  const rules = watchRules(six())
  it('of a steady speed and a known temperature is the band over 18 K to either side', () => {
    const { band, slowest, fastest, least, half } = envelopeOf(PLANE, rules, [5, 5.05], 50)
    expect(band).toEqual({
      pressure: expect.closeTo(5525, 6),
      low: expect.closeTo(5025 + 320 - 100, 6),
      high: expect.closeTo(5025 + 680 + 100, 6),
    })
    expect([slowest, fastest]).toEqual([expect.closeTo(5525, 6), expect.closeTo(5525, 6)])
    expect(half).toBeCloseTo(0.5 * (5025 + 320 - 100), 6)
    expect(least).toBe(stopUnder({ pressure: 5345, low: 5245, high: 5445 }))
  })
  it('of a hunting one reaches from its slowest to its fastest', () => {
    const { band, slowest, fastest } = envelopeOf(PLANE, rules, [4, 6], 50)
    expect([slowest, fastest, band.pressure].map(Math.round)).toEqual([4500, 6500, 5500])
    expect([band.low, band.high].map(Math.round)).toEqual([4000 + 320 - 100, 6000 + 680 + 100])
  })
  it('stops a reading 3.6 sigma and the gauge’s own error under the best, never under nothing', () => {
    expect(stopUnder({ pressure: 3e5, low: 2.7e5, high: 3.3e5 })).toBeCloseTo(3e5 - 2.2 * 0.3e5 - 16e3, 6)
    expect(stopUnder({ pressure: 2e4, low: 1e4, high: 3e4 })).toBe(0)
  })
})

describe('a fall', () => {
  const still = { slowest: 3e5, fastest: 3e5, least: 0, half: 0, band: { pressure: 3e5, low: 0, high: 0 } }
  /** Ten readings a second at a pressure and a speed that change with time; the time at which it is called, and the limit. */
  const watched = (
    pressureAt: (time: number) => number,
    { speedAt = () => 12, envelope = still, whole = false, until = 30 } = {} as {
      speedAt?: (time: number) => number
      envelope?: typeof still
      whole?: boolean
      until?: number
    },
  ) => {
    const fall = prepareFall()
    for (let k = 1; k <= 10 * until; k++) {
      const time = k / 10
      const limit = fall.step(time, 0.1, pressureAt(time), envelope, [{ speed: speedAt(time) }], 0.25, whole)
      if (limit !== undefined) return { time, limit }
    }
    return undefined
  }
  const step =
    (from: number, to: number, at = 10) =>
    (time: number) =>
      time < at ? from : to

  it('of more than a quarter is called after three seconds, against the best that stood', () => {
    const called = watched(step(3e5, 2.1e5))!
    expect(called.limit).toBeCloseTo(0.75 * 3e5, 3)
    expect(called.time).toBeGreaterThanOrEqual(12.9)
    expect(called.time).toBeLessThan(13.4)
    expect(watched(step(3e5, 2.3e5))).toBeUndefined()
  })
  it('goes by the third best, not by a spike or two', () => {
    const spiked = (time: number) => (time > 5 && time < 5.15 ? 4.2e5 : time < 10 ? 3e5 : 2.4e5)
    expect(watched(spiked)).toBeUndefined()
    const long = (time: number) => (time > 5 && time < 6 ? 4.2e5 : time < 10 ? 3e5 : 2.4e5)
    expect(watched(long)!.limit).toBeCloseTo(0.75 * 4.2e5, 3)
  })
  it('counts only from 0.3 bar on, and forgets after twelve seconds', () => {
    const small = { ...still, slowest: 1e5, fastest: 1e5 }
    expect(watched(step(1e5, 0.71e5), { envelope: small })).toBeUndefined()
    expect(watched(step(1.2e5, 0.85e5), { envelope: { ...small, slowest: 1.2e5, fastest: 1.2e5 } })).toBeDefined()
    // Slow enough that what it was twelve seconds ago is a fifth more: no fall by this.
    expect(FALL_WINDOW).toBe(12)
    expect(watched((time) => 3e5 * 0.985 ** time, { until: 60 })).toBeUndefined()
    expect(watched((time) => 3e5 * 0.96 ** time, { until: 60 })).toBeDefined()
  })
  it('from one speed to another is none, and to the same again is', () => {
    const speedAt = (time: number) => (time < 10 ? 20 : 12)
    expect(watched(step(3e5, 2.1e5), { speedAt })).toBeUndefined()
    expect(watched(step(3e5, 2.1e5), { speedAt: (time) => (time < 10 ? 12.6 : 12) })).toBeDefined()
  })
  it('read by a hand once is enough', () => {
    const fall = prepareFall()
    const at = (time: number, pressure: number) => fall.step(time, 1, pressure, still, [{ speed: 12 }], 0.25, true)
    for (let time = 1; time <= 6; time++) expect(at(time, 3e5)).toBeUndefined()
    expect(at(8, 2e5)).toBeCloseTo(0.75 * 3e5, 3)
    fall.clear()
    expect(at(9, 1e5)).toBeUndefined()
  })
  it('without an expectation of more than nothing goes by the pressure itself', () => {
    const none = { ...still, slowest: 0, fastest: 0 }
    expect(watched(step(3e5, 2.9e5), { envelope: none })).toBeUndefined()
  })
})

describe('a run that is followed', () => {
  const acted = (time: number, action: string) => ({ time, kind: 'act' as const, data: { action } })
  const oil = (time: number, temperature: number) => ({ time, kind: 'oil' as const, data: { temperature } })
  const readings = (from: number, to: number, pressure: number) =>
    Array.from({ length: 10 * (to - from) }, (_, k) => ({ time: from + k / 10, pressure }))

  it('takes the throttle’s word for a speed, each of them by the brief', () => {
    const sheet = six()
    const of = (key: string) => sheet.readings[`brief.${key}`].value
    expect(throttleSpeeds(sheet)).toEqual({
      crank: of('crankingSpeed'),
      fire: of('coldIdleSpeed'),
      'cold-idle': of('coldIdleSpeed'),
      'fast-idle': 0.5 * (of('coldIdleSpeed') + of('workingSpeed')),
      idle: of('idleSpeed'),
      working: of('workingSpeed'),
      stop: 0,
    })
    const run = watchRun(sheet, { source: 'hand' })
    expect(run.said(0)).toEqual({})
    run.feed([], [acted(1, 'crank'), acted(5, 'working')])
    expect(run.said(0.9)).toEqual({})
    expect(run.said(1)).toEqual({ speed: of('crankingSpeed'), by: 'throttle' })
    expect(run.said(4.9)).toEqual({ speed: of('crankingSpeed'), by: 'throttle' })
    expect(run.said(5)).toEqual({ speed: of('workingSpeed'), by: 'throttle' })
  })
  it('an oil temperature that was typed stands for two minutes', () => {
    const run = watchRun(six(), { source: 'hand' })
    run.feed([], [oil(10, 40), oil(50, 60)])
    expect([9.9, 10, 49.9, 50, 170, 170.1].map((time) => run.said(time).temperature)).toEqual([
      undefined,
      40,
      40,
      60,
      60,
      undefined,
    ])
  })
  it('what the hand said is heard before readings of its time; by hand its speed and oil are theirs, and a wired one’s own stand', () => {
    const seen: { speed?: number; temperature?: number; whole?: boolean }[] = []
    const take = (source: 'hand' | 'logger', sample: object) => {
      watchRun(six(), { source }).feed(
        [{ time: 3, pressure: 2e5, ...sample }],
        [acted(1, 'idle'), oil(3, 50), acted(3.1, 'working')],
        (_, full) => seen.push({ speed: full.speed, temperature: full.temperature, whole: full.whole }),
      )
      return seen.pop()
    }
    const idle = throttleSpeeds(six()).idle
    expect(take('hand', {})).toEqual({ speed: idle, temperature: 50, whole: true })
    expect(take('hand', { speed: 15, temperature: 60 })).toEqual({ speed: 15, temperature: 60, whole: true })
    expect(take('logger', {})).toEqual({ speed: undefined, temperature: 50, whole: undefined })
    expect(take('logger', { speed: 15, temperature: 60 })).toEqual({ speed: 15, temperature: 60, whole: undefined })
  })
  it('fires by the hand’s word where the world goes on, and is off by it; a rig’s own readings say it there', () => {
    const running = (source: 'hand' | 'logger' | 'rig', events: object[], until = 4) => {
      const run = watchRun(six(), { source })
      return run.feed(readings(0, until, 2e5), events as never)?.running
    }
    expect(running('logger', [acted(1, 'fire')])).toBeCloseTo(2.9, 6)
    expect(running('logger', [{ time: 2, kind: 'fired', data: {} }])).toBeCloseTo(1.9, 6)
    expect(running('rig', [acted(1, 'fire')])).toBeUndefined()
    expect(running('logger', [acted(1, 'fire'), acted(3, 'stop')])).toBeUndefined()
    expect(running('logger', [acted(1, 'fire'), { time: 3, kind: 'end', data: {} }])).toBeUndefined()
    expect(running('logger', [acted(1, 'fire'), { time: 3, kind: 'stop', data: {} }])).toBeUndefined()
    expect(running('logger', [acted(1, 'fire'), oil(3, 40)])).toBeCloseTo(2.9, 6)
  })
  it('time goes on without a reading until it is off; before anything was done only a wired one says that nothing comes', () => {
    expect(watchRun(six(), { source: 'hand' }).tick(5)).toBeUndefined()
    expect(watchRun(six(), { source: 'logger' }).tick(30)?.blind).toContain('no-readings')
    // What was read before anything was done, and is no more, is not what the gauge reads now.
    for (const [source, silent, after] of [
      ['camera', 0.22, 0.3],
      ['logger', undefined, 4],
    ] as const) {
      const wired = watchRun(six(), { source }, undefined, silent)
      wired.feed(
        [0, 0.1, 0.2].map((time) => ({ time, gauge: 3.2e5 })),
        [],
      )
      expect(wired.tick(0.3)?.blind).not.toContain('no-readings')
      expect(wired.tick(0.2 + after)?.blind).toContain('no-readings')
    }
    const run = watchRun(six(), { source: 'hand' })
    run.feed([], [acted(1, 'fire')])
    expect(run.tick(3)?.running).toBeCloseTo(2, 6)
    expect(run.tick(12)?.stop).toMatchObject({ code: 'no-pressure' })
    const off = watchRun(six(), { source: 'hand' })
    off.feed([], [acted(1, 'fire')])
    const last = off.tick(2)
    off.feed([], [acted(2.5, 'stop')])
    expect(off.tick(30)).toBe(last)
    const rig = watchRun(six(), { source: 'rig' })
    rig.feed(readings(0, 1, 2e5), [])
    expect(rig.tick(40)?.time).toBeCloseTo(0.9, 6)
  })
  it('is given a prediction on the way', () => {
    const run = watchRun(six(), { source: 'logger' })
    const feed = (from: number) =>
      run.feed(
        readings(from, from + 2, 2e5).map((each) => ({ ...each, speed: 11, temperature: 90 })),
        from === 0 ? ([acted(0, 'fire')] as never) : [],
      )!
    const before = feed(0)
    expect([before.expected, before.blind.includes('no-prediction')]).toEqual([undefined, true])
    run.expect(expectationOf(six(), 20))
    const after = feed(2)
    expect(after.expected!.low).toBeGreaterThan(0)
    expect(after.blind).not.toContain('no-prediction')
  })
})

describe('a speed that was heard', () => {
  const act = (time: number, action: string) => ({ time, kind: 'act' as const, data: { action } })
  it('counts while the engine fires and for a second and a half, before the throttle’s word and after a tachometer', () => {
    const watch = watchRun(six(), { source: 'hand' })
    const speeds = throttleSpeeds(six())
    watch.feed([{ time: 0.5, heard: 30 }], [act(0, 'crank')])
    expect(watch.said(0.6)).toEqual({ speed: speeds.crank, by: 'throttle' })
    watch.feed([{ time: 2.2, heard: 19 }], [act(2, 'fire')])
    expect(watch.said(2.3)).toEqual({ speed: 19, by: 'ear' })
    expect(watch.said(3.8)).toEqual({ speed: speeds.fire, by: 'throttle' })
    // What was heard before the throttle was moved is not how fast it goes since.
    watch.feed([{ time: 4, heard: 19 }], [])
    watch.feed([], [act(4.2, 'working')])
    expect(watch.said(4.3)).toEqual({ speed: speeds.working, by: 'throttle' })
    const seen: (number | undefined)[] = []
    const logger = watchRun(six(), { source: 'logger' })
    logger.feed(
      [
        { time: 1, pressure: 3e5 },
        { time: 1.1, heard: 19 },
        { time: 1.2, pressure: 3e5 },
        { time: 1.3, pressure: 3e5, speed: 17 },
        { time: 4, pressure: 3e5 },
      ],
      [act(0.5, 'fire')],
      (_, sample) => seen.push(sample.speed),
    )
    expect(seen).toEqual([undefined, 19, 19, 17, speeds.fire])
  })
  it('never says that an engine fires or stands: a hand does', () => {
    const watch = watchRun(six(), { source: 'hand' })
    for (let i = 0; i < 12; i++) watch.feed([{ time: i / 4, heard: 20 }], i === 0 ? [act(0, 'crank')] : [])
    expect(watch.tick(3)?.phase).toBe('cranking')
    watch.feed([{ time: 4, pressure: 3e5 }], [act(3.9, 'fire')])
    for (let i = 0; i < 12; i++) watch.feed([{ time: 4 + i / 4, heard: 1.2 }], [])
    expect(watch.tick(8)?.phase).toBe('running')
  })
})
