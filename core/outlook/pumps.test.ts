import { endClearance } from '../parts/pumpReadings'
import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { newSheet } from '../record/layouts'
import type { Sheet } from '../record/schema'
import { standInOf } from '../engine/standIn'
import { fitWarnings } from '../shelf/pumpFit'
import { slipConductance } from '../pump/slip'
import { changeAt } from './change'
import { comparePumps, withPump } from './pumps'
import { pumpAtStates, pumpOver } from './pumpOver'
import { oilAt } from '../oil/oil'
import { gaugePressure, modelOf } from './model'
import { outlookOf } from './outlook'
import { FULL_SAMPLES } from './solved'
import { namedStates } from './states'

const long = {
  id: 'long',
  label: 'Long',
  displacement: 17.8e-6,
  rotorDiameter: 0.04005,
  rotorLength: 0.0252,
  endClearance: 60e-6,
  tipClearance: 80e-6,
}
const put = (sheet: Sheet, readings: Record<string, number>) => {
  for (const [key, value] of Object.entries(readings)) sheet.readings[key] = { value, source: 'measured' }
  return sheet
}

describe('pumps compared', () => {
  it('the pump as it is has the very bands of the strip that stands beside it', () => {
    const sheet = DEMO_BUILDS.ottiline()
    const [now] = comparePumps(sheet, [], { label: '', displacement: 0 })
    for (const { name, low, high } of outlookOf(sheet, FULL_SAMPLES).states)
      expect(now.states[name]).toMatchObject({ low, high })
  })
  const sheet = DEMO_BUILDS.ottiline()
  const [now, stiffer, bigger] = comparePumps(sheet, [long], { label: 'As it is', displacement: 14.32e-6 })
  it('a longer pump raises the floor, costs watts at speed where the valve dumps the surplus, and draws harder', () => {
    expect(bigger.states.idleHot.pressure).toBeGreaterThan(now.states.idleHot.pressure + 5e4)
    expect(bigger.working.power.best / now.working.power.best).toBeGreaterThan(1.15)
    expect(bigger.working.power.best / now.working.power.best).toBeLessThan(17.8 / 14.32 + 0.1)
    expect(bigger.fastest.suction.best).toBeGreaterThan(now.fastest.suction.best)
    // The ceiling is the spring's: it rises by the override only.
    expect(bigger.states.workingHot.pressure - now.states.workingHot.pressure).toBeLessThan(
      0.5 * (bigger.states.idleHot.pressure - now.states.idleHot.pressure),
    )
  })
  it('a stiffer spring raises the ceiling and leaves the floor where it is', () => {
    expect(stiffer.states.workingHot.pressure - now.states.workingHot.pressure).toBeGreaterThan(2e4)
    expect(Math.abs(stiffer.states.idleHot.pressure - now.states.idleHot.pressure)).toBeLessThan(50)
  })
  it('the fitted one reads as the outlook does', () => {
    for (const state of outlookOf(sheet, 5).states)
      expect(now.states[state.name].pressure).toBeCloseTo(state.pressure, 3)
  })
  it('what is fitted from the shelf stands above the gears that were measured before', () => {
    const fitted = withPump(sheet, long)
    expect('pump.centres' in fitted.readings).toBe(false)
    expect(standInOf(fitted, 'pump.displacement')?.from).toBe('layout')
    expect(standInOf(sheet, 'pump.displacement')).toMatchObject({
      value: expect.closeTo(14.32e-6, 8),
      from: 'gears',
    })
  })
  it('a tube too thin for a big pump starves it', () => {
    const thin = put(DEMO_BUILDS.ottiline(), { 'pickup.tubeDiameter': 0.009 })
    const [, , starved] = comparePumps(thin, [{ ...long, displacement: 40e-6 }], { label: '', displacement: 0 })
    expect(starved.fastest.starves).toBe(true)
    expect(starved.fastest.suction.best).toBeGreaterThan(30e3)
    expect(starved.fastest.suction.low).toBeLessThan(starved.fastest.suction.best)
    expect(starved.fastest.suction.high).toBeGreaterThan(starved.fastest.suction.best)
    expect(starved.working.power.low).toBeLessThan(starved.working.power.high)
  })
})

