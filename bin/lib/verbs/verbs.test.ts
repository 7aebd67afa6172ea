import { spawnSync } from 'node:child_process'
import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../../demo/make'
import { outlookOf } from '../../../core/outlook/outlook'
import { Refused, VERBS } from '.'

const root = new URL('../../..', import.meta.url)
const run = (verb: string, input: string) => spawnSync(process.execPath, ['--import', 'tsx', 'bin/uldo.ts', verb], { cwd: root, input, encoding: 'utf8' })

describe('headless', () => {
  it('viscosity answers the published points', () => {
    const { points } = VERBS.viscosity({ kv40: 108, kv100: 14.6, density15: 880, temperatures: [20, 90] }) as { points: { kinematic: number; dynamic: number; density: number }[] }
    expect(points[0].kinematic).toBeCloseTo(313.2, 1)
    expect(points[1].kinematic).toBeCloseTo(18.73, 2)
    expect(points[1].dynamic).toBeCloseTo(points[1].kinematic * 1e-6 * 880 * (1 - 7e-4 * 75), 12)
  })
  it('relief gives preload over area, a lift and a margin', () => {
    const valve = { plungerDiameter: 0.01268, springRate: 5920, freeLength: 0.04835, installedLength: 0.0412, shims: [0.0015], solidLength: 0.0274, port: { shape: 'round', diameter: 0.0065 } }
    expect(VERBS.relief(valve)).toMatchObject({ openingPressure: expect.closeTo(405517, -1), bindMargin: expect.closeTo(0.0058, 9) })
    const flowing = VERBS.relief({ ...valve, flow: 3e-4, oil: '15W-40', temperature: 95 }) as { fullFlowPressure: number; lift: number }
    expect(flowing.fullFlowPressure).toBeGreaterThan(405517)
    expect(flowing.lift).toBeCloseTo(((flowing.fullFlowPressure - 405517) * Math.PI * 0.01268 ** 2) / 4 / 5920, 6)
  })
  it('outlook says what the page says', () => {
    const sheet = DEMO_BUILDS.ottiline()
    const { states } = VERBS.outlook(sheet) as { states: { name: string; rpm: number; pressure: number }[] }
    const page = outlookOf(sheet, 20).states
    expect(states.map((state) => state.name)).toEqual(['crankingCold', 'idleCold', 'idleHot', 'workingHot'])
    states.forEach((state, i) => expect(state.pressure / page[i].pressure).toBeCloseTo(1, 9))
    expect(states[2].rpm).toBeCloseTo(650, 4)
  })
  it('validate names each problem by its path', () => {
    const sheet = DEMO_BUILDS.pell()
    expect(VERBS.validate(sheet)).toEqual({ ok: true, problems: [] })
    sheet.readings['main.9.bore'] = { value: 0.06, source: 'measured' }
    expect(VERBS.validate(sheet)).toMatchObject({ ok: false, problems: [{ path: 'readings/main.9.bore' }] })
    expect(VERBS.validate({ ...sheet, version: 2 })).toMatchObject({ ok: false, problems: [{ path: 'version' }] })
  })
  it.each([
    ['viscosity', { kv40: 10, kv100: 14, density15: 880, temperatures: [] }, /^kv40: /], ['viscosity', { kv40: 'thick' }, /^kv40: /],
    ['relief', { plungerDiameter: -1 }, /^plungerDiameter: /], ['outlook', { format: 'uldo-build' }, /^version: /],
  ])('%s refuses with the field’s name', (verb, input, message) => {
    expect(() => VERBS[verb](input)).toThrow(Refused)
    expect(() => VERBS[verb](input)).toThrow(message as RegExp)
  })
  it('exits with 0 and one JSON value, or 2 and one line', () => {
    const good = run('viscosity', JSON.stringify({ kv40: 44, kv100: 8.4, density15: 845, temperatures: [20] }))
    expect([good.status, good.stderr]).toEqual([0, ''])
    expect(JSON.parse(good.stdout).points[0].kinematic).toBeCloseTo(105.1, 1)
    for (const [verb, input] of [['viscosity', '{'], ['nothing', '{}'], ['relief', '{}']]) {
      const bad = run(verb, input)
      expect([bad.status, bad.stdout]).toEqual([2, ''])
      expect(bad.stderr.trim().split('\n')).toHaveLength(1)
      expect(bad.stderr).not.toMatch(/ at /)
    }
  })
})
