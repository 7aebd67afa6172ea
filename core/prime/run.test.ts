import { METHODS } from '../parts/primingWords'
import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { newSheet, PRESETS } from '../record/layouts'
import type { Sheet } from '../record/schema'
import { modelOf } from '../outlook/model'
import { curesFor, filterSideBySide, safeFilter } from './cures'
import { oilAt } from '../oil/oil'
import { hoseConductance } from './circuit'
import { primeRun } from './run'
import { filledAfter, primeClock, timeToPressureAfter } from './standing'
import { primeTimeline } from './timeline'
import { type PrimeSeen, primeSuspects, type PrimeWord, primeWord, type StandingWord, standingWord } from './watch'
import { type PrimeSetUp, primeSetUpOf } from './setUp'

const six = DEMO_BUILDS.ottiline()
const runOf = (more: Partial<PrimeSetUp> = {}, sheet: Sheet = six) =>
  primeRun(modelOf(sheet), primeSetUpOf(sheet, more))

describe('priming an engine by the model', () => {
  it('by drill, packed, filter off: oil at the pad, then the gauge, then every outlet, and the pressure that was expected', () => {
    const run = runOf({ filter: 'off' })
    expect(run.primed).toBe(true)
    expect(run.timeToPad!).toBeLessThan(run.timeToGauge!)
    expect(run.timeToGauge!).toBeLessThan(run.timeToPressure!)
    for (const outlet of run.outlets) expect(outlet.time, outlet.label).toBeGreaterThan(run.timeToPad!)
    expect(run.outlets.find(({ label }) => label === 'Rockers 1')!.time).toBeGreaterThan(
      run.outlets.find(({ label }) => label === 'Main 4')!.time!,
    )
    expect(run.pressure).toBeGreaterThan(4e5)
  })
  it('uses what its passages hold: the filter’s 0.8 L and less than half a litre beside it', () => {
    const { used } = runOf({ filter: 'dry' })
    expect(used).toBeGreaterThan(0.9e-3)
    expect(used).toBeLessThan(1.3e-3)
  })
  it('every layout primes packed by a drill, and from a tank', () => {
    for (const preset of Object.keys(PRESETS)) {
      const sheet = newSheet(preset, 'x', 'y')
      for (const method of ['drill', 'tank'] as const)
        expect(
          runOf({ method, packing: 'assembly-lubricant', tankVolume: 6e-3 }, sheet).primed,
          `${preset} ${method}`,
        ).toBe(true)
    }
  })
  it('every method gives a run or a reason', () => {
    for (const sheet of Object.values(DEMO_BUILDS).map((make) => make())) {
      for (const method of METHODS) {
        const run = runOf({ method }, sheet)
        expect(run.primed || run.reason !== undefined, `${sheet.name} ${method}`).toBe(true)
        expect(run.moments.every(({ gauge }) => Number.isFinite(gauge))).toBe(true)
      }
    }
  })
  it('says why it stalls, and every cure that it names primes', () => {
    const stalled = runOf({ packing: 'dry', filter: 'filled' })
    expect(stalled).toMatchObject({ primed: false, reason: 'cannot-push' })
    const cures = curesFor(modelOf(six), stalled)
    expect(cures.map(({ key }) => key)).toEqual(expect.arrayContaining(['pack', 'filter-off', 'tank']))
    for (const { setUp } of cures) expect(runOf(setUp).primed).toBe(true)
    expect(runOf({ drillSpeed: 0 })).toMatchObject({ primed: false, reason: 'not-turning' })
    expect(runOf({ method: 'tank', tankVolume: 0.05e-3 })).toMatchObject({ primed: false, reason: 'tank-empty' })
  })
  it('a dry worn pump cannot draw, whatever stands behind it', () => {
    const worn = structuredClone(DEMO_BUILDS.talvik())
    for (const [key, value] of [
      ['pump.endClearance', 180e-6],
      ['pump.tipClearance', 250e-6],
      ['pickup.lift', 0.2],
    ] as const)
      worn.readings[key] = { value, source: 'measured' }
    expect(runOf({ packing: 'dry', method: 'starter', filter: 'off' }, worn)).toMatchObject({
      primed: false,
      reason: 'cannot-draw',
    })
  })
  it('recommends the way with the filter that also primes a pump whose packing is gone', () => {
    const model = modelOf(DEMO_BUILDS.dunmarrow())
    const setUp = primeSetUpOf(model.sheet, { packing: 'assembly-lubricant' })
    expect(filterSideBySide(model, setUp).map(({ primed }) => primed)).toEqual([true, true, true])
    expect(safeFilter(model, setUp)).toBe('off')
  })
  it('oil poured after the pump fills what lies after it and leaves the air gap', () => {
    const after = runOf({ method: 'hand', port: 'gauge', packing: 'dry', filter: 'filled', poured: 1e-3 })
    expect(after.primed).toBe(false)
    expect(after.outlets.some(({ time }) => time !== undefined)).toBe(true)
    expect(after.moments.at(-1)!.full[after.nodes.indexOf('pump inlet')]).toBeLessThan(0.5)
  })
  it('filled by a tube at the pump’s side of the filter pad, a dry pump is wetted and draws', () => {
    const dry = { method: 'hand', packing: 'dry', filter: 'dry', crankSpeed: 2.5 } as const
    const after = runOf({ ...dry, port: 'gauge', poured: 0.5e-3 })
    const pad = runOf({ ...dry, port: 'pad' })
    expect([after.primed, pad.primed]).toEqual([false, true])
    expect(pad.moments[0].full[pad.nodes.indexOf('pump outlet')]).toBe(1)
    const cure = curesFor(modelOf(six), after).find(({ key }) => key === 'pad-port')!
    expect(cure).toMatchObject({ setUp: { port: 'pad' }, time: pad.timeToPressure })
  })
  it('a tank takes about a minute for a large engine: lifters, rockers and risers are filled through its hose', () => {
    const large = newSheet('v12', 'a', 'b')
    const run = primeRun(modelOf(large), primeSetUpOf(large, { method: 'tank', temperature: 15 }))
    expect(run.primed).toBe(true)
    expect(run.timeToPressure!).toBeGreaterThan(30)
    expect(run.timeToPressure!).toBeLessThan(90)
    // What a hose lets by: less than all that lies behind it at no pressure, and more than a fifth of that.
    const hose = hoseConductance(oilAt(modelOf(large).oil, 15)) * 3e5
    expect(run.timeToPressure!).toBeGreaterThan(0.8 * (run.used / hose))
    expect(run.timeToPressure!).toBeLessThan(5 * (run.used / hose))
  })
  it('a plug left out shows as a gauge that never rises to its least', () => {
    expect(primeRun(modelOf(six), primeSetUpOf(six), { leftOut: ['passage.rearPlug'] }).pressure).toBeLessThan(
      0.2 * runOf().pressure,
    )
  })
})

