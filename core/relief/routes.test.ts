import { benchOf, deadHeadRig } from '../parts/reliefBench'
import { springRateOf } from '../parts/reliefSpring'
import { modelInputs } from '../engine/inputs'
import { newSheet } from '../record/layouts'
import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { openingOf, reliefInputs, reliefValve } from '../parts/reliefRecord'
import { valveFit } from '../parts/reliefFit'
import type { Sheet } from '../record/schema'
import { governing, idleCures, reliefRoutes, reliefSummary } from '../outlook/relief'
import { outlookOf } from '../outlook/outlook'
import { deadHeadReading } from './bench'
import { routesTo } from './routes'
import { TEST_ROUTES, TEST_VALVE } from './testValve'
import { openingPressure, plungerArea } from './valve'

const put = (sheet: Sheet, readings: Record<string, number>) => {
  for (const [key, value] of Object.entries(readings)) sheet.readings[key] = { value, source: 'measured' }
  return sheet
}
const [valve, given] = [TEST_VALVE, TEST_ROUTES]

describe('routes to an opening pressure', () => {
  it('shims, plug and cap go by p A = k x: to 4.5 bar, 8.482 mm of preload, 1.482 more', () => {
    const [shims, plug, cap] = routesTo(valve, { ...given, wanted: 4.5e5 })
    expect(1e3 * shims.shims).toBeCloseTo((4.5e5 * plungerArea(0.012)) / 6 - 7, 6)
    expect(1e3 * shims.shims).toBeCloseTo(1.482, 3)
    expect(1e3 * plug.further).toBeCloseTo(1.482, 3)
    for (const route of [shims, plug, cap]) {
      expect(route.opens).toBeCloseTo(4.5e5, 3)
      // 40 − 1.482 − 6 − 27.
      expect(1e3 * route.bindMargin!).toBeCloseTo(5.518, 3)
      expect(route.override!).toBeGreaterThan(0)
    }
    expect([shims.reversible, plug.reversible, cap.reversible]).toEqual([true, true, false])
    expect(cap.against).toEqual(['cap-not-adjustable'])
  })
  it('each way says what stands against it: no way down by shims, coils that touch, a plug at its end, a wire that sets', () => {
    const down = routesTo({ ...valve, shims: [0] }, { ...given, wanted: 3e5 })
    expect(down[0].against).toEqual(['opens-above'])
    expect(down[1]).toMatchObject({ kind: 'plug', against: [] })
    expect(down[1].further).toBeLessThan(0)
    expect(down[2].against).toEqual(['cap-inward-only', 'cap-not-adjustable'])
    const far = routesTo(valve, { ...given, wanted: 8e5, plugTravel: 1e-3, wire: 1.6e-3, coilDiameter: 10e-3 })
    expect(far[0].against).toContain('coils-touch')
    expect(far[1].against).toContain('plug-at-end')
    expect(far[0].stress!).toBeGreaterThan(1)
    expect(far[0].against).toContain('wire-sets')
  })
  it('a stiffer spring of the same length keeps more travel than shims and has more override', () => {
    const stiff = { id: 's', label: 'S', springRate: 7200, freeLength: 0.047, solidLength: 0.027 }
    const [shims, spring] = routesTo(valve, { ...given, wanted: 4.456e5, springs: [stiff] })
    expect(1e3 * spring.shims).toBeLessThan(0.01)
    expect(spring.bindMargin!).toBeGreaterThan(shims.bindMargin! + 1e-3)
    expect(spring.override!).toBeGreaterThan(1.1 * shims.override!)
  })
})

describe('a spring by heights or wire', () => {
  const bare = () => {
    const sheet = DEMO_BUILDS.ottiline()
    delete sheet.readings['relief.springRate']
    return sheet
  }
  it('two loads at two heights: (38 − 14) N over 4 mm is 6 N/mm, and loads the wrong way round are not used', () => {
    const rate = springRateOf(
      put(bare(), { 'relief.height1': 0.042, 'relief.load1': 14, 'relief.height2': 0.038, 'relief.load2': 38 }),
      'relief',
    )
    expect(rate).toMatchObject({ value: expect.closeTo(6000, 6), source: 'computed' })
    // By hand: √(0.3² + 0.3²)/24 and √(0.05² + 0.05²)/4 together 2.5 percent.
    expect(rate.sigma / 6000).toBeCloseTo(Math.hypot(0.42426 / 24, 0.070711 / 4), 5)
    expect(
      springRateOf(
        put(bare(), {
          'relief.height1': 0.038,
          'relief.load1': 14,
          'relief.height2': 0.042,
          'relief.load2': 38,
          'relief.coils': 0.1,
        }),
        'relief',
      ).source,
    ).not.toBe('measured')
  })
  it('from the wire: G d⁴ / 8 D³ n, and what was typed stands above it', () => {
    const sheet = put(bare(), { 'relief.wire': 1.6e-3, 'relief.coilDiameter': 9.9e-3, 'relief.coils': 8 })
    expect(springRateOf(sheet, 'relief').value).toBeCloseTo((79.3e9 * 1.6e-3 ** 4) / (8 * 9.9e-3 ** 3 * 8), 6)
    expect(springRateOf(put(sheet, { 'relief.springRate': 5900 }), 'relief')).toMatchObject({
      value: 5900,
      source: 'measured',
    })
  })
})

