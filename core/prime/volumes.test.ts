import { kinematicViscosity, waltherLine } from '../oil/viscosity'
import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { prepareEngine } from '../engine/engine'
import { newSheet, PRESETS } from '../record/layouts'
import { modelOf } from '../outlook/model'
import { AIR, airPressure, holeEase, laminarEase } from './air'
import { heightOf, roomOf, USUAL_FILTER } from './volumes'

const sheet = DEMO_BUILDS.ottiline()
const { values } = modelOf(sheet)
const { plan } = prepareEngine(sheet.layout)
const oil = {
  density: 880,
  viscosity: 0.2,
  filmViscosity: 0.2,
  pumpable: true,
  line: waltherLine(108, 14.6),
  temperature: 30,
  kinematic: kinematicViscosity(waltherLine(108, 14.6), 30),
  thinning: 0.05,
}

const stroked = (stroke: number) => ({ ...values, crank: { ...values.crank, stroke } })

describe('what a circuit holds', () => {
  it('suction: the tube as measured and one turn of the pump, by hand', () => {
    const measured = {
      ...values,
      pickup: { ...values.pickup, tubeDiameter: 0.016, tubeLength: 0.3 },
      pump: { ...values.pump, displacement: 20e-6 },
    }
    // π/4 · 1.6² · 30 = 60.32 cm³, and 20.
    expect(roomOf('pump inlet', plan, measured, USUAL_FILTER) * 1e6).toBeCloseTo(80.32, 2)
  })
  it('the can holds its oil besides what leads to it, whatever filter it is', () => {
    const [small, large] = [0.3e-3, 1.2e-3].map((can) => roomOf('filter can', plan, values, can))
    expect(large - small).toBeCloseTo(0.9e-3, 12)
    expect(small).toBeGreaterThanOrEqual(0.3e-3)
  })
  it('lifters are filled from the far end of the gallery, three cubic centimetres each and four of their row’s gallery', () => {
    const room = (more: object) => {
      const { plan: own } = prepareEngine({ ...sheet.layout, ...more })
      return roomOf(own.galleryEnd, own, values, USUAL_FILTER)
    }
    expect((room({ lifterCount: 12 }) - room({ lifters: 'solid' })) * 1e6).toBeCloseTo(84, 9)
  })
  it('every layout: each pipe counts once, at the place it leads to, whichever way its gallery is fed', () => {
    for (const name of Object.keys(PRESETS)) {
      const { layout } = newSheet(name, 'x', 'y')
      const engine = prepareEngine(layout)
      const { nodes, elements } = engine.plan.network
      const held = (at: typeof values) =>
        nodes
          .filter(({ pressure }) => pressure === undefined)
          .reduce((sum, { id }) => sum + roomOf(id, engine.plan, at, USUAL_FILTER), 0)
      const pipes = elements.reduce(
        (sum, each) =>
          // What leads to the sump stands empty.
          sum +
          (each.kind === 'pipe' && each.id !== 'pickup' && each.to !== 'sump'
            ? 0.25 * Math.PI * each.diameter ** 2 * each.length
            : 0),
        0,
      )
      const before = held(values)
      expect(before, name).toBeGreaterThan(pipes)
      for (const each of elements) if (each.kind === 'pipe') each.length *= 2
      expect(held(values) - before, name).toBeCloseTo(pipes, 12)
    }
  })
})

describe('how high it stands', () => {
  it('the pump as measured, and no lower than the oil; the rest by the engine’s stroke', () => {
    expect(heightOf('pump inlet', plan, { ...values, pickup: { ...values.pickup, lift: 0.15 } })).toBe(0.15)
    expect(heightOf('pump inlet', plan, { ...values, pickup: { ...values.pickup, lift: -0.05 } })).toBe(0)
    expect(heightOf('gallery 3', plan, stroked(0.18))).toBeCloseTo(2 * heightOf('gallery 3', plan, stroked(0.09)), 12)
  })
  it('oil meets mains before the cam, and the cam before the rockers', () => {
    const order = ['main 1', 'cam 1', 'rockers'].map((node) => heightOf(node, plan, values))
    expect([...order].sort((a, b) => a - b)).toEqual(order)
  })
})

describe('a mixture of oil and air', () => {
  it('passes as oil when it is oil, as air when it is air', () => {
    expect([laminarEase(1, oil), holeEase(1, oil)]).toEqual([1, 1])
    expect(laminarEase(0, oil)).toBeCloseTo(oil.viscosity / AIR.viscosity, 6)
    expect(holeEase(0, oil)).toBeCloseTo(Math.sqrt(oil.density / AIR.density), 9)
  })
  it('the less oil in it the easier it passes', () => {
    for (let liquid = 0.1; liquid <= 1; liquid += 0.1) {
      expect(laminarEase(liquid - 0.1, oil)).toBeGreaterThan(laminarEase(liquid, oil))
      expect(holeEase(liquid - 0.1, oil)).toBeGreaterThan(holeEase(liquid, oil))
    }
  })
  it('a pump on air makes half as much with gaps that pass twice as much', () => {
    expect(airPressure(20e-6, 5, 2e-6)).toBeCloseTo(0.5 * airPressure(20e-6, 5, 1e-6), 9)
  })
})
