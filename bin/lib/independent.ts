import { NodeProperty, Project, Workspace } from 'epanet-js'
import type { Fluid, LinearSpec, Network, PipeSpec } from '../../core/circuit/types'
import { seeded } from '../../core/random/random'

/** A public general-purpose hydraulic engine (EPANET as WebAssembly) on the same network, to check and to time ours against. */

const GRAVITY = 9.80665
/** Kinematic viscosity that the engine's relative viscosity is counted in: 1.1·10⁻⁵ ft²/s, m²/s. */
const VISCOSITY_UNIT = 1.1e-5 * 0.3048 ** 2

/** A tree of `count` nodes: a source, pipes branching out, a linear leak at each end and most joints. */
export function leakTree(count = 20, seed = 5): Network {
  const random = seeded(seed)
  const nodes: Network['nodes'] = [
    { id: 'n0', pressure: 4e5 },
    { id: 'sump', pressure: 0 },
  ]
  const elements: Network['elements'] = []
  for (let i = 1; i < count; i++) {
    nodes.push({ id: `n${i}` })
    elements.push({
      id: `p${i}`,
      kind: 'pipe',
      from: `n${Math.floor(random() * Math.min(i, 6)) + Math.max(0, i - 6)}`,
      to: `n${i}`,
      length: 0.5 + 2 * random(),
      diameter: 0.005 + 0.006 * random(),
    })
    elements.push({ id: `l${i}`, kind: 'linear', from: `n${i}`, to: 'sump', conductance: (1 + 4 * random()) * 1e-12 })
  }
  return { nodes, elements }
}

/** The engine's own description of a network of pipes and linear leaks to the sump. */
function describe(network: Network, { density, viscosity }: Fluid): string {
  const head = (pressure: number) => pressure / (density * GRAVITY)
  const source = network.nodes.find((node) => node.pressure !== undefined && node.id !== 'sump')!
  const pipes = network.elements.filter((element): element is PipeSpec => element.kind === 'pipe')
  const leaks = network.elements.filter((element): element is LinearSpec => element.kind === 'linear')
  return [
    '[JUNCTIONS]',
    ...network.nodes.filter((node) => node.pressure === undefined).map((node) => `${node.id} 0 0`),
    '[RESERVOIRS]',
    `${source.id} ${head(source.pressure!)}`,
    '[PIPES]',
    ...pipes.map((pipe) => `${pipe.id} ${pipe.from} ${pipe.to} ${pipe.length} ${pipe.diameter * 1e3} 0.0001 0 Open`),
    // Leaks in litres a second for each metre of head.
    '[EMITTERS]',
    ...leaks.map((leak) => `${leak.from} ${leak.conductance * 1e3 * density * GRAVITY}`),
    '[OPTIONS]',
    'Units LPS',
    'Headloss D-W',
    `Viscosity ${viscosity / density / VISCOSITY_UNIT}`,
    'Emitter Exponent 1.0',
    'Trials 200',
    'Accuracy 0.00000001',
    '[TIMES]',
    'Duration 0',
    '[END]',
    '',
  ].join('\n')
}

export interface Independent {
  /** Solves once more. */
  solve: () => void
  /** Gauge pressure of a node, Pa. */
  pressure: (node: string) => number
}

export async function independentEngine(network: Network, fluid: Fluid): Promise<Independent> {
  const workspace = new Workspace()
  await workspace.loadModule()
  workspace.writeFile('net.inp', describe(network, fluid))
  const project = new Project(workspace)
  project.open('net.inp', 'net.rpt', 'net.out')
  return {
    solve: () => project.solveH(),
    pressure: (node) => project.getNodeValue(project.getNodeIndex(node), NodeProperty.Head) * fluid.density * GRAVITY,
  }
}