describe('the timeline', () => {
  it('has a band round every time, wider for an engine that nobody measured', () => {
    const known = primeTimeline(six, primeSetUpOf(six))
    expect(known.chance).toBe(1)
    for (const band of [known.pad!, known.gauge!, known.pressure!]) {
      expect(band.low).toBeLessThan(band.best)
      expect(band.high).toBeGreaterThan(band.best)
    }
    // Oil too: what the run itself took, to within what nobody measures of the passages.
    expect(known.oil.best).toBeCloseTo(known.run.used + known.run.spilled, 9)
    expect(known.oil.low / known.oil.best).toBeLessThan(0.8)
    expect(known.oil.high / known.oil.best).toBeGreaterThan(1.2)
    const blank = newSheet('inline6', 'x', 'y')
    const guessed = primeTimeline(blank, primeSetUpOf(blank, { packing: 'assembly-lubricant' }))
    expect((guessed.gauge!.high - guessed.gauge!.low) / guessed.gauge!.best).toBeGreaterThan(
      (known.gauge!.high - known.gauge!.low) / known.gauge!.best,
    )
  })
})

describe('a starter in bursts', () => {
  it('is timed by the seconds of turning, whatever rests lie between them', () => {
    const by = (rest: number) =>
      primeRun(modelOf(six), primeSetUpOf(six, { method: 'starter', filter: 'dry', burst: 10, rest }))
    const [none, usual, long] = [0, 30, 120].map(by)
    for (const run of [none, usual, long]) {
      expect(run.primed).toBe(true)
      // What drains back in a rest has to be turned again, and no more than that.
      expect(run.timeToPressure! / none.timeToPressure!).toBeLessThan(1.6)
      expect(Math.max(...run.moments.map(({ time }) => time))).toBeLessThan(120)
    }
    expect(none.rested).toBe(0)
    expect(long.rested).toBeGreaterThan(usual.rested)
    expect(long.rested % 120).toBe(0)
  })
})

