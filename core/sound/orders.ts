import { firstTone, MOST, toneCount, toneStep } from './tones'

/** When cylinders fire: what an engine sounds of, by its crank. */
export interface Firings {
  /** Crank angles of the firings within a cycle, degrees. */
  fires: readonly number[]
  /** Degrees of a cycle: 720, or 360 of a two-stroke. */
  cycle: number
}

/** Where a speed would give tones, and how high: as cylinders that are all alike give them, by each way in which they may fire, and as a cycle that repeats does whatever they are like. */
export interface Comb {
  places: Int16Array
  alike: readonly { heights: Float64Array; lengths: readonly number[] }[]
  any: Float64Array
}

/** How much of the second is in what is heard: no two cylinders are alike, some engines' nearly are, and some hardly fire. */
const UNEVEN = [0.08, 0.2, 0.4, 0.6]
/** Half width of a tone under a Hann window of one second, Hz. */
const WIDTH = 1.6

/** Height of each order of the cycle, 1 where all cylinders add up; from order 1. */
export function orderHeights({ fires, cycle }: Firings, count: number): Float64Array {
  return Float64Array.from({ length: count }, (_, i) => {
    const turn = (2 * Math.PI * (i + 1)) / cycle
    const sum = (of: (x: number) => number) => fires.reduce((all, at) => all + of(turn * at), 0)
    return Math.hypot(sum(Math.cos), sum(Math.sin)) / fires.length
  })
}

/**
 * The comb of one speed.
 *
 * @param heights heights of orders, for each way in which it may fire
 * @param cycles cycles in a second, Hz
 * @param rate samples in a second of what tones were taken of
 * @param seconds how long that was
 */
export function combOf(heights: readonly Float64Array[], cycles: number, rate: number, seconds: number): Comb {
  const step = toneStep(rate)
  const [from, to] = [firstTone(rate), toneCount(rate)]
  const width = WIDTH / seconds
  const places: number[] = []
  const orders: number[] = []
  const any: number[] = []
  for (let order = 1; order * cycles < MOST + width && order <= heights[0]!.length; order++) {
    const tone = order * cycles
    const first = Math.max(from, Math.ceil((tone - width) / step))
    for (let i = first; i <= Math.min(to - 1, (tone + width) / step); i++) {
      const lobe = 0.5 + 0.5 * Math.cos((Math.PI * (i * step - tone)) / width)
      // Where two orders meet the nearer counts.
      const before = places.length - 1 - ((places[places.length - 1] ?? -1) - i)
      const isNew = before >= places.length || places.length === 0
      if (!isNew && any[before]! >= lobe) continue
      places[isNew ? places.length : before] = i
      orders[isNew ? orders.length : before] = order
      any[isNew ? any.length : before] = lobe
    }
  }
  const alike = heights.map((of) => {
    const own = Float64Array.from(any, (lobe, i) => lobe * of[orders[i]! - 1]!)
    return { heights: own, lengths: UNEVEN.map((share) => lengthOf(own, any, share, to - from)) }
  })
  return { places: Int16Array.from(places), alike, any: Float64Array.from(any) }
}

/** What makes a correlation with levelled tones of a comb's sum. */
function lengthOf(alike: Float64Array, any: readonly number[], share: number, count: number): number {
  let [sum, squares] = [0, 0]
  for (let i = 0; i < any.length; i++) {
    const each = (1 - share) * alike[i]! + share * any[i]!
    sum += each
    squares += each * each
  }
  return Math.sqrt(squares - (sum * sum) / count) || 1
}

/** How well tones fit a comb: −1 to 1. */
export function fit({ places, alike, any }: Comb, tones: Float64Array): number {
  let second = 0
  for (let i = 0; i < places.length; i++) second += any[i]! * tones[places[i]!]!
  let best = -1
  for (const { heights, lengths } of alike) {
    let first = 0
    for (let i = 0; i < places.length; i++) first += heights[i]! * tones[places[i]!]!
    for (let i = 0; i < UNEVEN.length; i++)
      best = Math.max(best, ((1 - UNEVEN[i]!) * first + UNEVEN[i]! * second) / lengths[i]!)
  }
  return best
}
