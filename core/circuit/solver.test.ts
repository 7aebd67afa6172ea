import { describe, expect, it } from 'vitest'
import { prepareCircuit } from './solve'
import { CircuitError, type ElementSpec, type Network } from './types'

const oil = { density: 860, viscosity: 0.015 }
const linear = (id: string, from: string, to: string, conductance: number): ElementSpec => ({
  id,
  kind: 'linear',
  from,
  to,
  conductance,
})
const between = (elements: ElementSpec[], free: string[]): Network => ({
  nodes: [{ id: 'high', pressure: 4e5 }, { id: 'low', pressure: 0 }, ...free.map((id) => ({ id }))],
  elements,
})

describe('solver', () => {
  it('parallel elements share by their conductances', () => {
    const circuit = prepareCircuit(
      between(
        [linear('a', 'high', 'm', 1e-10), linear('b', 'high', 'm', 3e-10), linear('c', 'm', 'low', 4e-10)],
        ['m'],
      ),
    )
    circuit.solve(oil)
    expect(circuit.pressures[2]).toBeCloseTo(2e5, 4)
    expect(circuit.flows[1] / circuit.flows[0]).toBeCloseTo(3, 9)
  })
  it('a balanced bridge passes nothing across, an unbalanced one what Kirchhoff says', () => {
    const bridge = (d: number) =>
      prepareCircuit(
        between(
          [
            linear('a', 'high', 'm', 2e-10),
            linear('b', 'm', 'low', 2e-10),
            linear('c', 'high', 'n', 1e-10),
            linear('d', 'n', 'low', d),
            linear('across', 'm', 'n', 5e-10),
          ],
          ['m', 'n'],
        ),
      )
    const even = bridge(1e-10)
    even.solve(oil)
    expect(Math.abs(even.flows[4])).toBeLessThan(1e-15)
    // By hand: 9 m − 5 n = 2·4e5 and −5 m + 9 n = 1·4e5 (in 1e-10) with d = 3e-10: m = 9.2e6/56, n = 7.6e6/56.
    const uneven = bridge(3e-10)
    uneven.solve(oil)
    expect(uneven.pressures[2]).toBeCloseTo(9.2e6 / 56, 3)
    expect(uneven.pressures[3]).toBeCloseTo(7.6e6 / 56, 3)
  })
  it('goes on from its last solution: asked again it takes no step, changed a little it takes few', () => {
    const pipe = { id: 'p', kind: 'pipe' as const, from: 'high', to: 'm', length: 0.3, diameter: 0.006, k: 2 }
    const circuit = prepareCircuit(
      between(
        [pipe, { id: 'o', kind: 'orifice', from: 'm', to: 'low', diameter: 0.002, dischargeCoefficient: 0.65 }],
        ['m'],
      ),
    )
    const first = circuit.solve(oil).iterations
    expect(circuit.solve(oil).iterations).toBe(0)
    pipe.diameter = 0.00601
    expect(circuit.solve(oil).iterations).toBeLessThanOrEqual(first)
    const warm = circuit.pressures[2]
    circuit.reset()
    circuit.solve(oil)
    expect(circuit.pressures[2] / warm).toBeCloseTo(1, 10)
  })
  it('nodes behind shut valves stay where their leaks put them', () => {
    const circuit = prepareCircuit(
      between(
        [{ id: 'check', kind: 'check', from: 'low', to: 'm', diameter: 0.005 }, linear('leak', 'm', 'low', 1e-10)],
        ['m'],
      ),
    )
    circuit.solve(oil)
    expect(circuit.pressures[2]).toBeCloseTo(0, 6)
  })
  it('a wide hole with a trickle behind it still balances', () => {
    const circuit = prepareCircuit(
      between(
        [
          { id: 'wide', kind: 'orifice', from: 'high', to: 'm', diameter: 0.016, dischargeCoefficient: 0.65 },
          linear('trickle', 'm', 'low', 1e-13),
        ],
        ['m'],
      ),
    )
    expect(circuit.solve({ density: 830, viscosity: 0.005 }).residual).toBeLessThanOrEqual(1e-9)
    expect(circuit.flows[0] / circuit.flows[1]).toBeCloseTo(1, 8)
  })
  it('a pump against a shut end is held by its slip alone: p = D n / G', () => {
    const circuit = prepareCircuit({
      nodes: [{ id: 'sump', pressure: 0 }, { id: 'end' }],
      elements: [
        { id: 'pump', kind: 'pump', from: 'sump', to: 'end', displacement: 1e-5, speed: 10, slipConductance: 2e-11 },
      ],
    })
    circuit.solve(oil)
    expect(circuit.pressures[1]).toBeCloseTo(1e-4 / 2e-11, 0)
  })
  it.each([
    ['density', { density: 0, viscosity: 0.01 }],
    ['viscosity', { density: 850, viscosity: Number.NaN }],
  ])('refuses a fluid without %s', (field, fluid) => {
    const circuit = prepareCircuit(between([linear('a', 'high', 'low', 1e-10)], []))
    expect(() => circuit.solve(fluid)).toThrow(expect.objectContaining({ path: `fluid.${field}` }))
    expect(() => circuit.indexOf('nowhere')).toThrow(CircuitError)
  })
})
