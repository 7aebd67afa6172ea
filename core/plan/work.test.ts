import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { progressOf } from '../progress/progress'
import type { Sheet } from '../record/schema'
import { assumedPace, paceOf } from './pace'
import { HOUR, MINUTE } from './types'
import { lastAt, needOf } from './need'
import { workOf } from './work'

const pace = assumedPace()
const ottiline = (): Sheet => DEMO_BUILDS.ottiline()
const at = (iso: string) => Date.parse(iso)

describe('what is left to do on an engine', () => {
  it('is what its stations want at the shop’s pace; then the prime itself, and within the hour the start', () => {
    // All is recorded but the 22 things of Prime, one of which is the prime itself, and First start.
    expect(workOf(needOf(ottiline()), { pace })).toEqual([
      { station: 'prime', takes: 21 * 2 * MINUTE, divisible: true },
      { station: 'prime', takes: 20 * MINUTE, divisible: false },
      { station: 'start', takes: 45 * MINUTE, divisible: false, within: HOUR },
    ])
  })
  it('counts what each station wants of an engine that has just come in', () => {
    const pell = DEMO_BUILDS.pell()
    const wants = new Map(progressOf(pell).map(({ station, missing }) => [station, missing.length]))
    const tasks = workOf(needOf(pell), { pace })
    for (const station of ['relief', 'pickup', 'passages'] as const)
      expect(tasks.find((task) => task.station === station)!.takes).toBe(
        wants.get(station)! * pace.item[station] * MINUTE,
      )
    expect(tasks.some(({ station }) => station === 'bearings')).toBe(false)
  })
  it('a prime that is on record gives its hour, by the shop’s own clock; without a time it is none', () => {
    const primed = ottiline()
    primed.readings['prime.pressure'] = { value: 3e5, source: 'measured', at: '2026-12-01T10:00:00Z' }
    expect(workOf(needOf(primed), { pace, wall: (ms) => ms + HOUR }).at(-1)).toEqual({
      station: 'start',
      takes: 45 * MINUTE,
      divisible: false,
      primed: { until: at('2026-12-01T10:00:00Z') + 2 * HOUR, again: 20 * MINUTE },
    })
    delete primed.readings['prime.pressure']!.at
    expect(workOf(needOf(primed), { pace }).map(({ station, divisible }) => [station, divisible])).toEqual([
      ['prime', true],
      ['prime', false],
      ['start', false],
    ])
  })
  it('what a verdict stops is held before its prime, with what it is about; a started engine that is stopped waits for whoever finds out', () => {
    const stopped = workOf(needOf(DEMO_BUILDS.talvik()), { pace })
    expect(stopped.find(({ station }) => station === 'pump')!.held).toBeUndefined()
    const prime = stopped.find(({ station, divisible }) => station === 'prime' && !divisible)!
    expect(prime.held).toBe(progressOf(DEMO_BUILDS.talvik()).find(({ verdict }) => verdict === 'stop')!.about)
    expect(workOf(needOf(DEMO_BUILDS.dunmarrow()), { pace })).toEqual([
      {
        station: 'start',
        takes: 0,
        divisible: true,
        held: progressOf(DEMO_BUILDS.dunmarrow()).find(({ verdict }) => verdict === 'stop')!.about,
      },
    ])
  })
  it('waits for shells until they come, for a word that nobody has, and for a sealer from when it was put on', () => {
    const waits = (wait: Parameters<typeof workOf>[1]['waits'], sheet = ottiline()) =>
      workOf(needOf(sheet), { pace, waits: wait })
    expect(waits([{ what: 'shells', before: 'bearings', until: 5 * HOUR }])[0]!.waits).toEqual({
      until: 5 * HOUR,
      what: 'shells',
    })
    expect(waits([{ what: 'machine shop', before: 'pump' }])[0]!.held).toBe('machine shop')
    // The later of two is waited for.
    const two = waits([
      { what: 'shells', before: 'bearings', until: 5 * HOUR },
      { what: 'pump', before: 'pump', until: 9 * HOUR },
    ])
    expect(two[0]!.waits!.what).toBe('pump')
    const sealer = { what: 'sealer', after: 'pickup', takes: 12 * HOUR } as const
    const closed = ottiline()
    const last = lastAt(closed, 'pickup')!
    expect(waits([sealer], closed)[0]!.waits).toEqual({ until: last + 12 * HOUR, what: 'sealer' })
    // Not done yet: it rests after it.
    const open = ottiline()
    delete open.readings['pickup.floor']
    expect(Object.keys(open.checks).length).toBeGreaterThan(0)
    const [first, second] = waits([sealer], { ...open, checks: {} })
    expect([first!.rests, second!.station]).toEqual([undefined, expect.any(String)])
    expect(waits([sealer], { ...open, checks: {} }).find(({ rests }) => rests)!.rests).toEqual({
      takes: 12 * HOUR,
      what: 'sealer',
    })
  })
})

describe('the pace of a shop', () => {
  const entries = (minutes: number, count: number, who = 'Oda') =>
    Array.from({ length: count }, (_, i) => ({
      who,
      at: new Date(i * minutes * MINUTE).toISOString(),
      patch: [{ path: `/readings/main.${1 + (i % 5)}.bore` }],
    }))
  const { layout } = ottiline()
  it('comes from the time between entries of one hand, drawn to what is assumed while they are few', () => {
    expect(paceOf([]).item.bearings).toBe(4)
    // 40 gaps of two minutes and ten assumed of four.
    const learnt = paceOf([{ layout, entries: entries(2, 41) }])
    expect(learnt.item.bearings).toBeCloseTo((40 * 2 + 10 * 4) / 50, 9)
    expect(learnt.seen.bearings).toBe(40)
    expect(learnt.item.pump).toBe(4)
  })
  it('is not moved by pauses, by what was sent together, or by others’ entries', () => {
    expect(paceOf([{ layout, entries: entries(31, 20) }]).seen.bearings).toBe(0)
    expect(paceOf([{ layout, entries: entries(0.05, 20) }]).seen.bearings).toBe(0)
    const two = [...entries(3, 10), ...entries(3, 10, 'Pim')].sort((a, b) => a.at.localeCompare(b.at))
    expect(paceOf([{ layout, entries: two }]).item.bearings).toBeCloseTo((18 * 3 + 10 * 4) / 28, 9)
  })
})
