import fc from 'fast-check'
import { beforeAll, describe, expect, it } from 'vitest'
import { type IntegerSolver, integerSolver } from '../programme/solver'
import { planShop } from './order'
import { planInOrder } from './place'
import { type Engine, type Hand, HOUR, MINUTE, type Plan, type Task } from './types'

let solve: IntegerSolver
beforeAll(async () => {
  solve = await integerSolver()
})

/** A wall clock's time on a day of the plan: day 1 is a Monday. */
const at = (day: number, time: string) => {
  const [hours, minutes] = time.split(':').map(Number)
  return (day - 1) * 24 * HOUR + hours! * HOUR + minutes! * MINUTE
}
const shown = (time: number) => {
  const minutes = Math.round(time / MINUTE)
  const [day, hour, minute] = [Math.floor(minutes / 1440) + 1, Math.floor(minutes / 60) % 24, minutes % 60]
  return `${day} ${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}`
}
/** Somebody who is there on these days, in the morning and in the afternoon. */
const hand = (name: string, days: number[], [a, b, c, d] = ['08:00', '12:00', '13:00', '17:00']): Hand => ({
  name,
  present: days.flatMap((day) => [
    { from: at(day, a!), to: at(day, b!) },
    { from: at(day, c!), to: at(day, d!) },
  ]),
})
const work = (station: Task['station'], minutes: number, more: Partial<Task> = {}): Task => ({
  station,
  takes: minutes * MINUTE,
  divisible: true,
  ...more,
})
const primeAndStart = (prime = 30, start = 60): Task[] => [
  work('prime', prime, { divisible: false }),
  work('start', start, { divisible: false, within: HOUR }),
]
const said = ({ turns }: Plan) =>
  turns.map(
    ({ build, station, hand: who, from, to }) => `${build} ${station} ${who} ${shown(from)}–${shown(to).slice(2)}`,
  )

/** What no plan may do, found by looking at its turns alone. */
function broken(engines: readonly Engine[], hands: readonly Hand[], now: number, { turns, outcomes }: Plan): string[] {
  const faults: string[] = []
  const fault = (...words: unknown[]) => void faults.push(words.join(' '))
  for (const [i, a] of turns.entries()) {
    if (a.from < now || a.to <= a.from) fault('before now or empty', shown(a.from))
    const there = hands.find(({ name }) => name === a.hand)!.present
    if (!there.some(({ from, to }) => from <= a.from && a.to <= to)) fault(a.hand, 'is not there', shown(a.from))
    for (const b of turns.slice(i + 1))
      if ((a.hand === b.hand || a.build === b.build) && a.from < b.to && b.from < a.to)
        fault('two at once', a.build, b.build, shown(a.from))
  }
  for (const { build, tasks, promised } of engines) {
    const own = turns.filter((turn) => turn.build === build)
    const outcome = outcomes.find((each) => each.build === build)!
    let ended = now
    let rest = own
    for (const [n, task] of tasks.entries()) {
      const parts: typeof own = []
      for (let left = task.takes; left > 0 && rest.length > 0; [, ...rest] = rest) {
        if (rest[0]!.station !== task.station) break
        parts.push(rest[0]!)
        left -= rest[0]!.to - rest[0]!.from
      }
      if (parts.length === 0) {
        if (rest.length > 0) fault(build, 'out of order')
        if (outcome.whole) fault(build, 'is not whole')
        break
      }
      const took = parts.reduce((sum, { from, to }) => sum + to - from, 0)
      if (Math.abs(took - task.takes) > 1) fault(build, n, 'takes', took, 'and not', task.takes)
      if (!task.divisible && parts.length > 1) fault(build, n, 'was laid down')
      if (new Set(parts.map(({ hand: who }) => who)).size > 1) fault(build, n, 'changed hands')
      const from = parts[0]!.from
      if (task.waits && from < task.waits.until) fault(build, n, 'did not wait')
      if (from < ended + (task.rests?.takes ?? 0)) fault(build, n, 'did not rest')
      if (task.within !== undefined && from - ended > task.within) fault(build, n, 'broke the hour')
      ended = parts.at(-1)!.to
    }
    if (own.length > 0 && outcome.done !== ended) fault(build, 'is done at another time')
    const late = outcome.whole && promised !== undefined && own.length > 0 ? Math.max(0, ended - promised) : 0
    if ((outcome.late ?? 0) !== late) fault(build, 'is late by another time')
  }
  return faults
}

