import { Matrix, solve } from 'ml-matrix'
import { between, median, type Plane } from './light'
import type { Point } from './types'

/** How a thing lies in a picture, of how it lay in the first: larger and turned about its middle by `a` and `b` (1 and 0 where it lies as it did), and moved, pixels. */
export interface Pose {
  a: number
  b: number
  x: number
  y: number
}
export const AS_IT_LAY: Pose = { a: 1, b: 0, x: 0, y: 0 }

/** Where a place of the first picture is seen by now. */
export const placeIn = ({ a, b, x, y }: Pose, middle: Point, place: Point): Point => {
  const [u, v] = [place.x - middle.x, place.y - middle.y]
  return { x: middle.x + a * u - b * v + x, y: middle.y + b * u + a * v + y }
}

/** What a thing is known again by: places about its middle, with the light there and how it changes. */
interface Marks {
  middle: Point
  u: Float32Array
  v: Float32Array
  light: Float32Array
  gx: Float32Array
  gy: Float32Array
}

/** A plane at half of its size, each pixel the mean of four. */
export function halved({ width, height, values }: Plane): Plane {
  const [w, h] = [width >> 1, height >> 1]
  const half = new Float32Array(w * h)
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const at = 2 * y * width + 2 * x
      half[y * w + x] = (values[at]! + values[at + 1]! + values[at + width]! + values[at + width + 1]!) / 4
    }
  return { width: w, height: h, values: half }
}

/** What fits so well is found; else it is looked for so far about, pixels. */
const FITS_WELL = 0.6
const FAR = [-9, -4.5, 0, 4.5, 9]
/** So many places at most at each size: enough for a hundredth of a pixel, few enough for ten pictures a second. */
const MOST = 700

function marksOf(plane: Plane, middle: Point, reach: number, leftOut: (u: number, v: number) => boolean): Marks {
  const found: { u: number; v: number; light: number; gx: number; gy: number }[] = []
  const at = (x: number, y: number) => plane.values[y * plane.width + x]!
  for (let y = Math.max(1, Math.ceil(middle.y - reach)); y <= Math.min(plane.height - 2, middle.y + reach); y++)
    for (let x = Math.max(1, Math.ceil(middle.x - reach)); x <= Math.min(plane.width - 2, middle.x + reach); x++) {
      const [u, v] = [x - middle.x, y - middle.y]
      if (Math.hypot(u, v) > reach || leftOut(u, v)) continue
      found.push({
        u,
        v,
        light: at(x, y),
        gx: (at(x + 1, y) - at(x - 1, y)) / 2,
        gy: (at(x, y + 1) - at(x, y - 1)) / 2,
      })
    }
  // The places where light changes most, and of those every so many, so that they lie all over it.
  found.sort((one, other) => Math.hypot(other.gx, other.gy) - Math.hypot(one.gx, one.gy))
  const best = found.slice(0, Math.ceil(found.length / 4))
  const step = Math.max(1, best.length / MOST)
  const kept = Array.from({ length: Math.floor(best.length / step) }, (_, i) => best[Math.floor(i * step)]!)
  const of = (key: 'u' | 'v' | 'light' | 'gx' | 'gy') => Float32Array.from(kept, (each) => each[key])
  return { middle, u: of('u'), v: of('v'), light: of('light'), gx: of('gx'), gy: of('gy') }
}

/** Light in the first picture, as it is seen now: so many times as bright, and so much of a haze over it. */
export interface Lit {
  gain: number
  haze: number
}

/** A pose that was found: how much of what it is known by fits. */
export interface Found extends Lit {
  pose: Pose
  fits: number
}

/**
 * Moves, turns and sizes a pose until the light at the marks is as it was, whatever lamp is on; by least squares of the differences to first order (B. D. Lucas and T. Kanade, 1981), with what does not
 * belong to it (a hand, a reflection, a needle) left out by Tukey's weights.
 */