describe('the bench', () => {
  const tried = (reading: number, more: Record<string, number> = {}) =>
    put(DEMO_BUILDS.ottiline(), {
      'relief.benchPressure': reading,
      'relief.benchShims': 1.5e-3,
      'relief.benchInstalled': 0.0412,
      ...more,
    })
  const before = openingPressure(reliefValve(DEMO_BUILDS.ottiline()))
  it('a reading as expected moves nothing and narrows the opening', () => {
    const sheet = tried(before)
    expect(openingPressure(reliefValve(sheet))).toBeCloseTo(before, 0)
    expect(openingOf(sheet, 'relief').sigma).toBeLessThan(openingOf(DEMO_BUILDS.ottiline(), 'relief').sigma)
  })
  it('one that is higher moves spring, prediction and band: between what was believed and what was read, nearer to what is surer', () => {
    const sheet = tried(before + 20e3)
    const { opening, surprise, expected } = benchOf(sheet, 'relief')!
    expect(expected).toBeCloseTo(before, 3)
    expect(opening.value).toBeGreaterThan(before + 12e3)
    expect(opening.value).toBeLessThan(before + 20e3)
    expect(surprise).toBeLessThan(3)
    const of = (each: Sheet) => outlookOf(each, 200).states.find(({ name }) => name === 'workingHot')!
    const [then, now] = [of(DEMO_BUILDS.ottiline()), of(sheet)]
    expect(now.pressure - then.pressure).toBeGreaterThan(8e3)
    expect(now.high - now.low).toBeLessThan(then.high - then.low)
  })
  it('shims put under it afterwards add k s / A to what the bench found', () => {
    const sheet = tried(before + 20e3)
    const now = openingPressure(reliefValve(sheet))
    const { springRate } = reliefValve(sheet)
    const shimmed = put(structuredClone(sheet), { 'relief.shims': 2e-3 })
    expect(openingPressure(reliefValve(shimmed)) - now).toBeCloseTo((springRate * 0.5e-3) / plungerArea(0.01268), 3)
    expect(openingOf(shimmed, 'relief').sigma).toBeGreaterThan(openingOf(sheet, 'relief').sigma)
  })
  it('a dead-head reading that the model itself gives comes back as no surprise; one far off is one', () => {
    const sheet = DEMO_BUILDS.ottiline()
    sheet.choices['relief.bench'] = 'dead-head'
    const reading = deadHeadReading(reliefValve(sheet), deadHeadRig(sheet, 'relief'))
    expect(reading).toBeGreaterThan(before)
    const same = { ...tried(reading), choices: sheet.choices }
    expect(benchOf(same, 'relief')!.surprise).toBeLessThan(1e-3)
    expect(benchOf({ ...tried(reading + 3e5), choices: sheet.choices }, 'relief')!.surprise).toBeGreaterThan(3)
  })
  it('each input put back leaves the valve as it was, whatever was drawn between', () => {
    const sheet = tried(before + 20e3)
    const valve = reliefValve(sheet)
    const inputs = reliefInputs(sheet, 'relief')
    const was = openingPressure(valve)
    for (const input of inputs) input.put(valve, input.value + 2 * input.sigma)
    for (const input of inputs) input.put(valve, input.value)
    expect(openingPressure(valve)).toBeCloseTo(was, 3)
    // A drawn opening pressure is the opening pressure, whatever the rate.
    inputs.find(({ key }) => key === 'relief.springRate')!.put(valve, 7000)
    expect(openingPressure(valve)).toBeCloseTo(was, 3)
  })
})

