/** A circuit's equations as they stand: rows of each element's ends, its flows and slopes, the matrix and each node's balance. */
export interface Assembly {
  rowFroms: Int32Array
  rowTos: Int32Array
  across: Int32Array
  back: Int32Array
  flows: Float64Array
  slopeFroms: Float64Array
  slopeTos: Float64Array
  values: Float64Array
  imbalance: Float64Array
  through: Float64Array
}

/** Enters every element's flow and slopes in the balance of its nodes; a function of its own, compiled once for circuits of every size. */
export function assemble({
  rowFroms,
  rowTos,
  across,
  back,
  flows,
  slopeFroms,
  slopeTos,
  values,
  imbalance,
  through,
}: Assembly): void {
  for (let k = 0; k < values.length; k++) values[k] = 0
  for (let k = 0; k < imbalance.length; k++) imbalance[k] = through[k] = 0
  for (let e = 0; e < flows.length; e++) {
    const i = rowFroms[e]
    const j = rowTos[e]
    const flow = flows[e]
    const size = Math.abs(flow)
    if (i >= 0) {
      imbalance[i] += flow
      through[i] += size
      values[i] += slopeFroms[e]
    }
    if (j >= 0) {
      imbalance[j] -= flow
      through[j] += size
      values[j] -= slopeTos[e]
    }
    if (i >= 0 && j >= 0) {
      values[across[e]] += slopeTos[e]
      values[back[e]] -= slopeFroms[e]
    }
  }
}