describe('the early word', () => {
  const timeline = primeTimeline(six, primeSetUpOf(six, { filter: 'off' }))
  const modelled = { timeline, expected: { least: 4e5, high: 4.6e5 } }
  const word = (seen: PrimeSeen) => primeWord(seen, modelled, 7e5)
  const seen = { turned: 0, gauge: 0, flicker: 0, still: 0 }
  it('says that oil is late at the pad by the seconds past its band, and not before', () => {
    const high = timeline.pad!.high
    expect(word({ ...seen, turned: high + 4 }).code).toBe('going-well')
    expect(word({ ...seen, turned: high + 20 })).toEqual({ code: 'late-pad', level: 'stop', by: 20 })
    expect(word({ ...seen, turned: high + 20, pad: 1 }).code).not.toBe('late-pad')
  })
  it('says that it is primed once the gauge stands in its band, low when it stands under it', () => {
    const stood = { ...seen, turned: 40, pad: 1, still: 6 }
    expect(word({ ...stood, gauge: 4.3e5 })).toMatchObject({ code: 'primed', level: 'fine' })
    expect(word({ ...stood, gauge: 1e5 })).toEqual({ code: 'low', level: 'stop', by: 3e5 })
    expect(word({ ...stood, gauge: 1e5, flicker: 0.3 }).code).toBe('flickers')
    expect(word({ ...stood, gauge: 4.3e5, sender: 3e5 })).toMatchObject({ code: 'gauges-differ', level: 'watch' })
  })
  it('does not wait out a gauge that creeps far under what is wanted, long after it should have stood', () => {
    const due = timeline.pressure!.high
    const creeping = { ...seen, pad: 1, still: 1, gauge: 0.6e5 }
    expect(word({ ...creeping, turned: 1.5 * due + 5 }).code).toBe('going-well')
    expect(word({ ...creeping, turned: 1.5 * due + 7 })).toMatchObject({ code: 'low', level: 'stop' })
    expect(word({ ...creeping, turned: 1.5 * due + 7, gauge: 2.1e5 }).code).toBe('going-well')
  })
  it('over what filter and seals may see it stops at once, whatever else is so, and above its band it is never primed', () => {
    for (const more of [{}, { pad: 1 }, { flicker: 0.4 }, { still: 9, turned: 90 }])
      expect(word({ ...seen, gauge: 15e5, ...more })).toEqual({ code: 'over-limit', level: 'stop', by: 8e5 })
    expect(word({ ...seen, turned: 60, pad: 1, still: 9, gauge: 5.5e5 })).toMatchObject({
      code: 'over-band',
      level: 'watch',
    })
  })
  it('the limit holds for the newest readings, and stays broken when the gauge has fallen again', () => {
    expect(word({ ...seen, gauge: 5e5, latest: 8e5 })).toEqual({ code: 'over-limit', level: 'stop', by: 1e5 })
    const over = standingWord(undefined, word({ ...seen, gauge: 8e5 }), { turned: 5, gauge: 8e5 }, 4e5)
    const primed = word({ ...seen, turned: 60, pad: 1, still: 9, gauge: 4.3e5 })
    expect(primed.code).toBe('primed')
    expect(standingWord(over, primed, { turned: 60, gauge: 4.3e5 }, 4e5)).toBe(over)
    expect(standingWord(over, word({ ...seen, gauge: 9e5 }), { turned: 61, gauge: 9e5 }, 4e5).word.by).toBeCloseTo(2e5)
  })
  it('without a model, and without readings, it says that it does not watch; the limit and a gauge that does not move are watched all the same', () => {
    const blind = (more: object) => primeWord({ ...seen, ...more }, undefined, 7e5)
    expect(blind({ gauge: 4.3e5, turned: 60, still: 9 })).toMatchObject({ code: 'not-watching', level: 'watch' })
    expect(blind({ gauge: 8e5 }).code).toBe('over-limit')
    expect([blind({ turned: 29 }).code, blind({ turned: 31 }).code]).toEqual(['not-watching', 'late-gauge'])
    expect(word({ ...seen, turned: 60, pad: 1, still: 9, gauge: 4.3e5, unread: 6 })).toEqual({
      code: 'not-watching',
      level: 'watch',
      by: 6,
    })
  })
  it('a gauge that stirs under the least to accept does not take “too low” back', () => {
    const low = word({ ...seen, turned: 40, pad: 1, still: 6, gauge: 3e5 })
    const stopped = standingWord(undefined, low, { turned: 40, gauge: 3e5 }, 4e5)
    const on = word({ ...seen, turned: 60, pad: 1, still: 0, gauge: 3.3e5 })
    expect(on.code).toBe('going-well')
    expect(standingWord(stopped, on, { turned: 60, gauge: 3.3e5 }, 4e5)).toBe(stopped)
    expect(standingWord(stopped, on, { turned: 60, gauge: 4.1e5 }, 4e5).word).toBe(on)
  })
  it('a stop is not taken back by a gauge that stirs, only once it has come half the way and going on has lasted; a judgement replaces it at once', () => {
    const [stop, dry, on, low, primed] = (['late-gauge', 'late-pad', 'going-well', 'low', 'primed'] as const).map(
      (code) => ({ code, level: /late|low/.test(code) ? ('stop' as const) : ('fine' as const), by: 0 }),
    )
    const at = (turned: number, gauge = 3e5, pad?: number) => ({ turned, gauge, pad })
    const next = (before: StandingWord | undefined, word: PrimeWord, now: ReturnType<typeof at>) =>
      standingWord(before, word, now, 4e5)
    expect(next(undefined, on, at(10, 0)).word).toBe(on)
    const stopped = next(undefined, stop, at(30, 0))
    expect(next(stopped, on, at(33)).word).toBe(stop)
    expect(next(next(stopped, on, at(33)), low, at(35)).word).toBe(low)
    expect(next(stopped, primed, at(31, 4.2e5)).word).toBe(primed)
    expect(next(next(stopped, on, at(33)), on, at(39)).word).toBe(on)
    expect(next(stopped, on, at(60, 0.3e5)).word).toBe(stop)
    // Oil that was waited for at the pad has come: that stop is over.
    const waited = next(undefined, dry, at(20, 0))
    expect([next(waited, on, at(21, 0)).word, next(waited, on, at(21, 0, 20.5)).word]).toEqual([dry, on])
    // Readings that fail take no stop back; where nothing was stopped they are said.
    const unread = { code: 'not-watching' as const, level: 'watch' as const, by: 3 }
    expect(next(stopped, unread, at(31)).word).toBe(stop)
    expect(next(undefined, unread, at(31)).word).toBe(unread)
    // Of another run nothing is carried over.
    expect(next(stopped, on, at(2, 0)).word).toBe(on)
  })
  it('tells a relief that stands open from a plug left out and a pump that does not draw', () => {
    const setUp = primeSetUpOf(six, { filter: 'off' })
    const first = (more: object) => primeSuspects(six, setUp, { ...seen, turned: 30, still: 10, ...more })[0].key
    // Cold oil through an open valve's return holds half a bar up.
    expect(first({ pad: 1, gauge: 0.5e5 })).toBe('relief-open')
    expect(first({ pad: 1, gauge: 0.2e5 })).toBe('plug-out')
    expect(['dry-pump', 'pickup-air']).toContain(first({ gauge: 0 }))
    expect(first({ pad: 1, gauge: 2.9e5 })).toBe('sender-low')
  })
})

