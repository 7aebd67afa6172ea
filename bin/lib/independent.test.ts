import { expect, it } from 'vitest'
import { prepareCircuit } from '../../core/circuit/solve'
import { independentEngine, leakTree } from './independent'

it.each([
  [20, 5],
  [20, 11],
  [60, 3],
])(
  'pressures of a tree of %d nodes agree with an independent engine to half a percent in laminar flow',
  async (count, seed) => {
    const network = leakTree(count, seed)
    const fluid = { density: 850, viscosity: 0.09 }
    const circuit = prepareCircuit(network)
    circuit.solve(fluid)
    const other = await independentEngine(network, fluid)
    other.solve()
    let least = Infinity
    for (const node of network.nodes) {
      if (node.pressure !== undefined) continue
      const ours = circuit.pressures[circuit.indexOf(node.id)]
      expect(Math.abs(other.pressure(node.id) / ours - 1)).toBeLessThan(5e-3)
      least = Math.min(least, ours)
    }
    // The network loses something worth comparing on its way.
    expect(least).toBeLessThan(0.9 * 4e5)
  },
)
