import { Matrix, solve } from 'ml-matrix'
import { between, median, type Plane } from './light'
import { type Point, Unmeasured } from './types'

/**
 * A printed scale as it lies in a picture: at which of its divisions a place stands, whatever the perspective. Its lines are parallel and evenly spaced on the paper, so that in any
 * picture of it line k is m_a − k m_b, and a place p stands at k = (m_a · p) / (m_b · p) (Hartley and Zisserman, Multiple View Geometry, 2nd ed., 2.2).
 */
export interface Ladder {
  /** Division at a place. */
  at: (place: Point) => number
  /** Standard uncertainty of the distance between two places, divisions. */
  sigmaBetween: (a: Point, b: Point) => number
  /** Pixels for a division, about the middle of the scale. */
  pixels: number
  /** How far lines lie from where the ladder has them, pixels (root mean square). */
  residual: number
}

interface Line extends Point {
  k: number
}

/** Rows are looked at so many divisions to either side of the taps, and so many for one division. */
const REACH = 5
const ROWS = 4
/** A row shows lines when its contrast is this share of the best row's. */
const SHOWS = 0.5
/** Share of the lines that must be found in each row that counts. */
const FOUND = 0.8
/** Nearest that two lines may lie, pixels. */
export const LEAST_PIXELS = 7

/**
 * Finds the lines of a printed scale between two taps on its first and last line.
 *
 * @param light of the picture, in which lines are dark
 * @param divisions between the taps
 * @throws Unmeasured scale-unread, too-small
 */
export function findLadder(light: Plane, first: Point, last: Point, divisions: number): Ladder {
  const [dx, dy] = [last.x - first.x, last.y - first.y]
  const long = Math.hypot(dx, dy)
  const pixels = long / divisions
  if (pixels < LEAST_PIXELS) throw new Unmeasured('too-small')
  const [ux, uy] = [dx / long, dy / long]
  const offsets = Array.from({ length: 2 * REACH * ROWS + 1 }, (_, i) => ((i - REACH * ROWS) / ROWS) * pixels)
  const place = (along: number, across: number): Point => ({
    x: first.x + ux * along - uy * across,
    y: first.y + uy * along + ux * across,
  })
  const contrasts = offsets.map((across) => contrastOf(light, place, across, long, divisions))
  const best = Math.max(...contrasts)
  const middle = contrasts.indexOf(best)
  // The rows about the best one that show lines without a break.
  let [from, to] = [middle, middle]
  while (from > 0 && contrasts[from - 1]! > SHOWS * best) from--
  while (to < offsets.length - 1 && contrasts[to + 1]! > SHOWS * best) to++
  const lines = offsets.slice(from, to + 1).flatMap((across) => linesIn(light, place, across, long, divisions))
  if (to - from < 3 || lines.length < 3 * divisions) throw new Unmeasured('scale-unread')
  return fitLadder(lines, pixels)
}

/** How strongly light goes up and down with the divisions along a row. */
function contrastOf(
  light: Plane,
  place: (along: number, across: number) => Point,
  across: number,
  long: number,
  divisions: number,
): number {
  // In pieces of a few divisions, since perspective makes them run apart over all of it.
  const piece = 4
  let sum = 0
  let count = 0
  for (let begin = 0; begin + piece <= divisions; begin += piece, count++) {
    let [real, imaginary, mean] = [0, 0, 0]
    const steps = 16 * piece
    const values = Array.from({ length: steps }, (_, i) => {
      const { x, y } = place((long * (begin + (i / steps) * piece)) / divisions, across)
      return between(light, x, y)
    })
    if (values.some(Number.isNaN)) continue
    for (const value of values) mean += value / steps
    for (const [i, value] of values.entries()) {
      const phase = (2 * Math.PI * i * piece) / steps
      real += (value - mean) * Math.cos(phase)
      imaginary += (value - mean) * Math.sin(phase)
    }
    sum += Math.hypot(real, imaginary) / steps
  }
  return count === 0 ? 0 : sum / count
}

