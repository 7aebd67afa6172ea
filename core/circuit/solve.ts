import { assemble, type Assembly } from './assembly'
import { checkFluid, checkNetwork } from './check'
import { prepareElimination } from './factor'
import { EMPTY } from '../pump/fill'
import { prepareLaws } from './laws'
import { CircuitError, type ElementSpec, type Fluid, type Network, type PreparedCircuit, type Solution } from './types'
import { unsettled } from './unsettled'

const GRAVITY = 9.80665
/** Imbalance of a node over what passes through it: aimed at, and at most accepted. */
const AIM = 1e-10
const ACCEPT = 1e-9
/** Imbalance below which a solution that improves no further is put right in the flows. */
const NEARLY = 1e-4
const MOST_ITERATIONS = 100
/** Where to begin: the last solution, and should that lead nowhere, afresh at these pressures, Pa. */
const STARTS = [undefined, 0, 3e5, -2e4, 2e6]
/** Flow too small for any gauge or drip tray (a millilitre in three years), m³/s: below it a node counts as at rest. */
const AT_REST = 1e-14
/** Imbalance that is none, whatever else passes there, m³/s: 30 mL in a million years. The last figure of a pressure of some bar is worth so much through a wide pipe. */
const NOTHING = 1e-18
/** Elements that can add pressure of their own. */
type LiftingSpec = Extract<ElementSpec, { kind: 'linear' | 'orifice' }>
/** The solution is first balanced to the busiest nodes' scale, then to each node's own. */
const FLOORS = [1e-3, 1e-6, 0]

/**
 * Prepares the solution of any graph of nodes and elements: damped Newton on the node pressures.
 *
 * Every element's flow rises with the pressure at its start and falls with that at its end, so the imbalances are the
 * slopes of a convex function of the pressures, the network's content, and the solution is its lowest point. A Newton
 * step is cut back, by bisection, to where it no longer climbs the far side of that valley; where even short steps do not help (a starving
 * pump is not quite convex) the diagonal is strengthened, a step in false time.
 * Source: Millar, Some general theorems for non-linear systems possessing resistance, Phil. Mag. 42 (1951), for the
 * content; Todini & Pilati, A gradient algorithm for the analysis of pipe networks (1988); Nocedal & Wright, Numerical
 * Optimization, 2nd ed., ch. 3, for the step.
 *
 * @param atRest flow below which a node counts as at rest, m³/s: more than a trickle where a circuit is only being filled
 * @throws CircuitError naming the field that is wrong
 */
