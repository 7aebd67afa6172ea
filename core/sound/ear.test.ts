import { describe, expect, it } from 'vitest'
import { drawEngineSound, type EngineSound } from '../../bin/lib/senses/engineSound'
import { DEMO_BUILDS } from '../../demo/make'
import { seeded } from '../random/random'
import { prepareEar } from './ear'
import { earEngine, firingsOf } from './firings'
import { type Firings, orderHeights } from './orders'
import { tonesOf, toneStep } from './tones'

const even = (count: number, cycle = 720) => ({
  fires: Array.from({ length: count }, (_, i) => (i * cycle) / count),
  cycle,
})
/** What was heard last of all quarters in which it was sure; where it never was, why not at the end. */
function heardOf(sound: EngineSound, ways: readonly Firings[], shop = 0, about?: number) {
  const ear = prepareEar(sound.rate, { ways, slowest: 1.5, fastest: 100 })
  const quarter = sound.rate / 4
  let heard: ReturnType<typeof ear.listen> & { at?: number } = { unheard: 'too-short' }
  for (let from = 0; from + quarter <= sound.samples.length; from += quarter) {
    ear.take(sound.samples.subarray(from, from + quarter))
    if ((from + quarter) / sound.rate <= shop) ear.shop()
    else {
      const now = ear.listen(about)
      if ('speed' in now || 'unheard' in heard) heard = { at: (from + quarter) / sound.rate, ...now }
    }
  }
  return heard
}

describe('an engine’s speed by ear', () => {
  it.each([
    ['one cylinder', even(1), 14.2],
    ['two that fire unevenly', { fires: [0, 180], cycle: 720 }, 21],
    ['three', even(3), 26.4],
    ['four, slowly', even(4), 10.3],
    ['six', even(6), 41.7],
    ['a two-stroke of three', even(3, 360), 24],
  ])('%s: within a percent of what turns, and as sure as it says', (_, way, speed) => {
    const sound = drawEngineSound(seeded(7), { ...way, speed, over: 20, before: 1, seconds: 1.5 })
    const heard = heardOf(sound, [way], 1, 1.2 * speed)
    expect(heard).toMatchObject({ confidence: expect.closeTo(1, 2) })
    if ('unheard' in heard) throw new Error('not heard')
    const stood = sound.speed(heard.at! - heard.ago)
    expect(Math.abs(heard.speed / stood - 1)).toBeLessThan(0.006)
    expect(heard.sigma / heard.speed).toBeLessThan(0.003)
    // No engine fires by a clock.
    expect(heard.sigma / heard.speed).toBeGreaterThan(0.001)
  })
  it('follows a speed that hunts, and says where it changes too fast', () => {
    const hunt = (share: number, period: number) =>
      drawEngineSound(seeded(2), {
        ...even(4),
        speed: 20,
        hunts: { share, period },
        over: 25,
        before: 1,
        seconds: 2,
        calm: true,
      })
    const slow = hunt(0.07, 6)
    const heard = heardOf(slow, [even(4)], 1, 18)
    if ('unheard' in heard) throw new Error(heard.unheard)
    expect(heard.speed / slow.speed(heard.at! - heard.ago)).toBeCloseTo(1, 2)
    expect(heardOf(hunt(0.3, 2), [even(4)], 1, 18)).toHaveProperty('unheard')
  })
  it('never says a speed between two where it steps from one to the other', () => {
    for (const [seed, step] of [3, 5, 8].flatMap((each) => [0.97, 1.02, 1.03, 1.05].map((by) => [each, by] as const))) {
      const [one, other] = [20, 20 * step].map((speed) =>
        drawEngineSound(seeded(seed), { ...even(4), speed, over: 25, seconds: 2, calm: true }),
      ) as [EngineSound, EngineSound]
      const { rate } = one
      const ear = prepareEar(rate, { ways: [even(4)], slowest: 1.5, fastest: 100 })
      ear.take(one.samples.subarray(0, 1.2 * rate))
      for (let from = 1.2 * rate; from < 2 * rate; from += 0.1 * rate) {
        ear.take(other.samples.subarray(from, from + 0.1 * rate))
        const heard = ear.listen(20)
        if ('speed' in heard)
          expect(Math.min(...[20, 20 * step].map((each) => Math.abs(heard.speed / each - 1)))).toBeLessThan(0.01)
      }
    }
  })
  it('hears none where none runs: a shop with its hum, silence, and a microphone that is driven too far', () => {
    for (let k = 0; k < 6; k++) {
      const shop = drawEngineSound(seeded(60 + k), { ...even(4), speed: 20, seconds: 2 })
      expect(heardOf(shop, [even(4)])).toHaveProperty('unheard')
    }
    const silence = { rate: 48_000, samples: new Float32Array(96_000), speed: () => 0, runs: false }
    expect(heardOf(silence, [even(4)])).toHaveProperty('unheard')
    const sound = drawEngineSound(seeded(9), { ...even(4), speed: 20, over: 20 })
    const driven = { ...sound, samples: sound.samples.map((each) => Math.sign(each)) }
    expect(heardOf(driven, [even(4)])).toMatchObject({ unheard: 'driven' })
    const short = { ...sound, samples: sound.samples.subarray(0, 24_000) }
    expect(heardOf(short, [even(4)])).toMatchObject({ unheard: 'too-short' })
  })
  it('the hum of the mains is no engine, once the shop was heard, and an engine beside it is', () => {
    const rate = 48_000
    const hum = (time: number) =>
      [1, 2, 3, 4, 5, 6].reduce((sum, order) => sum + Math.sin(2 * Math.PI * 50 * order * time) / order, 0)
    const random = seeded(4)
    const shop = Float32Array.from({ length: 3 * rate }, (_, i) => 0.1 * hum(i / rate) + 0.01 * (random() - 0.5))
    // Fifty firings in a second would be 1,500 rpm of four cylinders.
    expect(heardOf({ rate, samples: shop, speed: () => 0, runs: false }, [even(4)])).toMatchObject({ unheard: 'hum' })
    expect(heardOf({ rate, samples: shop, speed: () => 0, runs: false }, [even(4)], 1.5)).toHaveProperty('unheard')
    const engine = drawEngineSound(seeded(3), { ...even(4), speed: 18, over: 25, before: 1, seconds: 2, calm: true })
    const both = engine.samples.map((each, i) => 0.5 * each + 0.3 * shop[i]!)
    expect(heardOf({ ...engine, samples: both }, [even(4)], 1, 16)).toMatchObject({ speed: expect.closeTo(18, 0) })
  })
  it('an engine whose crank stands otherwise than its brief lets one think is heard all the same', () => {
    const { layout } = DEMO_BUILDS.talvik()
    const ways = firingsOf(layout, 'four-stroke')
    expect(ways.map(({ fires }) => fires.length)).toEqual([4, 4])
    for (const { fires } of ways) {
      const sound = drawEngineSound(seeded(3), { fires, speed: 18.3, over: 20, before: 1, seconds: 2, calm: true })
      const heard = heardOf(sound, ways, 1, 16)
      expect(heard).toMatchObject({ speed: expect.closeTo(18.3, 0) })
    }
  })
})

