import { lightOf, median, shareWashedOut } from './light'
import { contrastOf, isGlaring, type Row, rowAt } from './rows'
import { findCoin, findEdges } from './reference'
import { findLadder, LEAST_PIXELS as LEAST_DIVISION, type Ladder } from './ladder'
import { type Picture, type Point, Unmeasured } from './types'

/** What a hand has tapped in a picture of a flattened strip beside a printed scale. */
export interface StripTaps {
  /** What lies beside it: a printed scale, a thing with two straight edges (a feeler, a shell), or a round one; the first where nothing is said. */
  beside?: 'scale' | 'edges' | 'coin'
  /** First and last line of the scale; both edges, or both sides of the round thing. */
  scale: [Point, Point]
  /** Divisions between them, and how long one is, m; of a thing of known size one, and the size. */
  divisions: number
  division: number
  /** Somewhere on the strip, near the scale. */
  strip: Point
}

/** A flattened strip measured in a picture, m. */
export interface StripMeasured {
  /** Mean width, and its standard uncertainty. */
  width: number
  sigma: number
  /** Width at the two ends of what was measured: how the gap runs along the shell. */
  ends: [number, number]
  /** Standard deviation of the width along the strip, beside the taper. */
  spread: number
  /** Pixels over the width, and how wide its edges are, pixels. */
  pixels: number
  edge: number
  /** Places of its edges, to be drawn over the picture. */
  edges: { left: Point; right: Point }[]
}

/** The strip is measured so far to either side of the tap, m. */
const ALONG = 5e-3
/** Widest strip that is looked for, m; least width in pixels. */
const WIDEST = 7e-3
const LEAST_PIXELS = 9
/** Edges wider than this share of the strip are blurred. */
const BLURRED = 0.25
/** Edges wider than this share of a division, and its lines run together. */
const RUNS_TOGETHER = 0.45
/** Scale and strip further out of square than this, rad. */
const SLANTED = (8 * Math.PI) / 180
/** Standard uncertainty beyond which a width says too little, m. */
const UNCERTAIN = 25e-6
/** The same by a thing of known size, which tells less of the perspective. */
const UNCERTAIN_BESIDE = 120e-6
/** A printed scale and the plane of the paper hold to this share. */
const PRINT = 1.5e-3
/** So much of the blur may lie on one side: light that is not even, paint that shines, m per m of edge. */
const EDGE_SHARE = 0.05

/**
 * Width of a flattened plastic strip in a picture, by a printed scale that lies square to it: perspective put right by the scale's own lines, edges where half of the light
 * is, row by row along the strip.
 *
 * @throws Unmeasured with what is wrong
 */
export function measureStrip(
  picture: Picture,
  { beside = 'scale', scale: [first, last], divisions, division, strip }: StripTaps,
): StripMeasured {
  const [long, ux, uy] = alongOf(first, last)
  const pixels = long / divisions
  if (beside === 'scale' && pixels < LEAST_DIVISION) throw new Unmeasured('too-small')
  const perMetre = pixels / division
  const far = WIDEST * perMetre
  const patch = Math.max(2, 0.25e-3 * perMetre)
  const aside = (from: Point, by: number): Point => ({ x: from.x + ux * by, y: from.y + uy * by })
  const light = contrastOf(picture, strip, [aside(strip, -0.55 * far), aside(strip, 0.55 * far)], patch)
  /** What is not seen under a reflection is not seen for it. */
  const unread = () => new Unmeasured(shareWashedOut(picture, strip, 2e-3 * perMetre) > 0.1 ? 'glare' : 'strip-unread')
  if (!light) throw unread()
  const reach = ALONG * perMetre
  const place = (along: number, across: number): Point => ({
    x: strip.x + ux * across - uy * along,
    y: strip.y + uy * across + ux * along,
  })
  const rows: { along: number; row: Row }[] = []
  let [washed, looked] = [0, 0]
  let [left, right] = [0, 0]
  // From the tap outwards, each way: an edge moves little from row to row.
  for (const way of [1, -1]) {
    ;[left, right] = [NaN, NaN]
    for (let along = way === 1 ? 0 : -1; Math.abs(along) <= reach; along += way) {
      looked++
      const middle = Number.isNaN(left)
        ? rows[0]
          ? (rows[0].row.left + rows[0].row.right) / 2
          : 0
        : (left + right) / 2
      const row = rowAt(light, (across) => place(along, across), middle, far)
      if (!row) continue
      if (isGlaring(picture, (across) => place(along, across), row)) {
        washed++
        continue
      }
      rows.push({ along, row })
      ;[left, right] = [row.left, row.right]
    }
  }
  if (washed > 0.3 * looked) throw new Unmeasured('glare')
  if (rows.length < 0.5 * looked) throw washed > 0.1 * looked ? new Unmeasured('glare') : unread()
  /** The picture along the colour in which the thing of known size stands out. */
  const ofThing = () => {
    const middle = { x: (first.x + last.x) / 2, y: (first.y + last.y) / 2 }
    const found = contrastOf(picture, middle, [aside(first, -0.06 * long), aside(last, 0.06 * long)], patch)
    if (!found) throw new Unmeasured('scale-unread')
    return found
  }
  const width = median(rows.map(({ row }) => row.right - row.left))
  const edge = median(rows.map(({ row }) => row.rise))
  if (width < LEAST_PIXELS) throw new Unmeasured('too-small')
  if (!(edge < Math.min(BLURRED * width, beside === 'scale' ? RUNS_TOGETHER * pixels : Infinity)))
    throw new Unmeasured('blurred')
  const ladder =
    beside === 'scale'
      ? findLadder(lightOf(picture, [1 / 3, 1 / 3, 1 / 3]), first, last, divisions)
      : (beside === 'coin' ? findCoin : findEdges)(ofThing(), first, last)
  return judge(rows, place, ladder, division, beside === 'scale' ? UNCERTAIN : UNCERTAIN_BESIDE)
}

