import type { Port } from '../parts/primingWords'
import { type CircuitPlan, elementOf } from '../parts/circuitBuilder'
import type { OilState } from '../oil/oil'
import type { LinearSpec, NodeSpec, ReliefSpec } from '../circuit/types'

/** What priming hangs on a circuit: what holds air, what holds a filter's oil, where oil is pushed in or runs out before the filter is on. */
export interface PrimePlan {
  /** For each node that fills: its air, as a store of pressure. */
  stores: { node: string; air: NodeSpec; spring: LinearSpec }[]
  /** Keeps a filter full that stands with its mouth down. */
  antiDrain?: ReliefSpec
  /** The filter's mount with no filter on it. */
  pad?: LinearSpec
  /** Air drawn in at the pickup's joint. */
  leak: LinearSpec
  /** Tank and hose at a port. */
  tank: NodeSpec
  hose: LinearSpec
  /** Node before the filter: what runs at the pad. */
  before: string
}

/** Pressure that lifts a filter's anti-drain valve, Pa: a soft rubber skirt. */
const ANTI_DRAIN = 2e3
/** Conductance of what is wide open, m³/(s·Pa). */
export const WIDE = 1e-6

/**
 * Adds to a circuit what priming needs of it; all shut until it is set.
 *
 * @param filtered whether the layout has a filter
 */
export function extendForPriming(plan: CircuitPlan, port: Port, antiDrain: boolean, filtered: boolean): PrimePlan {
  const { nodes, elements } = plan.network
  const filter = elementOf(plan, 'filter', 'linear')
  const before = filter.from
  let valve: ReliefSpec | undefined
  let pad: LinearSpec | undefined
  if (filtered) {
    nodes.push({ id: 'filter can' })
    filter.from = 'filter can'
    plan.heights.set('filter can', plan.heights.get('filter outlet') ?? 0)
    valve = {
      id: 'anti-drain',
      kind: 'relief',
      from: before,
      to: 'filter can',
      openingPressure: antiDrain ? ANTI_DRAIN : 0,
      conductance: WIDE,
    }
    pad = { id: 'pad', kind: 'linear', from: before, to: 'sump', conductance: 0 }
    elements.push(valve, pad)
    if (!antiDrain)
      elements.push({ id: 'filter mouth', kind: 'linear', from: before, to: 'filter can', conductance: WIDE })
  }
  const leak: LinearSpec = { id: 'air leak', kind: 'linear', from: 'sump', to: 'pump inlet', conductance: 0 }
  const tank: NodeSpec = { id: 'tank', pressure: 0 }
  const hose: LinearSpec = {
    id: 'hose',
    kind: 'linear',
    from: 'tank',
    to: port === 'pump' ? 'pump outlet' : port === 'pad' ? before : plan.gauge,
    conductance: 0,
  }
  const stores = nodes
    .filter(({ pressure }) => pressure === undefined)
    .map(({ id }) => ({
      node: id,
      air: { id: `air in ${id}`, pressure: 0 },
      spring: { id: `store ${id}`, kind: 'linear' as const, from: id, to: `air in ${id}`, conductance: 0 },
    }))
  nodes.push(tank, ...stores.map(({ air }) => air))
  elements.push(leak, hose, ...stores.map(({ spring }) => spring))
  return { stores, antiDrain: valve, pad, leak, tank, hose, before }
}

/** A tank's hose and the fitting at a sender's port, m: bore and length of each. */
const HOSE = [
  [6e-3, 2],
  [5e-3, 0.03],
] as const

/** Conductance of a tank's hose with its fitting, laminar, m³/(s·Pa): π / (128 μ Σ l/d⁴). */
export function hoseConductance({ viscosity }: OilState): number {
  return Math.PI / (128 * viscosity * HOSE.reduce((sum, [bore, length]) => sum + length / bore ** 4, 0))
}
