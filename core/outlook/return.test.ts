import { expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { DEMO_NAMES } from '../../demo/golden'
import { oilAt } from '../oil/oil'
import type { Sheet } from '../record/schema'
import { gaugePressure, modelOf } from './model'
import { outlookMap } from './map'
import { outlookOf } from './outlook'
import { reliefSummary } from './relief'
import { momentAt, namedStates } from './states'

/** Pressures at gauge and pump outlet, and flow past the valve, at working speed. */
function working(sheet: Sheet, temperature: number) {
  const model = modelOf(sheet)
  model.engine.circuit.reset()
  const gauge = gaugePressure(model, momentAt(sheet, namedStates(sheet)[3].speed, temperature))
  const { circuit } = model.engine
  const of = (node: string) => circuit.pressures[circuit.indexOf(node)]
  const flow = (id: string) => circuit.flows[circuit.network.elements.findIndex((each) => each.id === id)]
  return {
    gauge,
    outlet: of('pump outlet'),
    behind: of('relief return'),
    relief: flow('relief'),
    passage: flow('relief return passage'),
  }
}
const put = (sheet: Sheet, key: string, value: number) => {
  sheet.readings[key] = { value, source: 'measured' }
  return sheet
}

it.each(DEMO_NAMES)('%s at working speed reads 0.1 to 2.5 bar more on its coldest oil than on its hottest', (name) => {
  const sheet = DEMO_BUILDS[name]()
  const { speeds, pressure } = outlookMap(sheet)
  const at = speeds.reduce(
    (best, speed, i) =>
      Math.abs(speed - namedStates(sheet)[3].speed) < Math.abs(speeds[best] - namedStates(sheet)[3].speed) ? i : best,
    0,
  )
  const more = pressure[at] - pressure[pressure.length - speeds.length + at]
  expect(more).toBeGreaterThan(0.1e5)
  expect(more).toBeLessThan(2.5e5)
})
it('what the return holds back adds to what the valve holds, and vanishes with a wide passage', () => {
  const cold = namedStates(DEMO_BUILDS.ottiline())[0].temperature
  const [narrow, usual, wide] = [6e-3, 8e-3, 30e-3].map((bore) =>
    working(put(DEMO_BUILDS.ottiline(), 'relief.returnBore', bore), cold),
  )
  expect(narrow.gauge).toBeGreaterThan(usual.gauge)
  expect(usual.gauge).toBeGreaterThan(wide.gauge)
  expect(wide.behind).toBeLessThan(3e3)
  // Outlet and spring side rise together, so that the valve itself holds much the same; the more so the less it must open.
  expect((narrow.outlet - narrow.behind) / (wide.outlet - wide.behind)).toBeCloseTo(1, 1)
  expect(usual.passage).toBeCloseTo(usual.relief, 9)
  // By hand, laminar: 128 μ l Q / (π d⁴) is most of it, the rest entry and exit.
  const { viscosity } = oilAt(modelOf(DEMO_BUILDS.ottiline()).oil, cold)
  const laminar = (128 * viscosity * 60e-3 * usual.passage) / (Math.PI * 8e-3 ** 4)
  expect(laminar / usual.behind).toBeGreaterThan(0.4)
  expect(laminar / usual.behind).toBeLessThan(1)
})
it('led back to the pump’s inlet, it spares the pickup what the valve passes', () => {
  const sheet = DEMO_BUILDS.ottiline()
  const cold = namedStates(sheet)[0].temperature
  const before = working(sheet, cold)
  sheet.layout.reliefReturn = 'inlet'
  const model = modelOf(sheet)
  gaugePressure(model, momentAt(sheet, namedStates(sheet)[3].speed, cold))
  const { circuit } = model.engine
  const drawn = circuit.flows[circuit.network.elements.findIndex(({ id }) => id === 'pickup')]
  const pumped = circuit.flows[circuit.network.elements.findIndex(({ id }) => id === 'pump')]
  const back = circuit.flows[circuit.network.elements.findIndex(({ id }) => id === 'relief return passage')]
  expect(before.relief).toBeGreaterThan(1e-4)
  expect((drawn + back) / pumped).toBeCloseTo(1, 6)
})
it('full flow in the valve’s summary has its return in it', () => {
  const [narrow, wide] = [7e-3, 30e-3].map(
    (bore) => reliefSummary(put(DEMO_BUILDS.ottiline(), 'relief.returnBore', bore)).fullFlowCold!,
  )
  expect(narrow - wide).toBeGreaterThan(0.5e5)
  // By hand, laminar: (8 π l + ½ A K₁/d) μ Q / A² + ½ ρ K Q² / A², of 7 mm less of 30.
  const { sheet, values, oil } = modelOf(DEMO_BUILDS.ottiline())
  const [, cold, , fast] = namedStates(sheet)
  const { density, viscosity } = oilAt(oil, cold.temperature)
  const flow = values.pump.displacement * values.pump.driveRatio * fast.speed
  const loss = (d: number) => {
    const area = 0.25 * Math.PI * d * d
    return (
      ((8 * Math.PI * 60e-3 + (0.5 * area * 300) / d) * viscosity * flow + 0.5 * density * 1.5 * flow * flow) /
      area ** 2
    )
  }
  expect((narrow - wide) / (loss(7e-3) - loss(30e-3))).toBeCloseTo(1, 3)
})
it('the filter can sees more than the gauge, most when cold, and is judged by its own limit', () => {
  const sheet = DEMO_BUILDS.ottiline()
  const { states } = outlookOf(sheet)
  for (const { can, pressure, outlet } of states) {
    expect(can!.pressure).toBeGreaterThan(pressure)
    expect(can!.pressure).toBeLessThanOrEqual(outlet + 1)
    expect([can!.low <= can!.pressure, can!.high >= can!.pressure, can!.verdict]).toEqual([true, true, 'pass'])
  }
  // 6 to 10 psi when cold, a few hundredths of a bar hot.
  const [, cold, hot] = states
  expect(cold.can!.pressure - cold.pressure).toBeGreaterThan(0.3e5)
  expect(cold.can!.pressure - cold.pressure).toBeLessThan(0.8e5)
  expect(hot.can!.pressure - hot.pressure).toBeLessThan(0.15e5)
  put(sheet, 'filter.rating', 4.8e5)
  const judged = outlookOf(sheet).states[1]
  expect(judged.can).toMatchObject({ most: 4.8e5, verdict: 'stop' })
  expect(judged.predicted).toBe('stop')
  // Behind a cooler the can sees what the cooler leaves.
  sheet.layout.cooler = true
  const behind = outlookOf(sheet).states[1]
  expect(behind.outlet - behind.can!.pressure).toBeGreaterThan(0.1e5)
  sheet.layout.filter = false
  expect(outlookOf(sheet).states[1].can).toBeUndefined()
})

it('a film’s oil is drawn no thinner than the standard lets its grade be, and a single grade not at all', () => {
  const put = (grade: string, value: number) => {
    const { values, inputs } = modelOf({ ...DEMO_BUILDS.ottiline(), oil: { grade } })
    const input = inputs.find(({ key }) => key === 'model.highShear')!
    input.put(values, value)
    return [values.model.highShear, input.sigma]
  }
  expect(put('15W-40', 0.5)[0]).toBeCloseTo(3.7 / 4.1, 9)
  expect(put('15W-40', 1.1)).toEqual([1.1, 0.07])
  expect(put('40', 0.5)).toEqual([1, 0])
})
