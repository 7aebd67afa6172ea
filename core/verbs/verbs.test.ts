import { spawnSync } from 'node:child_process'
import { describe, expect, it } from 'vitest'
import { z } from 'zod'
import { DEMO_BUILDS } from '../../demo/make'
import { outlookOf } from '../outlook/outlook'
import { day, line, logs } from '../logbook/testLog'
import { trendOf } from '../logbook/trend'
import { trendVerdict } from '../logbook/trendVerdict'
import { exampleOf, Refused, VERBS } from '.'

const root = new URL('../..', import.meta.url)
const run = (verb: string, input: string) =>
  spawnSync(process.execPath, ['--import', 'tsx', 'bin/uldo.ts', verb], { cwd: root, input, encoding: 'utf8' })

describe('headless', () => {
  it('viscosity answers the published points', () => {
    const { points } = VERBS.viscosity.run({ kv40: 108, kv100: 14.6, density15: 880, temperatures: [20, 90] }) as {
      points: { kinematic: number; dynamic: number; density: number }[]
    }
    expect(points[0].kinematic).toBeCloseTo(313.2, 1)
    expect(points[1].kinematic).toBeCloseTo(18.73, 2)
    expect(points[1].dynamic).toBeCloseTo(points[1].kinematic * 1e-6 * 880 * (1 - 7e-4 * 75), 12)
  })
  it('relief gives preload over area, a lift and a margin', () => {
    const valve = {
      plungerDiameter: 0.01268,
      springRate: 5920,
      freeLength: 0.04835,
      installedLength: 0.0412,
      shims: [0.0015],
      solidLength: 0.0274,
      port: { shape: 'round', diameter: 0.0065 },
    }
    expect(VERBS.relief.run(valve)).toMatchObject({
      openingPressure: expect.closeTo(405517, -1),
      bindMargin: expect.closeTo(0.0058, 9),
    })
    const flowing = VERBS.relief.run({ ...valve, flow: 3e-4, oil: '15W-40', temperature: 95 }) as {
      fullFlowPressure: number
      lift: number
    }
    expect(flowing.fullFlowPressure).toBeGreaterThan(405517)
    expect(flowing.lift).toBeCloseTo(((flowing.fullFlowPressure - 405517) * Math.PI * 0.01268 ** 2) / 4 / 5920, 6)
  })
  it('outlook says what the page says', () => {
    const sheet = DEMO_BUILDS.ottiline()
    const { states } = VERBS.outlook.run(sheet) as { states: { name: string; rpm: number; pressure: number }[] }
    const page = outlookOf(sheet, 20).states
    expect(states.map((state) => state.name)).toEqual(['crankingCold', 'idleCold', 'idleHot', 'workingHot'])
    states.forEach((state, i) => expect(state.pressure / page[i].pressure).toBeCloseTo(1, 9))
    expect(states[2].rpm).toBeCloseTo(650, 4)
  })
  it('trend says what the Logbook’s page says, for the day that is asked for', () => {
    const sheet = logs(DEMO_BUILDS.ottiline)([line(200, 400, 2.3e5), line(400, 800, 2.25e5), line(600, 1200, 2.2e5)])
    const found = trendOf(sheet)!
    interface Said {
      verdict: string
      floor: number
      now: { pressure: number; low: number; high: number }
      points: { age: number; at: string; read: number }[]
      meets: { earliest: { at: string } }
    }
    const said = (VERBS.trend.run(sheet) as { trend: Said }).trend
    expect(said).toMatchObject({ by: 'hours', verdict: trendVerdict(found, Date.parse(day(600))), floor: found.floor })
    for (const key of ['pressure', 'low', 'high'] as const) expect(said.now[key]).toBeCloseTo(found.now[key], 3)
    expect(said.points.map(({ age, at, read }) => [age, at, read])).toEqual(
      found.points.map(({ run, at, read }) => [run, new Date(at).toISOString(), read]),
    )
    expect(said.verdict).not.toBe('watch')
    const years = Date.parse(said.meets.earliest.at) + 86400e3
    const late = VERBS.trend.run({ ...sheet, today: new Date(years).toISOString() }) as { trend: Said }
    expect(late.trend.verdict).toBe('watch')
    expect(() => VERBS.trend.run({ ...sheet, today: 'soon' })).toThrow(/^today: /)
  })
  it('trend of an engine whose hot idle was never read, or cannot be computed, is none, with what voids it', () => {
    const unread = DEMO_BUILDS.talvik()
    delete unread.readings['start.idleHot.pressure']
    expect(VERBS.trend.run({ ...unread, services: {} })).toEqual({ trend: null, void: [] })
    const read = logs(DEMO_BUILDS.ottiline)([])
    read.readings['main.3.bore'] = { value: 0.05, source: 'measured' }
    const { trend, void: why } = VERBS.trend.run(read) as { trend: unknown; void: { path: string }[] }
    expect(trend).toBeNull()
    expect(why[0].path).toContain('main.3')
  })
  it('outlook’s map is 32 temperatures by 40 speeds of finite pressures', () => {
    const { map } = VERBS.outlook.run(DEMO_BUILDS.pell()) as {
      map: { rpm: number[]; temperatures: number[]; pressures: number[][] }
    }
    expect([map.rpm.length, map.temperatures.length, map.pressures.length, map.pressures[31].length]).toEqual([
      40, 32, 32, 40,
    ])
    for (const row of map.pressures) for (const pressure of row) expect(Number.isFinite(pressure)).toBe(true)
  })
  it('film gives Raimondi and Boyd’s point, and comes back from its load', () => {
    const bearing = { diameter: 0.06, length: 0.06, radialClearance: 3e-5, speed: 50, viscosity: 0.01, inlet: 'axial' }
    const there = VERBS.film.run({ ...bearing, eccentricity: 0.6 }) as Record<string, number>
    expect(there.sommerfeld).toBeCloseTo(0.121, 2)
    expect(there.attitude).toBeCloseTo(50.6, 0)
    const back = VERBS.film.run({ ...bearing, load: there.load }) as Record<string, number>
    expect(back.eccentricity).toBeCloseTo(0.6, 4)
    expect(back.minimumFilm).toBeCloseTo(1.2e-5, 9)
  })
  it('film takes a groove in degrees, and warms itself when told how', () => {
    const bearing = {
      diameter: 0.066,
      length: 0.0245,
      radialClearance: 2.8e-5,
      speed: 50,
      load: 4000,
      viscosity: 0.012,
      feedPressure: 3e5,
    }
    const groove = { arc: 180, centre: 180, width: 0.004, from: 'load' }
    const cold = VERBS.film.run({ ...bearing, groove }) as Record<string, number>
    const warm = VERBS.film.run({
      ...bearing,
      viscosity: undefined,
      groove,
      thermal: { inletTemperature: 95, kv40: 108, kv100: 14.6 },
    }) as Record<string, number>
    expect(warm.temperatureRise).toBeGreaterThan(2)
    expect(cold.temperatureRise).toBeUndefined()
    // A full groove cuts the shell into two short bearings: less film under the same load.
    expect(
      (VERBS.film.run({ ...bearing, groove: { arc: 360, width: 0.004 } }) as Record<string, number>).minimumFilm,
    ).toBeLessThan(cold.minimumFilm)
  })
  it('network balances any graph by the contract’s kinds', () => {
    const ends = (id: string, from: string, to: string) => ({ id, from, to })
    const answer = VERBS.network.run({
      fluid: { density: 850, viscosity: 0.02 },
      nodes: [{ id: 's', pressure: 0 }, { id: 'p' }, { id: 'g', elevation: 0.3 }, { id: 'e' }],
      elements: [
        { ...ends('pump', 's', 'p'), kind: 'pump', displacement: 15e-6, speed: 10, slipConductance: 1e-11 },
        { ...ends('relief', 'p', 's'), kind: 'relief', openingPressure: 4e5 },
        { ...ends('pipe', 'p', 'g'), kind: 'pipe', length: 0.5, diameter: 0.01, roughness: 1e-5, k: 2 },
        { ...ends('check', 'g', 'e'), kind: 'check' },
        { ...ends('hole', 'e', 's'), kind: 'orifice', diameter: 0.001, dischargeCoefficient: 0.65 },
        { ...ends('leak', 'g', 's'), kind: 'linear', conductance: 2e-10 },
      ],
    }) as { nodes: { id: string; pressure: number }[]; elements: { id: string; flow: number }[]; residual: number }
    const flow = Object.fromEntries(answer.elements.map((element) => [element.id, element.flow]))
    const pressure = Object.fromEntries(answer.nodes.map((node) => [node.id, node.pressure]))
    expect(answer.residual).toBeLessThanOrEqual(1e-9)
    expect(flow.pump).toBeCloseTo(15e-5 - 1e-11 * pressure.p, 9)
    expect(flow.pump).toBeCloseTo(flow.relief + flow.pipe, 12)
    expect(flow.pipe).toBeCloseTo(flow.hole + flow.leak, 12)
    expect(flow.leak).toBeCloseTo(2e-10 * (pressure.g + 850 * 9.80665 * 0.3), 12)
  })
  it('prime says when oil is where, or why it stalls and what cures it', () => {
    interface Primed {
      primed: boolean
      timeToPressure: number | null
      outlets: { label: string; time: number | null }[]
      reason?: string
      cures?: { key: string }[]
      expected: { least: number }
      pressure: number
    }
    const sheet = DEMO_BUILDS.ottiline()
    const good = VERBS.prime.run({ ...sheet, method: 'drill' }) as Primed
    expect(good.primed).toBe(true)
    expect(good.outlets.every(({ time }) => time! > 0)).toBe(true)
    expect(good.timeToPressure).toBeGreaterThan(5)
    expect(good.pressure).toBeGreaterThan(good.expected.least)
    const stalled = VERBS.prime.run({ ...sheet, method: 'drill', packing: 'dry', filter: 'filled' }) as Primed
    expect(stalled).toMatchObject({ primed: false, timeToPressure: null, reason: 'cannot-push' })
    expect(stalled.cures!.map(({ key }) => key)).toContain('filter-off')
    expect(() => VERBS.prime.run({ ...sheet, method: 'wishing' })).toThrow(/^method: /)
  })
  it('trace weighs cases, and says which check to make next and what each outcome would mean', () => {
    const build = DEMO_BUILDS.ottiline()
    const one = { context: 'fresh', moment: 'crank', readings: [{ rpm: 200, pressure: 0, with: 'sender' }] }
    const { cases } = VERBS.trace.run({
      build,
      cases: [one, { ...one, observations: { drive: 'wrong-way' } }],
    }) as {
      cases: {
        causes: { fault: string; probability: number }[]
        nextChecks: {
          check: string
          minutes: number
          teardown: boolean
          outcomes: { value: string; probability: number; then: unknown }[]
        }[]
      }[]
    }
    expect(cases).toHaveLength(2)
    for (const { causes } of cases)
      expect(causes.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 9)
    expect(cases[0].nextChecks[0]).toMatchObject({
      check: 'drive',
      teardown: false,
      outcomes: [{ value: 'turns' }, { value: 'not-engaged' }, { value: 'wrong-way' }],
    })
    expect(cases[1].causes[0].fault).toBe('wrong-way')
    expect(cases[1].nextChecks.map(({ check }) => check)).not.toContain('drive')
    expect(() => VERBS.trace.run({ build, cases: [{ ...one, observations: { drive: 'sideways' } }] })).toThrow(
      /cases.0.observations.drive/,
    )
    expect(() => VERBS.trace.run({ build, cases: [{ ...one, moment: 'lunch' }] })).toThrow(/cases.0.moment/)
  })
  it('watch calls recorded starts as the page would, and says what was to be watched', () => {
    const build = DEMO_BUILDS.ottiline()
    const stretch = (from: number, to: number, pressure: number) =>
      Array.from({ length: Math.round(10 * (to - from)) }, (_, i) => ({ time: from + i / 10, rpm: 900, pressure }))
    const { runs } = VERBS.watch.run({
      build,
      runs: [
        { samples: [{ time: 0, rpm: 0, pressure: 0 }, ...stretch(0.1, 1.5, 0), ...stretch(1.5, 30, 4.2e5)] },
        { samples: [{ time: 0, rpm: 0, pressure: 0 }, ...stretch(0.1, 20, 0)] },
        { samples: [{ time: 0, pressure: 4.2e5 }, ...stretch(0.1, 20, 4.2e5), ...stretch(20, 30, 0)] },
        { samples: stretch(0, 20, 4.2e5).map(({ time, pressure }) => ({ time, pressure })), fired: 2 },
      ],
    }) as {
      runs: {
        firstPressure?: number
        stop?: { code: string; time: number; reading: number; limit: number }
        watches: { time: number; code: string }[]
      }[]
    }
    expect(runs[0]).toEqual({
      firstPressure: expect.closeTo(1.4, 1) as number,
      watches: [{ time: expect.any(Number) as number, code: 'temperature-unknown' }],
    })
    expect(runs[1].stop).toMatchObject({ code: 'no-pressure', limit: 5 })
    expect(runs[2].stop).toMatchObject({ code: 'lost', limit: 30e3 })
    expect(runs[3]).toMatchObject({ firstPressure: 0 })
    expect(runs[3].stop).toBeUndefined()
    expect(() => VERBS.watch.run({ build, runs: [{ samples: [{ rpm: 900 }] }] })).toThrow(/runs.0.samples.0.time/)
  })
  it('validate names each problem by its path', () => {
    const sheet = DEMO_BUILDS.pell()
    expect(VERBS.validate.run(sheet)).toEqual({ ok: true, problems: [] })
    sheet.readings['main.9.bore'] = { value: 0.06, source: 'measured' }
    expect(VERBS.validate.run(sheet)).toMatchObject({ ok: false, problems: [{ path: 'readings/main.9.bore' }] })
    expect(VERBS.validate.run({ ...sheet, version: 2 })).toMatchObject({ ok: false, problems: [{ path: 'version' }] })
  })
  it.each([
    ['viscosity', { kv40: 10, kv100: 14, density15: 880, temperatures: [] }, /^kv40: /],
    ['viscosity', { kv40: 'thick' }, /^kv40: /],
    ['relief', { plungerDiameter: -1 }, /^plungerDiameter: /],
    ['outlook', { format: 'uldo-build' }, /^version: /],
    [
      'film',
      { diameter: 0.06, length: 0.02, radialClearance: 0, speed: 50, viscosity: 0.01, load: 1 },
      /^radialClearance: /,
    ],
    ['film', { diameter: 0.06, length: 0.02, radialClearance: 3e-5, speed: 50, viscosity: 0.01 }, /^load: give either/],
    ['network', { fluid: { density: 850, viscosity: 0 } }, /^fluid.viscosity: /],
    [
      'network',
      {
        fluid: { density: 850, viscosity: 1 },
        nodes: [{ id: 'a', pressure: 0 }],
        elements: [{ id: 'x', from: 'a', to: 'b', kind: 'linear', conductance: 1 }],
      },
      /^elements.0.to: /,
    ],
  ])('%s refuses with the field’s name', (verb, input, message) => {
    expect(() => VERBS[verb].run(input)).toThrow(Refused)
    expect(() => VERBS[verb].run(input)).toThrow(message as RegExp)
  })
  it('exits with 0 and one JSON value, or 2 and one line', () => {
    const good = run('viscosity', JSON.stringify({ kv40: 44, kv100: 8.4, density15: 845, temperatures: [20] }))
    expect([good.status, good.stderr]).toEqual([0, ''])
    expect(JSON.parse(good.stdout).points[0].kinematic).toBeCloseTo(105.1, 1)
    for (const [verb, input] of [
      ['viscosity', '{'],
      ['nothing', '{}'],
      ['relief', '{}'],
    ]) {
      const bad = run(verb, input)
      expect([bad.status, bad.stdout]).toEqual([2, ''])
      expect(bad.stderr.trim().split('\n')).toHaveLength(1)
      expect(bad.stderr).not.toMatch(/ at /)
    }
  })
  it('each verb answers its own example, and says what it wants and how it is completed', async () => {
    for (const [name, verb] of Object.entries(VERBS)) {
      const input = exampleOf(verb, DEMO_BUILDS.pell())
      expect(await verb.run(JSON.parse(JSON.stringify(input))), name).toBeTypeOf('object')
      expect(z.toJSONSchema(verb.input, { io: 'input', unrepresentable: 'any' }), name).toHaveProperty('type', 'object')
    }
    const asked = (...words: string[]) =>
      spawnSync(process.execPath, ['--import', 'tsx', 'bin/uldo.ts', ...words], { cwd: root, encoding: 'utf8' })
    const help = asked('film', '--help')
    expect([help.status, help.stdout]).toEqual([0, expect.stringMatching(/radialClearance[\s\S]*Example/)])
    const none = asked()
    expect(none.status).toBe(2)
    for (const name of Object.keys(VERBS)) expect(none.stderr).toContain(`  ${name} `)
    const { stdout } = asked('completion', 'bash')
    const completed = spawnSync(
      'bash',
      ['-c', `${stdout}\nCOMP_WORDS=(uldo v) COMP_CWORD=1; _uldo; echo "\${COMPREPLY[@]}"`],
      {
        encoding: 'utf8',
      },
    )
    expect(completed.stdout.trim().split(' ').sort()).toEqual(['validate', 'viscosity'])
  }, 60_000)
})
