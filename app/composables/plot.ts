import { ticks } from 'd3-array'
import type { Unit } from '#core/quantity/units'

/** Round values of a unit between two SI values, about as many as asked for, SI. */
export function roundTicks(
  from: number,
  to: number,
  { factor, offset = 0 }: Pick<Unit, 'factor' | 'offset'>,
  count = 6,
): number[] {
  return ticks((from - offset) / factor, (to - offset) / factor, count).map((tick) => tick * factor + offset)
}

/** Heights of labels that would lie on each other, moved down until each has room; in their own order. */
export function keptApart(heights: number[], room = 16): number[] {
  const order = heights.map((_, i) => i).sort((a, b) => heights[a] - heights[b])
  const placed = [...heights]
  for (let k = 1; k < order.length; k++) placed[order[k]] = Math.max(placed[order[k]], placed[order[k - 1]] + room)
  return placed
}