describe('tones along turns', () => {
  it('stand still where the speed changes as it is said to, and smear where it changes otherwise', () => {
    const rate = 1200
    const slope = 0.15
    const middle = 479.5
    // A tone of 60 Hz in the middle that rises by 15 percent in a second: its phase is 2π · 60 (t + slope t² / 2).
    const rising = Float64Array.from({ length: 960 }, (_, i) => {
      const t = (i - middle) / rate
      return Math.cos(2 * Math.PI * 60 * (t + (slope * t * t) / 2))
    })
    const at = Math.round(60 / toneStep(rate))
    const peak = (by: number) => Math.max(...tonesOf(rising, rate, by).subarray(at - 1, at + 2))
    expect(peak(slope)).toBeGreaterThan(1.1 * peak(0))
    expect(peak(slope)).toBeGreaterThan(1.1 * peak(-slope))
  })
})

describe('when an engine fires', () => {
  it('even cylinders add up in every so many orders and cancel in all others; uneven ones do not', () => {
    expect([...orderHeights(even(4), 8)].map((each) => Math.round(each))).toEqual([0, 0, 0, 1, 0, 0, 0, 1])
    const twin = orderHeights({ fires: [0, 180], cycle: 720 }, 4)
    expect([...twin]).toEqual([0.5 ** 0.5, 0, 0.5 ** 0.5, 1].map((each) => expect.closeTo(each, 9)))
  })
  it('comes of the crank: a six evenly, a two-stroke on every turn, a rotor once a turn', () => {
    const { layout } = DEMO_BUILDS.ottiline()
    const [six, ...others] = firingsOf(layout, 'four-stroke')
    expect([...six!.fires].sort((a, b) => a - b)).toEqual([0, 120, 240, 360, 480, 600])
    expect(others).toEqual([])
    expect(firingsOf(layout, 'two-stroke')).toEqual([even(6, 360)])
    expect(firingsOf({ ...layout, kind: 'rotary', cylinders: 2 }, 'four-stroke')).toEqual([even(2, 360)])
    const { slowest, fastest } = earEngine(DEMO_BUILDS.ottiline(), 'four-stroke')
    expect(slowest).toBeLessThan(3)
    expect(fastest).toBeGreaterThan(40)
  })
})
