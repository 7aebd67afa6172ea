/** Most rounds in which the oil of a step is allotted from node to node: more than any circuit is long. */
const ROUNDS = 100

/** Oil of one step, allotted from node to node so that nothing gives more than it has. */
export interface Allotment {
  /**
   * Allots what each way wants to carry.
   *
   * @param flows of each element in the network's order, m³/s: their sign says which end is upstream
   * @param wants oil that an element would carry in this step if its upstream had it, m³
   * @param held oil in each node, m³
   * @param open share of what it wants that an element from outside the nodes can have
   */
  allot: (
    flows: Float64Array,
    wants: (e: number) => number,
    held: Float64Array,
    open: (e: number, wanted: number) => number,
  ) => void
  /** Oil that an element carries, m³. */
  carries: (e: number) => number
  /** Node at an element's upper and lower end, −1 outside. */
  upstream: (e: number) => number
  downstream: (e: number) => number
}

/**
 * Prepares the allotment over a network's ways.
 *
 * @param ways elements that oil moves through
 * @param froms node at each element's start, −1 outside; `tos` at its end
 */
export function prepareAllotment(
  ways: readonly number[],
  froms: Int32Array,
  tos: Int32Array,
  elements: number,
  nodes: number,
): Allotment {
  /** Oil that each way would carry in this step if every node had it, and the share of it that its upstream has, m³ and 0 to 1. */
  const wanted = new Float64Array(elements)
  const given = new Float64Array(nodes)
  const comes = new Float64Array(nodes)
  const leaves = new Float64Array(nodes)
  const up = new Int32Array(elements)
  const down = new Int32Array(elements)
  let openTo: (e: number, wanted: number) => number = () => 1
  const shareAt = (e: number) => (up[e] >= 0 ? given[up[e]] : openTo(e, wanted[e]))

  /**
   * What each node can give in a step: what it holds and what comes to it meanwhile, which is what those above it can give.
   * Begun from what they hold, each round gives more and none gives too much; it ends when no share grows.
   */
  function allot(
    flows: Float64Array,
    wants: (e: number) => number,
    held: Float64Array,
    open: (e: number, wanted: number) => number,
  ): void {
    openTo = open
    leaves.fill(0)
    for (const e of ways) {
      const forward = flows[e] >= 0
      up[e] = forward ? froms[e] : tos[e]
      down[e] = forward ? tos[e] : froms[e]
      wanted[e] = wants(e)
      if (up[e] >= 0) leaves[up[e]] += wanted[e]
    }
    comes.fill(0)
    for (let growing = true, round = 0; growing && round <= ROUNDS; round++) {
      growing = false
      for (let i = 0; i < nodes; i++) {
        const share = leaves[i] > 0 ? Math.min(1, Math.max(0, held[i] + comes[i]) / leaves[i]) : 1
        if (share > given[i] + 1e-12 || round === 0) growing = true
        given[i] = round === 0 ? share : Math.max(given[i], share)
      }
      comes.fill(0)
      for (const e of ways) if (down[e] >= 0) comes[down[e]] += wanted[e] * shareAt(e)
    }
  }
  return {
    allot,
    carries: (e) => shareAt(e) * wanted[e],
    upstream: (e) => up[e],
    downstream: (e) => down[e],
  }
}
