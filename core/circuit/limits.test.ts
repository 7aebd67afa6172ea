import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { newSheet, PRESETS } from '../record/layouts'
import type { Sheet } from '../record/schema'
import { modelOf } from '../outlook/model'
import { oilAt } from '../oil/oil'
import { prepareCircuit } from './solve'
import type { Network } from './types'

const everything = (preset: string) => {
  const sheet = newSheet(preset, 'a', 'b')
  Object.assign(sheet.layout, {
    cooler: true,
    turbo: true,
    pistonJets: sheet.layout.cylinders,
    tensioner: true,
    galleryRelief: true,
  })
  return sheet
}

/** Node pressures of a sheet at a moment. */
function pressuresOf(
  sheet: Sheet,
  speed: number,
  temperature: number,
  widen?: (values: ReturnType<typeof modelOf>['values']) => void,
): Float64Array {
  const model = modelOf(sheet)
  widen?.(model.values)
  model.engine.circuit.reset()
  model.engine.gauge(model.values, { speed, temperature, meanPressure: 5e5 }, oilAt(model.oil, temperature))
  return model.engine.circuit.pressures.slice()
}

describe('engine circuits', () => {
  it('every layout with every outlet settles from −30 to 150 °C, standing still to the highest speed, from a cold start', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...Object.keys(PRESETS)),
        fc.double({ min: -30, max: 150, noNaN: true }),
        fc.double({ min: 0, max: 150, noNaN: true }),
        (preset, temperature, speed) => {
          for (const pressure of pressuresOf(everything(preset), speed, temperature))
            expect(Number.isFinite(pressure)).toBe(true)
        },
      ),
      { numRuns: 400, endOnFailure: true },
    )
  })

  it('a valve that a busy gallery just lifts off its seat settles too, a trickle through its return beside all that flow', () => {
    const valve = {
      plungerDiameter: 0.012,
      springRate: 5600,
      freeLength: 0.0462,
      installedLength: 0.0384,
      shims: [0],
      port: { shape: 'round' as const, diameter: 0.007, overlap: 0 },
    }
    const through = 1.3e-4
    for (let step = 0; step <= 400; step++) {
      // What opens it, and steps of a thousandth of a pascal about it.
      const opening = (5600 * (0.0462 - 0.0384)) / ((Math.PI / 4) * 0.012 ** 2)
      const pressure = opening + (step - 200) * 1e-3
      const circuit = prepareCircuit({
        nodes: [{ id: 'sump', pressure: 0 }, { id: 'gallery' }, { id: 'far' }, { id: 'return' }],
        elements: [
          {
            id: 'pump',
            kind: 'pump',
            from: 'sump',
            to: 'gallery',
            displacement: through / 10,
            speed: 10,
            slipConductance: 0,
          },
          { id: 'line', kind: 'pipe', from: 'gallery', to: 'far', length: 0.3, diameter: 0.012 },
          { id: 'bearings', kind: 'linear', from: 'far', to: 'sump', conductance: through / pressure },
          { id: 'relief', kind: 'relief', from: 'far', to: 'return', openingPressure: 4e5, valve },
          { id: 'passage', kind: 'pipe', from: 'return', to: 'sump', length: 0.06, diameter: 0.0077 },
        ],
      } as Network)
      const { residual } = circuit.solve({ density: 832.6, viscosity: 0.0148 })
      expect(Number.isFinite(residual)).toBe(true)
      expect(Math.abs(circuit.pressures[2] / pressure - 1)).toBeLessThan(1e-6)
    }
  })

  it('pressure at every node after the pump falls, or stays, when any one clearance grows', () => {
    const sheet = everything('inline6')
    const model = modelOf(sheet)
    const after = model.engine.circuit.network.nodes.flatMap((node, i) =>
      node.pressure === undefined && node.id !== 'pump inlet' ? [i] : [],
    )
    const bearing = fc.oneof(
      fc.record({ list: fc.constant('main' as const), i: fc.nat(6) }),
      fc.record({ list: fc.constant('rod' as const), i: fc.nat(5) }),
    )
    fc.assert(
      fc.property(
        bearing,
        fc.double({ min: 1e-6, max: 6e-5, noNaN: true }),
        fc.double({ min: 5, max: 80, noNaN: true }),
        fc.double({ min: 20, max: 120, noNaN: true }),
        ({ list, i }, more, speed, temperature) => {
          const before = pressuresOf(sheet, speed, temperature)
          const wider = pressuresOf(sheet, speed, temperature, (values) => (values[list].clearance[i] += more))
          for (const node of after)
            expect(wider[node]).toBeLessThanOrEqual(before[node] + 1e-3 * Math.abs(before[node]) * 1e-3 + 0.5)
        },
      ),
      { numRuns: 200, endOnFailure: true },
    )
  })

  it('is continuous through zero speed, and still at rest', () => {
    const sheet = newSheet('inline4', 'a', 'b')
    const model = modelOf(sheet)
    const gauge = (speed: number) =>
      pressuresOf(sheet, speed, 40)[model.engine.circuit.indexOf(model.engine.plan.gauge)]
    expect(Math.abs(gauge(0))).toBeLessThan(500)
    expect(gauge(1e-4) - gauge(0)).toBeLessThan(500)
    let last = gauge(0)
    for (let speed = 0.05; speed < 3; speed += 0.05) {
      const now = gauge(speed)
      expect(now).toBeGreaterThan(last - 1)
      last = now
    }
  })

  it('a filter’s bypass opens without a step as the oil thickens', () => {
    const sheet = newSheet('inline6', 'a', 'b')
    sheet.readings['passage.filterBypass'] = { value: 3e4, source: 'maker' }
    const drop = (temperature: number) => {
      const model = modelOf(sheet)
      const pressures = pressuresOf(sheet, 20, temperature)
      return (
        pressures[model.engine.circuit.indexOf('pump outlet')] -
        pressures[model.engine.circuit.indexOf('filter outlet')]
      )
    }
    let last = drop(100)
    for (let temperature = 98; temperature > -10; temperature -= 2) {
      const now = drop(temperature)
      expect(now - last).toBeLessThan(0.2 * last + 4e3)
      last = now
    }
    expect(last).toBeGreaterThan(3e4)
  })
})

