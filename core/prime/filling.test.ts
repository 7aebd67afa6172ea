import type { Packing } from '../parts/primingWords'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { newSheet, PRESETS } from '../record/layouts'
import { oilAt } from '../oil/oil'
import { modelOf } from '../outlook/model'
import { slipConductance } from '../pump/slip'
import { AIR, airPressure, OPEN_TO_AIR } from './air'
import { prepareFilling } from './filling'
import type { Filling, FillingSetUp } from './types'

const six = DEMO_BUILDS.ottiline()
const model = modelOf(six)
const COLD = 15

function fill(more: Partial<FillingSetUp> = {}, worn = false): Filling {
  const { pump, pickup } = model.values
  const values = worn
    ? {
        ...model.values,
        pump: { ...pump, endClearance: 150e-6, tipClearance: 200e-6 },
        pickup: { ...pickup, lift: 0.15 },
      }
    : model.values
  return prepareFilling({
    layout: six.layout,
    values,
    oil: oilAt(model.oil, COLD),
    temperature: COLD,
    packing: 'assembly-lubricant',
    filter: 0,
    filterVolume: 0.8e-3,
    ...more,
  })
}
const cranking = { pump: 1.5, crank: 3 }
const held = (filling: Filling) => filling.oil.reduce((sum, each) => sum + each, 0)
const fullAt = (filling: Filling, node: string) => filling.flooded[filling.nodes.indexOf(node)] === 1
/** s until a node is full, turning; Infinity when it is not in `longest`. */
function timeTo(filling: Filling, node: string, turning: { pump: number; crank: number }, longest = 90): number {
  while (filling.time < longest) {
    filling.advance(0.1, turning)
    if (fullAt(filling, node)) return filling.time
  }
  return Infinity
}

describe('the filling of a circuit', () => {
  it('conserves oil: what was drawn and pushed is what is held, spilled and gone back, whatever is done', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...Object.keys(PRESETS)),
        fc.constantFrom<Packing>('dry', 'oil', 'jelly'),
        fc.constantFrom<number | 'off'>('off', 0, 0.6, 1),
        fc.double({ min: 0, max: 15, noNaN: true }),
        fc.double({ min: 0, max: 3e-3, noNaN: true }),
        fc.integer({ min: -10, max: 60 }),
        fc.boolean(),
        (preset, packing, filter, speed, airLeak, temperature, tank) => {
          const sheet = newSheet(preset, 'x', 'y')
          const { values, oil } = modelOf(sheet)
          const filling = prepareFilling({
            layout: sheet.layout,
            values,
            oil: oilAt(oil, temperature),
            temperature,
            packing,
            filter,
            filterVolume: 0.5e-3,
            airLeak,
            ...(tank ? { tank: { port: 'gauge' as const, pressure: 2e5, volume: 0.3e-3 } } : {}),
          })
          const start = held(filling)
          for (let i = 0; i < 20; i++) {
            filling.advance(0.5, i % 7 === 5 ? { pump: 0, crank: 0 } : { pump: speed, crank: 0 })
            if (i === 12) filling.fitFilter(0.5)
          }
          const account = filling.drawn + filling.pushed - filling.returned - filling.spilled
          expect(Math.abs(held(filling) - start - account)).toBeLessThan(1e-12)
          filling.oil.forEach((oil, i) => expect(oil / filling.room[i]).toBeGreaterThan(-1e-9))
        },
      ),
      { numRuns: 40, examples: [['single', 'dry', 0, 0, 0, 45, true]] },
    )
  })
  it('holds no more than its room but for what a step brings', () => {
    const filling = fill()
    filling.advance(40, { pump: 7.5, crank: 0 })
    filling.oil.forEach((oil, i) => expect(oil / filling.room[i]).toBeLessThan(1.06))
  })
  it('once full it is the circuit: the same gauge as the engine running on the drill, but for the anti-drain valve', () => {
    const filling = fill()
    filling.advance(40, { pump: 7.5, crank: 0 })
    const plain = model.engine.gauge(
      model.values,
      { speed: 0, pumpSpeed: 7.5, temperature: COLD, meanPressure: 0 },
      oilAt(model.oil, COLD),
    )
    expect(filling.gauge).toBeGreaterThan(0.985 * plain)
    expect(filling.gauge).toBeLessThanOrEqual(plain + 1)
  })
  it('a circuit fills sooner the faster the pump turns', () => {
    const times = [2, 4, 8, 12].map((pump) => timeTo(fill(), 'gallery 4', { pump, crank: 0 }))
    for (let i = 1; i < times.length; i++) expect(times[i]).toBeLessThan(times[i - 1])
    // Most of it is the filter’s room over the pump’s flow.
    expect(times[2]).toBeGreaterThan(0.8e-3 / (8 * model.values.pump.displacement))
  })
})

