import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { elementFlow } from './flow'
import { frictionFactor, pipeLoss } from './pipe'
import { prepareCircuit } from './solve'
import type { ElementSpec, Fluid, Network } from './types'

const oil: Fluid = { density: 850, viscosity: 0.012 }

describe('pipe', () => {
  it('follows Hagen-Poiseuille while laminar: 1 m of 10 mm at 10 kPa passes π d⁴ Δp / (128 μ L)', () => {
    const result = elementFlow({ id: 'p', kind: 'pipe', from: 'a', to: 'b', length: 1, diameter: 0.01 }, 1e4, 0, {
      density: 850,
      viscosity: 0.1,
    })
    expect(result.flow).toBeCloseTo((Math.PI * 1e-8 * 1e4) / (128 * 0.1), 14)
  })
  it('friction factor meets Prandtl’s smooth-pipe value: Re 10⁵ gives 0.0180 within a percent', () => {
    expect(frictionFactor(1e5, 0) / 0.018).toBeCloseTo(1, 1)
    expect(frictionFactor(999.999, 0) / frictionFactor(1000.001, 0)).toBeCloseTo(1, 5)
  })
  it('loses what it was given, laminar or turbulent', () => {
    const pipe = {
      id: 'p',
      kind: 'pipe' as const,
      from: 'a',
      to: 'b',
      length: 0.4,
      diameter: 0.012,
      k: 1.5,
      roughness: 1e-5,
    }
    for (const pressure of [10, 1e3, 1e5, 1e6]) {
      const result = elementFlow(pipe, pressure, 0, oil)
      expect(pipeLoss(pipe, result.flow, oil) / pressure).toBeCloseTo(1, 8)
    }
  })
})

const valve = {
  plungerDiameter: 0.0127,
  springRate: 6000,
  freeLength: 0.048,
  installedLength: 0.0412,
  shims: [],
  port: { shape: 'round' as const, diameter: 0.0065 },
}
const KINDS: ElementSpec[] = [
  { id: 'e', from: 'a', to: 'b', kind: 'pipe', length: 0.3, diameter: 0.008, k: 1 },
  { id: 'e', from: 'a', to: 'b', kind: 'orifice', diameter: 0.002, dischargeCoefficient: 0.65 },
  { id: 'e', from: 'a', to: 'b', kind: 'linear', conductance: 1e-10 },
  { id: 'e', from: 'a', to: 'b', kind: 'bearing', conductance: 1e-11, carried: 2e-6 },
  { id: 'e', from: 'a', to: 'b', kind: 'check', diameter: 0.004, openingPressure: 5e4 },
  { id: 'e', from: 'a', to: 'b', kind: 'relief', valve },
  { id: 'e', from: 'a', to: 'b', kind: 'relief', valve: { ...valve, flowForce: true } },
  {
    id: 'e',
    from: 'a',
    to: 'b',
    kind: 'bearing',
    conductance: 1e-12,
    carried: 1e-6,
    groove: {
      pieces: 3,
      fed: Float64Array.of(2e-12, 8e-12, 3e-12),
      wedge: Float64Array.of(-4e-7, 2e-7, 5e-7),
      carried: 3e-7,
    },
  },
  { id: 'e', from: 'a', to: 'b', kind: 'relief', openingPressure: 1e5, conductance: 1e-9 },
  { id: 'e', from: 'a', to: 'b', kind: 'pump', displacement: 2e-5, speed: 20, slipConductance: 1e-11 },
]

describe('every element', () => {
  it.each(KINDS)('$kind: flow rises with drive and the slopes are its slopes', (element) => {
    fc.assert(
      fc.property(
        fc.double({ min: -8e4, max: 8e5, noNaN: true }),
        fc.double({ min: 0.004, max: 3, noNaN: true }),
        (from, viscosity) => {
          const fluid = { density: 870, viscosity }
          const h = 0.5
          const [here, up, down] = [from, from + h, from - h].map((pressure) =>
            elementFlow(element, pressure, 2e4, fluid),
          )
          expect(here.slopeFrom).toBeGreaterThanOrEqual(0)
          expect(here.slopeTo).toBeLessThanOrEqual(0)
          expect(up.flow).toBeGreaterThanOrEqual(down.flow)
          // Central slope, but not across an opening point, where the slope jumps.
          const [left, right] = [(here.flow - down.flow) / h, (up.flow - here.flow) / h]
          if (Math.abs(left - right) < 1e-3 * (Math.abs(left) + Math.abs(right))) {
            expect(Math.abs(here.slopeFrom - (left + right) / 2)).toBeLessThan((2e-3 * (left + right)) / 2 + 1e-16)
          }
        },
      ),
    )
  })
})

/** Random circuits: a tree of pipes from a pump with relief, leaks at the ends, some chords. */
const circuits = fc.record({
  viscosity: fc.double({ min: 0.003, max: 20, noNaN: true }),
  speed: fc.double({ min: 0, max: 100, noNaN: true }),
  branches: fc.array(
    fc.record({
      parent: fc.nat(),
      kind: fc.constantFrom('pipe', 'orifice', 'check'),
      size: fc.double({ min: 0.0015, max: 0.016, noNaN: true }),
      length: fc.double({ min: 0.01, max: 1, noNaN: true }),
      leak: fc.double({ min: -13, max: -9, noNaN: true }),
      carried: fc.double({ min: 0, max: 1e-5, noNaN: true }),
    }),
    { minLength: 1, maxLength: 40 },
  ),
  chords: fc.array(fc.tuple(fc.nat(), fc.nat()), { maxLength: 5 }),
})

