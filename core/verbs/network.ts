import { z } from 'zod'
import { prepareCircuit } from '../circuit/solve'
import type { Network } from '../circuit/types'
import { named, notNegative, positive, take } from './take'

const ends = { id: z.string().min(1), from: z.string().min(1), to: z.string().min(1) }
export const NetworkInput = z.object({
  fluid: z.object({ density: positive, viscosity: positive }),
  nodes: z
    .array(z.object({ id: z.string().min(1), elevation: z.number().optional(), pressure: z.number().optional() }))
    .min(1)
    .max(5000),
  elements: z
    .array(
      z.discriminatedUnion('kind', [
        z.object({
          ...ends,
          kind: z.literal('pipe'),
          length: positive,
          diameter: positive,
          roughness: notNegative.optional(),
          k: notNegative.optional(),
          k1: notNegative.optional(),
          head: z.number().optional(),
        }),
        z.object({
          ...ends,
          kind: z.literal('orifice'),
          diameter: positive,
          dischargeCoefficient: positive.default(0.65),
          count: z.number().int().positive().optional(),
        }),
        z.object({ ...ends, kind: z.literal('linear'), conductance: notNegative }),
        z.object({
          ...ends,
          kind: z.literal('check'),
          diameter: positive.default(0.01),
          dischargeCoefficient: positive.optional(),
          openingPressure: notNegative.optional(),
        }),
        z.object({
          ...ends,
          kind: z.literal('relief'),
          openingPressure: notNegative,
          conductance: positive.optional(),
        }),
        z.object({
          ...ends,
          kind: z.literal('pump'),
          displacement: notNegative,
          speed: notNegative,
          slipConductance: notNegative.default(0),
        }),
      ]),
    )
    .max(20_000),
})

/** Any graph of nodes and elements: pressures and flows that balance. */
export function network(input: z.input<typeof NetworkInput>) {
  const { fluid, ...graph } = take(NetworkInput, input)
  return named(() => {
    const circuit = prepareCircuit(graph as Network)
    const { iterations, residual } = circuit.solve(fluid)
    return {
      nodes: graph.nodes.map(({ id }, i) => ({ id, pressure: circuit.pressures[i] })),
      elements: graph.elements.map(({ id }, e) => ({ id, flow: circuit.flows[e] })),
      iterations,
      residual,
    }
  })
}
