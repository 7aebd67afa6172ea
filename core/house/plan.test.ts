import { describe, expect, it } from 'vitest'
import { FIRST_HOUSE } from './first'
import { begunOnArrival, endOfWait, isTimed, NO_PLAN, type PlannedWait, ShopPlan, type TimedWait } from './plan'
import { House } from './schema'

const BUILD = '00000000-0000-4000-8000-000000000001'
const WAIT = '00000000-0000-4000-8000-000000000002'
const sealer: TimedWait = { what: 'sealer', before: 'prime', takes: 3_600_000, begun: '2031-01-01T00:00:00Z' }
const waiting = (wait: PlannedWait): ShopPlan => ({ ...NO_PLAN, engines: { [BUILD]: { waits: { [WAIT]: wait } } } })
const ARRIVED = '2026-12-01T08:00:00.000Z'
const begun = (before: ShopPlan, after: ShopPlan) => {
  const wait = begunOnArrival(before, after, ARRIVED).engines[BUILD]!.waits[WAIT]!
  return isTimed(wait) ? wait.begun : undefined
}

describe('the plan that a shop keeps', () => {
  it('a wait that runs began when it arrived, whatever the tablet said; one that stood before is not begun anew', () => {
    expect(begun(NO_PLAN, waiting(sealer))).toBe(ARRIVED)
    const stood = waiting({ ...sealer, begun: '2026-11-30T08:00:00Z' })
    expect(begun(stood, waiting({ ...sealer, seen: true }))).toBe('2026-11-30T08:00:00Z')
    expect(begun(waiting({ what: 'shells', before: 'bearings' }), waiting(sealer))).toBe(ARRIVED)
    expect(begun(NO_PLAN, waiting({ what: 'shells', before: 'bearings' }))).toBeUndefined()
    expect(new Date(endOfWait({ ...sealer, begun: ARRIVED })).toISOString()).toBe('2026-12-01T09:00:00.000Z')
  })
  it('is refused by the field where it says what cannot be', () => {
    const faults = (plan: object) =>
      ShopPlan.safeParse({ ...NO_PLAN, ...plan }).error?.issues.map(
        ({ path, message }) => `${path.join('.')}: ${message}`,
      )
    const hours = (...given: [string, string][]) => ({ hands: { Oda: { hours: given, days: [1] } } })
    expect(faults(hours(['08:00', '12:00'], ['13:00', '17:00']))).toBeUndefined()
    expect(faults(hours(['12:00', '08:00']))).toEqual([
      'hands.Oda.hours.0: 12:00 to 08:00: the end must come after the beginning',
    ])
    expect(faults(hours(['08:00', '12:00'], ['11:00', '17:00']))).toEqual([
      'hands.Oda.hours.1: 11:00 lies before 12:00: write them in their order',
    ])
    expect(faults(hours(['8', '12:00']))).toContain('hands.Oda.hours.0.0: must be a time such as 08:00')
    expect(faults({ engines: { [BUILD]: { promised: '2026-02-30T10:00' } } })).toEqual([
      `engines.${BUILD}.promised: must be a day of the calendar`,
    ])
    for (const promised of ['soon', '2026-13-01T10:00', '2026-12-01'])
      expect(faults({ engines: { [BUILD]: { promised } } })!.length, promised).toBeGreaterThan(0)
    expect(faults({ engines: { [BUILD]: { waits: { [WAIT]: { ...sealer, takes: 0 } } } } })).toHaveLength(1)
    expect(faults({ zone: 'Nowhere/Much' })).toEqual(['zone: must be a time zone such as Europe/Berlin'])
    expect(faults({ zone: 'Europe/Berlin' })).toBeUndefined()
    expect(faults({ engines: { somewhere: {} } })).toHaveLength(1)
  })
  it('is empty in what a shop kept before there was one', () => {
    expect(House.parse({ ...FIRST_HOUSE, plan: undefined }).plan).toEqual(NO_PLAN)
  })
})