function build({
  speed,
  branches,
  chords,
}: {
  speed: number
  branches: { parent: number; kind: string; size: number; length: number; leak: number; carried: number }[]
  chords: [number, number][]
}): Network {
  const nodes: Network['nodes'] = [{ id: 'sump', pressure: 0 }, { id: 'inlet' }, { id: 'n0' }]
  const elements: ElementSpec[] = [
    { id: 'suction', kind: 'pipe', from: 'sump', to: 'inlet', length: 0.3, diameter: 0.016, k: 1 },
    { id: 'pump', kind: 'pump', from: 'inlet', to: 'n0', displacement: 2e-5, speed, slipConductance: 2e-11 },
    { id: 'relief', kind: 'relief', from: 'n0', to: 'sump', valve },
  ]
  branches.forEach((branch, i) => {
    const from = `n${branch.parent % (i + 1)}`
    const to = `n${i + 1}`
    nodes.push({ id: to })
    if (branch.kind === 'pipe')
      elements.push({ id: `p${i}`, kind: 'pipe', from, to, length: branch.length, diameter: branch.size, k: 0.5 })
    else if (branch.kind === 'orifice')
      elements.push({ id: `p${i}`, kind: 'orifice', from, to, diameter: branch.size, dischargeCoefficient: 0.65 })
    else elements.push({ id: `p${i}`, kind: 'check', from, to, diameter: branch.size, openingPressure: 1e4 })
    elements.push({
      id: `l${i}`,
      kind: 'bearing',
      from: to,
      to: 'sump',
      conductance: 10 ** branch.leak,
      carried: branch.carried,
    })
  })
  chords.forEach(([a, b], i) => {
    const from = `n${a % (branches.length + 1)}`
    const to = `n${b % (branches.length + 1)}`
    if (from !== to) elements.push({ id: `c${i}`, kind: 'pipe', from, to, length: 0.2, diameter: 0.006 })
  })
  return { nodes, elements }
}

describe('solver', () => {
  it('balances every node of random circuits to 1e-9, cold start, any viscosity and speed', () => {
    fc.assert(
      fc.property(circuits, (recipe) => {
        const circuit = prepareCircuit(build(recipe))
        const { residual } = circuit.solve({ density: 870, viscosity: recipe.viscosity })
        expect(residual).toBeLessThanOrEqual(1e-9)
        const net = new Map(circuit.network.nodes.map((node) => [node.id, { sum: 0, through: 1e-14 }]))
        circuit.network.elements.forEach((element, e) => {
          for (const [end, sign] of [
            [element.from, -1],
            [element.to, 1],
          ] as const) {
            net.get(end)!.sum += sign * circuit.flows[e]
            net.get(end)!.through += 0.5 * Math.abs(circuit.flows[e])
          }
        })
        for (const { sum, through } of net.values()) expect(Math.abs(sum) / through).toBeLessThanOrEqual(2e-9)
      }),
      { numRuns: 10_000, endOnFailure: true },
    )
  })

  it('gives the divider worked by hand: 1 and 3 in series share 400 kPa as 300 and 100', () => {
    const circuit = prepareCircuit({
      nodes: [{ id: 'a', pressure: 4e5 }, { id: 'b' }, { id: 'c', pressure: 0 }],
      elements: [
        { id: 'one', kind: 'linear', from: 'a', to: 'b', conductance: 3e-10 },
        { id: 'two', kind: 'linear', from: 'b', to: 'c', conductance: 9e-10 },
      ],
    })
    circuit.solve(oil)
    expect(circuit.pressures[circuit.indexOf('b')]).toBeCloseTo(1e5, 3)
    expect(circuit.flows[0]).toBeCloseTo(9e-5, 12)
  })

  it('is at rest when nothing drives it, and shows the weight of oil standing in it', () => {
    const circuit = prepareCircuit({
      nodes: [
        { id: 'tank', pressure: 0, elevation: 1 },
        { id: 'end', elevation: 0 },
      ],
      elements: [{ id: 'pipe', kind: 'pipe', from: 'tank', to: 'end', length: 1, diameter: 0.01 }],
    })
    circuit.solve(oil)
    expect(circuit.pressures[1]).toBeCloseTo(850 * 9.80665, 3)
    expect(circuit.flows[0]).toBeCloseTo(0, 12)
  })

  it.each([
    ['nodes.1.id', { nodes: [{ id: 'a', pressure: 0 }, { id: 'a' }], elements: [] }],
    ['nodes', { nodes: [{ id: 'a' }], elements: [] }],
    [
      'elements.0.to',
      {
        nodes: [{ id: 'a', pressure: 0 }],
        elements: [{ id: 'x', kind: 'linear', from: 'a', to: 'b', conductance: 1 }],
      },
    ],
    [
      'elements.0.diameter',
      {
        nodes: [{ id: 'a', pressure: 0 }, { id: 'b' }],
        elements: [{ id: 'x', kind: 'pipe', from: 'a', to: 'b', length: 1, diameter: Number.NaN }],
      },
    ],
    ['nodes.1', { nodes: [{ id: 'a', pressure: 0 }, { id: 'b' }], elements: [] }],
  ] as [string, Network][])('refuses a bad network at %s', (path, network) => {
    expect(() => prepareCircuit(network)).toThrow(expect.objectContaining({ path }))
  })
})