describe('network by hand', () => {
  const water = { density: 1000, viscosity: 1e-3 }
  it('a ring of pipes gives Kirchhoff: what comes to a node leaves it, and pressure round a loop sums to nothing', () => {
    const network: Network = {
      nodes: [{ id: 'in', pressure: 3e5 }, { id: 'a' }, { id: 'b' }, { id: 'c' }, { id: 'out', pressure: 0 }],
      elements: [
        { id: '1', kind: 'pipe', from: 'in', to: 'a', length: 2, diameter: 0.01, roughness: 1e-5, k: 0.5 },
        { id: '2', kind: 'pipe', from: 'a', to: 'b', length: 1, diameter: 0.008, roughness: 1e-5 },
        { id: '3', kind: 'pipe', from: 'b', to: 'c', length: 3, diameter: 0.008, roughness: 1e-5 },
        { id: '4', kind: 'pipe', from: 'c', to: 'a', length: 1, diameter: 0.006, roughness: 1e-5 },
        { id: '5', kind: 'orifice', from: 'b', to: 'out', diameter: 0.003, dischargeCoefficient: 0.65 },
        { id: '6', kind: 'orifice', from: 'c', to: 'out', diameter: 0.002, dischargeCoefficient: 0.65 },
      ],
    }
    const circuit = prepareCircuit(network)
    expect(circuit.solve(water).residual).toBeLessThan(1e-9)
    const q = circuit.flows
    expect(q[0]).toBeCloseTo(q[4] + q[5], 12)
    expect(q[1] - q[2]).toBeCloseTo(q[4], 12)
    const p = (id: string) => circuit.pressures[circuit.indexOf(id)]
    // Orifice by hand: 0.65 A √(2 p / ρ).
    expect(q[4] / (0.65 * 0.25 * Math.PI * 9e-6 * Math.sqrt((2 * p('b')) / 1000))).toBeCloseTo(1, 3)
  })
})
