import { Matrix, solve } from 'ml-matrix'
import { between, median, type Plane } from './light'
import type { Point } from './types'

/** What a builder shows of a gauge in its picture: the middle that its needle turns about, the line of zero, and another line with what it says. */
export interface GaugeTaps {
  centre: Point
  zero: Point
  mark: Point
  /** Pressure of that line, Pa. */
  at: number
}

/** A dial as it lies in a picture: how it is looked at, and where its two lines are. */
export interface Dial {
  centre: Point
  /** From its middle to the lines, pixels. */
  radius: number
  /** Makes the dial round again: what is seen from the side is flat. */
  round: (u: number, v: number) => [number, number]
  flat: (u: number, v: number) => [number, number]
  /** Direction of zero, and how far clockwise from it the other line lies, rad. */
  zero: number
  sweep: number
  /** Where a needle stands between the two, 0 at zero and 1 at the mark, by how far clockwise from zero it is turned. */
  part: (angle: number) => number
  /** How unsure a direction between the two is by them, rad. */
  sigma: number
}

/** How unsure a line is that was found and one that was only tapped, rad; and a dial whose rim was not found, by what is not seen of a lean. */
const LINE = { found: 0.004, tapped: 0.014 }
const UNSEEN_LEAN = 0.009
/** How well its middle is tapped, as a part of the radius: it moves both lines against the needle. */
const MIDDLE = 0.012
/** How far about a tap a line is looked for, rad. */
const ABOUT = 0.045

