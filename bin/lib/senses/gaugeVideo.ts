import { normal } from '../../../core/random/random'
import type { GaugeTaps } from '../../../core/sight/dial'
import type { Picture } from '../../../core/sight/types'
import { lookOf, type Shot } from './camera'
import { type DialLooks, drawnDial, FINE, HALF, RADIUS } from './gaugeDial'

/** A synthetic video of a mechanical gauge on a running engine, and what is true of it. */
export interface GaugeVideo {
  taps: GaugeTaps
  /** Where the line of a pressure is seen in the first picture, as a finger taps it. */
  lineAt: (pressure: number) => { x: number; y: number }
  /** Pictures in a second. */
  rate: number
  seconds: number
  /** Full scale, Pa. */
  full: number
  frame: (i: number) => Picture
  /** Where the needle stands, Pa, s after it began. */
  truth: (time: number) => number
  /** Whether a hand lies over some of the gauge. */
  isCovered: (time: number) => boolean
  /** When all pressure goes, s. */
  lost?: number
}

const NORMALS = 1 << 15

/**
 * Draws a video by chance: what is seen through a glass, by a camera that shakes, under a lamp that flickers, with now and then a hand in the way.
 *
 * @param over what is not left to chance
 */
export function drawGaugeVideo(
  random: () => number,
  over: Partial<Pick<GaugeVideo, 'seconds' | 'rate'>> & {
    size?: [number, number]
    truth?: (time: number) => number
    hand?: boolean
    calm?: boolean
  } = {},
): GaugeVideo {
  const between = (a: number, b: number) => a + (b - a) * random()
  const chance = (part: number) => random() < part
  const [width, height] = over.size ?? [340, 320]
  const { rate = 10, seconds = 20, calm = false } = over
  const isDark = chance(0.25)
  const full = [4e5, 7e5, 10e5][Math.floor(3 * random())]!
  const looks: DialLooks = {
    face: isDark ? between(0.02, 0.06) : between(0.55, 0.85),
    ink: isDark ? between(0.6, 0.85) : between(0.02, 0.06),
    bezel: between(0.04, 0.4),
    sweep: chance(0.8) ? (270 / 180) * Math.PI : (240 / 180) * Math.PI,
    begin: 0,
    majors: full === 4e5 ? 8 : full === 7e5 ? 7 : 10,
    minors: 5,
    needle: isDark ? between(0.6, 0.9) : between(0.01, 0.08),
  }
  // Zero lies below on the left, as it does on most.
  looks.begin = Math.PI / 2 + (2 * Math.PI - looks.sweep) / 2
  const dial = drawnDial(looks, random)
  const size = 2 * HALF * FINE
  const scale = between(3.4, 4.6) * (height / 320)
  const shot: Shot = {
    width,
    height,
    scale,
    tilt: [0.1 * normal(random), 0.1 * normal(random)],
    roll: between(-0.25, 0.25),
    distance: between(1.3, 2.6),
    centre: [between(-2, 2), between(-2, 2)],
    blur: between(0.5, 1.1),
    noise: between(0.8, 4.5),
    light: [between(0.6, 1.1), between(0.6, 1.1)],
    random,
  }
  const normals = Float32Array.from({ length: NORMALS }, () => normal(random))
  // The needle: how long, how wide at its root and its tip, its tail, and how far over the dial, mm.
  const [long, root, tip, tail, over_] = [
    between(19, 22.5),
    between(1.1, 1.7),
    between(0.25, 0.5),
    between(4, 7),
    between(1, 2.5),
  ]
  const shake = calm ? 0 : between(0, 0.5)
  const turnShake = calm ? 0 : between(0, 0.006)
  const flicker = { deep: calm ? 0 : between(0, 0.22), often: between(0.3, 4.7), band: between(0, 3) }
  const shines =
    calm || chance(0.3)
      ? []
      : Array.from({ length: 2 }, () => ({
          x: between(-22, 22),
          y: between(-22, 22),
          w: between(3, 8),
          h: between(1.5, 6),
          light: between(0.2, 0.9),
          moves: between(-0.5, 0.5),
        }))
  const levels = { idle: between(0.18, 0.45) * full, run: between(0.4, 0.85) * full }
  const [rises, later] = [between(1, 2.5), between(8, 11)]
  const lost = !over.truth && chance(0.35) ? between(12.5, 17) : undefined
  const ripple = { size: between(0, 0.012) * full, often: between(0.7, 8) }
  const hand =
    over.hand === false || (over.hand === undefined && chance(0.5))
      ? undefined
      : {
          from: between(6, 8),
          to: between(8.2, 9.5),
          side: Math.floor(4 * random()),
          much: between(-30, 20),
          finger: chance(0.4),
        }
  const truth =
    over.truth ??
    ((time: number) => {
      const rise = (at: number, tau: number) => (time < at ? 0 : 1 - Math.exp(-(time - at) / tau))
      const level = levels.run * rise(rises, 0.4) + (levels.idle - levels.run) * rise(later, 0.6)
      const here = level + ripple.size * rise(rises, 0.4) * Math.sin(2 * Math.PI * ripple.often * time)
      return lost !== undefined && time > lost ? here * Math.exp(-(time - lost) / 0.12) : here
    })
  const isCovered = (time: number) => hand !== undefined && time > hand.from - 0.4 && time < hand.to + 0.4
  /** What of the hand lies at a place of the dial: it comes in within 0.4 s. */
  function handAt(x: number, y: number, time: number): boolean {
    if (!hand || !isCovered(time)) return false
    const out = 70 * Math.max(0, (hand.from - time) / 0.4, (time - hand.to) / 0.4)
    const [s, t] = [
      [x, y],
      [-x, y],
      [y, x],
      [-y, x],
    ][hand.side]! as [number, number]
    return (
      (s < hand.much - out && (!hand.finger || Math.abs(t - 5) < 7)) ||
      (!hand.finger && s < hand.much - out + 3 * Math.sin(t / 5))
    )
  }
  const drawn = (x: number, y: number): number => {
    const [column, row] = [(x + HALF) * FINE, (y + HALF) * FINE]
    const [left, top] = [Math.floor(column), Math.floor(row)]
    if (left < 0 || top < 0 || left >= size - 1 || top >= size - 1) return 0.12
    const [u, v, at] = [column - left, row - top, top * size + left]
    return (
      (1 - v) * ((1 - u) * dial[at]! + u * dial[at + 1]!) + v * ((1 - u) * dial[at + size]! + u * dial[at + size + 1]!)
    )
  }
  const turnOf = (pressure: number) => looks.begin + (looks.sweep * pressure) / full
  const poseAt = (time: number): Shot => {
    const wave = (often: number, phase: number) => Math.sin(2 * Math.PI * often * time + phase)
    return {
      ...shot,
      centre: [shot.centre[0] + shake * wave(13.1, 1) + shake * wave(3.3, 2), shot.centre[1] + shake * wave(17.7, 4)],
      roll: shot.roll + turnShake * wave(9.2, 3),
    }
  }
  function frame(i: number): Picture {
    const time = i / rate
    const now = poseAt(time)
    const { met } = lookOf(now)
    // The plane of the dial through the pinhole: eight numbers, from four corners of the picture.
    const plane = homography(met, width, height)
    const angles = [-0.4, 0, 0.4].map((part) => turnOf(truth(time + part / 30)))
    const needles = angles.map((angle) => [Math.cos(angle), Math.sin(angle)] as const)
    const parallax = [over_ * Math.tan(now.tilt[1]), over_ * Math.tan(now.tilt[0])] as const
    const lamp = 1 + flicker.deep * Math.sin(2 * Math.PI * flicker.often * time)
    const values = new Float32Array(width * height)
    const soft = 0.5 / scale
    for (let row = 0; row < height; row++) {
      const band = 1 + 0.4 * flicker.deep * Math.sin(flicker.band + (5 * row) / height + 7 * time)
      for (let column = 0; column < width; column++) {
        const w = plane[6]! * column + plane[7]! * row + 1
        const x = (plane[0]! * column + plane[1]! * row + plane[2]!) / w
        const y = (plane[3]! * column + plane[4]! * row + plane[5]!) / w
        let light = drawn(x, y)
        if (x * x + y * y < 29 * 29) {
          const [nx, ny] = [x - parallax[0], y - parallax[1]]
          const r = Math.hypot(nx, ny)
          let needle = r < 2.6 ? 1 : 0
          for (const [c, s] of needles) {
            const [along, across] = [nx * c + ny * s, Math.abs(ny * c - nx * s)]
            if (along < -tail || along > long) continue
            const half = along < 0 ? root : root + ((tip - root) * along) / long
            needle += Math.min(1, Math.max(0, (half - across) / soft + 0.5)) / 3
          }
          light += (looks.needle - light) * Math.min(1, needle)
          for (const shine of shines) {
            const [u, v] = [(x - shine.x - shine.moves * time) / shine.w, (y - shine.y) / shine.h]
            light += shine.light * Math.exp(-u * u - v * v)
          }
        }
        if (handAt(x, y, time)) light = 0.16
        values[row * width + column] =
          light * lamp * band * (now.light[0] + ((now.light[1] - now.light[0]) * column) / width)
      }
    }
    softened(values, width, height, now.blur)
    const data = new Uint8ClampedArray(4 * width * height)
    let at = Math.floor(NORMALS * random())
    for (let k = 0; k < values.length; k++) {
      const value = Math.min(1, Math.max(0, values[k]!))
      const step = 255 * (value <= 0.0031308 ? 12.92 * value : 1.055 * value ** (1 / 2.4) - 0.055)
      for (let c = 0; c < 3; c++) data[4 * k + c] = step + now.noise * normals[(at = (at + 1) & (NORMALS - 1))]!
      data[4 * k + 3] = 255
    }
    return { width, height, data }
  }
  const { seen } = lookOf(poseAt(0))
  const tap = (x: number, y: number) => {
    const place = seen(x, y)
    return { x: place.x + normal(random), y: place.y + normal(random) }
  }
  const lineAt = (pressure: number) => tap(RADIUS * Math.cos(turnOf(pressure)), RADIUS * Math.sin(turnOf(pressure)))
  // The middle of the needle's own hub is tapped, and lies over the dial.
  return {
    lineAt,
    taps: {
      centre: tap(over_ * Math.tan(shot.tilt[1]), over_ * Math.tan(shot.tilt[0])),
      zero: lineAt(0),
      mark: lineAt(full),
      at: full,
    },
    rate,
    seconds,
    full,
    frame,
    truth,
    isCovered,
    ...(lost === undefined ? {} : { lost }),
  }
}

