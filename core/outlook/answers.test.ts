import { kinematicViscosity, waltherLine } from '../oil/viscosity'
import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { modelInputs } from '../engine/inputs'
import { reliefValve } from '../parts/reliefRecord'
import { newSheet } from '../record/layouts'
import type { Sheet } from '../record/schema'
import { flowStartPressure, openingPressure } from '../relief/valve'
import { pressureCurves } from './curves'
import { gaugePressure, modelOf } from './model'
import { outlookOf } from './outlook'
import { reliefSummary } from './relief'
import { namedStates } from './states'

const put = (sheet: Sheet, key: string, value: number) => {
  sheet.readings[key] = { value, source: 'measured' }
  return sheet
}
const pressureAt = (sheet: Sheet, index: number) => gaugePressure(modelOf(sheet), namedStates(sheet)[index])

describe('two relief valves', () => {
  it('the lower one governs: raising the other moves the ceiling by next to nothing', () => {
    const pell = () => {
      const sheet = DEMO_BUILDS.pell()
      for (const [field, value] of Object.entries({
        plungerDiameter: 0.012,
        springRate: 5600,
        freeLength: 0.0462,
        installedLength: 0.0397,
        portDiameter: 0.008,
      }))
        put(sheet, `relief2.${field}`, value)
      return sheet
    }
    const [pump, gallery] = [reliefSummary(pell()), reliefSummary(pell(), 'relief2')]
    expect(gallery.opens).toBeLessThan(pump.opens)
    const ceiling = pressureAt(pell(), 3)
    const wrong = pressureAt(put(pell(), 'relief.shims', 0.002), 3) - ceiling
    const right = pressureAt(put(pell(), 'relief2.shims', 0.002), 3) - ceiling
    expect(right).toBeGreaterThan(20e3)
    expect(wrong).toBeLessThan(0.2 * right)
  })
})

describe('relief summary', () => {
  const sheet = DEMO_BUILDS.ottiline()
  const summary = reliefSummary(sheet)
  it('says what valve and model say: shut at hot idle, lifted at working speed, cold full flow above opening', () => {
    expect(summary.opens).toBe(openingPressure(reliefValve(sheet)))
    expect(summary.lift.idleHot).toBe(0)
    expect(summary.lift.workingHot).toBeGreaterThan(5e-4)
    expect(summary.fullFlowCold!).toBeGreaterThan(summary.opens)
    expect(summary.bindMargin! * 1e3).toBeCloseTo(41.2 - 1.5 - 7 - 27.4, 6)
  })
  it('an overlap delays flow by k x / A and leaves the opening where it is', () => {
    const lapped = reliefSummary(put(DEMO_BUILDS.ottiline(), 'relief.overlap', 0.001))
    expect(lapped.opens).toBe(summary.opens)
    expect(lapped.flows - lapped.opens).toBeCloseTo((5920 * 0.001) / (0.25 * Math.PI * 0.01268 ** 2), 3)
    expect(lapped.flows).toBe(flowStartPressure(reliefValve(put(DEMO_BUILDS.ottiline(), 'relief.overlap', 0.001))))
  })
  it('a port too small for the pump has no full-flow pressure', () => {
    expect(reliefSummary(put(DEMO_BUILDS.ottiline(), 'relief.portDiameter', 0.0005)).fullFlowCold).toBeUndefined()
  })
})

describe('curves', () => {
  const curves = pressureCurves(DEMO_BUILDS.ottiline(), 13)
  it('rise with speed while hot, from cranking to the maximum, inside their bands', () => {
    expect(curves.speeds[0]).toBeCloseTo(3, 6)
    expect(curves.speeds[12]).toBeCloseTo(70, 6)
    const hot = curves.curves[2]
    for (let i = 1; i < 13; i++) expect(hot.pressures[i]).toBeGreaterThan(hot.pressures[i - 1])
    for (const { low, high } of hot.band) expect(low).toBeLessThan(high)
  })
  it('meet the four states where they cross them', () => {
    const sheet = DEMO_BUILDS.ottiline()
    const idle = outlookOf(sheet, 10).states[2]
    const at = pressureCurves(put(put(sheet, 'brief.crankingSpeed', idle.speed), 'brief.maximumSpeed', 70), 3).curves[2]
      .pressures[0]
    expect(at / idle.pressure).toBeCloseTo(1, 8)
  })
})

