import { normal } from '../../../core/random/random'
import type { Picture, Point } from '../../../core/sight/types'
import type { StripTaps } from '../../../core/sight/strip'
import { lookOf, photograph, type Scene, type Shot } from './camera'

/** A synthetic photo of a flattened strip on a journal with a printed scale laid beside it, and what is true of it. */
export interface StripPhoto {
  picture: Picture
  taps: StripTaps
  /** Mean width over what is measured, mm. */
  width: number
  /** What is wrong with it, where something is. */
  bad?: 'blur' | 'glare' | 'slant' | 'far'
}

/** Colours of strips and their sleeves, as light. */
const STRIPS = [
  [0.03, 0.28, 0.1],
  [0.5, 0.05, 0.05],
  [0.06, 0.14, 0.5],
] as const
/** Two sizes of strip, by the widths that they flatten to, mm. */
const SIZES = [
  [1.2, 4.3],
  [2.2, 6.2],
] as const
const DIVISIONS = 20
/** A coin and a feeler's blade that lie beside the strip, mm. */
const COIN = { x: -14.5, y: 0, across: 18.5 }
const BLADE = { x: -11, y: 0, across: 12.7 }

/** Roughness of an edge along its strip: some waves of random phase, mm. */
function roughness(random: () => number, size: number) {
  const waves = [0.35, 0.8, 1.7, 3.9].map((long) => ({
    long,
    phase: 2 * Math.PI * random(),
    size: size * normal(random),
  }))
  return (y: number) =>
    waves.reduce((sum, { long, phase, size: high }) => sum + high * Math.sin((2 * Math.PI * y) / long + phase), 0)
}

/**
 * Draws a photo by chance.
 *
 * @param bad what is to be wrong with it
 */
export function drawStripPhoto(
  random: () => number,
  bad?: StripPhoto['bad'],
  beside: NonNullable<StripTaps['beside']> = 'scale',
): StripPhoto {
  const between = (a: number, b: number) => a + (b - a) * random()
  const [least, most] = SIZES[Math.floor(2 * random())]!
  const mean = between(least, most)
  const taper = between(-0.02, 0.02) * mean
  const paint = STRIPS[Math.floor(3 * random())]!
  const [left, right] = [roughness(random, 0.008), roughness(random, 0.008)]
  const slant = bad === 'slant' ? between(0.2, 0.45) * (random() < 0.5 ? 1 : -1) : between(-0.05, 0.05)
  /** The strip stands upright at x = 0; the scale lies below it, its lines upwards from y = 8, and turned by the slant. */
  const grain = roughness(random, 0.03)
  const steel = between(0.25, 0.5)
  const longer = (k: number) => (k % 10 === 0 ? 4.5 : k % 5 === 0 ? 3.8 : 3)
  const scaleAt = [-between(8, 12), between(4.5, 6)] as const
  const scene: Scene = {
    colour(x, y) {
      // The scale's own paper.
      const [u, v] = [x - scaleAt[0], y - scaleAt[1]]
      const [s, t] = [u * Math.cos(slant) + v * Math.sin(slant), v * Math.cos(slant) - u * Math.sin(slant)]
      if (beside === 'coin' && Math.hypot(x - COIN.x, y - COIN.y) < COIN.across / 2) return [0.62, 0.55, 0.36]
      if (beside === 'edges' && Math.abs(x - BLADE.x) < BLADE.across / 2) return [0.72, 0.72, 0.74]
      if (beside === 'scale' && s > -2 && s < DIVISIONS + 2 && t > -0.8 && t < 9) {
        const k = Math.round(s)
        const line = k >= 0 && k <= DIVISIONS && Math.abs(s - k) < 0.09 && t > 0 && t < longer(k)
        return line ? [0.03, 0.03, 0.03] : [0.82, 0.82, 0.78]
      }
      const half = (mean + (taper * y) / 10) / 2
      if (x > -half + left(y) && x < half + right(y)) return paint
      const shade = steel * (1 + grain(x * 1.3) + 0.5 * grain(7 + y * 0.7))
      return [shade, shade, 1.02 * shade]
    },
  }
  const shot: Shot = {
    width: 820,
    height: 640,
    scale: bad === 'far' ? between(2, 4) : beside === 'scale' ? between(22, 34) : between(16, 21),
    // Without a scale the camera is held square over it, as well as a hand can.
    tilt:
      beside === 'scale' ? [between(-0.3, 0.3), between(-0.3, 0.3)] : [0.05 * normal(random), 0.05 * normal(random)],
    roll: between(-0.4, 0.4),
    distance: between(1.1, 2.5),
    centre: beside === 'scale' ? [between(-1, 1), 3.5 + between(-1, 1)] : [-8 + between(-1, 1), between(-1, 1)],
    blur: bad === 'blur' ? between(4, 20) : between(0.5, 2.2),
    noise: between(0.5, 5),
    light: [between(0.7, 1.15), between(0.7, 1.15)],
    random,
  }
  const { seen } = lookOf(shot)
  const onScale = (s: number, t: number): [number, number] => [
    scaleAt[0] + s * Math.cos(slant) - t * Math.sin(slant),
    scaleAt[1] + s * Math.sin(slant) + t * Math.cos(slant),
  ]
  /** A tap of a finger in a magnified picture. */
  const tap = (x: number, y: number) => {
    const place = seen(x, y)
    return { x: place.x + 1.5 * normal(random), y: place.y + 1.5 * normal(random) }
  }
  const strip = tap(0, 0)
  const sides = ({ x, y, across }: typeof COIN): [Point, Point] => [tap(x - across / 2, y), tap(x + across / 2, y)]
  if (bad === 'glare') shot.glare = { ...strip, reach: between(120, 200) }
  // What of the strip is measured: five divisions to either side of the tap, by its own edges.
  let [sum, count] = [0, 0]
  for (let y = -5; y <= 4; y += 0.01, count++) sum += mean + (taper * y) / 10 + right(y) - left(y)
  return {
    picture: photograph(scene, shot),
    taps:
      beside === 'scale'
        ? {
            scale: [tap(...onScale(0, 1.5)), tap(...onScale(DIVISIONS, 1.5))],
            divisions: DIVISIONS,
            division: 1e-3,
            strip,
          }
        : {
            beside,
            scale: sides(beside === 'coin' ? COIN : BLADE),
            divisions: 1,
            division: 1e-3 * (beside === 'coin' ? COIN : BLADE).across,
            strip,
          },
    width: sum / count,
    ...(bad ? { bad } : {}),
  }
}
