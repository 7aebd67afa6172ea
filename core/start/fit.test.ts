import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { scaleBearings } from '../engine/engine'
import { oilAt } from '../oil/oil'
import { pressureBands, varianceShares } from '../outlook/band'
import { isClearance, modelOf } from '../outlook/model'
import { momentAt, namedStates } from '../outlook/states'
import { openingPressure, plungerArea } from '../relief/valve'
import { calibrate } from './calibrate'
import { prepareFit } from './fit'

const six = () => DEMO_BUILDS.ottiline()
type Values = ReturnType<typeof modelOf>['values']
const MOMENTS = [
  { speed: 14, temperature: 20 },
  { speed: 11, temperature: 95 },
  { speed: 50, temperature: 95 },
]
/** What the gauge of the six reads with its numbers changed. */
const reads = (change: (values: Values) => void, offset = 0) =>
  MOMENTS.map((moment) => {
    const model = modelOf(six())
    change(model.values)
    const running = momentAt(model.sheet, moment.speed, moment.temperature)
    return {
      ...moment,
      pressure: offset + model.engine.gauge(model.values, running, oilAt(model.oil, moment.temperature), 1e-9),
    }
  })

describe('a model to be fitted', () => {
  const model = modelOf(six())
  const fit = prepareFit(model, MOMENTS)
  const at = (k: number, z: number) => {
    const place = new Array<number>(fit.size).fill(0)
    place[k] = z
    return MOMENTS.map((moment) => fit.pressure(place, moment))
  }
  const by = (change: (values: Values) => void) => reads(change).map(({ pressure }) => pressure)
  const near = (one: number[], other: number[]) => one.forEach((each, i) => expect(each / other[i]).toBeCloseTo(1, 4))

  it('knows of each beforehand what was recorded: relief by spring and lengths, the rest by how far a model may be out', () => {
    const { relief } = model.values
    const opening = openingPressure(relief)
    const sigma = (key: string) => model.inputs.find((input) => input.key === key)!.sigma
    const byHand = Math.hypot(
      (opening * sigma('relief.springRate')) / relief.springRate,
      (relief.springRate * sigma('relief.freeLength')) / plungerArea(relief.plungerDiameter),
      (relief.springRate * sigma('relief.installedLength')) / plungerArea(relief.plungerDiameter),
    )
    expect(fit.prior.map(({ value }) => value)).toEqual([1, 0, 1, 0])
    expect(fit.prior[1].sigma).toBeCloseTo(Math.max(0.03 * opening, byHand), 6)
    expect(fit.prior.map(({ sigma }) => sigma)).toEqual([0.2, fit.prior[1].sigma, 0.3, 10e3])
    expect(fit.own([1, -1, 2, -0.5, 9])).toEqual([1.2, -fit.prior[1].sigma, 1.6, -5e3])
    // A spring of the layout's is known far worse, and bearings that were never read by no more than their usual size.
    const bare = six()
    for (const key of Object.keys(bare.readings)) if (/^(relief|main|rod)\./.test(key)) delete bare.readings[key]
    const wide = prepareFit(modelOf(bare), MOMENTS).prior
    expect(wide[1].sigma).toBeGreaterThan(3 * fit.prior[1].sigma)
    const assumed = modelOf(bare).inputs.filter(isClearance)
    const mean = assumed.reduce((sum, { sigma, value }) => sum + (sigma / value) ** 2, 0) / assumed.length
    expect(wide[0].sigma).toBeCloseTo(Math.max(0.2, Math.sqrt(mean / assumed.length)), 9)
  })
  it('reads what the engine reads with bearings wider, the valve shimmed, gaps that slip so much more, a sender that is off', () => {
    near(
      at(0, 1),
      by((values) => scaleBearings(values, 1.2)),
    )
    const shim =
      (fit.prior[1].sigma * plungerArea(model.values.relief.plungerDiameter)) / model.values.relief.springRate
    near(
      at(1, 1),
      by(({ relief }) => void relief.shims.push(shim)),
    )
    near(
      at(2, 1),
      by(({ pump }) => {
        pump.endClearance *= Math.cbrt(1.3)
        pump.tipClearance *= Math.cbrt(1.3)
      }),
    )
    near(
      at(3, 1),
      by(() => {}).map((each) => each + 10e3),
    )
    near(
      at(0, 0),
      by(() => {}),
    )
  })
  it('takes everything else that tells beside them, and puts it back', () => {
    const shares = MOMENTS.map(({ speed, temperature }) =>
      varianceShares(model, momentAt(model.sheet, speed, temperature)),
    )
    const others = model.inputs.filter(
      (input) =>
        input.sigma > 0 &&
        !isClearance(input) &&
        !/^(relief\.(springRate|freeLength|installedLength)|pump\.(end|tip)Clearance)$/.test(input.key),
    )
    const share = (key: string) => Math.max(...shares.map((of) => of.find((each) => each.key === key)?.share ?? 0))
    const least = others.map(({ key }) => share(key)).sort((a, b) => a - b)
    let [sum, out] = [0, 0]
    for (const each of least) if ((sum += each) <= 0.002) out++
    expect(out).toBeGreaterThan(0)
    expect(fit.size - 4).toBe(others.length - out)
    const oil = others.map(({ key }) => key).sort((a, b) => share(b) - share(a))[0]
    const input = model.inputs.find(({ key }) => key === oil)!
    const moved = [1, -1].map((z) =>
      by((values) => input.put(values, input.value + z * input.sigma)).map((each) => Math.round(each / 100)),
    )
    const seen = Array.from({ length: fit.size - 4 }, (_, k) =>
      [1, -1].map((z) => at(k + 4, z).map((each) => Math.round(each / 100))),
    )
    expect(seen).toContainEqual(moved)
    near(
      at(0, 0),
      by(() => {}),
    )
  })
})