describe('a pump over speed', () => {
  const sheet = DEMO_BUILDS.ottiline()
  const { speeds, swept, cold, hot } = pumpOver(sheet, 13)
  it('sweeps its displacement each turn and delivers that less slip: hot less than cold, never more than it sweeps', () => {
    speeds.forEach((speed, i) => {
      expect(swept[i] / speed).toBeCloseTo(swept[0] / speeds[0], 12)
      expect(hot.delivered[i]).toBeLessThan(swept[i])
      expect(cold.delivered[i]).toBeLessThanOrEqual(swept[i] * (1 + 1e-6))
      if (i > 0) expect(hot.delivered[i]).toBeGreaterThan(hot.delivered[i - 1])
    })
    expect(swept[0] - cold.delivered[0]).toBeLessThan(0.2 * (swept[0] - hot.delivered[0]))
  })
  it('takes the watts that are compared, and flow and watts where such oil is met lie in their bands', () => {
    const [now] = comparePumps(sheet, [], { label: '', displacement: 0 })
    expect(hot.met.power.best).toBeCloseTo(now.working.power.best, 3)
    for (const { met } of [cold, hot])
      for (const { best, low, high } of [met.delivered, met.power]) {
        expect(low).toBeLessThan(best)
        expect(high).toBeGreaterThan(best)
      }
    expect([cold.met.speed, hot.met.speed]).toEqual(
      ['coldIdleSpeed', 'workingSpeed'].map((key) => sheet.readings[`brief.${key}`].value),
    )
  })
  it('at the four states it is the same pump: between two speeds of the curve, in its band', () => {
    for (const { name, swept: all, delivered, power } of pumpAtStates(sheet)) {
      expect(delivered.best, name).toBeLessThanOrEqual(all * (1 + 1e-6))
      for (const { best, low, high } of [delivered, power])
        expect([low <= best, best <= high], name).toEqual([true, true])
    }
    const [, idleCold, , workingHot] = pumpAtStates(sheet)
    expect(workingHot.delivered).toEqual(hot.met.delivered)
    expect(idleCold.power).toEqual(cold.met.power)
    expect(workingHot.swept / swept[0]).toBeCloseTo(hot.met.speed / speeds[0], 9)
  })
  it('what an inlet that draws air does not fill is no slip: at -10 °C chambers stay empty, and through the gaps next to nothing goes', () => {
    const frosty = put(DEMO_BUILDS.ottiline(), { 'brief.coldStart': -10, 'pickup.tubeDiameter': 0.012 })
    const [, idle] = pumpAtStates(frosty)
    expect(idle.unfilled / idle.swept).toBeGreaterThan(0.1)
    expect(idle.slip / idle.swept).toBeLessThan(0.02)
    // Through the gaps by hand: their conductance at this oil times what the pump lifts.
    const model = modelOf(frosty)
    const state = namedStates(frosty)[1]
    gaugePressure(model, state)
    const { circuit } = model.engine
    const rise = circuit.pressures[circuit.indexOf('pump outlet')] - circuit.pressures[circuit.indexOf('pump inlet')]
    const byHand = slipConductance(model.values.pump, oilAt(model.oil, -10).viscosity) * rise
    expect(idle.slip / byHand).toBeCloseTo(1, 2)
    for (const { swept: all, unfilled, slip, delivered } of pumpAtStates(sheet))
      expect(unfilled + slip + delivered.best).toBeCloseTo(all, 12)
    expect(pumpAtStates(sheet)[2].unfilled).toBe(0)
  })
  it('wider ends deliver less, most of all at slow speed; a starved pump no longer fills', () => {
    const worn = pumpOver(put(DEMO_BUILDS.ottiline(), { 'pump.endClearance': 150e-6 }), 13)
    const lost = worn.hot.delivered.map((flow, i) => 1 - flow / hot.delivered[i])
    expect(lost[0]).toBeGreaterThan(0.1)
    expect(lost[0]).toBeGreaterThan(1.2 * lost[12])
    const thin = pumpOver(put(DEMO_BUILDS.ottiline(), { 'pickup.tubeDiameter': 0.008 }), 13)
    expect(thin.cold.delivered[12]).toBeLessThan(0.8 * cold.delivered[12])
  })
})

