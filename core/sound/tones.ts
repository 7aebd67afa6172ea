import FFT from 'fft.js'

/** Tones up to here are looked at, and from here on, Hz. */
export const MOST = 400
const LEAST = 4
/** What lies so near counts as about a tone, Hz either way, and which share of its mean counts as noise. */
const ABOUT = 100
const NOISE = 0.4
/** What is heard without the engine swells by so much at times. */
const SHOP = 1.3
/** Values that a spectrum is made of, whatever the length of what was heard. */
const SIZE = 2048

const fft = new FFT(SIZE)
const out = fft.createComplexArray()

/** How much stands at each tone beyond what lies about it, with mean 0 and length 1; value `i` belongs to `i` times `rate / 2048` Hz. */
export type Tones = Float64Array

export const toneStep = (rate: number): number => rate / SIZE
export const firstTone = (rate: number): number => Math.round(LEAST / toneStep(rate))
export const toneCount = (rate: number): number => Math.floor(MOST / toneStep(rate))

/**
 * Tones of a signal seen along a time that runs with the speed, so that they stand still where it changes evenly.
 *
 * @param rate samples in a second
 * @param slope by which share the speed grows in a second, in the middle of what was heard
 * @param shop what is heard without the engine, of `sizesOf` a stretch as long
 */
export function tonesOf(signal: Float64Array, rate: number, slope: number, shop?: Float64Array): Tones {
  fft.realTransform(out, alongTurns(signal, slope / rate))
  const about = Math.round(ABOUT / toneStep(rate))
  const [from, to] = [firstTone(rate), toneCount(rate)]
  const sums = new Float64Array(to + about + 2)
  const size = (i: number) => Math.max(0, Math.hypot(out[2 * i]!, out[2 * i + 1]!) - SHOP * (shop?.[i] ?? 0))
  for (let i = 0; i + 1 < sums.length; i++) sums[i + 1] = sums[i]! + size(i)
  const tones = new Float64Array(to)
  for (let i = from; i < to; i++) {
    const [first, last] = [Math.max(0, i - about), Math.min(sums.length - 1, i + about + 1)]
    tones[i] = Math.log1p(size(i) / ((NOISE * (sums[last]! - sums[first]!)) / (last - first) + 1e-12))
  }
  return levelled(tones, from)
}

/** How strong each tone of a signal is, the strongest of its neighbours where one of those is stronger. */
export function sizesOf(signal: Float64Array): Float64Array {
  fft.realTransform(out, alongTurns(signal, 0))
  const sizes = Float64Array.from({ length: SIZE / 2 }, (_, i) => Math.hypot(out[2 * i]!, out[2 * i + 1]!))
  return sizes.map((each, i) => Math.max(each, sizes[i - 1] ?? 0, sizes[i + 1] ?? 0))
}

/** Mean 0 and length 1 from a place on. */
function levelled(values: Float64Array, from: number): Float64Array {
  let mean = 0
  for (let i = from; i < values.length; i++) mean += values[i]! / (values.length - from)
  let squares = 0
  for (let i = from; i < values.length; i++) {
    values[i]! -= mean
    squares += values[i]! ** 2
  }
  const length = Math.sqrt(squares) || 1
  for (let i = from; i < values.length; i++) values[i]! /= length
  return values
}

/** The signal without its mean, under a Hann window, at equal parts of a turn. `bent`: share by which the speed grows from sample to sample. */
function alongTurns(signal: Float64Array, bent: number): number[] {
  const count = signal.length
  const seen = new Array<number>(SIZE).fill(0)
  let mean = 0
  for (const each of signal) mean += each / count
  const middle = (count - 1) / 2
  for (let i = 0; i < count; i++) {
    const turned = i - middle
    // turned = t + bent t² / 2, solved for t.
    const time = Math.abs(bent) < 1e-9 ? turned : (Math.sqrt(Math.max(0, 1 + 2 * bent * turned)) - 1) / bent
    const at = time + middle
    if (at < 0 || at > count - 1) continue
    seen[i] = (between(signal, at) - mean) * (0.5 - 0.5 * Math.cos((2 * Math.PI * (i + 0.5)) / count))
  }
  return seen
}

/** A value between samples, by Catmull and Rom's cubic. */
function between(signal: Float64Array, at: number): number {
  const from = Math.min(signal.length - 2, Math.floor(at))
  const part = at - from
  const a = signal[Math.max(0, from - 1)]!
  const b = signal[from]!
  const c = signal[from + 1]!
  const d = signal[Math.min(signal.length - 1, from + 2)]!
  return b + 0.5 * part * (c - a + part * (2 * a - 5 * b + 4 * c - d + part * (3 * (b - c) + d - a)))
}