export const turnOf = (angle: number) => ((angle % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI)

/**
 * The rim of a dial, as the ellipse that it is seen as: a matrix that makes it a circle, without turning it; undefined where no round edge is seen.
 */
function roundness(light: Plane, centre: Point, radius: number): [number, number, number] | undefined {
  const rays = 120
  const [from, to, step] = [0.9, 1.75, 0.01]
  const slopes = Array.from({ length: rays }, (_, k) => {
    const [c, s] = [Math.cos((2 * Math.PI * k) / rays), Math.sin((2 * Math.PI * k) / rays)]
    const at = (r: number) => between(light, centre.x + c * r * radius, centre.y + s * r * radius)
    return Array.from({ length: Math.round((to - from) / step) }, (_, i) =>
      Math.abs(at(from + i * step + 0.02) - at(from + i * step - 0.02)),
    )
  })
  // Where most rays have an edge: one ring of the several that a gauge has.
  const all = slopes[0]!.map((_, i) => slopes.reduce((sum, ray) => sum + (Number.isNaN(ray[i]!) ? 0 : ray[i]!), 0))
  const wide = 3
  const ring = all.map((_, i) => all.slice(Math.max(0, i - wide), i + wide + 1).reduce((sum, each) => sum + each, 0))
  const middle = ring.indexOf(Math.max(...ring))
  const rim = slopes.flatMap((ray, k) => {
    const near = ray.slice(Math.max(0, middle - 8), middle + 9)
    const best = Math.max(...near.map((each) => (Number.isNaN(each) ? 0 : each)))
    if (best < 0.05) return []
    const r = from + step * (Math.max(0, middle - 8) + near.indexOf(best))
    const angle = (2 * Math.PI * k) / rays
    return [{ x: r * Math.cos(angle), y: r * Math.sin(angle) }]
  })
  if (rim.length < 0.6 * rays) return undefined
  // a x² + b x y + c y² + d x + e y = 1, with what lies far off left out.
  const rowOf = ({ x, y }: Point) => [x * x, x * y, y * y, x, y]
  let kept = rim
  let q = [0, 0, 0, 0, 0]
  for (let turn = 0; turn < 4; turn++) {
    const design = new Matrix(kept.map(rowOf))
    const normal = design.transpose().mmul(design)
    q = solve(normal, design.transpose().mmul(Matrix.ones(kept.length, 1))).to1DArray()
    const miss = (place: Point) => Math.abs(rowOf(place).reduce((sum, each, i) => sum + each * q[i]!, 0) - 1)
    const bound = Math.max(0.02, 3 * median(rim.map(miss)))
    kept = rim.filter((place) => miss(place) <= bound)
    if (kept.length < 0.5 * rays) return undefined
  }
  const [a, b, c] = q as [number, number, number]
  const determinant = a * c - (b * b) / 4
  if (!(determinant > 0 && a > 0)) return undefined
  // The root of the form, of determinant one: stretches along the short axis alone.
  const scale = Math.sqrt(determinant)
  const root = Math.sqrt(a + c + 2 * scale)
  const m = [(a + scale) / root, b / 2 / root, (c + scale) / root] as const
  const size = Math.sqrt(m[0] * m[2] - m[1] * m[1])
  const made: [number, number, number] = [m[0] / size, m[1] / size, m[2] / size]
  // Seen so much from the side it is another edge that was taken for the rim.
  const apart = Math.hypot((made[0] - made[2]) / 2, made[1])
  return apart > 0.2 ? undefined : made
}

/** The direction of the printed line nearest to a tap, rad; undefined where there is none. */
function lineNear(light: Plane, centre: Point, flat: Dial['flat'], radius: number, about: number): number | undefined {
  const step = 0.0035
  const count = Math.round(ABOUT / step)
  const mean = (angle: number) => {
    let sum = 0
    for (let r = 0.93; r <= 1.071; r += 0.02) {
      const [u, v] = flat(r * radius * Math.cos(angle), r * radius * Math.sin(angle))
      sum += between(light, centre.x + u, centre.y + v)
    }
    return sum / 8
  }
  const values = Array.from({ length: 6 * count + 1 }, (_, i) => mean(about + (i - 3 * count) * step))
  if (values.some(Number.isNaN)) return undefined
  const ground = median(values)
  const off = values.map((each) => each - ground)
  // Lines are all dark on light, or all light on dark: as the strongest is.
  const most = off.reduce((best, each) => (Math.abs(each) > Math.abs(best) ? each : best), 0)
  if (Math.abs(most) < 0.04) return undefined
  const line = off.map((each) => Math.max(0, (each / most - 0.35) / 0.65))
  let best: { from: number; angle: number } | undefined
  for (let i = 1; i < line.length - 1; i++) {
    if (!(line[i]! > 0 && line[i]! >= line[i - 1]! && line[i]! > line[i + 1]!)) continue
    let [weights, sum] = [0, 0]
    for (let k = Math.max(0, i - 5); k <= Math.min(line.length - 1, i + 5); k++) {
      weights += line[k]!
      sum += line[k]! * k
    }
    const angle = (sum / weights - 3 * count) * step
    if (Math.abs(angle) <= ABOUT && (!best || Math.abs(angle) < best.from)) best = { from: Math.abs(angle), angle }
  }
  return best && about + best.angle
}

/** Printed lines of a dial all the way from zero to the mark and somewhat beyond: directions from its middle, rad after zero. */
function linesOf(light: Plane, { centre, radius, flat, zero, sweep }: Dial): number[] {
  const step = 0.003
  const [from, count] = [-0.06, Math.ceil((Math.min(sweep + 0.12, 2 * Math.PI) - 0) / step)]
  const values = Array.from({ length: count }, (_, i) => {
    const angle = zero + from + i * step
    let sum = 0
    for (let r = 0.94; r <= 1.061; r += 0.02) {
      const [u, v] = flat(r * radius * Math.cos(angle), r * radius * Math.sin(angle))
      sum += between(light, centre.x + u, centre.y + v) / 7
    }
    return sum
  })
  // The ground between them, since a dial is not lit evenly.
  const reach = 40
  const off = values.map((each, i) => each - median(values.slice(Math.max(0, i - reach), i + reach)))
  const sizes = off.map(Math.abs)
  const strong = [...sizes].sort((one, other) => one - other)[Math.floor(0.97 * count)]!
  if (!(strong > 0.03)) return []
  const sign = off.reduce((sum, each) => sum + (Math.abs(each) > 0.5 * strong ? Math.sign(each) : 0), 0) < 0 ? -1 : 1
  // Short lines and long, and some that the ring only touches: each by what is about it.
  const near = 55
  const least = sizes.map((_, i) => {
    const most = sizes.slice(Math.max(0, i - near), i + near).reduce((best, each) => Math.max(best, each), 0)
    return Math.max(0.3 * most, 0.12 * strong)
  })
  const lines: number[] = []
  for (let i = 0; i < count; i++) {
    let [weights, sum] = [0, 0]
    for (; i < count && sign * off[i]! > least[i]!; i++) {
      weights += sign * off[i]!
      sum += sign * off[i]! * i
    }
    if (weights > 0) lines.push(from + (sum / weights) * step)
  }
  return lines
}

/** A scale by its lines: how far about its middle was taken, in parts of the radius, and where a direction stands between zero and the mark. */
interface Scale {
  x: number
  y: number
  part: (angle: number) => number
}

/**
 * What the lines of an even scale say: they are printed in equal steps, so that where they do not stand so, the middle lies elsewhere than it was taken (a wave all round) or the dial is looked at from
 * the side (two waves). A needle turns as the latter has it and does not know of the former.
 */
function scaleOf(dial: Dial, lines: number[]): Scale | undefined {
  if (lines.length < 14) return undefined
  const gaps = lines.slice(1).map((each, i) => each - lines[i]!)
  const usual = median(gaps)
  // Steps that cannot be counted over a gap, and what is no line of the scale.
  if (
    gaps.some(
      (gap) => gap > 8.5 * usual || (gap > 1.5 * usual && Math.abs(gap / usual - Math.round(gap / usual)) > 0.3),
    )
  )
    return undefined
  let count = 0
  const places = lines.map((angle, i) => {
    if (i > 0) count += Math.max(1, Math.round(gaps[i - 1]! / usual))
    return { angle, count, weight: 1 }
  })
  if (lines.at(-1)! - lines[0]! < 0.8 * dial.sweep) return undefined
  const rowOf = (angle: number, k: number) => {
    const full = dial.zero + angle
    return [1, k, Math.sin(full), Math.cos(full), Math.sin(2 * full), Math.cos(2 * full)]
  }
  let q = [0, 0, 0, 0, 0, 0]
  for (let turn = 0; turn < 5; turn++) {
    const design = new Matrix(places.map(({ angle, count: k, weight }) => rowOf(angle, k).map((each) => weight * each)))
    const right = Matrix.columnVector(places.map(({ angle, weight }) => weight * angle))
    // Waves are small: what lines of less than a turn leave open is drawn to none.
    const normal = design.transpose().mmul(design)
    for (const i of [2, 3, 4, 5]) normal.set(i, i, normal.get(i, i) + 0.02)
    q = solve(normal, design.transpose().mmul(right)).to1DArray()
    const misses = places.map(
      ({ angle, count: k }) => angle - rowOf(angle, k).reduce((sum, each, i) => sum + each * q[i]!, 0),
    )
    const spread = Math.max(0.0015, 1.48 * median(misses.map(Math.abs)))
    if (turn === 4 && (spread > 0.008 || Math.hypot(q[2]!, q[3]!) > 0.12 || Math.hypot(q[4]!, q[5]!) > 0.06))
      return undefined
    for (const [i, place] of places.entries()) {
      const part = misses[i]! / (4.7 * spread)
      place.weight = Math.abs(part) < 1 ? 1 - part * part : 0
    }
    if (turn === 4 && places.filter(({ weight }) => weight > 0).length < 0.7 * places.length) return undefined
  }
  const [begin, step, s1, c1, s2, c2] = q as [number, number, number, number, number, number]
  /** Which line a direction as a needle has it stands at, between lines. */
  const lineAt = (angle: number) => {
    const full = 2 * (dial.zero + angle)
    return (angle - begin - s2 * Math.sin(full) - c2 * Math.cos(full)) / step
  }
  const printed = (angle: number) => {
    const full = dial.zero + angle
    return Math.round(lineAt(angle - s1 * Math.sin(full) - c1 * Math.cos(full)))
  }
  const [first, last] = [printed(0), printed(dial.sweep)]
  if (last - first < 4) return undefined
  return { x: -s1, y: c1, part: (angle) => (lineAt(angle) - first) / (last - first) }
}

/** A dial by what was tapped: looked at straight where its rim is seen, its lines taken from the print where a tap lies by one. */
export function dialOf(light: Plane, { centre, zero, mark }: GaugeTaps): Dial {
  const away = (place: Point) => Math.hypot(place.x - centre.x, place.y - centre.y)
  const radius = (away(zero) + away(mark)) / 2
  const form = roundness(light, centre, radius)
  const [a, b, c] = form ?? [1, 0, 1]
  const determinant = a * c - b * b
  const round = (u: number, v: number): [number, number] => [a * u + b * v, b * u + c * v]
  const flat = (u: number, v: number): [number, number] => [
    (c * u - b * v) / determinant,
    (a * v - b * u) / determinant,
  ]
  const about = (middle: Point): Dial => {
    const lineAt = (tap: Point) => {
      const [u, v] = round(tap.x - middle.x, tap.y - middle.y)
      const found = lineNear(light, middle, flat, Math.hypot(u, v), Math.atan2(v, u))
      return { angle: found ?? Math.atan2(v, u), sigma: found === undefined ? LINE.tapped : LINE.found }
    }
    const [one, other] = [lineAt(zero), lineAt(mark)]
    const sweep = turnOf(other.angle - one.angle)
    return {
      centre: middle,
      radius,
      round,
      flat,
      zero: one.angle,
      sweep,
      part: (angle) => angle / sweep,
      sigma: Math.hypot(one.sigma, other.sigma, form ? 0.003 : UNSEEN_LEAN, MIDDLE),
    }
  }
  const tapped = about(centre)
  const first = scaleOf(tapped, linesOf(light, tapped))
  if (!first) return tapped
  // Once more about the middle that its lines have.
  const [u, v] = flat(first.x * radius, first.y * radius)
  const dial = about({ x: centre.x + u, y: centre.y + v })
  const scale = scaleOf(dial, linesOf(light, dial))
  return scale ? { ...dial, part: scale.part, sigma: 0.005 } : tapped
}
