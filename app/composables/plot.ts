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

/** A path through points, for SVG. */
export function linePath(points: Iterable<readonly [x: number, y: number]>): string {
  return [...points].map(([x, y], i) => `${i === 0 ? 'M' : 'L'} ${x.toFixed(1)} ${y.toFixed(1)}`).join(' ')
}

/** Heights of labels that would lie on each other, moved down until each has room; in their own order. */
export function keptApart(heights: number[], room = 16): number[] {
  const order = heights.map((_, i) => i).sort((a, b) => heights[a] - heights[b])
  const placed = [...heights]
  for (let k = 1; k < order.length; k++) placed[order[k]] = Math.max(placed[order[k]], placed[order[k - 1]] + room)
  return placed
}

/** Evenly spaced values of a line as far as it stays under what a chart shows: place along it, 0 to 1, and value; the last where it leaves. */
export function stayingBelow(values: number[], most: number): [place: number, value: number][] {
  const last = values.length - 1
  const over = values.findIndex((value) => value > most)
  const inside = values.slice(0, over < 0 ? undefined : over).map((value, k): [number, number] => [k / last, value])
  if (over < 0) return inside
  return [
    ...inside,
    [over === 0 ? 0 : (over - 1 + (most - values[over - 1]) / (values[over] - values[over - 1])) / last, most],
  ]
}
