import { normal } from '../../../core/random/random'

/** A synthetic sound of an engine before a microphone, and what is true of it. */
export interface EngineSound {
  /** Samples in a second. */
  rate: number
  samples: Float32Array
  /** Crank speed, rev/s, s after it began. */
  speed: (time: number) => number
  /** Whether an engine runs in it at all. */
  runs: boolean
}

export interface SoundWish {
  /** Crank angles at which cylinders fire, degrees, within a cycle. */
  fires: readonly number[]
  /** Degrees of a cycle: 720, or 360 of a two-stroke. */
  cycle?: number
  seconds?: number
  /** s of the shop alone before it fires. */
  before?: number
  /** Crank speed, rev/s, and how it hunts. */
  speed: number
  hunts?: { share: number; period: number }
  /** Engine over all else, dB; undefined where none runs. */
  over?: number
  calm?: boolean
}

/** Adds one pulse of gas to the sound: rises at once, dies out within a part of a turn, then draws back. */
function pulse(into: Float32Array, rate: number, at: number, length: number, size: number): void {
  const from = Math.max(0, Math.ceil(at * rate))
  const to = Math.min(into.length, Math.ceil((at + 9 * length) * rate))
  for (let i = from; i < to; i++) {
    const x = (i / rate - at) / length
    into[i]! += size * (1 - 0.35 * x) * x * Math.exp(-x)
  }
}

/** A pipe: what is sent in comes back from its open end turned over and dulled. */
function pipe(through: Float32Array, rate: number, length: number, back: number): void {
  const delay = Math.max(2, Math.round(((2 * length) / 420) * rate))
  let dull = 0
  for (let i = delay; i < through.length; i++) {
    dull += 0.25 * (through[i - delay]! - dull)
    through[i]! -= back * dull
  }
}

/** One pole each way: what lies over, or under, so many Hz. */
function cut(through: Float32Array, rate: number, hertz: number, keeps: 'high' | 'low'): void {
  const share = 1 - Math.exp((-2 * Math.PI * hertz) / rate)
  let low = 0
  for (let i = 0; i < through.length; i++) {
    low += share * (through[i]! - low)
    through[i] = keeps === 'low' ? low : through[i]! - low
  }
}

function rms(of: Float32Array, from: number): number {
  let sum = 0
  for (let i = from; i < of.length; i++) sum += of[i]! * of[i]!
  return Math.sqrt(sum / Math.max(1, of.length - from)) || 1
}

/** What a shop sounds like without the engine: hiss that is stronger the deeper, the mains' hum, a fan, a compressor that knocks, somebody who speaks. */
function shop(length: number, rate: number, random: () => number, calm: boolean): Float32Array {
  const between = (a: number, b: number) => a + (b - a) * random()
  const out = new Float32Array(length)
  const poles = [0.997, 0.963, 0.57]
  const held = [0, 0, 0]
  for (let i = 0; i < length; i++) {
    const white = normal(random)
    for (const [j, pole] of poles.entries()) held[j] = pole * held[j]! + (1 - pole) * white * [9, 3.2, 1.4][j]!
    out[i] = held[0]! + held[1]! + held[2]! + 0.15 * white
  }
  const level = rms(out, 0)
  for (let i = 0; i < length; i++) out[i]! /= level
  if (calm) return out
  const mains = random() < 0.5 ? 50 : 60
  const hum = [1, 2, 3, 4, 6].map((order) => ({
    at: order * mains,
    size: between(0, 0.5) / order ** 0.5,
    phase: between(0, 6),
  }))
  const fan = { at: between(18, 33) * 5, size: between(0, 0.5) }
  for (let i = 0; i < length; i++) {
    const time = i / rate
    for (const { at, size, phase } of hum) out[i]! += size * Math.sin(2 * Math.PI * at * time + phase)
    out[i]! += fan.size * Math.sin(2 * Math.PI * fan.at * time + 0.6 * Math.sin(3 * time))
  }
  if (random() < 0.3) {
    const every = 1 / between(2, 12)
    for (let at = between(0, every); at < length / rate; at += every) pulse(out, rate, at, 0.004, between(2, 4))
  }
  if (random() < 0.3) {
    const from = between(0, 0.5 * (length / rate))
    const pitch = between(95, 220)
    for (let at = from; at < from + 0.9; at += 1 / (pitch * (1 + 0.1 * Math.sin(9 * at))))
      pulse(out, rate, at, 0.0005, between(2, 5))
  }
  return out
}