describe('a primed engine that stands', () => {
  const model = modelOf(six)
  const setUp = primeSetUpOf(six)
  it('drains: never fuller later, the gallery through its bearings first, the filter held by its anti-drain valve', () => {
    let before = filledAfter(model, 0, setUp)
    for (const hours of [1, 10, 100, 1000, 1e4]) {
      const now = filledAfter(model, hours * 3600, setUp)
      for (const [node, share] of Object.entries(now)) expect(share, node).toBeLessThanOrEqual(before[node] + 1e-12)
      before = now
    }
    const day = filledAfter(model, 86400, setUp)
    expect(day['gallery 1']).toBeLessThan(0.5)
    expect(day['filter can']).toBeGreaterThan(0.95)
  })
  it('without an anti-drain valve the filter empties through the pump, and the gauge comes late', () => {
    const open = { ...setUp, antiDrain: false }
    expect(filledAfter(model, 10 * 86400, open)['filter can']).toBeLessThan(
      filledAfter(model, 10 * 86400, setUp)['filter can'] - 0.5,
    )
    expect(timeToPressureAfter(model, 20 * 86400, open)).toBeGreaterThan(
      2 * timeToPressureAfter(model, 20 * 86400, setUp),
    )
  })
  it('its prime is good for hours to days, for less with wide bearings, and never longer than the house has it', () => {
    const clock = primeClock(six)
    expect(clock.good).toBeGreaterThan(4 * 3600)
    expect(clock.good).toBeLessThan(72 * 3600)
    const wide = structuredClone(six)
    for (let i = 1; i <= 7; i++) wide.readings[`main.${i}.bore`].value += 60e-6
    expect(primeClock(wide).good).toBeLessThan(0.5 * clock.good)
    expect(primeClock({ ...six, house: { school: 'auto', rules: { 'prime.goodFor': 3600 } } })).toEqual({
      good: 3600,
      because: 'house',
    })
  })
})
