import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { elementFlow } from './flow'
import { prepareCircuit } from './solve'
import type { ElementSpec, Network } from './types'

const oil = { density: 860, viscosity: 0.05 }
const ring = (pressure: number): Network => ({
  nodes: [{ id: 'in', pressure }, { id: 'a' }, { id: 'b' }, { id: 'c' }, { id: 'out', pressure: 0 }],
  elements: [
    { id: '1', kind: 'pipe', from: 'in', to: 'a', length: 1, diameter: 0.008 },
    { id: '2', kind: 'pipe', from: 'a', to: 'b', length: 1, diameter: 0.006 },
    { id: '3', kind: 'pipe', from: 'b', to: 'c', length: 2, diameter: 0.006 },
    { id: '4', kind: 'pipe', from: 'c', to: 'a', length: 1, diameter: 0.005 },
    { id: '5', kind: 'linear', from: 'b', to: 'out', conductance: 4e-12 },
    { id: '6', kind: 'linear', from: 'c', to: 'out', conductance: 9e-12 },
  ],
})

describe('a circuit', () => {
  it('does not care in which order its elements and nodes are told', () => {
    const plain = prepareCircuit(ring(3e5))
    plain.solve(oil)
    fc.assert(
      fc.property(
        fc.shuffledSubarray([0, 1, 2, 3, 4, 5], { minLength: 6 }),
        fc.shuffledSubarray([0, 1, 2, 3, 4], { minLength: 5 }),
        (elements, nodes) => {
          const network = ring(3e5)
          const other = prepareCircuit({
            nodes: nodes.map((i) => network.nodes[i]),
            elements: elements.map((i) => network.elements[i]),
          })
          other.solve(oil)
          for (const node of ['a', 'b', 'c'])
            expect(other.pressures[other.indexOf(node)] / plain.pressures[plain.indexOf(node)]).toBeCloseTo(1, 9)
        },
      ),
      { numRuns: 40 },
    )
  })
  it('in creeping flow doubles everything when its source doubles, and halves flow when oil is twice as thick', () => {
    const [one, two, thick] = [prepareCircuit(ring(1e4)), prepareCircuit(ring(2e4)), prepareCircuit(ring(1e4))]
    for (const circuit of [one, two]) circuit.solve({ density: 860, viscosity: 2 })
    one.flows.forEach((flow, e) => expect(two.flows[e] / flow).toBeCloseTo(2, 6))
    for (const element of thick.network.elements) if (element.kind === 'linear') element.conductance /= 2
    thick.solve({ density: 860, viscosity: 4 })
    one.flows.forEach((flow, e) => expect(flow / thick.flows[e]).toBeCloseTo(2, 6))
  })
  it('turned round, a pipe passes the same the other way', () => {
    const pipe = (from: string, to: string): ElementSpec => ({
      id: 'p',
      kind: 'pipe',
      from,
      to,
      length: 0.7,
      diameter: 0.007,
      roughness: 2e-5,
      k: 1.2,
      k1: 300,
    })
    for (const difference of [1e2, 1e4, 6e5])
      expect(elementFlow(pipe('b', 'a'), 0, difference, oil).flow).toBe(
        -elementFlow(pipe('a', 'b'), difference, 0, oil).flow,
      )
  })
  it('many alike holes side by side pass as many times as much', () => {
    const hole = (count: number): ElementSpec => ({
      id: 'h',
      kind: 'orifice',
      from: 'a',
      to: 'b',
      diameter: 1e-3,
      dischargeCoefficient: 0.65,
      count,
    })
    const thin = { density: 860, viscosity: 1e-4 }
    expect(elementFlow(hole(6), 3e5, 0, thin).flow / elementFlow(hole(1), 3e5, 0, thin).flow).toBeCloseTo(6, 3)
  })
})