describe('what is fitted', () => {
  const found = (change: (values: Values) => void, offset = 0) => calibrate(six(), reads(change, offset), 80)
  const value = ({ fitted }: ReturnType<typeof calibrate>, parameter: string) =>
    fitted.find((each) => each.parameter === parameter)!
  it('is the bearings where they are wider, and the states follow it: lower at hot idle, and better known', () => {
    const wide = found((values) => scaleBearings(values, 1.25))
    const clearance = value(wide, 'clearance')
    expect(Math.abs(clearance.value - 1.25)).toBeLessThan(clearance.sigma)
    expect(clearance.value).toBeGreaterThan(1.12)
    expect(clearance.told).toBe('told')
    expect(wide.states.map(({ name, label }) => [name, label.toLowerCase()])).toEqual([
      ['crankingCold', 'cranking cold'],
      ['idleCold', 'idle cold'],
      ['idleHot', 'idle hot'],
      ['workingHot', 'working hot'],
    ])
    const model = modelOf(six())
    namedStates(six()).forEach((state, i) => {
      const { before, after } = wide.states[i]
      expect(before).toEqual(pressureBands(model, [state], 80)[0])
      expect([after.low <= after.pressure, after.pressure <= after.high]).toEqual([true, true])
      const really = modelOf(six())
      scaleBearings(really.values, 1.25)
      const gauge = really.engine.gauge(really.values, state, oilAt(really.oil, state.temperature))
      expect(Math.abs(after.pressure / gauge - 1)).toBeLessThan(0.05)
      expect([after.low < gauge, gauge < after.high]).toEqual([true, true])
    })
    const { before, after } = wide.states[2]
    expect(after.pressure).toBeLessThan(before.pressure - 1e4)
    expect(after.high - after.low).toBeLessThan(0.7 * (before.high - before.low))
  })
  it('is the valve where cold and speed read more, and a sender where all do, which the states are without', () => {
    const stiff = value(
      found(({ relief }) => void relief.shims.push(0.5e-3)),
      'relief',
    )
    const byHand =
      (0.5e-3 * six().readings['relief.springRate'].value) / plungerArea(six().readings['relief.plungerDiameter'].value)
    expect(Math.abs(stiff.value - byHand)).toBeLessThan(2 * stiff.sigma)
    expect(stiff.value).toBeGreaterThan(0.05e5)
    const off = found(() => {}, 20e3)
    expect(value(off, 'sender').value).toBeGreaterThan(4e3)
    expect(off.states[2].after.pressure).toBeLessThan(off.states[2].before.pressure + 18e3)
    expect(off.residuals.every((each) => Math.abs(each) < 12e3)).toBe(true)
  })
  it('says how well each is told: partly by one reading at hot idle, not by nothing that moves it', () => {
    const one = calibrate(six(), reads(() => {}).slice(1, 2), 20)
    const told = Object.fromEntries(one.fitted.map(({ parameter, told }) => [parameter, told]))
    expect(told).toMatchObject({ relief: 'not', sender: 'not' })
    const three = Object.fromEntries(
      calibrate(
        six(),
        reads(() => {}),
        20,
      ).fitted.map((each) => [each.parameter, each]),
    )
    // Three readings halve what is left open of the clearances, and tell next to nothing of the slip.
    const share = (parameter: string) => three[parameter].sigma / three[parameter].prior.sigma
    expect([share('clearance') > 0.5, share('clearance') < 0.7, share('slip') > 0.9]).toEqual([true, true, true])
    expect(Object.values(three).map((each) => each.told)).toEqual(['partly', 'partly', 'not', 'not'])
    expect(told.clearance).toBe('partly')
  })
})
