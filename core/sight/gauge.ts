import { dialOf, type GaugeTaps, turnOf } from './dial'
import { lightOf, type Plane } from './light'
import { firstNeedle, learn, type NotSeen, pointing, polarOf } from './needle'
import { AS_IT_LAY, placeIn, type Pose, prepareTrack } from './track'
import type { Picture, Point } from './types'

/** Why a gauge is not read in a picture: its needle, or that it is not where its marks were set. */
export type GaugeUnseen = NotSeen | 'not-there' | 'dark' | 'off-scale'

/** A gauge as it is read in one picture. */
export interface GaugeRead {
  /** Pa, and its standard uncertainty by the picture alone: the gauge's own error comes on top. */
  value: number
  sigma: number
  /** Where the needle's root and tip are seen: to be drawn over the picture. */
  needle: [Point, Point]
}

/** So far below zero a needle may stand, as a part of what lies between the two lines. */
const BELOW = 0.09
/** Less than this of a dial fits: it is not there, or something lies over it. */
const FITS = 0.4

/** A gauge that is followed, picture by picture. */
export interface GaugeFollower {
  read: (picture: Picture) => GaugeRead | { unseen: GaugeUnseen }
  /** The needle stands at zero now: its own zero counts, and not the printed line. */
  zero: (read: GaugeRead) => void
}

const GREY = [0.3, 0.55, 0.15] as const

/** Light with a camera's curve left in by half: dark needles on a dial in the shade differ from it as they do in the light. */
function greyOf(picture: Picture): Plane {
  const plane = lightOf(picture, GREY)
  for (let i = 0; i < plane.values.length; i++) plane.values[i] = Math.sqrt(plane.values[i]!)
  return plane
}

/** Light of the brighter parts of a picture. */
function brightOf({ values }: Plane): number {
  const some = Array.from({ length: 400 }, (_, i) => values[Math.floor((i * values.length) / 400)]!)
  return some.sort((one, other) => one - other)[360]!
}

/**
 * A gauge by the picture in which its marks were set.
 *
 * @returns why its needle is not found there, or what follows it
 */
export function followGauge(first: Picture, taps: GaugeTaps): GaugeFollower | { unseen: GaugeUnseen } {
  const light = greyOf(first)
  const dial = dialOf(light, taps)
  if (!(dial.radius > 25) || !(dial.sweep > 0.3)) return { unseen: 'not-there' }
  const asItIs = { gain: 1, haze: 0 }
  const known = firstNeedle(polarOf(light, dial, AS_IT_LAY, asItIs), dial.radius)
  if (typeof known === 'string') return { unseen: known }
  const { needle, at } = known
  const near = (angle: number) => Math.abs(Math.atan2(Math.sin(angle), Math.cos(angle)))
  const track = prepareTrack(light, dial.centre, 1.18 * dial.radius, (u, v) => {
    const [x, y] = dial.round(u, v)
    const away = Math.hypot(x, y)
    return away < 0.25 * dial.radius || near(Math.atan2(y, x) - at.angle) < Math.min(0.5, (0.09 * dial.radius) / away)
  })
  const needleIn = (lies: Pose, angle: number): [Point, Point] => {
    const [c, s] = [Math.cos(angle), Math.sin(angle)]
    const at = (r: number) => {
      const [u, v] = dial.flat(r * dial.radius * c, r * dial.radius * s)
      return placeIn(lies, dial.centre, { x: dial.centre.x + u, y: dial.centre.y + v })
    }
    return [at(0), at(0.9)]
  }
  let pose = AS_IT_LAY
  let atRest = 0
  let lost = 0

  return {
    zero: ({ value }) => void (atRest += value / taps.at),
    read(picture) {
      const now = greyOf(picture)
      let found = track(now, pose)
      // What was lost may lie where it lay at first.
      if (found.fits < FITS && lost > 2) {
        const again = track(now, AS_IT_LAY)
        if (again.fits > found.fits) found = again
      }
      // What lies over it hides its lines as darkness does: it is dark where nothing in the picture is bright.
      if (!(found.gain > 0.06) || found.fits < FITS) {
        lost++
        return { unseen: brightOf(now) < 0.2 ? ('dark' as const) : ('not-there' as const) }
      }
      const polar = polarOf(now, dial, found.pose, found)
      const seen = pointing(polar, needle, dial.radius)
      if (typeof seen === 'string') return ((lost += 1), { unseen: seen })
      lost = 0
      pose = found.pose
      learn(needle, polar, seen.angle)
      const part = dial.part(turnOf(seen.angle - dial.zero + 0.7) - 0.7) - atRest
      if (part < -BELOW) return { unseen: 'off-scale' as const }
      // Beyond the known line what is unsure of the two grows with how far.
      const sigma = Math.hypot(dial.sigma * Math.max(1, part), seen.sigma)
      return { value: taps.at * part, sigma: (taps.at * sigma) / dial.sweep, needle: needleIn(found.pose, seen.angle) }
    },
  }
}