describe('a shop worked by hand', () => {
  const oda = hand('Oda', [1, 2])
  it('one after the other into the earliest time that anybody has; measuring is laid down at noon, a prime is not', () => {
    const engines: Engine[] = [{ build: 'a', name: 'A', tasks: [work('bearings', 200), ...primeAndStart()] }]
    // A prime from 11:20 to 11:50 would stand seventy minutes until one o'clock: it is put off by ten.
    expect(said(planInOrder(engines, [oda], at(1, '08:00')))).toEqual([
      'a bearings Oda 1 08:00–11:20',
      'a prime Oda 1 11:30–12:00',
      'a start Oda 1 13:00–14:00',
    ])
  })
  it('nobody takes measuring up for less than a quarter of an hour, unless that is the end of it', () => {
    const engines: Engine[] = [{ build: 'a', name: 'A', tasks: [work('bearings', 60)] }]
    expect(said(planInOrder(engines, [oda], at(1, '11:50')))).toEqual(['a bearings Oda 1 13:00–14:00'])
    const short: Engine[] = [{ build: 'a', name: 'A', tasks: [work('bearings', 8)] }]
    expect(said(planInOrder(short, [oda], at(1, '11:50')))).toEqual(['a bearings Oda 1 11:50–11:58'])
  })
  it('two hands share an engine’s hour: whoever is free starts what another has primed', () => {
    const engines: Engine[] = [{ build: 'a', name: 'A', tasks: primeAndStart() }]
    const pim = hand('Pim', [1], ['11:00', '11:40', '12:00', '14:00'])
    expect(said(planInOrder(engines, [hand('Oda', [2]), pim], at(1, '08:00')))).toEqual([
      'a prime Pim 1 11:00–11:30',
      'a start Pim 1 12:00–13:00',
    ])
  })
  it('shells that are ordered, a sealer that cures, and what nobody can say: each holds up what comes after it', () => {
    const engines: Engine[] = [
      {
        build: 'a',
        name: 'A',
        tasks: [
          work('bearings', 60, { waits: { until: at(2, '10:00'), what: 'shells' } }),
          work('pickup', 30, { rests: { takes: 2 * HOUR, what: 'sealer' } }),
        ],
      },
      {
        build: 'b',
        name: 'B',
        tasks: [work('bearings', 60), work('pump', 60, { held: 'machine shop' }), work('relief', 5)],
      },
    ]
    const plan = planInOrder(engines, [oda], at(1, '08:00'))
    expect(said(plan)).toEqual([
      'a bearings Oda 2 10:00–11:00',
      'a pickup Oda 2 13:00–13:30',
      'b bearings Oda 1 08:00–09:00',
    ])
    expect(plan.outcomes).toEqual([
      { build: 'a', done: at(2, '13:30'), whole: true },
      { build: 'b', done: at(1, '09:00'), whole: false, held: 'machine shop' },
    ])
  })
  it('an engine that is primed already is started in its hour, or primed again', () => {
    const primed = (until: number): Engine[] => [
      {
        build: 'a',
        name: 'A',
        tasks: [work('start', 60, { divisible: false, primed: { until, again: 30 * MINUTE } })],
      },
    ]
    expect(said(planInOrder(primed(at(1, '08:30')), [oda], at(1, '08:00')))).toEqual(['a start Oda 1 08:00–09:00'])
    expect(said(planInOrder(primed(at(1, '08:30')), [oda], at(1, '09:00')))).toEqual([
      'a prime Oda 1 09:00–09:30',
      'a start Oda 1 09:30–10:30',
    ])
  })
  it('what was promised for tomorrow goes before what was promised for next week, though that came first; a hand’s own order stands', () => {
    const engines: Engine[] = [
      { build: 'long', name: 'Long', promised: at(9, '17:00'), tasks: [work('bearings', 480)] },
      { build: 'soon', name: 'Soon', promised: at(1, '17:00'), tasks: [work('bearings', 240)] },
    ]
    const week = hand('Oda', [1, 2, 3])
    const plan = planShop(engines, [week], at(1, '08:00'), solve)
    expect(plan.order).toEqual(['soon', 'long'])
    expect(plan.outcomes.some(({ late }) => late)).toBe(false)
    const dragged = planShop(engines, [week], at(1, '08:00'), solve, ['long', 'soon'])
    expect(dragged.order).toEqual(['long', 'soon'])
    // Done on the second day at noon, nineteen hours after what was promised.
    expect(dragged.outcomes.find(({ build }) => build === 'soon')!.late).toBe(at(2, '12:00') - at(1, '17:00'))
  })
  it('without anybody there is no time, and it says so', () => {
    const plan = planShop([{ build: 'a', name: 'A', tasks: [work('pump', 10)] }], [], 0, solve)
    expect(plan).toEqual({
      turns: [],
      outcomes: [{ build: 'a', done: undefined, whole: false, held: 'no time' }],
      order: ['a'],
    })
    expect(planShop([], [hand('Oda', [1])], 0, solve)).toEqual({ turns: [], outcomes: [], order: [] })
  })
})

