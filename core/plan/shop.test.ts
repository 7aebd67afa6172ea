import { beforeAll, describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import type { Hours, ShopPlan } from '../house/plan'
import { type IntegerSolver, integerSolver } from '../programme/solver'
import { needOf } from './need'
import { assumedPace, slowerPace } from './pace'
import { comesOn, onTheWall, presentOf, wallTime, wallWords } from './present'
import { type PlanGiven, shopPlan } from './shop'
import { HOUR, MINUTE } from './types'

let solve: IntegerSolver
beforeAll(async () => {
  solve = await integerSolver()
})
const weekdays: Hours = { hours: [['08:00', '12:00']], days: [1, 2, 3, 4, 5], away: [], extra: [] }
const OTTILINE = '00000000-0000-4000-8000-000000000001'
/** Tuesday, 1 December 2026, at eight in the morning in Berlin. */
const NOW = Date.parse('2026-12-01T08:00:00+01:00')
const given = (plan: Partial<ShopPlan> = {}, more: Partial<PlanGiven> = {}): PlanGiven => ({
  engines: [{ id: OTTILINE, name: 'Ottiline', need: needOf(DEMO_BUILDS.ottiline()) }],
  plan: { hands: { Oda: weekdays }, engines: {}, order: [], ...plan },
  pace: assumedPace(),
  now: NOW,
  zone: 'Europe/Berlin',
  days: 14,
  ...more,
})
const only = (from: PlanGiven) => shopPlan(from, solve).engines[0]!
const promised = (at: string) => ({ engines: { [OTTILINE]: { promised: at, waits: {} } } })

describe('the plan of a shop, from what it keeps', () => {
  // 42 minutes of making ready, 20 of priming, 45 of starting: 09:47. Half as long again: 63 + 30 + 67.5 minutes, 10:40:30.
  it('says when an engine is done, and when at the latest where nobody knows how fast this shop works', () => {
    const { done, latest, late, lateMost } = only(given())
    expect([done, latest].map((at) => new Date(at!).toISOString())).toEqual([
      '2026-12-01T09:47:00.000Z',
      '2026-12-01T10:40:30.000Z',
    ])
    expect([late, lateMost]).toEqual([undefined, undefined])
  })
  it('says days before that a promise will be late, or may be', () => {
    expect(only(given(promised('2026-12-01T09:00'))).late).toBe(47 * MINUTE)
    const maybe = only(given(promised('2026-12-01T10:00')))
    expect([maybe.late, maybe.lateMost]).toEqual([undefined, 40.5 * MINUTE])
    const sure = only(given(promised('2026-12-01T10:41')))
    expect([sure.late, sure.lateMost]).toEqual([undefined, undefined])
    // Held up by somebody's word, and promised for an hour ago.
    const waits = { [OTTILINE]: { what: 'machine shop', before: 'prime' } } as const
    const held = (promised: string) => only(given({ engines: { [OTTILINE]: { promised, waits } } }))
    expect([held('2026-12-01T07:00').late, held('2026-12-01T09:00').late]).toEqual([HOUR, undefined])
    // Nobody comes within these days.
    const never = only(given({ ...promised('2026-12-04T12:00'), hands: {} }))
    expect([never.late, never.lateMost]).toEqual([Infinity, Infinity])
  })
  it('waits: until a day, for what runs by the server’s clock, and after a station', () => {
    const waiting = (wait: ShopPlan['engines'][string]['waits'][string]) =>
      shopPlan(given({ engines: { [OTTILINE]: { waits: { [OTTILINE]: wait } } } }), solve)
    const first = ({ turns }: ReturnType<typeof waiting>) =>
      wallWords(turns.find(({ station }) => station === 'prime')!.from)
    expect(first(waiting({ what: 'shells', before: 'bearings', until: '2026-12-03T10:00' }))).toBe('2026-12-03T10:00')
    const cures = { what: 'sealer', before: 'prime', takes: 2 * HOUR, begun: '2026-12-01T06:30:00Z' } as const
    expect(first(waiting(cures))).toBe('2026-12-01T09:30')
    expect(first(waiting({ ...cures, begun: '2026-12-01T02:00:00Z' }))).toBe('2026-12-01T08:00')
    const nobodyKnows = waiting({ what: 'machine shop', before: 'prime' })
    expect([nobodyKnows.turns, nobodyKnows.engines[0]!.held]).toEqual([[], 'machine shop'])
  })
  it('keeps the order that a hand has put, and leaves out of it what is no longer on the floor', () => {
    const second = '00000000-0000-4000-8000-000000000002'
    const engines = [OTTILINE, second].map((id) => ({ id, name: id, need: needOf(DEMO_BUILDS.ottiline()) }))
    const order = [second, '00000000-0000-4000-8000-00000000dead', OTTILINE]
    expect(shopPlan(given({ order }, { engines }), solve).order).toEqual([second, OTTILINE])
  })
})

describe('time on the wall', () => {
  it('is that of the shop’s zone, over the change to summer time and back', () => {
    for (const [at, wall] of [
      ['2026-12-01T07:00:00Z', '2026-12-01T08:00'],
      ['2027-03-28T00:59:00Z', '2027-03-28T01:59'],
      ['2027-03-28T01:00:00Z', '2027-03-28T03:00'],
      ['2026-10-25T00:59:00Z', '2026-10-25T02:59'],
      ['2026-10-25T01:00:00Z', '2026-10-25T02:00'],
    ] as const)
      expect(wallWords(onTheWall(Date.parse(at), 'Europe/Berlin')), at).toBe(wall)
    expect(() => onTheWall(0, 'Nowhere/Much')).toThrow(RangeError)
  })
  it('has somebody on their days, but for those on which it is otherwise', () => {
    const oda = { ...weekdays, away: ['2026-12-02'], extra: ['2026-12-05'] }
    expect(['2026-12-01', '2026-12-02', '2026-12-05', '2026-12-06'].map((day) => comesOn(oda, day))).toEqual([
      true,
      false,
      true,
      false,
    ])
    expect(presentOf(oda, wallTime('2026-12-01T10:00'), 4).map(({ from }) => wallWords(from))).toEqual([
      '2026-12-01T08:00',
      '2026-12-03T08:00',
      '2026-12-04T08:00',
      '2026-12-05T08:00',
    ])
  })
  it('nothing is known better by an entry less', () => {
    const learnt = { ...assumedPace(), seen: { ...assumedPace().seen, pump: 90 } }
    expect(slowerPace(learnt).item.pump / learnt.item.pump).toBeCloseTo(1 + 0.5 * Math.sqrt(10 / 100), 12)
    expect(slowerPace(learnt).item.relief / learnt.item.relief).toBeCloseTo(1.5, 12)
  })
})