describe('a pump on air', () => {
  it('makes D n / G: with 150 µm and 200 µm of gap at 90 rpm under two centimetres of oil, by hand', () => {
    // Faces 2 · 38 mm · h³ / (12 μ 9.5 mm), tips 2 · 28 mm · h³ / (12 μ 4.8 mm), with the sheet’s own rotors.
    const pump = { ...model.values.pump, endClearance: 150e-6, tipClearance: 200e-6 }
    const faces = (2 * pump.rotorDiameter * 150e-6 ** 3) / (12 * AIR.viscosity * 0.25 * pump.rotorDiameter)
    const tips = (2 * pump.rotorLength * 200e-6 ** 3) / (12 * AIR.viscosity * 4.8e-3)
    expect(slipConductance(pump, AIR.viscosity)).toBeCloseTo(faces + tips, 12)
    const pressure = airPressure(pump.displacement, 1.5, faces + tips)
    expect(pressure / (870 * 9.80665)).toBeLessThan(0.02)
    expect(pressure).toBeGreaterThan(10)
  })
  it('dry and worn at cranking speed it cannot draw from 150 mm below; packed it can', () => {
    expect(timeTo(fill({ packing: 'dry' }, true), 'pump inlet', cranking)).toBe(Infinity)
    expect(timeTo(fill({ packing: 'assembly-lubricant' }, true), 'pump inlet', cranking)).toBeLessThan(30)
  })
  it('lifts oil no higher than the pressure it makes', () => {
    const filling = fill({ packing: 'dry', filter: 'off' }, true)
    filling.advance(60, { pump: 6, crank: 0 })
    const pump = { ...model.values.pump, endClearance: 150e-6, tipClearance: 200e-6 }
    const most =
      airPressure(pump.displacement, 6, slipConductance(pump, AIR.viscosity)) /
      (oilAt(model.oil, COLD).density * 9.80665)
    const tube = filling.nodes.indexOf('pump inlet')
    const stands = (filling.oil[tube] / filling.room[tube]) * 0.15
    expect(stands).toBeGreaterThan(0.8 * most)
    expect(stands).toBeLessThan(1.05 * most)
  })
  it('a filled filter before an air gap stalls a dry pump where filter-off does not', () => {
    const drill = { pump: 7.5, crank: 0 }
    expect(timeTo(fill({ packing: 'dry', filter: 1 }), 'pump inlet', drill, 60)).toBe(Infinity)
    expect(timeTo(fill({ packing: 'dry', filter: 'off' }), 'pump outlet', drill, 60)).toBeLessThan(10)
  })
  it('the better it is wetted or packed, the less is open to air', () => {
    const order: Packing[] = ['dry', 'oil', 'wet', 'assembly-lubricant', 'jelly']
    for (let i = 1; i < order.length; i++) expect(OPEN_TO_AIR[order[i]]).toBeLessThan(OPEN_TO_AIR[order[i - 1]])
  })
  it('a leak at the pickup brings oil late and takes its pressure; a large one keeps it from coming', () => {
    const sound = fill()
    const small = fill({ airLeak: 1e-3 })
    const drill = { pump: 7.5, crank: 0 }
    expect(timeTo(small, 'gallery 4', drill)).toBeGreaterThan(1.5 * timeTo(sound, 'gallery 4', drill))
    small.advance(20, drill)
    sound.advance(20, drill)
    expect(small.gauge).toBeLessThan(0.5 * sound.gauge)
    expect(timeTo(fill({ airLeak: 4e-3 }), 'gallery 4', drill, 60)).toBe(Infinity)
  })
})

describe('a pressure tank at the gauge port', () => {
  const push = (volume = 3e-3) => fill({ tank: { port: 'gauge', pressure: 3e5, volume } })
  const still = { pump: 0, crank: 0 }
  it('fills from the port outward, and what stands high or behind a restrictor last', () => {
    const filling = push()
    const order: string[] = []
    while (filling.time < 120 && order.length < filling.nodes.length) {
      filling.advance(0.05, still)
      filling.nodes.forEach((node, i) => filling.flooded[i] && !order.includes(node) && order.push(node))
    }
    const place = (node: string) => order.indexOf(node)
    expect(order[0]).toBe('gallery 4')
    for (const [near, far] of [
      ['gallery 4', 'gallery 5'],
      ['gallery 5', 'gallery 6'],
      ['gallery 6', 'gallery 7'],
      ['gallery 3', 'gallery 2'],
      ['main 4', 'main 1'],
      ['main 2', 'rod 2'],
    ])
      expect(place(near)).toBeLessThan(place(far))
    expect(order.filter((node) => node !== 'filter can' && !node.startsWith('pump')).at(-1)).toBe('rockers')
  })
  it('leaves the pump dry behind the anti-drain valve, and stops when it is empty', () => {
    const filling = push(0.1e-3)
    filling.advance(30, still)
    expect(filling.oil[filling.nodes.indexOf('pump inlet')]).toBeLessThan(1e-7)
    expect(filling.pushed).toBeLessThan(0.101e-3)
    expect(fullAt(filling, 'rockers')).toBe(false)
  })
})