describe('suction', () => {
  it('grows with cold, with a narrow tube and with a pickup on the floor', () => {
    const loss = (sheet: Sheet, index = 1) => outlookOf(sheet, 5).suction[index].loss
    const plain = loss(DEMO_BUILDS.ottiline())
    expect(plain).toBeGreaterThan(loss(DEMO_BUILDS.ottiline(), 2))
    expect(loss(put(DEMO_BUILDS.ottiline(), 'pickup.tubeDiameter', 0.011))).toBeGreaterThan(2 * plain)
    const floor = DEMO_BUILDS.ottiline()
    expect(loss(put(floor, 'pickup.protrusion', floor.readings['pickup.sumpDepth'].value - 0.0006))).toBeGreaterThan(
      1.2 * plain,
    )
  })
  it('carries its band, which a tube of a known diameter narrows', () => {
    const rough = DEMO_BUILDS.ottiline()
    rough.readings['pickup.tubeDiameter'] = { value: 0.013, source: 'measured', uncertainty: 1.5e-3 }
    const known = DEMO_BUILDS.ottiline()
    known.readings['pickup.tubeDiameter'] = { value: 0.013, source: 'measured', uncertainty: 0.02e-3 }
    const [wide, narrow] = [rough, known].map((sheet) => outlookOf(sheet, 200).suction[1])
    for (const { loss, low, high } of [wide, narrow]) {
      expect(low).toBeLessThan(loss)
      expect(high).toBeGreaterThan(loss)
    }
    expect(wide.high - wide.low).toBeGreaterThan(1.5 * (narrow.high - narrow.low))
  })
  it('a static lift of 55 mm costs ρ g h at rest: 0.47 kPa', () => {
    const sheet = DEMO_BUILDS.ottiline()
    const model = modelOf(sheet)
    model.engine.gauge(
      model.values,
      { speed: 0, temperature: 20, meanPressure: 0 },
      {
        density: 875,
        viscosity: 0.3,
        filmViscosity: 0.3,
        pumpable: true,
        line: waltherLine(108, 14.6),
        temperature: 20,
        kinematic: kinematicViscosity(waltherLine(108, 14.6), 20),
        thinning: 0.05,
      },
    )
    const { circuit } = model.engine
    expect(circuit.pressures[circuit.indexOf('pump inlet')]).toBeCloseTo(-875 * 9.80665 * 0.055, 0)
  })
})

describe('model', () => {
  it('below the pumping limit predicts nothing and stops', () => {
    const sheet = put({ ...newSheet('inline4', 'a', 'b'), oil: { grade: '20W-50' } }, 'brief.coldStart', -25)
    const [cranking, , hot] = outlookOf(sheet, 5).states
    expect(cranking).toMatchObject({ pumpable: false, verdict: 'stop' })
    expect(hot.pumpable).toBe(true)
  })
  it('an oil it does not know voids the prediction, by name', () => {
    const { voids, states } = outlookOf({ ...newSheet('inline4', 'a', 'b'), oil: { grade: '7W-11' } })
    expect(voids).toMatchObject([{ path: 'oil/grade', message: expect.stringContaining('7W-11') as string }])
    expect(states.map(({ verdict }) => verdict)).toEqual(['void', 'void', 'void', 'void'])
  })
  it('an aluminium housing opens hot: lower idle hot than iron with the same cold clearance', () => {
    const iron = newSheet('flat4', 'a', 'b')
    iron.layout.housing = 'iron'
    expect(pressureAt(newSheet('flat4', 'a', 'b'), 2)).toBeLessThan(0.95 * pressureAt(iron, 2))
  })
  it('every input of every demo build can be put and put back', () => {
    for (const make of Object.values(DEMO_BUILDS)) {
      const model = modelOf(make())
      const idle = namedStates(model.sheet)[2]
      const before = gaugePressure(model, idle)
      for (const input of modelInputs(model.sheet).inputs) {
        input.put(model.values, input.value * 1.1)
        expect(gaugePressure(model, idle)).toBeGreaterThan(0)
        input.put(model.values, input.value)
      }
      expect(gaugePressure(model, idle) / before).toBeCloseTo(1, 8)
    }
  })
  it('full 360° grooves bleed more than half ones', () => {
    const full = newSheet('inline6', 'a', 'b')
    full.layout.mainGroove = 360
    expect(pressureAt(full, 2)).toBeLessThan(pressureAt(newSheet('inline6', 'a', 'b'), 2))
  })
})
