import { type Bands, prepareBands } from './bands'
import { combOf, type Comb, type Firings, fit, orderHeights } from './orders'
import { MOST, sizesOf, tonesOf } from './tones'

/** What an engine's speed is heard by. */
export interface EarEngine {
  /** Ways in which it may fire, with the same cycle: as its crank is taken to stand, and evenly where it may stand otherwise. */
  ways: readonly Firings[]
  /** Speeds between which it is looked for, rev/s. */
  slowest: number
  fastest: number
}

/** A speed that was heard: rev/s, its standard uncertainty, and how sure it is that it is this one and no other. */
export interface HeardSpeed {
  speed: number
  sigma: number
  /** So many s ago it stood so: in the middle of what was heard of it. */
  ago: number
  confidence: number
}
/** Why none is said: too little was heard yet, it is too loud for the microphone, no engine is made out, two speeds fit as well, it changes too fast, or it may be the mains' hum, since nobody listened before it fired. */
export type Unheard = 'too-short' | 'driven' | 'no-engine' | 'two-fit' | 'changes' | 'hum'

export interface Ear {
  take: (block: Float32Array) => void
  /** What is heard now is the shop without the engine. */
  shop: () => void
  /** Listens to what was heard last; to be asked four times a second. `about`: what the hand at the throttle said of the speed, rev/s. */
  listen: (about?: number) => HeardSpeed | { unheard: Unheard }
}

/** Long enough to tell speeds apart, s. */
const LONG = 0.8
/** Short enough that the speed changes evenly within it, s, and periods of the firing that it must hold. */
const SHORT = 0.5
const PERIODS = 9
/** Steps of speeds that are tried. */
const STEP = 1.005
/** Shares by which it may grow in a second, and steps of them. */
const SLOPE = { most: 0.24, step: 0.03 }
/** Tones within two of these are one speed. */
const SAME = 0.03
/** Worth of one listening beside what was heard before: windows overlap, and tones of an engine are no white noise. */
const WORTH = 0.28
/** How much of what was heard before counts, and how much can speak against a speed. */
const HELD = 0.6
const MOST_AGAINST = 20
const SURE = 0.995
/** Spread of what a hand says of a speed, as a share of it; and what is left of a speed that is far from it. */
const SAID = 0.27
const SAID_LEAST = 1e-4
const AGREE = 0.006
/** So much the slopes of a long and a short stretch may differ, 1/s: by more it does not change evenly. */
const BENDS = 0.15
/** And so much it may change in a second. */
const RUNS_OFF = 0.22
const SIGMA = 0.003
/** No speed is known better: an engine does not fire by a clock. Of drawn sounds 95 of 100 lie within twice of it. */
const LEAST_SIGMA = 0.0015
/** Below this nothing fits. */
const FITS = 12
/** Firings in a second that the mains hum at, and their share that is as near. */
const MAINS = [25, 30, 50, 60, 100, 120]
const HUM = 0.006

/** @param rate samples of the sound in a second */
export function prepareEar(rate: number, engine: EarEngine): Ear {
  const bands = prepareBands(rate)
  const [{ cycle, fires }] = engine.ways as [Firings]
  const revs = cycle / 360
  const speeds: number[] = []
  for (let each = engine.slowest; each <= engine.fastest; each *= STEP) speeds.push(each)
  const count = Math.ceil((MOST * revs) / engine.slowest) + 1
  const heights = engine.ways.map((way) => orderHeights(way, count))
  const combs = speeds.map((speed) => combOf(heights, speed / revs, bands.rate, LONG))
  let belief: Float64Array | undefined
  let around: TwoSignals | undefined

  function listen(about?: number): HeardSpeed | { unheard: Unheard } {
    const heard = bands.last(Math.round(LONG * bands.rate))
    if (!heard) return { unheard: 'too-short' }
    if (bands.clipped() > 0.2) return { unheard: 'driven' }
    const { worth, slopes } = search(heard, bands.rate, combs, around)
    belief = believed(worth, belief)
    const { best, confidence } = surest(speeds, belief, about)
    if (worth[best]! < FITS) return { unheard: 'no-engine' }
    if (confidence < SURE) return { unheard: 'two-fit' }
    const whole = refine(bands, heights, revs, LONG, speeds[best]!, slopes[best]!, 0.02, 0.03)
    const seconds = Math.min(LONG, Math.max(SHORT, (PERIODS * revs) / (speeds[best]! * fires.length)))
    const there = whole.speed * (1 + (whole.slope * (LONG - seconds)) / 2)
    const short = refine(bands, heights, revs, seconds, there, whole.slope, 0.04, 0.2)
    const agree = Math.abs(short.speed / there - 1) < AGREE && Math.abs(short.slope - whole.slope) < BENDS
    if (!agree || Math.abs(short.slope) > RUNS_OFF || short.sigma > SIGMA * short.speed) return { unheard: 'changes' }
    const firings = (short.speed * fires.length) / revs
    if (!around && MAINS.some((each) => Math.abs(firings / each - 1) < HUM)) return { unheard: 'hum' }
    return { speed: short.speed, sigma: Math.max(short.sigma, LEAST_SIGMA * short.speed), ago: seconds / 2, confidence }
  }
  function shop() {
    const heard = bands.last(Math.round(LONG * bands.rate))
    if (!heard) return
    const now = { low: sizesOf(heard.low), loud: sizesOf(heard.loud) }
    around = around ? { low: mixed(around.low, now.low), loud: mixed(around.loud, now.loud) } : now
    belief = undefined
  }
  return { take: bands.take, shop, listen }
}

