import { Matrix, solve } from 'ml-matrix'
import type { Ladder } from './ladder'
import { between, median, type Plane } from './light'
import { type Point, Unmeasured } from './types'

/**
 * Things of known size in place of a printed scale. They say less of the perspective: a camera leans by so much where it is held square by eye (rad, standard uncertainty), and stands so many widths
 * of its picture away at the least.
 */
const LEANS = 0.07
const AWAY = 1.1
/** Beyond this a round thing is seen too much from the side, rad. */
const LEANS_TOO_MUCH = 0.3
/** Nearest and farthest that an edge is looked for from where it was tapped, of the size between the taps. */
const LOOKED = 0.06

/** Where light changes most along a line about a place, and by how much; undefined where it does not. */
function edgeAbout(light: Plane, at: Point, [ux, uy]: readonly [number, number], reach: number): Point | undefined {
  const step = 0.5
  const count = Math.ceil(reach / step)
  const values = Array.from({ length: 2 * count + 1 }, (_, i) =>
    between(light, at.x + ux * step * (i - count), at.y + uy * step * (i - count)),
  )
  if (values.some(Number.isNaN)) return undefined
  // Over some pixels, so that noise is no edge.
  const wide = 4
  const slopes = values.map((_, i) =>
    i < wide || i >= values.length - wide ? 0 : Math.abs(values[i + wide]! - values[i - wide]!),
  )
  const best = Math.max(...slopes)
  if (best < 0.3) return undefined
  const middle = slopes.indexOf(best)
  let [weights, sum] = [0, 0]
  for (let i = Math.max(0, middle - 2 * wide); i <= Math.min(slopes.length - 1, middle + 2 * wide); i++) {
    const weight = Math.max(0, slopes[i]! - 0.5 * best)
    weights += weight
    sum += weight * i
  }
  const along = step * (sum / weights - count)
  return { x: at.x + ux * along, y: at.y + uy * along }
}

/** Line a x + b y + c = 0 through places, those far off left out, with a² + b² = 1. */
function lineThrough(places: Point[]): { line: [number, number, number]; miss: number } {
  let kept = places
  let line: [number, number, number] = [0, 0, 0]
  let miss = 0
  for (let turn = 0; turn < 3; turn++) {
    const mean = { x: 0, y: 0 }
    for (const { x, y } of kept) {
      mean.x += x / kept.length
      mean.y += y / kept.length
    }
    let [xx, xy, yy] = [0, 0, 0]
    for (const { x, y } of kept) {
      xx += (x - mean.x) ** 2
      xy += (x - mean.x) * (y - mean.y)
      yy += (y - mean.y) ** 2
    }
    // Across the direction in which they lie apart most.
    const angle = 0.5 * Math.atan2(2 * xy, xx - yy) + Math.PI / 2
    const [a, b] = [Math.cos(angle), Math.sin(angle)]
    line = [a, b, -(a * mean.x + b * mean.y)]
    const misses = places.map(({ x, y }) => Math.abs(a * x + b * y + line[2]))
    miss = median(misses)
    kept = places.filter((_, i) => misses[i]! <= Math.max(0.5, 4 * miss))
  }
  return { line, miss }
}

const dot = ([a, b, c]: readonly number[], { x, y }: Point) => a! * x + b! * y + c!

/** How unsure a distance is, in what the reference is long, since nobody knows how far the camera leans to the side. */
const leaning = (light: Plane, centre: Point, a: Point, b: Point, size: number, lean: number) => {
  const far = Math.hypot((a.x + b.x) / 2 - centre.x, (a.y + b.y) / 2 - centre.y)
  return ((Math.hypot(a.x - b.x, a.y - b.y) / size) * lean * far) / (AWAY * light.width)
}

/**
 * A thing with two straight, parallel edges, such as a feeler's blade or a shell by its width: 0 at one edge, 1 at the other. How its edges run together tells how the camera leans along them; across
 * them it is held square.
 *
 * @throws Unmeasured scale-unread
 */
