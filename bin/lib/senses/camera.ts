import { normal } from '../../../core/random/random'
import type { Picture } from '../../../core/sight/types'

/** A stand-in for a camera over a bench: what lies in the plane is given by its colour at each place, and seen through a pinhole with a lens that blurs and a sensor that is noisy. */
export interface Scene {
  /** Light of red, green and blue, 0 to 1, at a place of the bench, mm. */
  colour: (x: number, y: number) => readonly [number, number, number]
}
export interface Shot {
  width: number
  height: number
  /** Pixels for a mm in the middle. */
  scale: number
  /** How far the camera leans over to either side, and how it is turned, rad. */
  tilt: readonly [number, number]
  roll: number
  /** Distance in widths of the picture. */
  distance: number
  /** Place of the bench in the middle, mm. */
  centre: readonly [number, number]
  /** Standard deviation of the lens's blur, pixels. */
  blur: number
  /** Standard deviation of the sensor's noise, steps of 255. */
  noise: number
  /** Light at the left edge and at the right, 1 in the middle. */
  light: readonly [number, number]
  /** A reflection: place, pixels, and how far it reaches. */
  glare?: { x: number; y: number; reach: number }
  random: () => number
}

/** Turns of the camera about its three axes, as a matrix. */
function turned([about, across]: readonly [number, number], roll: number): number[][] {
  const [ca, sa, cb, sb, cr, sr] = [
    Math.cos(about),
    Math.sin(about),
    Math.cos(across),
    Math.sin(across),
    Math.cos(roll),
    Math.sin(roll),
  ]
  const times = (a: number[][], b: number[][]) =>
    a.map((row) => b[0]!.map((_, j) => row.reduce((sum, each, k) => sum + each * b[k]![j]!, 0)))
  return times(
    times(
      [
        [cr, -sr, 0],
        [sr, cr, 0],
        [0, 0, 1],
      ],
      [
        [1, 0, 0],
        [0, ca, -sa],
        [0, sa, ca],
      ],
    ),
    [
      [cb, 0, sb],
      [0, 1, 0],
      [-sb, 0, cb],
    ],
  )
}

/** Where a place of the bench is seen, pixels, and where the ray of a pixel meets the bench, mm. */
export function lookOf({ width, height, scale, tilt, roll, distance, centre }: Shot) {
  const r = turned(tilt, roll)
  const focus = distance * width
  const far = focus / scale
  return {
    seen(x: number, y: number): { x: number; y: number } {
      const [u, v] = [x - centre[0], y - centre[1]]
      const [a, b, c] = r.map((row) => row[0]! * u + row[1]! * v)
      const depth = far + c!
      return { x: width / 2 + (focus * a!) / depth, y: height / 2 + (focus * b!) / depth }
    },
    met(px: number, py: number): [number, number] {
      const ray = [(px - width / 2) / focus, (py - height / 2) / focus, 1]
      // The camera stands at −far along its own axis; what it sees lies where the bench's own height is nothing.
      const own = [0, 1, 2].map((i) => r[0]![i]! * ray[0]! + r[1]![i]! * ray[1]! + r[2]![i]! * ray[2]!)
      const from = [0, 1, 2].map((i) => -far * r[2]![i]!)
      const t = -from[2]! / own[2]!
      return [centre[0] + from[0]! + t * own[0]!, centre[1] + from[1]! + t * own[1]!]
    },
  }
}

/** Takes the picture. */
export function photograph({ colour }: Scene, shot: Shot): Picture {
  const { width, height, blur, noise, light, glare, random } = shot
  const look = lookOf(shot)
  const planes = [0, 1, 2].map(() => new Float32Array(width * height))
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const sum = [0, 0, 0]
      // Four rays for a pixel, at the places of four queens: no row and no column of them twice.
      for (const [dx, dy] of [
        [-0.375, -0.125],
        [-0.125, 0.375],
        [0.125, -0.375],
        [0.375, 0.125],
      ] as const) {
        const seen = colour(...look.met(x + dx, y + dy))
        for (const c of [0, 1, 2] as const) sum[c]! += seen[c] / 4
      }
      const lit = light[0] + ((light[1] - light[0]) * x) / width
      const shine = glare ? 3 * Math.exp(-((((x - glare.x) ** 2 + (y - glare.y) ** 2) / glare.reach ** 2) ** 2)) : 0
      for (const c of [0, 1, 2] as const) planes[c]![y * width + x] = sum[c]! * lit + shine
    }
  const data = new Uint8ClampedArray(4 * width * height)
  for (const [c, plane] of planes.entries()) {
    blurred(plane, width, height, blur)
    for (let i = 0; i < plane.length; i++) {
      const value = Math.min(1, Math.max(0, plane[i]!))
      const step = value <= 0.0031308 ? 12.92 * value : 1.055 * value ** (1 / 2.4) - 0.055
      data[4 * i + c] = 255 * step + noise * normal(random)
    }
  }
  for (let i = 3; i < data.length; i += 4) data[i] = 255
  return { width, height, data }
}

/** Blurs by a Gaussian, one way and then the other. */
function blurred(plane: Float32Array, width: number, height: number, sigma: number): void {
  if (sigma < 0.2) return
  const reach = Math.ceil(3 * sigma)
  const weights = Array.from({ length: 2 * reach + 1 }, (_, i) => Math.exp(-((i - reach) ** 2) / (2 * sigma ** 2)))
  const sum = weights.reduce((all, each) => all + each, 0)
  for (const [count, step, lines, next] of [
    [width, 1, height, width],
    [height, width, width, 1],
  ] as const) {
    const line = new Float32Array(count)
    for (let l = 0; l < lines; l++) {
      for (let i = 0; i < count; i++) {
        let value = 0
        for (let k = -reach; k <= reach; k++)
          value += weights[k + reach]! * plane[l * next + Math.min(count - 1, Math.max(0, i + k)) * step]!
        line[i] = value / sum
      }
      for (let i = 0; i < count; i++) plane[l * next + i * step] = line[i]!
    }
  }
}
