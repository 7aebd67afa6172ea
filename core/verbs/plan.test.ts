import { spawnSync } from 'node:child_process'
import { beforeAll, describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { progressOf } from '../progress/progress'
import { type IntegerSolver, integerSolver } from '../programme/solver'
import { plan, type PlanInput } from './plan'

let solve: IntegerSolver
beforeAll(async () => {
  solve = await integerSolver()
})
const oda = {
  name: 'Oda',
  hours: [
    ['08:00', '12:00'],
    ['13:00', '17:00'],
  ] as [string, string][],
  days: [1, 2, 3, 4],
}
/** 1 December 2026 is a Tuesday. */
const shop = (more: Partial<PlanInput> = {}): PlanInput => ({
  now: '2026-12-01T15:30:00+01:00',
  people: [oda],
  engines: [{ build: DEMO_BUILDS.ottiline() }],
  ...more,
})

describe('the plan of a shop, headless', () => {
  it('is told by the shop’s own clock: what finds no room today is done on the next day that somebody comes', () => {
    const { turns, engines } = plan(solve, shop())
    // 42 minutes to make ready, then prime and start, which fit before five: 15:30 + 42 + 20 = 16:32, and a start of 45 ends at 17:17. So both go to the morning.
    expect(turns).toEqual([
      {
        engine: 'Ottiline',
        station: 'prime',
        who: 'Oda',
        from: '2026-12-01T15:30:00+01:00',
        to: '2026-12-01T16:12:00+01:00',
      },
      {
        engine: 'Ottiline',
        station: 'prime',
        who: 'Oda',
        from: '2026-12-02T08:00:00+01:00',
        to: '2026-12-02T08:20:00+01:00',
      },
      {
        engine: 'Ottiline',
        station: 'start',
        who: 'Oda',
        from: '2026-12-02T08:20:00+01:00',
        to: '2026-12-02T09:05:00+01:00',
      },
    ])
    expect(engines[0]).toMatchObject({ done: '2026-12-02T09:05:00+01:00', whole: true, held: null, lateHours: 0 })
    // Nothing was learnt of this shop: half as long again, 30 and 67.5 minutes in the morning.
    expect(engines[0]).toMatchObject({ latest: '2026-12-02T09:37:30+01:00', lateHoursAtMost: 0 })
  })
  it('keeps days off and days away, says days before what will be late, and what nothing can be planned for', () => {
    const { turns, engines } = plan(
      solve,
      shop({
        now: '2026-12-02T16:00:00+01:00',
        people: [{ ...oda, away: ['2026-12-03'] }],
        engines: [
          { build: DEMO_BUILDS.ottiline(), promised: '2026-12-04T17:00:00+01:00' },
          { build: DEMO_BUILDS.talvik() },
        ],
        order: ['Ottiline'],
      }),
    )
    const ottiline = engines.find(({ engine }) => engine === 'Ottiline')!
    // Thursday she is away, and from Friday to Sunday she does not come.
    expect(ottiline.done).toBe('2026-12-07T09:05:00+01:00')
    expect(ottiline.lateHours).toBeCloseTo(2 * 24 + 16 + 5 / 60, 6)
    expect(turns.every(({ from }) => !/2026-12-(0[3-6])/.test(from))).toBe(true)
    const talvik = engines.find(({ engine }) => engine === DEMO_BUILDS.talvik().name)!
    expect(talvik).toMatchObject({
      whole: false,
      held: progressOf(DEMO_BUILDS.talvik()).find(({ verdict }) => verdict === 'stop')!.about,
    })
  })
  it('takes a shop’s own minutes, and waits', () => {
    const { turns } = plan(
      solve,
      shop({
        minutes: { prime: 1, primeItself: 10, startItself: 30 },
        engines: [
          {
            build: DEMO_BUILDS.ottiline(),
            waits: [{ what: 'filter', before: 'prime', until: '2026-12-02T13:30:00+01:00' }],
          },
        ],
      }),
    )
    expect(turns.map(({ from, to }) => [from.slice(8, 16), to.slice(11, 16)])).toEqual([
      ['02T13:30', '13:51'],
      ['02T13:51', '14:01'],
      ['02T14:01', '14:31'],
    ])
  })
  it('learns the shop’s minutes from what was entered, and says from how much', () => {
    const entries = Array.from({ length: 31 }, (_, i) => ({
      who: 'Oda',
      at: new Date(Date.UTC(2026, 10, 30, 8, i)).toISOString(),
      patch: [{ op: 'add', path: '/readings/pump.endClearance', value: {} }],
    }))
    const { minutes, learntFrom } = plan(solve, shop({ engines: [{ build: DEMO_BUILDS.ottiline(), entries }] }))
    // Thirty of one minute and ten assumed of four.
    expect(minutes.pump).toBeCloseTo((30 * 1 + 10 * 4) / 40, 9)
    expect([learntFrom.pump, learntFrom.relief, minutes.relief]).toEqual([30, 0, 4])
  })
  it('refuses by the field what it cannot use', () => {
    const refused = (more: object) => () => plan(solve, { ...shop(), ...more })
    expect(refused({ now: 'soon' })).toThrow(/^now: /)
    expect(refused({ people: [{ name: 'Oda', hours: [['17:00', '08:00']] }] })).toThrow(
      /^people\.0\.hours\.0: 17:00 to 08:00/,
    )
    expect(refused({ people: [{ name: 'Oda', hours: [['8', '9']] }] })).toThrow(
      /^people\.0\.hours\.0\.0: must be a time/,
    )
    expect(refused({ people: [oda, oda] })).toThrow(/^people\.1: Oda is there twice/)
    expect(refused({ order: ['Nobody'] })).toThrow(/^order\.0: Nobody is no engine/)
    const bad = DEMO_BUILDS.ottiline()
    bad.readings['main.9.bore'] = { value: 0.06, source: 'measured' }
    expect(refused({ engines: [{ build: bad }] })).toThrow(/^engines\.0\.build\.readings\.main\.9\.bore: /)
    expect(refused({ engines: [{ build: DEMO_BUILDS.ottiline() }, { build: DEMO_BUILDS.ottiline() }] })).toThrow(
      /^engines\.1: Ottiline is there twice/,
    )
  })
  it('runs as a command', () => {
    const { status, stdout } = spawnSync(process.execPath, ['--import', 'tsx', 'bin/uldo.ts', 'plan'], {
      cwd: new URL('../..', import.meta.url),
      input: JSON.stringify(shop()),
      encoding: 'utf8',
    })
    expect([status, JSON.parse(stdout)]).toEqual([0, plan(solve, shop())])
  })
})