export function findEdges(light: Plane, first: Point, last: Point): Ladder {
  const size = Math.hypot(last.x - first.x, last.y - first.y)
  const along = [(last.x - first.x) / size, (last.y - first.y) / size] as const
  const rows = Array.from({ length: 31 }, (_, i) => (i - 15) * 0.012 * size)
  const edge = (tap: Point) =>
    rows.flatMap((row) => {
      const found = edgeAbout(light, { x: tap.x - along[1] * row, y: tap.y + along[0] * row }, along, LOOKED * size)
      return found ? [found] : []
    })
  const [near, far] = [edge(first), edge(last)]
  if (Math.min(near.length, far.length) < 20) throw new Unmeasured('scale-unread')
  const [one, other] = [lineThrough(near), lineThrough(far)]
  if (Math.max(one.miss, other.miss) > 1.2) throw new Unmeasured('scale-unread')
  const across = ([a, b]: readonly number[]) => a! * along[0] + b! * along[1]
  // Lines of a pencil: m_a, and m_a − m_b; how far m_b reaches is chosen so that nothing shrinks along the way from one edge to the other.
  const s = across(one.line) / across(other.line)
  const below = one.line.map((each, i) => each - s * other.line[i]!)
  const centre = { x: (first.x + last.x) / 2, y: (first.y + last.y) / 2 }
  return {
    at: (place) => dot(one.line, place) / dot(below, place),
    sigmaBetween: (a, b) =>
      Math.hypot(
        leaning(light, centre, a, b, size, LEANS),
        // What is unsure about both edges goes with the width.
        (Math.hypot(a.x - b.x, a.y - b.y) / size) * (0.35 / size),
      ),
    pixels: size,
    residual: Math.max(one.miss, other.miss),
  }
}

/**
 * A round thing, such as a coin: 0 at one side, 1 at the other, in the direction of the taps. How flat its outline is tells how far the camera leans.
 *
 * @throws Unmeasured scale-unread; slanted where it is seen too much from the side
 */
export function findCoin(light: Plane, first: Point, last: Point): Ladder {
  const size = Math.hypot(last.x - first.x, last.y - first.y)
  const middle = { x: (first.x + last.x) / 2, y: (first.y + last.y) / 2 }
  const rim = Array.from({ length: 96 }, (_, i) => {
    const angle = (2 * Math.PI * i) / 96
    const way = [Math.cos(angle), Math.sin(angle)] as const
    return edgeAbout(
      light,
      { x: middle.x + (way[0] * size) / 2, y: middle.y + (way[1] * size) / 2 },
      way,
      1.6 * LOOKED * size,
    )
  }).flatMap((place) => (place ? [{ x: (place.x - middle.x) / size, y: (place.y - middle.y) / size }] : []))
  if (rim.length < 60) throw new Unmeasured('scale-unread')
  // a x² + b x y + c y² + d x + e y = 1, by least squares; what lies far off is another thing beside it.
  let kept = rim
  let q = [0, 0, 0, 0, 0]
  const rowOf = ({ x, y }: Point) => [x * x, x * y, y * y, x, y]
  const missOf = (place: Point) => Math.abs(rowOf(place).reduce((sum, each, i) => sum + each * q[i]!, 0) - 1) / 4
  for (let turn = 0; turn < 4; turn++) {
    const design = new Matrix(kept.map(rowOf))
    const normal = design.transpose().mmul(design)
    q = solve(normal, design.transpose().mmul(Matrix.ones(kept.length, 1))).to1DArray()
    const bound = Math.max(0.002, 3.5 * median(rim.map(missOf)))
    kept = rim.filter((place) => missOf(place) <= bound)
    if (kept.length < 45) throw new Unmeasured('scale-unread')
  }
  const [a, b, c, d, e] = q as [number, number, number, number, number]
  const determinant = 4 * a * c - b * b
  const centre = { x: (b * e - 2 * c * d) / determinant, y: (b * d - 2 * a * e) / determinant }
  const level = 1 + a * centre.x ** 2 + b * centre.x * centre.y + c * centre.y ** 2
  const miss = median(kept.map(missOf)) * size
  if (!(determinant > 0) || !(level > 0) || miss > 1.5) throw new Unmeasured('scale-unread')
  const [mean, apart] = [(a + c) / 2, Math.hypot((a - c) / 2, b / 2)]
  const lean = Math.acos(Math.sqrt((mean - apart) / (mean + apart)))
  if (lean > LEANS_TOO_MUCH) throw new Unmeasured('slanted')
  const [ux, uy] = [(last.x - first.x) / size, (last.y - first.y) / size]
  // Its outline made round again: a step counts by the outline's own width in its direction, and at right angles to the strip as the circle has them.
  const about = [a * ux + (b * uy) / 2, (b * ux) / 2 + c * uy]
  const long = Math.sqrt((a * ux * ux + b * ux * uy + c * uy * uy) * level)
  const seen = { x: middle.x + size * centre.x, y: middle.y + size * centre.y }
  return {
    at: ({ x, y }) => 0.5 + ((about[0]! * (x - seen.x)) / size + (about[1]! * (y - seen.y)) / size) / (2 * long),
    sigmaBetween: (one, other) =>
      Math.hypot(
        leaning(light, seen, one, other, size, Math.max(0.04, lean)),
        (Math.hypot(one.x - other.x, one.y - other.y) / size) * (0.5 / size),
      ),
    pixels: (2 * size) / Math.sqrt((a * ux * ux + b * ux * uy + c * uy * uy) / level),
    residual: miss,
  }
}