/** Draws the sound of an engine by chance: gas by pulses through pipes, valves that click, a room that answers, a microphone that hears no deep tone and may be driven too far. */
export function drawEngineSound(random: () => number, wish: SoundWish): EngineSound {
  const between = (a: number, b: number) => a + (b - a) * random()
  const { fires, cycle = 720, before = 0, seconds = 2, hunts, calm = false } = wish
  const rate = random() < 0.5 ? 48_000 : 44_100
  const length = Math.round((before + seconds) * rate)
  const phase = between(0, 6)
  const wobble = calm ? 0 : between(0, 0.006)
  const speed = (time: number) =>
    wish.speed *
    (1 +
      (hunts ? hunts.share * Math.sin((2 * Math.PI * time) / hunts.period + phase) : 0) +
      wobble * Math.sin(2.1 * time))
  const gas = new Float32Array(length)
  const ticks = new Float32Array(length)
  if (wish.over !== undefined) {
    const sizes = fires.map(() => 1 + (calm ? 0.05 : 0.2) * normal(random))
    // One cylinder in ten engines hardly fires.
    if (!calm && fires.length > 2 && random() < 0.1) sizes[0] = 0.15
    const late = fires.map(() => 1.5 * normal(random))
    const open = between(20, 45)
    const step = 1 / rate
    let turned = between(0, 720)
    const events = fires
      .flatMap((at, j) => [
        { at: (at + 140 + late[j]! + cycle) % cycle, j, kind: 'gas' },
        { at: (at + 350 + cycle) % cycle, j, kind: 'tick' },
        { at: (at + 12 + cycle) % cycle, j, kind: 'tick' },
      ])
      .sort((a, b) => a.at - b.at)
    let next = 0
    let laps = Math.floor(turned / cycle)
    while (next < events.length && events[next]!.at + laps * cycle < turned) next++
    for (let i = Math.round(before * rate); i < length; i++) {
      turned += 360 * speed(i * step) * step
      while (true) {
        if (next === events.length) {
          next = 0
          laps++
        }
        const { at, j, kind } = events[next]!
        if (at + laps * cycle > turned) break
        next++
        const turn = 360 * speed(i * step)
        if (kind === 'gas')
          pulse(
            gas,
            rate,
            i * step + (calm ? 0 : normal(random) * 1.2) / turn,
            open / turn,
            sizes[j]! * (1 + 0.07 * normal(random)),
          )
        else ticks[i]! += (0.6 + 0.4 * sizes[j]!) * (1 + 0.2 * normal(random))
      }
    }
    for (let k = calm ? 1 : 2; k > 0; k--) pipe(gas, rate, between(0.6, 4), between(0.2, 0.65))
    cut(gas, rate, between(180, 1500), 'low')
    const hiss = new Float32Array(length)
    let loud = 0
    let click = 0
    for (let i = 0; i < length; i++) {
      loud = Math.max(loud * Math.exp(-1 / (0.004 * rate)), Math.abs(gas[i]!))
      click = click * Math.exp(-1 / (0.0015 * rate)) + ticks[i]!
      hiss[i] = normal(random) * (0.5 * loud + between(0.1, 0.5) * click * 0.1)
    }
    cut(hiss, rate, 500, 'high')
    const [of, and] = [rms(gas, Math.round(before * rate)), rms(hiss, Math.round(before * rate))]
    const share = between(0.05, calm ? 0.3 : 0.8)
    for (let i = 0; i < length; i++) gas[i] = gas[i]! / of + (share * hiss[i]!) / and
  }
  const around = shop(length, rate, random, calm)
  const gain = 10 ** ((wish.over ?? 0) / 20) / rms(gas, Math.round(before * rate))
  const samples = new Float32Array(length)
  for (let i = 0; i < length; i++) samples[i] = (wish.over === undefined ? 0 : gain * gas[i]!) + around[i]!
  return { rate, samples: heard(samples, rate, random, calm), speed, runs: wish.over !== undefined }
}

/** What a room and a microphone make of it. */
function heard(sound: Float32Array, rate: number, random: () => number, calm: boolean): Float32Array {
  const between = (a: number, b: number) => a + (b - a) * random()
  const out = Float32Array.from(sound)
  if (!calm)
    for (let k = 0; k < 4; k++) {
      const delay = Math.round(between(0.004, 0.06) * rate)
      const size = between(0.1, 0.45)
      for (let i = delay; i < out.length; i++) out[i]! += size * sound[i - delay]!
    }
  for (let k = 0; k < (calm ? 1 : 3); k++) cut(out, rate, between(20, 120), 'high')
  let most = 0
  for (const each of out) most = Math.max(most, Math.abs(each))
  // One in six is driven too far.
  const drive = (!calm && random() < 0.17 ? between(1.5, 4) : between(0.05, 0.8)) / most
  for (let i = 0; i < out.length; i++) out[i] = Math.max(-1, Math.min(1, drive * out[i]! + 2e-4 * normal(random)))
  return out
}

const even = (count: number, cycle = 720) => Array.from({ length: count }, (_, i) => (i * cycle) / count)
/** Engines of one to eight cylinders, twins that fire unevenly and a two-stroke among them. */
const ENGINES: { fires: number[]; cycle?: number }[] = [
  { fires: [0] },
  { fires: even(2) },
  { fires: [0, 180] },
  { fires: [0, 270] },
  { fires: even(3) },
  { fires: even(3, 360), cycle: 360 },
  { fires: even(4) },
  { fires: even(4) },
  { fires: [0, 90, 360, 450] },
  { fires: even(5) },
  { fires: even(6) },
  { fires: even(6) },
  { fires: even(8) },
  { fires: even(8) },
]

/** An engine by chance: a slow or a fast idle, or working; half of them hunt. Loud beside the shop, or hardly. */
export function anyEngine(
  random: () => number,
  count: number,
): Required<Pick<SoundWish, 'speed' | 'over' | 'cycle'>> & SoundWish {
  return {
    cycle: 720,
    ...ENGINES[count % ENGINES.length]!,
    speed: random() < 0.15 ? 2.5 + 3 * random() : 10 + 50 * random() ** 2,
    ...(random() < 0.5 ? { hunts: { share: 0.02 + 0.1 * random(), period: 1.5 + 6 * random() } } : {}),
    over: 3 + 27 * random(),
  }
}
