import type { Dial } from './dial'
import { between, median, type Plane } from './light'
import { type Lit, placeIn, type Pose } from './track'

/** What is looked at for the needle: every three quarters of a degree, inside of the lines and outside of the hub, in parts of the radius. */
export const ANGLES = 480
const RADII = Array.from({ length: 22 }, (_, i) => 0.28 + 0.02 * i)
const STEP = (2 * Math.PI) / ANGLES
const of = (degrees: number) => Math.round((degrees / 360) * ANGLES)
/** A needle's own light lies within so much of its middle; beside it lies the dial. */
const WIDE = of(8)
const BESIDE = of(11)
/** A needle differs from its dial by so much at least, and is a line for so much of its length. */
const PALEST = 0.2
const PLAIN = 0.7
const wrapped = (k: number) => ((k % ANGLES) + ANGLES) % ANGLES

/** Light about the middle of a dial as it lies now, as it would be under the lamp of the first picture: angle by angle, radius by radius. */
export type Polar = Float32Array
export function polarOf(plane: Plane, dial: Dial, pose: Pose, { gain, haze }: Lit): Polar {
  const polar = new Float32Array(ANGLES * RADII.length)
  for (let k = 0; k < ANGLES; k++) {
    const [c, s] = [Math.cos(k * STEP), Math.sin(k * STEP)]
    for (const [j, r] of RADII.entries()) {
      const [u, v] = dial.flat(r * dial.radius * c, r * dial.radius * s)
      const place = placeIn(pose, dial.centre, { x: dial.centre.x + u, y: dial.centre.y + v })
      polar[k * RADII.length + j] = (between(plane, place.x, place.y) - haze) / gain
    }
  }
  return polar
}

/** A needle as it is known: darker or lighter than its dial, by how much, and the dial as it is without it. */
export interface Needle {
  sign: 1 | -1
  contrast: number
  behind: Polar
}

/** A needle that is seen: its direction on the dial, rad, and how sure, rad. */
export interface Pointing {
  angle: number
  sigma: number
}
/** Why a needle is not read: nothing like it is seen, something lies about it, or it might be more than one. */
export type NotSeen = 'no-needle' | 'covered' | 'ambiguous'

const share = (value: number) => (Number.isNaN(value) ? 0 : Math.min(1, Math.max(0, value)))

/** How much a cell is needle rather than dial, 0 to 1 and what lies beyond. */
const needleness = (polar: Polar, { sign, contrast, behind }: Needle) =>
  Float32Array.from(polar, (each, i) => (sign * (behind[i]! - each)) / contrast)

/** How much each direction is a line with dial on both sides. */
function lines(is: Float32Array): number[] {
  const at = (k: number, j: number) => share(is[wrapped(k) * RADII.length + j]!)
  return Array.from({ length: ANGLES }, (_, k) => {
    let sum = 0
    for (let j = 0; j < RADII.length; j++)
      sum += Math.max(0, (at(k - 1, j) + at(k, j) + at(k + 1, j)) / 3 - Math.max(at(k - BESIDE, j), at(k + BESIDE, j)))
    return sum / RADII.length
  })
}