describe('two valves, and what a spring cannot cure', () => {
  const pell = () =>
    put(DEMO_BUILDS.pell(), {
      'relief.portDiameter': 0.008,
      'relief2.plungerDiameter': 0.012,
      'relief2.springRate': 5600,
      'relief2.freeLength': 0.0462,
      'relief2.installedLength': 0.0407,
      'relief2.portDiameter': 0.008,
    })
  it('the network names the one that governs: raising it lifts the ceiling, raising the other does nothing', () => {
    // 5.6 · 5.5 over 113.1 mm² is 2.72 bar at the gallery's end, 3.86 at the pump.
    const { by, raised } = governing(pell())
    expect(by.workingHot).toBe('relief2')
    expect(raised.relief2.workingHot).toBeGreaterThan(10e3)
    expect(Math.abs(raised.relief.workingHot)).toBeLessThan(50)
  })
  it('routes take springs, house rule and the engine’s own flow', () => {
    const routes = reliefRoutes(
      { ...pell(), house: { rules: { 'relief.bindMargin': 5e-3 }, school: 'auto' } },
      'relief',
      [{ id: 's', label: 'S', springRate: 6000, freeLength: 0.046 }],
      4.2e5,
    )
    expect(routes.map(({ kind }) => kind)).toEqual(['shims', 'spring', 'plug', 'cap'])
    for (const { opens } of routes) expect(opens).toBeCloseTo(4.2e5, 2)
  })
  it('cures of hot idle never name the spring while its valve is shut there', () => {
    const sheet = DEMO_BUILDS.ottiline()
    expect(reliefSummary(sheet).lift.idleHot).toBe(0)
    const cures = idleCures(sheet)
    expect(cures.length).toBeGreaterThan(1)
    for (const { key, gain } of cures) {
      expect(key).not.toMatch(/^relief/)
      expect(gain).toBeGreaterThan(500)
    }
  })
})

describe('fit and label', () => {
  it('a nose that stops short never reaches its seat; a thread too long bottoms out', () => {
    const sheet = DEMO_BUILDS.ottiline()
    expect(valveFit(sheet, 'relief')).toEqual([])
    expect(
      valveFit(put(sheet, { 'relief.reach': 0.04, 'relief.seatDepth': 0.042 }), 'relief').map(({ about }) => about),
    ).toEqual(['valve never reaches its seat'])
    expect(
      valveFit(put(sheet, { 'relief.reach': 0.0425, 'relief.thread': 0.016, 'relief.tapped': 0.015 }), 'relief').map(
        ({ about }) => about,
      ),
    ).toEqual(['valve bottoms out before it seals'])
  })
  it('shimmed since the bench, the shim’s own uncertainty adds to what the bench left open, and no other time', () => {
    const sheet = DEMO_BUILDS.ottiline()
    sheet.readings['relief.benchPressure'] = { value: 4.1e5, source: 'measured' }
    const { opening } = benchOf(sheet, 'relief')!
    expect(openingOf(sheet, 'relief').sigma).toBeCloseTo(opening.sigma, 3)
    // The bench's own stack stays what it was; half a millimetre goes under the spring afterwards, known to 20 µm.
    const shims = sheet.readings['relief.shims'].value
    sheet.readings['relief.benchShims'] = { value: shims, source: 'measured' }
    sheet.readings['relief.benchInstalled'] = sheet.readings['relief.installedLength']
    sheet.readings['relief.shims'] = { value: shims + 0.5e-3, source: 'measured', uncertainty: 20e-6 }
    const valve = reliefValve(sheet)
    const own = (valve.springRate * 20e-6) / (0.25 * Math.PI * valve.plungerDiameter ** 2)
    expect(own).toBeGreaterThan(0.05 * opening.sigma)
    expect(openingOf(sheet, 'relief').sigma).toBeCloseTo(Math.hypot(benchOf(sheet, 'relief')!.opening.sigma, own), 3)
  })
  it('clearances that are assumed together are named by which they are', () => {
    const label = (measured: number[]) => {
      const sheet = newSheet('inline3', 'a', 'b')
      for (const i of measured) sheet.readings[`main.${i}.clearance`] = { value: 60e-6, source: 'measured' }
      return modelInputs(sheet).inputs.find(({ set, covers }) => set === 'main' && covers !== undefined)?.label
    }
    expect([label([]), label([2]), label([1, 2, 4]), label([1, 2, 3, 4])]).toEqual([
      'All main clearances',
      'Main 1, 3 and 4 clearance',
      'Main 3 clearance',
      undefined,
    ])
  })
})
