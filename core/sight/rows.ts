import { between, colourAbout, isWashedOut, lightOf, median, type Plane } from './light'
import type { Picture, Point } from './types'

/** Edges of a strip in one row of a picture, pixels from the row's own middle, and how far they reach. */
export interface Row {
  left: number
  right: number
  rise: number
}

/** The picture along the colour in which a place differs most from what lies beside it: 0 there, 1 at the place, about. */
export function contrastOf(picture: Picture, on: Point, beside: Point[], reach: number): Plane | undefined {
  const own = colourAbout(picture, on, reach)
  const others = beside.map((place) => colourAbout(picture, place, reach))
  const difference = own.map((each, c) => each - others.reduce((sum, other) => sum + other[c]! / others.length, 0)) as [
    number,
    number,
    number,
  ]
  const size = difference.reduce((sum, each) => sum + each * each, 0)
  return size < 0.05 ** 2
    ? undefined
    : lightOf(picture, difference.map((each) => each / size) as [number, number, number])
}

/** Edges of the strip in one row, pixels from the row's own middle; undefined where there is no strip. */
export function rowAt(light: Plane, place: (across: number) => Point, middle: number, far: number): Row | undefined {
  const step = 0.5
  const count = Math.ceil(far / step)
  // Three rows' worth of light, so that a speck is no edge.
  const value = (across: number) => {
    const { x, y } = place(across)
    return between(light, x, y)
  }
  const inside = median([-2, -1, 0, 1, 2].map((each) => value(middle + each)))
  if (Number.isNaN(inside)) return undefined
  const edge = (side: number) => {
    const values: number[] = []
    for (let i = 0; i <= count; i++) {
      const each = value(middle + side * i * step)
      if (Number.isNaN(each)) break
      values.push(each)
    }
    // The first fall to a level that stays: what lies beyond is the ground beside the strip.
    const lowest = values.reduce((least, each) => Math.min(least, each), Infinity)
    const rough = values.findIndex((each) => each < (inside + lowest) / 2)
    if (rough < 3) return undefined
    /** Where the light falls to 0.8, a half and 0.2 of the way, with the ground taken from so many steps beyond the edge on. */
    const crossings = (beyond: number) => {
      const begin = rough + beyond
      const ground = median(values.slice(begin, begin + Math.max(8, Math.round(0.5 * rough))))
      if (!(inside - ground > 0.35)) return undefined
      return [0.8, 0.5, 0.2].map((share) => {
        const level = ground + share * (inside - ground)
        for (let i = Math.max(1, rough - 60); i < values.length; i++)
          if (values[i]! < level && values[i - 1]! >= level)
            return step * (i - 1 + (values[i - 1]! - level) / (values[i - 1]! - values[i]!))
        return NaN
      })
    }
    const near = crossings(4)
    // A blurred edge reaches further: the ground lies beyond it.
    const found = near && crossings(Math.max(4, Math.round((1.3 * (near[2]! - near[0]!)) / step)))
    if (!found || Number.isNaN(found[1]!)) return undefined
    return { at: middle + side * found[1]!, rise: found[2]! - found[0]! }
  }
  const [left, right] = [edge(-1), edge(1)]
  if (!left || !right) return undefined
  return { left: left.at, right: right.at, rise: (left.rise + right.rise) / 2 }
}

/** Whether a reflection lies on the strip or at its edges. */
export function isGlaring(picture: Picture, place: (across: number) => Point, { left, right }: Row): boolean {
  const margin = 0.3 * (right - left)
  for (let across = left - margin; across <= right + margin; across++) {
    const { x, y } = place(across)
    if (isWashedOut(picture, x, y)) return true
  }
  return false
}