describe('what a pump must be to fit', () => {
  it('warns of another engine, year, drive and length, and is silent where nothing is known', () => {
    const sheet = DEMO_BUILDS.ottiline()
    expect(fitWarnings(sheet, { engine: '', properties: {} })).toEqual([])
    sheet.choices['pump.year'] = 'early'
    put(sheet, { 'pump.driveLength': 0.06 })
    expect(
      fitWarnings(sheet, {
        engine: 'Talvik 1.9',
        properties: { drive: 'hexagon', year: 'late', driveLength: 0.062, rotorLength: 0.0252 },
      }),
    ).toEqual([
      { code: 'other-engine', engine: 'Talvik 1.9' },
      { code: 'drive', has: 'hexagon', wants: 'slot' },
      { code: 'year', has: 'late', wants: 'early' },
      { code: 'drive-length', by: expect.closeTo(2e-3, 9) },
      { code: 'body-longer', by: expect.closeTo(4.8e-3, 9) },
    ])
    // Too short reaches no more, as too long holds the cover off; half a millimetre is play.
    const drive = (driveLength: number) => fitWarnings(sheet, { engine: '', properties: { driveLength } })
    expect(drive(0.058)).toEqual([{ code: 'drive-length', by: expect.closeTo(-2e-3, 9) }])
    expect([drive(0.0596), drive(0.0604)]).toEqual([[], []])
    expect(
      fitWarnings(sheet, { engine: 'Hesper 3.6', properties: { drive: 'Slot', year: 'early', driveLength: 0.0602 } }),
    ).toEqual([])
  })
})

describe('gaps as they run', () => {
  it('a cover gasket that was not under the gauge opens the end clearance by its thickness', () => {
    const sheet = put(DEMO_BUILDS.ottiline(), { 'pump.gasket': 50e-6 })
    expect(endClearance(sheet).value).toBeCloseTo(120e-6, 12)
    expect(changeAt(DEMO_BUILDS.ottiline(), sheet, 'idleHot')).toBeCloseTo(
      changeAt(DEMO_BUILDS.ottiline(), put(DEMO_BUILDS.ottiline(), { 'pump.endClearance': 120e-6 }), 'idleHot'),
      3,
    )
  })
  it('a gerotor leaks round its outer rotor too: two gaps of L h³ / 12 μ l', () => {
    const gaps = { rotorDiameter: 0.06, rotorLength: 0.016, endClearance: 70e-6, tipClearance: 75e-6 }
    const more = slipConductance({ ...gaps, sideClearance: 200e-6 }, 0.01) - slipConductance(gaps, 0.01)
    expect(more).toBeCloseTo((2 * 0.016 * 100e-6 ** 3) / (12 * 0.01 * 0.5 * Math.PI * 0.06), 20)
    const gerotor = newSheet('inline4', 'a', 'b')
    gerotor.layout.pumpKind = 'gerotor'
    const worn = put({ ...gerotor, readings: {} }, { 'pump.sideClearance': 500e-6 })
    expect(changeAt(gerotor, worn, 'idleHot')).toBeLessThan(-100)
  })
  it('a port narrower than the tube costs suction and outlet pressure', () => {
    const sheet = DEMO_BUILDS.ottiline()
    expect(changeAt(sheet, put(DEMO_BUILDS.ottiline(), { 'pump.outletPort': 6e-3 }), 'workingHot')).toBeLessThan(-1000)
  })
})