/** Middles of the dark lines in a row: found from one to the next, so that they may run apart. */
function linesIn(
  light: Plane,
  place: (along: number, across: number) => Point,
  across: number,
  long: number,
  divisions: number,
): Line[] {
  const step = long / divisions
  /** Middle of the darkness about a place, undefined where there is no line. */
  const darkest = (about: number): number | undefined => {
    const half = 0.45 * step
    const samples = Array.from({ length: 25 }, (_, i) => {
      const along = about + half * (i / 12 - 1)
      const { x, y } = place(along, across)
      return { along, value: between(light, x, y) }
    })
    const values = samples.map(({ value }) => value)
    if (values.some(Number.isNaN)) return undefined
    const [lowest, highest] = [Math.min(...values), Math.max(...values)]
    const level = lowest + 0.5 * (highest - lowest)
    if (highest - lowest < 0.06) return undefined
    let [weights, sum] = [0, 0]
    for (const { along, value } of samples) {
      const dark = Math.max(0, level - value)
      weights += dark
      sum += dark * along
    }
    return weights > 0 ? sum / weights : undefined
  }
  /** Twice: a window about the line itself leans to neither side. */
  const middleOf = (about: number) => {
    const near = darkest(about)
    return near === undefined ? undefined : darkest(near)
  }
  const found: { k: number; along: number }[] = []
  // From the first tap on; where one is missing, the next is looked for at twice the last step.
  let [expected, last, spacing] = [0, -1, step]
  for (let k = 0; k <= divisions; k++) {
    const along = middleOf(expected)
    if (along !== undefined && Math.abs(along - expected) < 0.4 * step) {
      if (last >= 0) spacing = 0.7 * spacing + 0.3 * ((along - found.at(-1)!.along) / (k - last))
      found.push({ k, along })
      last = k
      expected = along + spacing
    } else expected += spacing
  }
  const end = found.at(-1)
  // The last line is the one that was tapped, or the count is another.
  if (found.length < FOUND * (divisions + 1) || end!.k !== divisions || Math.abs(end!.along - long) > 0.45 * step)
    return []
  return found.map(({ k, along }) => ({ k, ...place(along, across) }))
}

/** Least squares of k (1 + b1 x + b2 y) = a0 + a1 x + a2 y, weighted so that what is small is what k misses by. */
function fitLadder(lines: Line[], pixels: number): Ladder {
  const origin = { x: median(lines.map(({ x }) => x)), y: median(lines.map(({ y }) => y)) }
  const reach = Math.max(...lines.map(({ x, y }) => Math.hypot(x - origin.x, y - origin.y)))
  const unit = ({ x, y }: Point) => [(x - origin.x) / reach, (y - origin.y) / reach] as const
  let used = lines
  let a = [0, 0, 0, 0, 0]
  let normal = Matrix.eye(5)
  const of = (place: Point) => {
    const [x, y] = unit(place)
    return (a[0]! + a[1]! * x + a[2]! * y) / (1 + a[3]! * x + a[4]! * y)
  }
  for (let turn = 0; turn < 6; turn++) {
    const rows: number[][] = []
    const wanted: number[] = []
    for (const { k, ...place } of used) {
      const [x, y] = unit(place)
      const weight = 1 / (1 + a[3]! * x + a[4]! * y)
      rows.push([1, x, y, -k * x, -k * y].map((each) => each * weight))
      wanted.push(k * weight)
    }
    const design = new Matrix(rows)
    normal = design.transpose().mmul(design)
    a = solve(normal, design.transpose().mmul(Matrix.columnVector(wanted))).to1DArray()
    if (turn < 2) continue
    // What lies far off is no line: a number, a speck.
    const misses = lines.map((line) => Math.abs(of(line) - line.k))
    const bound = Math.max(0.02, 4 * median(misses))
    used = lines.filter((_, i) => misses[i]! < bound)
    if (used.length < 0.7 * lines.length) throw new Unmeasured('scale-unread')
  }
  const squares = used.reduce((sum, line) => sum + (of(line) - line.k) ** 2, 0)
  // Rows side by side miss in the same way: one in three tells something of its own.
  const independent = Math.max(6, used.length / 3)
  const variance = (squares / used.length) * (used.length / independent)
  const covariance = solve(normal, Matrix.eye(5)).mul(variance)
  const slopes = (place: Point) => {
    const [x, y] = unit(place)
    const below = 1 + a[3]! * x + a[4]! * y
    const k = of(place)
    return [1, x, y, -k * x, -k * y].map((each) => each / below)
  }
  const residual = Math.sqrt(squares / used.length) * pixels
  return {
    at: of,
    sigmaBetween: (one, other) => {
      const [p, q] = [slopes(one), slopes(other)]
      const g = Matrix.columnVector(p.map((each, i) => each - q[i]!))
      return Math.sqrt(Math.max(0, g.transpose().mmul(covariance).mmul(g).get(0, 0)))
    },
    pixels,
    residual,
  }
}