/** Eight numbers that take pixels to places of the bench. */
function homography(met: (x: number, y: number) => [number, number], width: number, height: number): number[] {
  const corners = [
    [0, 0],
    [width, 0],
    [0, height],
    [width, height],
  ] as const
  const rows: number[][] = []
  for (const [x, y] of corners) {
    const [u, v] = met(x, y)
    rows.push([x, y, 1, 0, 0, 0, -u * x, -u * y, u], [0, 0, 0, x, y, 1, -v * x, -v * y, v])
  }
  for (let i = 0; i < 8; i++) {
    const best = rows
      .slice(i)
      .reduce((most, row, k) => (Math.abs(row[i]!) > Math.abs(rows[i + most]![i]!) ? k : most), 0)
    ;[rows[i], rows[i + best]] = [rows[i + best]!, rows[i]!]
    for (let k = 0; k < 8; k++) {
      if (k === i) continue
      const factor = rows[k]![i]! / rows[i]![i]!
      for (let j = i; j < 9; j++) rows[k]![j]! -= factor * rows[i]![j]!
    }
  }
  return rows.map((row, i) => row[8]! / row[i]!)
}

/** Blurs by a Gaussian of a pixel or less, one way and then the other. */
function softened(values: Float32Array, width: number, height: number, sigma: number): void {
  const [w1, w2] = [Math.exp(-1 / (2 * sigma ** 2)), Math.exp(-4 / (2 * sigma ** 2))]
  const sum = 1 + 2 * w1 + 2 * w2
  const line = new Float32Array(Math.max(width, height))
  for (const [count, step, lines, next] of [
    [width, 1, height, width],
    [height, width, width, 1],
  ] as const)
    for (let l = 0; l < lines; l++) {
      const at = (i: number) => values[l * next + Math.min(count - 1, Math.max(0, i)) * step]!
      for (let i = 0; i < count; i++)
        line[i] = (at(i) + w1 * (at(i - 1) + at(i + 1)) + w2 * (at(i - 2) + at(i + 2))) / sum
      for (let i = 0; i < count; i++) values[l * next + i * step] = line[i]!
    }
}