function settled(plane: Plane, marks: Marks, from: Pose, turns: number): Found {
  const { middle, u, v, light, gx, gy } = marks
  const count = u.length
  let { a, b, x, y } = from
  let [gain, haze, fits] = [1, 0, 0]
  const seen = new Float32Array(count)
  const misses = new Float32Array(count)
  for (let turn = 0; turn < turns; turn++) {
    for (let i = 0; i < count; i++)
      seen[i] = between(plane, middle.x + a * u[i]! - b * v[i]! + x, middle.y + b * u[i]! + a * v[i]! + y)
    if (turn === 0) [gain, haze] = lampOf(light, seen)
    for (let i = 0; i < count; i++) misses[i] = seen[i]! - gain * light[i]! - haze
    const spread = 1.48 * median([...misses].filter((each) => !Number.isNaN(each)).map(Math.abs)) + 1e-3
    const most = 4.7 * spread
    const normal = Matrix.zeros(6, 6)
    const right = Matrix.zeros(6, 1)
    let within = 0
    const rows = normal.to2DArray()
    const rhs = new Array<number>(6).fill(0)
    for (let i = 0; i < count; i++) {
      const miss = misses[i]!
      if (!(Math.abs(miss) < most)) continue
      if (Math.abs(miss) < Math.max(3 * spread, 0.06 * gain) && spread < 0.12 * gain) within++
      const weight = (1 - (miss / most) ** 2) ** 2
      const [px, py] = [gain * gx[i]!, gain * gy[i]!]
      const row = [px, py, px * u[i]! + py * v[i]!, py * u[i]! - px * v[i]!, -light[i]!, -1]
      for (let j = 0; j < 6; j++) {
        for (let k = j; k < 6; k++) rows[j]![k]! += weight * row[j]! * row[k]!
        rhs[j]! -= weight * row[j]! * miss
      }
    }
    for (let j = 0; j < 6; j++) {
      for (let k = 0; k < 6; k++) normal.set(j, k, k >= j ? rows[j]![k]! : rows[k]![j]!)
      normal.set(j, j, normal.get(j, j) * (1 + 1e-6) + 1e-9)
      right.set(j, 0, rhs[j]!)
    }
    fits = within / count
    const step = solve(normal, right).to1DArray()
    const bounded = (value: number, most: number) => Math.min(most, Math.max(-most, value))
    x += bounded(step[0]!, 3)
    y += bounded(step[1]!, 3)
    a += bounded(step[2]!, 0.05)
    b += bounded(step[3]!, 0.05)
    gain = Math.max(0.02, gain + step[4]!)
    haze += step[5]!
  }
  return { pose: { a, b, x, y }, gain, haze, fits }
}

/** The lamp by the middles of the brighter and the darker half. */
function lampOf(light: Float32Array, seen: Float32Array): [number, number] {
  const known = [...light.keys()].filter((i) => !Number.isNaN(seen[i]!))
  if (known.length < 20) return [1, 0]
  const cut = median(known.map((i) => light[i]!))
  const of = (values: Float32Array, isBright: boolean) =>
    median(known.filter((i) => light[i]! > cut === isBright).map((i) => values[i]!))
  const [bright, dark] = [of(light, true), of(light, false)]
  if (!(bright - dark > 0.01)) return [1, 0]
  const gain = Math.min(20, Math.max(0.05, (of(seen, true) - of(seen, false)) / (bright - dark)))
  return [gain, of(seen, false) - gain * dark]
}

/**
 * Follows a thing from picture to picture.
 *
 * @param reach how far about its middle it is known by, pixels
 * @param leftOut what is not its own there, by how far it lies from the middle
 */
export function prepareTrack(
  first: Plane,
  middle: Point,
  reach: number,
  leftOut: (u: number, v: number) => boolean,
): (plane: Plane, from: Pose) => Found {
  const sizes = [first]
  while (sizes.length < 3) sizes.push(halved(sizes.at(-1)!))
  const marks = sizes.map((plane, i) => {
    const k = 2 ** i
    // The middle of the first pixel of a halved plane lies between four.
    const at = { x: (middle.x + 0.5) / k - 0.5, y: (middle.y + 0.5) / k - 0.5 }
    return marksOf(plane, at, reach / k, (u, v) => leftOut(k * u, k * v))
  })
  return (plane, from) => {
    const halves = [plane]
    while (halves.length < 3) halves.push(halved(halves.at(-1)!))
    const finer = (start: Pose): Found => {
      let pose = start
      for (let i = 2; i > 0; i--) {
        const k = 2 ** i
        const found = settled(halves[i]!, marks[i]!, { ...pose, x: pose.x / k, y: pose.y / k }, 4)
        pose = { ...found.pose, x: found.pose.x * k, y: found.pose.y * k }
      }
      return settled(plane, marks[0]!, pose, 4)
    }
    const found = finer(from)
    if (found.fits > FITS_WELL) return found
    // Shaken far: looked for all about.
    let best = { fits: 0, start: from }
    for (const dx of FAR)
      for (const dy of FAR) {
        const start = { ...from, x: from.x + dx, y: from.y + dy }
        const { fits } = settled(halves[2]!, marks[2]!, { ...start, x: start.x / 4, y: start.y / 4 }, 3)
        if (fits > best.fits) best = { fits, start }
      }
    const again = finer(best.start)
    return again.fits > found.fits ? again : found
  }
}
