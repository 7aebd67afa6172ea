import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { oilAt } from '../oil/oil'
import { modelOf } from '../outlook/model'
import { momentAt } from '../outlook/states'
import { calibrate, observationsOf } from './calibrate'

/** What the gauge of a sheet's engine reads at these crank speeds and temperatures, its numbers changed. */
function read(
  sheet: ReturnType<(typeof DEMO_BUILDS)['dunmarrow']>,
  change: (values: ReturnType<typeof modelOf>['values']) => void,
) {
  const model = modelOf(sheet)
  change(model.values)
  return [
    [12, 20],
    [12, 96],
    [25, 98],
  ].map(([speed, temperature]) => ({
    speed,
    temperature,
    pressure: model.engine.gauge(model.values, momentAt(sheet, speed, temperature), oilAt(model.oil, temperature)),
  }))
}

describe('what is left uncertain', () => {
  it('is more than the readings’ own error: oil, lifters and jets could be it too', () => {
    const six = DEMO_BUILDS.ottiline()
    const { fitted } = calibrate(
      six,
      read(six, () => {}),
      20,
    )
    const clearance = fitted.find(({ parameter }) => parameter === 'clearance')!
    // By hot idle's slope alone, 6 kPa and a fiftieth of it leave three percent of the clearances.
    expect(clearance.sigma).toBeGreaterThan(0.07)
    expect(clearance.sigma).toBeLessThan(0.14)
  })
})

describe('a fit that needs the impossible', () => {
  const v8 = DEMO_BUILDS.dunmarrow()
  it('says so of the V8 that idles hot at 0.8 bar, with what it would have taken and the faults that make it', () => {
    const { failed, fitted } = calibrate(v8, observationsOf(v8), 40)
    expect(failed!.misfit).toBeGreaterThan(2 * failed!.most)
    // Chi-square of three readings, 99.5 percent: 12.84 in the tables.
    expect(failed!.most).toBeCloseTo(12.84, 0)
    expect(failed!.impossible).toEqual(['sender'])
    expect(fitted.find(({ parameter }) => parameter === 'sender')!.value).toBeLessThan(-3 * 10e3)
    expect(failed!.faults[0].key).toBe('clearance')
    expect(failed!.faults[0].look).toMatch(/oil hole/)
  })
  it('names a shut relief valve where all reads far too high', () => {
    const high = read(v8, () => {}).map((each) => ({ ...each, pressure: 2.2 * each.pressure }))
    expect(calibrate(v8, high, 40).failed!.faults.map(({ key }) => key)).toEqual(['relief-shut'])
  })
  it('is none where bearings are a fifth wider, a jet and the lifters a third off: then a factor explains it', () => {
    const loose = read(v8, (values) => {
      values.main.clearance = values.main.clearance.map((each) => 1.2 * each)
      values.rod.clearance = values.rod.clearance.map((each) => 1.2 * each)
      values.lifters.gap *= 1.1
      values.timingJet.jet *= 0.85
    })
    const { failed, fitted } = calibrate(v8, loose, 40)
    expect(failed).toBeUndefined()
    expect(Math.abs(fitted[0].value - 1.2)).toBeLessThan(1.645 * fitted[0].sigma)
  })
})