/** Length between two places, and the way from one to the other. */
const alongOf = (a: Point, b: Point): [number, number, number] => {
  const long = Math.hypot(b.x - a.x, b.y - a.y)
  return [long, (b.x - a.x) / long, (b.y - a.y) / long]
}

/** Straight line through places, those far off left out: value in the middle, slope, deviation. */
function straight(points: { at: number; value: number }[]): {
  value: number
  slope: number
  spread: number
  used: boolean[]
} {
  let used = points.map(() => true)
  let [value, slope, spread, centre] = [0, 0, 0, 0]
  for (let turn = 0; turn < 4; turn++) {
    const kept = points.filter((_, i) => used[i])
    centre = kept.reduce((sum, { at }) => sum + at, 0) / kept.length
    value = kept.reduce((sum, each) => sum + each.value, 0) / kept.length
    const square = kept.reduce((sum, { at }) => sum + (at - centre) ** 2, 0)
    slope = square > 0 ? kept.reduce((sum, each) => sum + (each.at - centre) * each.value, 0) / square : 0
    const miss = points.map(({ at, value: own }) => Math.abs(own - value - slope * (at - centre)))
    const bound = 3.5 * 1.4826 * median(miss.filter((_, i) => used[i])) + 1e-12
    spread = Math.sqrt(
      kept.reduce((sum, each) => sum + (each.value - value - slope * (each.at - centre)) ** 2, 0) / kept.length,
    )
    used = miss.map((each) => each <= bound)
  }
  return { value: value - slope * centre, slope, spread, used }
}

function judge(
  rows: { along: number; row: Row }[],
  place: (along: number, across: number) => Point,
  ladder: Ladder,
  division: number,
  uncertain: number,
): StripMeasured {
  const found = rows
    .map(({ along, row }) => {
      const [left, right] = [place(along, row.left), place(along, row.right)]
      const [a, b] = [ladder.at(left) * division, ladder.at(right) * division]
      return { along, row, left, right, width: Math.abs(b - a), middle: (a + b) / 2 }
    })
    .sort((a, b) => a.along - b.along)
  const pixels = median(found.map(({ row }) => row.right - row.left))
  const edge = median(found.map(({ row }) => row.rise))
  const metre = division / ladder.pixels
  const lean = straight(found.map(({ along, middle }) => ({ at: along * metre, value: middle })))
  if (Math.abs(Math.atan(lean.slope)) > SLANTED) throw new Unmeasured('slanted')
  const square = Math.cos(Math.atan(lean.slope))
  const run = straight(found.map(({ along, width }) => ({ at: along, value: width * square })))
  const kept = found.filter((_, i) => run.used[i])
  if (kept.length < 0.7 * found.length) throw new Unmeasured('strip-unread')
  const [from, to] = [kept[0]!, kept.at(-1)!]
  const width = run.value + (run.slope * (from.along + to.along)) / 2
  const centre = kept[Math.floor(kept.length / 2)]!
  // Rows side by side share what is rough about an edge: one in six tells something of its own.
  const sigma = Math.hypot(
    run.spread / Math.sqrt(Math.max(1, kept.length / 6)),
    ladder.sigmaBetween(centre.left, centre.right) * division,
    EDGE_SHARE * edge * metre,
    PRINT * width,
    // The scale itself is square to the strip only by the eye.
    0.5 * width * (1 - square),
  )
  if (sigma > uncertain) throw new Unmeasured('uncertain')
  return {
    width,
    sigma,
    ends: [from, to].map(({ along }) => run.value + run.slope * along) as [number, number],
    spread: run.spread,
    pixels,
    edge,
    edges: kept.filter((_, i) => i % 8 === 0).map(({ left, right }) => ({ left, right })),
  }
}
