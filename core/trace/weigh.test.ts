import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { prepareEngine } from '../engine/engine'
import { oilAt } from '../oil/oil'
import { modelOf } from '../outlook/model'
import { namedStates } from '../outlook/states'
import { elementOf } from '../parts/circuitBuilder'
import { withAir } from './drawn'
import { recordSays } from './record'
import type { Simulated } from './simulated'
import { prepareTracer } from './trace'
import { likelihoodOf, momentsOf } from './weigh'
import { OBSERVATIONS, type Cause, type TraceCase } from './vocabulary'

const six = DEMO_BUILDS.ottiline()

/** One engine alone, whose gauge shows just this at its moment and at one reading, Pa. */
const showing = (pressure: number): Simulated => {
  const one = Float64Array.of(pressure, pressure)
  const causes: Cause[] = ['by-design', 'sender-low', 'lamp-only', 'clearance']
  return {
    moments: [],
    samples: 1,
    causes,
    pressures: Object.fromEntries(causes.map((cause) => [cause, one])) as Simulated['pressures'],
    expected: {} as Simulated['expected'],
  }
}
const seen = (more: Partial<TraceCase>): TraceCase => ({
  context: 'ran',
  moment: 'idle-hot',
  readings: [],
  observations: {},
  ...more,
})
const lamp = (pressure: number, value: 'on' | 'off' | 'flickers') =>
  likelihoodOf(showing(pressure), 'clearance', seen({ observations: { lamp: value } })).likelihood

describe('likelihood', () => {
  it('a lamp is as likely lit as not at 0.35 bar, lit well under it and out well over it; all it can show is one', () => {
    expect(lamp(35e3, 'on') / lamp(35e3, 'off')).toBeCloseTo(1, 1)
    expect(lamp(12e3, 'on') / lamp(12e3, 'off')).toBeGreaterThan(8)
    expect(lamp(60e3, 'off') / lamp(60e3, 'on')).toBeGreaterThan(8)
    expect(lamp(35e3, 'flickers')).toBeGreaterThan(4 * lamp(2e5, 'flickers'))
    for (const pressure of [0, 35e3, 3e5])
      expect(OBSERVATIONS.lamp.reduce((sum, value) => sum + lamp(pressure, value), 0)).toBeCloseTo(1, 9)
  })
  it('a reading is the likelier the nearer it is to what should be shown, and a far one is a slip that no cause is blamed for', () => {
    const of = (read: number) =>
      likelihoodOf(showing(3e5), 'clearance', seen({ readings: [{ pressure: read }] })).likelihood
    expect(of(3e5)).toBeGreaterThan(of(3.3e5))
    expect(of(3.3e5)).toBeGreaterThan(of(3.8e5))
    expect(of(7e5) / of(8e5)).toBeLessThan(3)
    // Two thirds of all readings lie within a scale of it: 6 percent and 10 kPa.
    let [within, all] = [0, 0]
    for (let read = 0.5e3; read < 8e5; read += 1e3) {
      all += of(read)
      if (Math.abs(read - 3e5) < Math.hypot(0.06 * 3e5, 10e3)) within += of(read)
    }
    expect(within / all).toBeGreaterThan(0.58)
    expect(within / all).toBeLessThan(0.68)
  })
})

describe('what goes into it', () => {
  it('a reading is asked where it was taken; what it does not say is its moment’s', () => {
    const [, cold, hot] = momentsOf(six, {
      moment: 'idle-hot',
      readings: [{ speed: 20, temperature: 60, pressure: 0 }, { pressure: 0 }],
    })
    expect(cold).toMatchObject({ speed: 20, temperature: 60 })
    expect(hot).toMatchObject({ speed: namedStates(six)[2].speed, temperature: namedStates(six)[2].temperature })
  })
  it('what the record found wrong weighs at least ten times', () => {
    const wrong = structuredClone(six)
    wrong.inspections['passage.frontPlug'] = { finding: 'left-out' }
    wrong.checks['relief.falls'] = { state: 'fault' }
    const factors = recordSays(wrong, { context: 'fresh' }).flatMap(({ code, factor }) =>
      code === 'plug-left-out' || code === 'plunger-hangs' ? [factor] : [],
    )
    expect(factors).toHaveLength(2)
    for (const factor of factors) expect(factor).toBeGreaterThanOrEqual(10)
  })
  it('is decided once one cause stands above the rest, and not while several do', () => {
    const tracer = prepareTracer(six)
    const none = seen({ context: 'fresh', moment: 'crank', readings: [{ pressure: 0 }] })
    expect(tracer.trace(none).decided).toBe(false)
    expect(tracer.trace({ ...none, observations: { drive: 'not-engaged' } }).decided).toBe(true)
  })
  it('air that is drawn in is what the hole lets through at the suction that is left', () => {
    const model = modelOf(six)
    const idle = namedStates(six)[2]
    const engine = prepareEngine(six.layout)
    const values = structuredClone(model.values)
    const hole = 0.5e-3
    withAir(engine, values, hole, idle, oilAt(model.oil, idle.temperature))
    const { circuit, plan } = engine
    const [inlet, outlet] = ['pump inlet', 'pump outlet'].map((node) => circuit.pressures[circuit.indexOf(node)])
    // The pump's own volume: its oil, and its air squeezed to the outlet's pressure (isothermal).
    const squeezed = 101_325 / (101_325 + outlet)
    const share = elementOf(plan, 'pump', 'pump').displacement / values.pump.displacement
    const air = (1 - share) / (1 - squeezed)
    const through = 0.65 * 0.25 * Math.PI * hole ** 2 * Math.sqrt((2 * -inlet) / 1.2)
    const turned = values.pump.displacement * values.pump.driveRatio * idle.speed
    expect(through / (air * turned)).toBeCloseTo(1, 1)
  })
})
