import type { Picture, Point } from './types'

/** Light of each of 256 steps, 0 to 1: a camera squeezes it by a curve (IEC 61966-2-1), and an edge lies where half of the light is. */
const LIGHT = Float32Array.from({ length: 256 }, (_, i) => {
  const step = i / 255
  return step <= 0.04045 ? step / 12.92 : ((step + 0.055) / 1.055) ** 2.4
})

/** One number for each pixel. */
export interface Plane {
  width: number
  height: number
  values: Float32Array
}

/**
 * A picture's light along a direction of colour.
 *
 * @param weights of red, green and blue
 */
export function lightOf({ width, height, data }: Picture, weights: readonly [number, number, number]): Plane {
  const values = new Float32Array(width * height)
  const [r, g, b] = weights
  for (let i = 0, at = 0; i < values.length; i++, at += 4)
    values[i] = r * LIGHT[data[at]!]! + g * LIGHT[data[at + 1]!]! + b * LIGHT[data[at + 2]!]!
  return { width, height, values }
}

/** Mean light of each colour in a square about a place. */
export function colourAbout(
  { width, height, data }: Picture,
  { x, y }: Point,
  reach: number,
): [number, number, number] {
  const sum: [number, number, number] = [0, 0, 0]
  let count = 0
  for (let row = Math.max(0, Math.round(y - reach)); row <= Math.min(height - 1, Math.round(y + reach)); row++)
    for (
      let column = Math.max(0, Math.round(x - reach));
      column <= Math.min(width - 1, Math.round(x + reach));
      column++
    ) {
      const at = 4 * (row * width + column)
      for (const c of [0, 1, 2] as const) sum[c] += LIGHT[data[at + c]!]!
      count++
    }
  return count === 0 ? sum : (sum.map((each) => each / count) as [number, number, number])
}

/** The value between pixels, in a straight line both ways; NaN outside of the picture. */
export function between({ width, height, values }: Plane, x: number, y: number): number {
  const [left, top] = [Math.floor(x), Math.floor(y)]
  if (!(left >= 0 && top >= 0 && left < width - 1 && top < height - 1)) return NaN
  const [u, v] = [x - left, y - top]
  const at = top * width + left
  return (
    (1 - v) * ((1 - u) * values[at]! + u * values[at + 1]!) +
    v * ((1 - u) * values[at + width]! + u * values[at + width + 1]!)
  )
}

/** Whether a pixel is so bright that it tells nothing: a reflection. */
export function isWashedOut({ width, height, data }: Picture, x: number, y: number): boolean {
  const [column, row] = [Math.round(x), Math.round(y)]
  if (!(column >= 0 && row >= 0 && column < width && row < height)) return true
  const at = 4 * (row * width + column)
  return data[at]! >= 253 && data[at + 1]! >= 253 && data[at + 2]! >= 253
}

/** How much of a square about a place is washed out, 0 to 1. */
export function shareWashedOut(picture: Picture, { x, y }: Point, reach: number): number {
  let [washed, count] = [0, 0]
  for (let row = y - reach; row <= y + reach; row++)
    for (let column = x - reach; column <= x + reach; column++, count++) if (isWashedOut(picture, column, row)) washed++
  return washed / count
}

/** Middle of some numbers; of an even count the upper of the two. */
export function median(values: readonly number[]): number {
  return [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN
}
