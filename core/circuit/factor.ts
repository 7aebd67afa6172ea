/**
 * Sparse elimination for a matrix of symmetric pattern: the order (least degree first) and the fill are found once for a
 * circuit, and written down as plain lists of positions, so that each factoring afterwards is a walk without allocation.
 * Without pivoting: circuit matrices are diagonally dominant.
 * Source: Duff, Erisman & Reid, Direct Methods for Sparse Matrices, 2nd ed. (2017), ch. 7 and 10.
 */
export interface Elimination {
  size: number
  /** Values: the diagonal first, by row, then each off-diagonal entry. */
  values: Float64Array
  /** Position in `values` of entry (row, column), −1 where it is always zero. */
  position: (row: number, column: number) => number
  /** Factors `values` in place and solves for `right` in place. */
  solve: (right: Float64Array) => void
}

/** Prepares elimination for a matrix of `size` rows with entries at `pairs` (both ways) and on the diagonal. */
export function prepareElimination(size: number, pairs: [number, number][]): Elimination {
  const neighbours = Array.from({ length: size }, () => new Set<number>())
  for (const [i, j] of pairs) {
    neighbours[i].add(j)
    neighbours[j].add(i)
  }
  const remaining = new Set(neighbours.keys())
  const order: number[] = []
  const later: number[][] = []
  const living = neighbours.map((set) => new Set(set))
  while (remaining.size > 0) {
    let pivot = -1
    for (const node of remaining) if (pivot < 0 || living[node].size < living[pivot].size) pivot = node
    const around = [...living[pivot]]
    for (const i of around) {
      living[i].delete(pivot)
      for (const j of around) {
        if (i === j) continue
        living[i].add(j)
        neighbours[i].add(j)
      }
    }
    remaining.delete(pivot)
    order.push(pivot)
    later.push(around)
  }

  const index = new Map<number, number>()
  for (let i = 0; i < size; i++) index.set(i * size + i, i)
  for (let i = 0; i < size; i++)
    for (const j of neighbours[i]) if (!index.has(i * size + j)) index.set(i * size + j, index.size)
  const position = (row: number, column: number) => index.get(row * size + column) ?? -1

  // Flat schedule: for each pivot its later neighbours with the positions of column, row and every target entry.
  const starts = new Int32Array(size + 1)
  const members: number[] = []
  const lower: number[] = []
  const upper: number[] = []
  const targets: number[] = []
  order.forEach((pivot, k) => {
    for (const i of later[k]) {
      members.push(i)
      lower.push(position(i, pivot))
      upper.push(position(pivot, i))
      for (const j of later[k]) targets.push(position(i, j))
    }
    starts[k + 1] = members.length
  })
  const pivots = Int32Array.from(order)
  const member = Int32Array.from(members)
  const low = Int32Array.from(lower)
  const up = Int32Array.from(upper)
  const target = Int32Array.from(targets)
  const values = new Float64Array(index.size)

  const schedule = { pivots, starts, member, low, up, target }
  return { size, values, position, solve: (right) => eliminate(values, schedule, right) }
}

interface Schedule {
  pivots: Int32Array
  starts: Int32Array
  member: Int32Array
  low: Int32Array
  up: Int32Array
  target: Int32Array
}

/** One walk through the schedule; a function of its own, so that it is compiled once for circuits of every size. */
function eliminate(
  values: Float64Array,
  { pivots, starts, member, low, up, target }: Schedule,
  right: Float64Array,
): void {
  const size = pivots.length
  let t = 0
  for (let k = 0; k < size; k++) {
    const pivot = pivots[k]
    const begin = starts[k]
    const end = starts[k + 1]
    const inverse = 1 / values[pivot]
    for (let a = begin; a < end; a++) {
      const factor = values[low[a]] * inverse
      right[member[a]] -= factor * right[pivot]
      for (let b = begin; b < end; b++) values[target[t++]] -= factor * values[up[b]]
    }
  }
  for (let k = size - 1; k >= 0; k--) {
    const pivot = pivots[k]
    let sum = right[pivot]
    for (let a = starts[k]; a < starts[k + 1]; a++) sum -= values[up[a]] * right[member[a]]
    right[pivot] = sum / values[pivot]
  }
}
