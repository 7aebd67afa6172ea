import { createEvents } from 'ics'
import { describe, expect, it } from 'vitest'
import type { ShopPlan } from '#core/house/plan'
import { wallTime } from '#core/plan/present'
import type { ShopPlanned } from '#core/plan/shop'
import { planEvents } from './planCalendar'

const BUILD = '00000000-0000-4000-8000-000000000001'
const planned: ShopPlanned = {
  now: wallTime('2026-12-01T08:00'),
  order: [BUILD],
  hands: [],
  turns: [
    {
      build: BUILD,
      station: 'prime',
      hand: 'Oda',
      from: wallTime('2026-12-01T08:00'),
      to: wallTime('2026-12-01T08:42'),
    },
  ],
  engines: [{ build: BUILD, name: 'Ottiline; ferry', whole: true, tasks: [], promised: wallTime('2026-12-04T17:00') }],
}
const kept: ShopPlan = {
  hands: {},
  order: [],
  engines: {
    [BUILD]: {
      waits: {
        a: { what: 'sealer', before: 'prime', takes: 90 * 60_000, begun: '2026-12-01T07:00:00Z' },
        b: { what: 'machine shop', before: 'bearings' },
        c: { what: 'shells', before: 'bearings', until: '2026-12-03T10:00' },
      },
    },
    '00000000-0000-4000-8000-00000000dead': {
      waits: { d: { what: 'gone', before: 'prime', until: '2026-12-03T10:00' } },
    },
  },
}

describe('the plan as a calendar file', () => {
  const { value, error } = createEvents(planEvents(planned, kept, 'Europe/Berlin'))
  /** Lines that were folded put together again, by event. */
  const events = (value ?? '')
    .replace(/\r\n[ \t]/g, '')
    .split('BEGIN:VEVENT')
    .slice(1)
    .map(
      (text) =>
        new Map(
          text.split('\r\n').map((line): [string, string] => [line.split(':')[0]!, line.slice(line.indexOf(':') + 1)]),
        ),
    )

  it('has each turn, promise and wait by the shop’s own clock, without a zone', () => {
    expect(error).toBeNull()
    expect(events.map((event) => [event.get('SUMMARY'), event.get('DTSTART'), event.get('DTEND')])).toEqual([
      ['Ottiline\\; ferry: Prime\\, Oda', '20261201T080000', '20261201T084200'],
      ['Ottiline\\; ferry: Promised', '20261204T170000', undefined],
      ['Ottiline\\; ferry: sealer', '20261201T093000', undefined],
      ['Ottiline\\; ferry: shells', '20261203T100000', undefined],
    ])
  })
  it('names each the same whenever it is written', () => {
    expect(events.map((event) => event.get('UID'))).toEqual([
      `${BUILD}.prime.${wallTime('2026-12-01T08:00')}@uldo`,
      `${BUILD}.promised@uldo`,
      'a.wait@uldo',
      'c.wait@uldo',
    ])
  })
})
