import type { Fineness } from './types'

/** A grid over half of a bearing: columns evenly round the film, nodes from the middle plane to the end. */
export interface FilmGrid extends Fineness {
  /** Angle between columns, rad. */
  step: number
  /** Distance of each node from the middle plane, in journal radii; the last is the end. */
  heights: Float64Array
  /** Width of each node's cell, in radii. */
  widths: Float64Array
  /** Weights that integrate over half of the length (Simpson's rule), in radii. */
  weights: Float64Array
  /** Nodes from the middle plane on that lie in a groove. */
  grooved: number
}

/**
 * @param halfLength L / (2 R)
 * @param grooveHalfWidth half of the groove's width over R; 0 without one
 */
export function filmGrid(fineness: Fineness, halfLength: number, grooveHalfWidth: number): FilmGrid {
  const { around, across } = fineness
  // Two intervals within the groove, the rest over the land beside it.
  const inside = grooveHalfWidth > 0 ? 2 : 0
  const heights = Float64Array.from({ length: across + 1 }, (_, j) =>
    j <= inside && inside > 0
      ? (grooveHalfWidth * j) / inside
      : grooveHalfWidth + ((halfLength - grooveHalfWidth) * (j - inside)) / (across - inside),
  )
  const widths = new Float64Array(across + 1)
  const weights = new Float64Array(across + 1)
  for (let j = 0; j < across; j++) {
    const half = 0.5 * (heights[j + 1] - heights[j])
    widths[j] += half
    widths[j + 1] += half
  }
  for (let j = 0; j < across; j += 2) {
    const third = (heights[j + 2] - heights[j]) / 6
    weights[j] += third
    weights[j + 1] += 4 * third
    weights[j + 2] += third
  }
  return {
    around,
    across,
    step: (2 * Math.PI) / around,
    heights,
    widths,
    weights,
    grooved: inside > 0 ? inside + 1 : 0,
  }
}