/** The speed that is believed most, with what was said of it. */
function surest(speeds: readonly number[], belief: Float64Array, about: number | undefined) {
  const weighed = belief.map((each, i) => {
    const off = about ? Math.log(speeds[i]! / about) / SAID : 0
    return Math.exp(each) * Math.max(SAID_LEAST, Math.exp(-0.5 * off * off))
  })
  let best = 0
  for (let i = 1; i < weighed.length; i++) if (weighed[i]! > weighed[best]!) best = i
  let [near, all] = [0, 0]
  for (let i = 0; i < weighed.length; i++) {
    all += weighed[i]!
    if (Math.abs(Math.log(speeds[i]! / speeds[best]!)) < SAME) near += weighed[i]!
  }
  return { best, confidence: near / all }
}

interface TwoSignals {
  low: Float64Array
  loud: Float64Array
}

/** What is heard of a shop, the loudest of the last while slowly forgotten. */
const mixed = (before: Float64Array, now: Float64Array) => now.map((each, i) => Math.max(each, 0.9 * before[i]!))

/** Log likelihood of each speed at its best slope: what is left of the tones' variance is noise. */
function search({ low, loud }: TwoSignals, rate: number, combs: readonly Comb[], around?: TwoSignals) {
  const worth = new Float64Array(combs.length).fill(-Infinity)
  const slopes = new Float64Array(combs.length)
  for (let slope = -SLOPE.most; slope < SLOPE.most + 1e-6; slope += SLOPE.step) {
    const [of, and] = [tonesOf(low, rate, slope, around?.low), tonesOf(loud, rate, slope, around?.loud)]
    for (let i = 0; i < combs.length; i++) {
      const now = gain(fit(combs[i]!, of), LONG) + gain(fit(combs[i]!, and), LONG)
      if (now <= worth[i]!) continue
      worth[i] = now
      slopes[i] = slope
    }
  }
  return { worth, slopes }
}

/** By independent values: a tone for each so many seconds, up to the highest. */
const gain = (r: number, seconds: number) => -0.5 * MOST * seconds * Math.log(1 - Math.max(0, r) ** 2)

/** What speaks for each speed after this listening, beside what did before it: a mean over a second or so, since what misleads once misleads again. */
function believed(worth: Float64Array, before: Float64Array | undefined): Float64Array {
  const most = Math.max(...worth)
  const now = worth.map((each) => Math.max(-MOST_AGAINST, WORTH * (each - most)))
  if (!before) return now
  // So far a speed goes in a quarter of a second, in steps.
  const reach = Math.round(Math.log(1.03) / Math.log(STEP))
  return now.map((each, i) => {
    let held = -Infinity
    for (let j = Math.max(0, i - reach); j <= Math.min(now.length - 1, i + reach); j++)
      held = Math.max(held, before[j]!)
    return each + HELD * (held - each)
  })
}

/** Speed in the middle of the last `seconds`, near one that is known, by finer steps of speed and slope; its spread by how fast the fit falls off about it. */
function refine(
  bands: Bands,
  heights: readonly Float64Array[],
  revs: number,
  seconds: number,
  near: number,
  slopeNear: number,
  about: number,
  slopeAbout: number,
): { speed: number; slope: number; sigma: number } {
  const { low, loud } = bands.last(Math.round(seconds * bands.rate))!
  const tried: { speed: number; slope: number; worth: number }[] = []
  const step = about / 24
  const combs = Array.from({ length: 49 }, (_, i) => near * (1 + (i - 24) * step)).map((speed) => ({
    speed,
    comb: combOf(heights, speed / revs, bands.rate, seconds),
  }))
  for (let k = -6; k <= 6; k++) {
    const slope = slopeNear + (k * slopeAbout) / 6
    const [of, and] = [tonesOf(low, bands.rate, slope), tonesOf(loud, bands.rate, slope)]
    for (const { speed, comb } of combs)
      tried.push({
        speed,
        slope,
        worth: gain(fit(comb, of), seconds) + gain(fit(comb, and), seconds),
      })
  }
  const best = tried.reduce((a, b) => (b.worth > a.worth ? b : a))
  let [sum, mean, squares] = [0, 0, 0]
  for (const { speed, worth } of tried) {
    const weight = Math.exp(worth - best.worth)
    sum += weight
    mean += weight * speed
    squares += weight * speed * speed
  }
  mean /= sum
  return {
    slope: best.slope,
    speed: mean,
    sigma: Math.sqrt(Math.max(squares / sum - mean * mean, (0.3 * step * near) ** 2)),
  }
}