/** The needle in a picture. */
export function pointing(polar: Polar, needle: Needle, radius: number): Pointing | NotSeen {
  const is = needleness(polar, needle)
  const line = lines(is)
  const best = line.indexOf(Math.max(...line))
  if (line[best]! < 0.3) {
    const dark = is.reduce((sum, each) => sum + (each > 0.5 || Number.isNaN(each) ? 1 : 0), 0) / is.length
    return dark > 0.2 ? 'covered' : 'no-needle'
  }
  const apart = of(20)
  const second = Math.max(...line.filter((_, k) => Math.min(wrapped(k - best), wrapped(best - k)) > apart))
  if (second > 0.65 * line[best]!) return 'ambiguous'
  // How far its middle lies from that direction, radius by radius.
  const rows = RADII.flatMap((r, j) => {
    let [weights, sum, squares] = [0, 0, 0]
    let edge = 0
    for (let k = -WIDE; k <= WIDE; k++) {
      const own = is[wrapped(best + k) * RADII.length + j]!
      const weight = Math.max(0, share(own) - 0.25)
      weights += weight
      sum += weight * k
      squares += weight * k * k
    }
    for (const side of [-BESIDE, BESIDE]) edge = Math.max(edge, share(is[wrapped(best + side) * RADII.length + j]!))
    if (!(weights > 0.7) || edge > 0.4) return []
    const mean = sum / weights
    const spread = Math.sqrt(Math.max(0, squares / weights - mean * mean))
    return [{ r: r * radius, off: r * radius * STEP * mean, spread: r * radius * STEP * spread }]
  })
  if (rows.length < 0.45 * RADII.length) return 'covered'
  // A line through them that passes the middle about, since a needle stands over its dial; what lies far off it left out.
  const passes = 0.035 * radius
  let [offset, slope, scatter] = [0, 0, 1]
  for (let turn = 0; turn < 4; turn++) {
    const misses = rows.map(({ r, off }) => off - offset - slope * r)
    scatter = turn === 0 ? 3 : Math.max(0.15, 1.48 * median(misses.map(Math.abs)))
    let [w, wr, wrr, wo, wro] = [1 / passes ** 2, 0, 0, 0, 0]
    for (const [i, { r, off }] of rows.entries()) {
      const part = misses[i]! / (4.7 * scatter)
      if (Math.abs(part) >= 1) continue
      const weight = (1 - part * part) ** 2 / scatter ** 2
      w += weight
      wr += weight * r
      wrr += weight * r * r
      wo += weight * off
      wro += weight * r * off
    }
    const determinant = w * wrr - wr * wr
    if (!(determinant > 0)) return 'covered'
    offset = (wrr * wo - wr * wro) / determinant
    slope = (w * wro - wr * wo) / determinant
    if (turn === 3) {
      if (Math.abs(offset) > 0.09 * radius || scatter > 0.02 * radius) return 'covered'
      return { angle: best * STEP + Math.atan(slope), sigma: Math.sqrt(w / determinant) }
    }
  }
  return 'covered'
}

/** The dial without its needle: what lies under it as what lies on both sides of it. */
export function withoutNeedle(polar: Polar, angle: number): Polar {
  const behind = polar.slice()
  const middle = Math.round(angle / STEP)
  for (let k = -BESIDE; k <= BESIDE; k++)
    for (let j = 0; j < RADII.length; j++) {
      const [one, other] = [-BESIDE - 1, BESIDE + 1].map((side) => polar[wrapped(middle + side) * RADII.length + j]!)
      const part = (k + BESIDE + 1) / (2 * BESIDE + 2)
      behind[wrapped(middle + k) * RADII.length + j] = (1 - part) * one! + part * other!
    }
  return behind
}

/** What lies behind the needle is learnt where it does not stand, bit by bit: a reflection that comes and stays is part of the dial. */
export function learn(needle: Needle, polar: Polar, angle: number): void {
  const middle = Math.round(angle / STEP)
  for (let k = 0; k < ANGLES; k++) {
    const away = Math.min(wrapped(k - middle), wrapped(middle - k))
    if (away <= BESIDE) continue
    for (let j = 0; j < RADII.length; j++) {
      const i = k * RADII.length + j
      const change = polar[i]! - needle.behind[i]!
      // What darkens it like the needle is not taken in: a hand goes away again.
      if (Math.abs(change) < 0.35 * needle.contrast) needle.behind[i]! += 0.15 * change
      else if (needle.sign * change > 0) needle.behind[i]! += 0.02 * change
    }
  }
}

/** Finds a needle on a dial of which nothing is known yet: the one line from the middle outwards. */
export function firstNeedle(polar: Polar, radius: number): { needle: Needle; at: Pointing } | NotSeen {
  const count = RADII.length
  const ground = RADII.map((_, j) => median(Array.from({ length: ANGLES }, (_, k) => polar[k * count + j]!)))
  const even = Float32Array.from(polar, (_, i) => ground[i % count]!)
  let best: { needle: Needle; at: Pointing; line: number } | undefined
  for (const sign of [1, -1] as const) {
    const raw = needleness(polar, { sign, contrast: 1, behind: even })
    const sorted = lines(raw)
    const k = sorted.indexOf(Math.max(...sorted))
    const contrast = median(RADII.map((_, j) => raw[k * count + j]!))
    if (!(contrast > PALEST)) continue
    const needle: Needle = { sign, contrast, behind: even }
    const at = pointing(polar, needle, radius)
    if (typeof at === 'string') continue
    const line = sorted[k]! / contrast
    if (!best || line * contrast > best.line * best.needle.contrast) best = { needle, at, line }
  }
  if (!best) return 'no-needle'
  // A reflection can look like a pale needle: what is followed is a line from its root to its tip.
  if (best.line < PLAIN) return 'ambiguous'
  const needle = { ...best.needle, behind: withoutNeedle(polar, best.at.angle) }
  const at = pointing(polar, needle, radius)
  return typeof at === 'string' ? at : { needle, at }
}