const Fortnight = Array.from({ length: 14 }, (_, i) => i + 1).filter((day) => day % 7 !== 6 && day % 7 !== 0)
/** Once in so many times, else nothing. */
const onceIn = <T>(times: number, arbitrary: fc.Arbitrary<T>) =>
  fc.oneof({ weight: times - 1, arbitrary: fc.constant(undefined) }, { weight: 1, arbitrary })
const anyTask = fc.record({
  station: fc.constantFrom(...(['bearings', 'pump', 'relief', 'pickup', 'passages'] as const)),
  takes: fc.integer({ min: 5, max: 300 }).map((minutes) => minutes * MINUTE),
  divisible: fc.constant(true),
  waits: onceIn(
    4,
    fc.record({
      until: fc.integer({ min: 0, max: 12 * 24 * 60 }).map((minute) => minute * MINUTE),
      what: fc.constant('shells'),
    }),
  ),
  rests: onceIn(
    4,
    fc.record({ takes: fc.integer({ min: 1, max: 24 }).map((h) => h * HOUR), what: fc.constant('sealer') }),
  ),
  held: onceIn(20, fc.constant('machine shop')),
})
const anyEngine = fc
  .record({
    tasks: fc.array(anyTask, { maxLength: 5 }),
    ends: fc.boolean(),
    promised: fc.option(
      fc.integer({ min: 1, max: 14 }).map((day) => at(day, '17:00')),
      { nil: undefined },
    ),
  })
  .map(({ tasks, ends, promised }): Omit<Engine, 'build' | 'name'> => ({
    ...(promised === undefined ? {} : { promised }),
    // Stations come in their order, and each once.
    tasks: [...new Map(tasks.map((task) => [task.station, task])).values(), ...(ends ? primeAndStart() : [])],
  }))
const HANDS = ['Oda', 'Pim', 'Maren', 'Tobi'].map((name, i) =>
  hand(
    name,
    Fortnight.filter((day) => (day + i) % 5 > 0),
    i === 3 ? ['07:00', '11:30', '12:15', '15:00'] : undefined,
  ),
)

it('twenty engines, four hands and a fortnight: no wait is cut short, nobody is in two places, the hour stands', () => {
  fc.assert(
    fc.property(
      fc.array(anyEngine, { minLength: 1, maxLength: 20 }),
      fc.integer({ min: 0, max: 3 * 24 * 60 }),
      (some, minute) => {
        const engines = some.map((each, i): Engine => ({ ...each, build: `e${i}`, name: `Engine ${i}` }))
        const now = minute * MINUTE
        const plan = planShop(engines, HANDS, now, solve)
        expect(broken(engines, HANDS, now, plan)).toEqual([])
        expect([...plan.order].sort()).toEqual(engines.map(({ build }) => build).sort())
      },
    ),
    { numRuns: 40 },
  )
})

it('of small shops the best order is hardly better', () => {
  const orders = <T>(all: T[]): T[][] =>
    all.length < 2 ? [all] : all.flatMap((each, i) => orders(all.toSpliced(i, 1)).map((rest) => [each, ...rest]))
  const lateness = ({ outcomes }: Plan) => outcomes.reduce((sum, { late }) => sum + (late ?? 0), 0)
  let [ours, best, usual] = [0, 0, 0]
  fc.assert(
    fc.property(fc.array(anyEngine, { minLength: 4, maxLength: 5 }), (some) => {
      const engines = some.map((each, i): Engine => ({
        ...each,
        build: `e${i}`,
        name: `Engine ${i}`,
        promised: at(1 + (i % 3), '17:00'),
      }))
      const two = HANDS.slice(0, 2)
      ours += lateness(planShop(engines, two, 0, solve))
      const all = orders(engines).map((order) => lateness(planInOrder(order, two, 0)))
      best += Math.min(...all)
      usual += all.reduce((sum, each) => sum + each, 0) / all.length
    }),
    { numRuns: 40 },
  )
  // What could be saved by choosing an order is saved.
  expect(usual).toBeGreaterThan(1.02 * best)
  expect(ours - best).toBeLessThan(0.1 * (usual - best))
})
