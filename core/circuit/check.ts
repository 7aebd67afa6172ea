import { CircuitError, type ElementSpec, type Fluid, type Network } from './types'

/** Fields that must be finite, and whether they must be above zero, by kind. */
const REQUIRED: Record<ElementSpec['kind'], [field: string, rule: 'positive' | 'notNegative' | 'finite'][]> = {
  pipe: [
    ['length', 'positive'],
    ['diameter', 'positive'],
  ],
  orifice: [
    ['diameter', 'positive'],
    ['dischargeCoefficient', 'positive'],
  ],
  linear: [['conductance', 'notNegative']],
  bearing: [
    ['conductance', 'notNegative'],
    ['carried', 'notNegative'],
  ],
  check: [['diameter', 'positive']],
  relief: [],
  pump: [
    ['displacement', 'notNegative'],
    ['speed', 'notNegative'],
    ['slipConductance', 'notNegative'],
  ],
}

const OPTIONAL: [field: string, rule: 'positive' | 'notNegative' | 'finite'][] = [
  ['roughness', 'notNegative'],
  ['k', 'notNegative'],
  ['k1', 'notNegative'],
  ['head', 'finite'],
  ['count', 'positive'],
  ['openingPressure', 'notNegative'],
  ['dischargeCoefficient', 'positive'],
  ['conductance', 'notNegative'],
]

/**
 * Refuses a network that cannot be solved, at the door, naming the field.
 *
 * @throws CircuitError with the path of the first field that is wrong
 */
export function checkNetwork(network: Network): void {
  const ids = new Set<string>()
  network.nodes.forEach((node, i) => {
    if (ids.has(node.id)) throw new CircuitError(`nodes.${i}.id`, `“${node.id}” stands twice`)
    ids.add(node.id)
    for (const field of ['elevation', 'pressure'] as const) {
      if (node[field] !== undefined) demand(`nodes.${i}.${field}`, node[field], 'finite')
    }
  })
  if (!network.nodes.some((node) => node.pressure !== undefined)) {
    throw new CircuitError('nodes', 'at least one node needs a pressure to measure the others from')
  }
  const seen = new Set<string>()
  network.elements.forEach((element, i) => {
    if (seen.has(element.id)) throw new CircuitError(`elements.${i}.id`, `“${element.id}” stands twice`)
    seen.add(element.id)
    for (const end of ['from', 'to'] as const) {
      if (!ids.has(element[end])) throw new CircuitError(`elements.${i}.${end}`, `no node is called “${element[end]}”`)
    }
    if (element.from === element.to) throw new CircuitError(`elements.${i}.to`, 'leads back to its own start')
    const rules = REQUIRED[element.kind]
    if (!rules) throw new CircuitError(`elements.${i}.kind`, `“${String(element.kind)}” is not a kind of element`)
    const fields = element as unknown as Record<string, number | undefined>
    for (const [field, rule] of rules) demand(`elements.${i}.${field}`, fields[field], rule)
    for (const [field, rule] of OPTIONAL)
      if (fields[field] !== undefined) demand(`elements.${i}.${field}`, fields[field], rule)
    if (element.kind === 'relief' && !element.valve && element.openingPressure === undefined) {
      throw new CircuitError(`elements.${i}.openingPressure`, 'is needed')
    }
  })
  checkConnected(network)
}

export function checkFluid(fluid: Fluid): void {
  demand('fluid.density', fluid.density, 'positive')
  demand('fluid.viscosity', fluid.viscosity, 'positive')
}

/** Every node must hang together with one of known pressure, or nothing would say what its pressure is. */
function checkConnected(network: Network): void {
  const reached = new Set(network.nodes.filter((node) => node.pressure !== undefined).map((node) => node.id))
  for (let grew = true; grew;) {
    grew = false
    for (const { from, to } of network.elements) {
      if (reached.has(from) === reached.has(to)) continue
      reached.add(from).add(to)
      grew = true
    }
  }
  const lost = network.nodes.findIndex((node) => !reached.has(node.id))
  if (lost >= 0)
    throw new CircuitError(`nodes.${lost}`, `“${network.nodes[lost].id}” is joined to nothing of known pressure`)
}

function demand(path: string, value: number | undefined, rule: 'positive' | 'notNegative' | 'finite'): void {
  if (typeof value !== 'number' || !Number.isFinite(value)) throw new CircuitError(path, 'must be a number')
  if (rule === 'positive' && !(value > 0)) throw new CircuitError(path, 'must be greater than zero')
  if (rule === 'notNegative' && value < 0) throw new CircuitError(path, 'must not be negative')
}