export function prepareCircuit(network: Network, atRest = AT_REST): PreparedCircuit {
  checkNetwork(network)
  const { nodes, elements } = network
  const index = new Map(nodes.map((node, i) => [node.id, i]))
  const froms = Int32Array.from(elements, (element) => index.get(element.from)!)
  const tos = Int32Array.from(elements, (element) => index.get(element.to)!)
  const fallen = Float64Array.from(
    elements,
    (element) => (nodes[index.get(element.from)!].elevation ?? 0) - (nodes[index.get(element.to)!].elevation ?? 0),
  )
  const unknown = new Int32Array(nodes.length).fill(-1)
  let count = 0
  nodes.forEach((node, i) => {
    if (node.pressure === undefined) unknown[i] = count++
  })
  const heldNodes = Int32Array.from(nodes.flatMap(({ pressure }, n) => (pressure === undefined ? [] : [n])))
  // Rows of each element's ends; −1 where the pressure is held.
  const rowFroms = Int32Array.from(elements, (_, e) => unknown[froms[e]])
  const rowTos = Int32Array.from(elements, (_, e) => unknown[tos[e]])
  const pairs: [number, number][] = []
  elements.forEach((_, e) => {
    if (rowFroms[e] >= 0 && rowTos[e] >= 0) pairs.push([rowFroms[e], rowTos[e]])
  })
  const matrix = prepareElimination(count, pairs)
  const across = Int32Array.from(elements, (_, e) => at(rowFroms[e], rowTos[e]))
  const back = Int32Array.from(elements, (_, e) => at(rowTos[e], rowFroms[e]))
  function at(i: number, j: number): number {
    return i >= 0 && j >= 0 ? matrix.position(i, j) : -1
  }

  // A pump draws no more from an empty inlet, so no solution lies below that.
  const lowest = new Float64Array(nodes.length).fill(-Infinity)
  elements.forEach((element, e) => {
    if (element.kind === 'pump') lowest[froms[e]] = EMPTY + 1
  })

  const pressures = new Float64Array(nodes.length)
  const laws = prepareLaws(elements, froms, tos)
  const { flows, slopeFroms, slopeTos } = laws
  // Height lost along an element counts as pressure gained, and what some gain by turning.
  const lifting = Int32Array.from(
    elements.flatMap(({ kind }, e) => (kind === 'linear' || kind === 'orifice' ? [e] : [])),
  )
  const gained = new Float64Array(elements.length)
  const imbalance = new Float64Array(count)
  const through = new Float64Array(count)
  const weight = new Float64Array(count)
  const direction = new Float64Array(count)
  const before = new Float64Array(nodes.length)

  const sheet: Assembly = {
    rowFroms,
    rowTos,
    across,
    back,
    flows,
    slopeFroms,
    slopeTos,
    values: matrix.values,
    imbalance,
    through,
  }
  /** Flows, imbalances and slopes at the present pressures. */
  function evaluate(): void {
    laws.evaluate(pressures, gained)
    assemble(sheet)
  }

  /** Enters a flow from row i to row j in the balance of both. */
  function book(i: number, j: number, flow: number): void {
    if (i >= 0) {
      imbalance[i] += flow
      through[i] += Math.abs(flow)
    }
    if (j >= 0) {
      imbalance[j] -= flow
      through[j] += Math.abs(flow)
    }
  }

  /** Freezes each node's weight, 1 / what passes through it, but no less than a share of the busiest node's. */
  function weigh(floor: number): void {
    let most = 0
    for (let i = 0; i < count; i++) most = Math.max(most, through[i])
    for (let i = 0; i < count; i++) weight[i] = 1 / (0.5 * Math.max(through[i], floor * most) + atRest)
  }

  /** How steeply the content falls along the step: Σ imbalance × step, W; negative while there is further to go. */
  function fall(): number {
    let sum = 0
    for (let i = 0; i < count; i++) sum += imbalance[i] * direction[i]
    return sum
  }

  function worst(): { residual: number; row: number } {
    let residual = 0
    let row = -1
    for (let i = 0; i < count; i++) {
      const share = Math.abs(imbalance[i]) * weight[i]
      if (share > residual || Number.isNaN(share)) {
        residual = share
        row = i
      }
    }
    return { residual, row }
  }

  /** Whether each node balances, to its own share or to nothing at all: a valve on its seat beside a busy gallery needs both. */
  function balanced(share: number): boolean {
    weigh(0)
    return imbalance.every((each, i) => Math.abs(each) * weight[i] <= share || Math.abs(each) <= NOTHING)
  }

  function solve(fluid: Fluid, aim = AIM): Solution {
    checkFluid(fluid)
    laws.set(fluid)
    const weight = fluid.density * GRAVITY
    for (let e = 0; e < fallen.length; e++) gained[e] = weight * fallen[e]
    for (const e of lifting) gained[e] += (elements[e] as LiftingSpec).head ?? 0
    let spent = 0
    for (const start of STARTS) {
      if (start !== undefined) pressures.fill(start)
      const found = descend(aim)
      spent += found.iterations
      if (found.residual <= Math.max(ACCEPT, aim) || balanced(Math.max(ACCEPT, aim)))
        return { iterations: spent, residual: found.residual }
    }
    weigh(0)
    throw new CircuitError(unsettled(worst().row, network, rowFroms, rowTos, flows), 'does not settle')
  }

  /** Newton from the present pressures until balanced, or until it goes no further. */
  function descend(aim: number): Solution {
    for (const n of heldNodes) pressures[n] = nodes[n].pressure!
    for (let n = 0; n < pressures.length; n++) if (!Number.isFinite(pressures[n])) pressures[n] = 0
    evaluate()
    let level = 0
    let strengthen = 0
    let stalled = 0
    // Least imbalance at this level: what falls and rises again in turn gets no further either.
    let best = Infinity
    for (let iteration = 0; iteration < MOST_ITERATIONS; iteration++) {
      weigh(FLOORS[level])
      let now = worst()
      while (now.residual <= aim && level < FLOORS.length - 1) {
        weigh(FLOORS[++level])
        now = worst()
        best = Infinity
      }
      const last = level === FLOORS.length - 1
      if (last && now.residual <= aim) return { iterations: iteration, residual: now.residual }
      if (now.residual <= NEARLY && stalled > 2) {
        const residual = correctFlows()
        if (residual <= ACCEPT) return { iterations: iteration, residual }
        evaluate()
        stalled = 0
      }
      best = Math.min(best, now.residual)
      before.set(pressures)
      for (let i = 0; i < count; i++) {
        direction[i] = -imbalance[i]
        matrix.values[i] += 1e-18 + strengthen * matrix.values[i]
      }
      matrix.solve(direction)
      const start = Math.abs(fall())
      let low = 0
      let high = 1
      let share = 1
      let accepted = false
      let reached = now.residual
      for (let trial = 0; trial < 30 && !accepted; trial++) {
        for (let n = 0; n < nodes.length; n++) {
          if (unknown[n] >= 0) pressures[n] = Math.max(lowest[n], before[n] + share * direction[unknown[n]])
        }
        evaluate()
        const slope = fall()
        reached = worst().residual
        accepted = reached < 0.5 * now.residual || (slope <= 1e-3 * start && (share === 1 || slope >= -0.5 * start))
        if (slope > 0) high = share
        else low = share
        share = 0.5 * (low + high)
      }
      if (accepted) {
        strengthen = strengthen > 1e-6 ? 0.1 * strengthen : 0
        stalled = reached < 0.5 * best ? 0 : stalled + 1
        continue
      }
      stalled++
      pressures.set(before)
      evaluate()
      strengthen = Math.max(1e-3, 10 * strengthen)
    }
    weigh(0)
    return { iterations: MOST_ITERATIONS, residual: worst().residual }
  }

  /**
   * The last correction, too small for the pressures' own figures, put into the flows by their slopes: a wide hole between
   * two nodes at 4 bar can pass its trickle on less than the sixteenth figure. Returns the imbalance left.
   */
  function correctFlows(): number {
    for (let i = 0; i < count; i++) direction[i] = -imbalance[i]
    matrix.solve(direction)
    imbalance.fill(0)
    through.fill(0)
    for (let e = 0; e < elements.length; e++) {
      const i = rowFroms[e]
      const j = rowTos[e]
      if (i >= 0) flows[e] += slopeFroms[e] * direction[i]
      if (j >= 0) flows[e] += slopeTos[e] * direction[j]
      book(i, j, flows[e])
    }
    weigh(0)
    return worst().residual
  }

  return {
    network,
    pressures,
    flows,
    solve,
    reset: () => {
      pressures.fill(0)
      laws.forget()
    },
    indexOf: (node) => {
      const found = index.get(node)
      if (found === undefined) throw new CircuitError('nodes', `no node is called “${node}”`)
      return found
    },
  }
}
