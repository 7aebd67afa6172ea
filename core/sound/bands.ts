/** Two slow signals of a sound: its deep tones as they are, and how loud its high ones are from moment to moment. Pulses of gas are heard in the first, what they strike and blow in the second. */
export interface Bands {
  /** Samples of either in a second. */
  rate: number
  /** The last of each, oldest first; undefined until so many were heard. */
  last: (count: number) => { low: Float64Array; loud: Float64Array } | undefined
  take: (block: Float32Array) => void
  /** Share of the samples of the last second that were driven as far as a microphone goes. */
  clipped: () => number
}

/** Wanted rate of the slow signals, Hz, and the bands they come of. */
const RATE = 1200
const LOW = 420
const HIGH = 450
const SLOW = 300
/** How much of them is kept, s. */
const KEPT = 3

/** A filter of two poles with Butterworth's damping, direct form; by the bilinear transform (Oppenheim & Schafer, Discrete-Time Signal Processing, ch. 7). */
function twoPoles(kind: 'low' | 'high', hertz: number, rate: number, damping = Math.SQRT2): (x: number) => number {
  const w = Math.tan((Math.PI * hertz) / rate)
  const norm = 1 / (1 + damping * w + w * w)
  const b0 = (kind === 'low' ? w * w : 1) * norm
  const b1 = (kind === 'low' ? 2 : -2) * b0
  const a1 = 2 * (w * w - 1) * norm
  const a2 = (1 - damping * w + w * w) * norm
  let [x1, x2, y1, y2] = [0, 0, 0, 0]
  return (x) => {
    const y = b0 * x + b1 * x1 + b0 * x2 - a1 * y1 - a2 * y2
    x2 = x1
    x1 = x
    y2 = y1
    y1 = y
    return y
  }
}

/** Four poles, each pair with its own damping. */
function fourPoles(hertz: number, rate: number): (x: number) => number {
  const [first, second] = [1.848, 0.765].map((damping) => twoPoles('low', hertz, rate, damping)) as [
    (x: number) => number,
    (x: number) => number,
  ]
  return (x) => second(first(x))
}

/** @param rate samples of the sound in a second */
export function prepareBands(rate: number): Bands {
  const every = Math.max(1, Math.round(rate / RATE))
  const slow = rate / every
  const size = Math.ceil(KEPT * slow)
  const low = new Float64Array(size)
  const loud = new Float64Array(size)
  const wild = new Uint16Array(size)
  const deep = fourPoles(LOW, rate)
  const sharp = twoPoles('high', HIGH, rate)
  const calm = fourPoles(SLOW, rate)
  let [taken, within, driven] = [0, 0, 0]

  return {
    rate: slow,
    take(block) {
      for (const x of block) {
        const bass = deep(x)
        const treble = sharp(x)
        const power = calm(treble * treble)
        if (Math.abs(x) > 0.985) driven++
        if (++within < every) continue
        within = 0
        const at = taken++ % size
        low[at] = bass
        loud[at] = Math.sqrt(Math.max(0, power))
        wild[at] = driven
        driven = 0
      }
    },
    last(count) {
      if (taken < count || count > size) return undefined
      const of = (ring: Float64Array) =>
        Float64Array.from({ length: count }, (_, i) => ring[(taken - count + i) % size]!)
      return { low: of(low), loud: of(loud) }
    },
    clipped() {
      const count = Math.min(taken, Math.round(slow))
      let sum = 0
      for (let i = taken - count; i < taken; i++) sum += wild[i % size]!
      return count === 0 ? 0 : sum / (count * every)
    },
  }
}
