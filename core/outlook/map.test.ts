import { FLOW_KINDS } from '../parts/circuitBuilder'
import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { newSheet } from '../record/layouts'
import { outlookMap } from './map'
import { gaugePressure, modelOf } from './model'
import { sensitivities } from './sensitivity'
import { momentAt } from './states'

describe('map', () => {
  const sheet = DEMO_BUILDS.ottiline()
  const map = outlookMap(sheet)
  const at = (row: number, column: number) => row * map.speeds.length + column

  it('is 40 by 32, from cranking to the maximum and from the coldest start past hot oil', () => {
    expect([map.speeds.length, map.temperatures.length, map.pressure.length]).toEqual([40, 32, 1280])
    expect([map.speeds[0] * 60, map.speeds[39] * 60]).toEqual([expect.closeTo(180, 6), expect.closeTo(4200, 6)])
    expect([map.temperatures[0], map.temperatures[31]]).toEqual([8, expect.closeTo(120, 9)])
  })
  it('agrees with a single solution anywhere on it', () => {
    for (const [row, column] of [
      [0, 0],
      [10, 39],
      [25, 3],
      [31, 20],
    ]) {
      const moment = momentAt(sheet, map.speeds[column], map.temperatures[row])
      expect(map.pressure[at(row, column)] / gaugePressure(modelOf(sheet), moment)).toBeCloseTo(1, 6)
    }
  })
  it('is begun where its neighbours point to: two rounds at a place at most, over the whole of it', () => {
    const { circuit } = modelOf(sheet).engine
    const solve = circuit.solve
    let [rounds, solved] = [0, 0]
    circuit.solve = (...given) => {
      const solution = solve(...given)
      rounds += solution.iterations
      solved++
      return solution
    }
    outlookMap(sheet)
    circuit.solve = solve
    expect(solved).toBe(1280)
    expect(rounds / solved).toBeLessThan(2)
  })
  it('hot pressure rises with speed; the valve lifts only above its opening; what goes out is what the pump gives', () => {
    for (let column = 1; column < 40; column++)
      expect(map.pressure[at(28, column)]).toBeGreaterThan(map.pressure[at(28, column - 1)])
    for (let i = 0; i < 1280; i++) {
      if (map.lift[i] === 0) expect(map.flows.relief[i]).toBeLessThan(1e-9)
      expect(map.power[i]).toBeGreaterThan(0)
      expect(map.rodFilm[i]).toBeGreaterThan(0)
    }
    const model = modelOf(sheet)
    const i = at(20, 30)
    gaugePressure(model, momentAt(sheet, map.speeds[30], map.temperatures[20]))
    const pump =
      model.engine.circuit.flows[model.engine.circuit.network.elements.findIndex((element) => element.id === 'pump')]
    expect(FLOW_KINDS.reduce((sum, kind) => sum + map.flows[kind][i], 0) / pump).toBeCloseTo(1, 6)
  })
})

describe('every outlet of a full layout', () => {
  const sheet = newSheet('inline6', 'a', 'b')
  Object.assign(sheet.layout, { cooler: true, turbo: true, pistonJets: 6, tensioner: true, galleryRelief: true })
  const pressure = (change: object = {}) => {
    const own = structuredClone(sheet)
    Object.assign(own.layout, change)
    return gaugePressure(modelOf(own), { speed: 50, temperature: 95, meanPressure: 8e5 })
  }
  it('takes its share: without turbo, jets, cooler or tensioner the gauge reads more', () => {
    const all = pressure()
    for (const change of [{ turbo: false }, { pistonJets: 0 }, { tensioner: false }])
      expect(pressure(change)).toBeGreaterThan(all)
    expect(pressure({ cooler: false })).not.toBeCloseTo(all, -2)
  })
  it('piston jets stay shut at idle and open at speed', () => {
    const model = modelOf(sheet)
    const jets = (speed: number) => {
      gaugePressure(model, { speed, temperature: 95, meanPressure: 5e5 })
      const { network, flows } = model.engine.circuit
      return network.elements.reduce((sum, { id }, e) => sum + (id.startsWith('piston jets') ? flows[e] : 0), 0)
    }
    expect(jets(8)).toBeLessThan(1e-9)
    expect(jets(60)).toBeGreaterThan(1e-5)
  })
})

describe('sensitivity', () => {
  const list = sensitivities(DEMO_BUILDS.ottiline())
  const of = (key: string) => list.find((each) => each.key === key)!
  it('says that the floor is set by clearance, oil and pump, and the ceiling by the spring', () => {
    expect(list[0].key).toMatch(/mains|rods|oil|pump/)
    expect(of('mains').effects.idleHot).toBeGreaterThan(10e3)
    expect(Math.abs(of('relief.springRate').effects.idleHot)).toBeLessThan(10)
    expect(of('relief.springRate').effects.workingHot).toBeGreaterThan(20e3)
    expect(of('oil.grade').label).toContain('15W-50')
    expect(of('oil.grade').effects.idleHot).toBeGreaterThan(10e3)
  })
  it('is sorted by what it does at hot idle', () => {
    for (let i = 1; i < list.length; i++)
      expect(Math.abs(list[i].effects.idleHot)).toBeLessThanOrEqual(Math.abs(list[i - 1].effects.idleHot))
  })
})
