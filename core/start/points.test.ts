import type { BriefField } from '../parts/list'
import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { requireValue } from '../engine/values'
import { deviation, flickerOf, mean, scatterAboutRise } from '../quantity/mean'
import type { RunSample } from './watchTypes'
import { pointAt, prepareCapture } from './points'

const sheet = DEMO_BUILDS.ottiline()
const of = (key: BriefField) => requireValue(sheet, `brief.${key}`).value
const [idle, coldIdle, working, hot, cold] = (
  ['idleSpeed', 'coldIdleSpeed', 'workingSpeed', 'hotOil', 'coldStart'] as const
).map(of)

/** Readings ten a second from a second onward, with what moves in them. */
const stretch = (from: number, seconds: number, at: (t: number, i: number) => Partial<RunSample>): RunSample[] =>
  Array.from({ length: 10 * seconds }, (_, i) => ({
    time: from + i / 10,
    pressure: 2e5,
    speed: idle,
    temperature: hot,
    ...at(from + i / 10, i),
  }))
const capture = (samples: RunSample[]) => {
  const { take, points } = prepareCapture(sheet)
  return { told: samples.map(take).filter((point) => point !== undefined), points }
}

describe('which point a speed and temperature are', () => {
  it('the four by the brief, and nothing between them', () => {
    expect(pointAt(sheet, idle, hot)).toBe('idleHot')
    expect(pointAt(sheet, working, hot)).toBe('workingHot')
    expect(pointAt(sheet, coldIdle, cold + 5)).toBe('idleCold')
    expect(pointAt(sheet, 0.5 * (coldIdle + working), 60)).toBe('fastIdle')
    expect(pointAt(sheet, 1.1 * coldIdle, cold + 40)).toBeUndefined()
    expect(pointAt(sheet, 1.5 * working, hot)).toBeUndefined()
    expect(pointAt(sheet, 0, hot)).toBeUndefined()
  })
})

describe('a steady point', () => {
  it('is captured once speed, oil and pressure stood still for eight seconds, as their mean, and not sooner', () => {
    expect(capture(stretch(0, 7, () => ({}))).told).toEqual([])
    const { points } = capture(stretch(0, 12, (_, i) => ({ pressure: 2e5 + (i % 2 === 0 ? 2e3 : -2e3) })))
    expect(points.get('idleHot')).toMatchObject({
      name: 'idleHot',
      pressure: expect.closeTo(2e5, -2),
      speed: expect.closeTo(idle, 9),
      temperature: expect.closeTo(hot, 9),
      scatter: expect.closeTo(2e3, -1),
    })
  })
  it('is not captured while speed changes, the oil still warms or the needle swings', () => {
    expect(capture(stretch(0, 20, (t) => ({ speed: idle * (0.9 + 0.012 * t) }))).told).toEqual([])
    expect(capture(stretch(0, 20, (t) => ({ temperature: hot - 8 + 0.6 * t }))).told).toEqual([])
    expect(capture(stretch(0, 20, (t) => ({ pressure: 2e5 * (1 + 0.3 * Math.sin(3 * t)) }))).told).toEqual([])
  })
  it('takes the mechanical gauge where there is one, and nothing where a channel is missing', () => {
    expect(capture(stretch(0, 12, () => ({ gauge: 2.4e5 }))).points.get('idleHot')!.pressure).toBeCloseTo(2.4e5, 0)
    expect(capture(stretch(0, 12, () => ({ temperature: undefined }))).told).toEqual([])
  })
  it('is none above what any engine’s relief lets stand: such a reading is a fault of the sender', () => {
    expect(capture(stretch(0, 12, () => ({ pressure: 39e5 }))).told).toEqual([])
    expect(
      capture(stretch(0, 12, () => ({ pressure: 39e5, gauge: 2.4e5 }))).points.get('idleHot')!.pressure,
    ).toBeCloseTo(2.4e5, 0)
  })
  it('of one point the stiller stretch is kept, until a minute later when the newer one is', () => {
    const rough = (_: number, i: number) => ({ pressure: 2e5 + (i % 2 === 0 ? 8e3 : -8e3) })
    const still = () => ({ pressure: 2.1e5 })
    const later = (_: number, i: number) => ({ pressure: 2.2e5 + (i % 2 === 0 ? 8e3 : -8e3) })
    const { take, points } = prepareCapture(sheet)
    const feed = (samples: RunSample[]) => samples.forEach(take)
    feed(stretch(0, 10, rough))
    expect(points.get('idleHot')!.scatter).toBeGreaterThan(5e3)
    feed(stretch(30, 10, still))
    expect(points.get('idleHot')!.pressure).toBeCloseTo(2.1e5, 0)
    feed(stretch(60, 10, later))
    expect(points.get('idleHot')!.pressure).toBeCloseTo(2.1e5, 0)
    feed(stretch(140, 10, later))
    expect(points.get('idleHot')!.pressure).toBeCloseTo(2.2e5, -3)
  })
})

describe('mean, deviation, flicker', () => {
  it('by hand: 2 4 4 4 5 5 7 9 have mean 5 and deviation 2', () => {
    expect([mean([2, 4, 4, 4, 5, 5, 7, 9]), deviation([2, 4, 4, 4, 5, 5, 7, 9])]).toEqual([5, 2])
  })
  it('a sender’s own noise is no flicker, a needle that swings is, and near nothing it is measured against 20 kPa', () => {
    const swing = (level: number, by: number) => Array.from({ length: 40 }, (_, i) => level + (i % 2 ? by : -by))
    expect(flickerOf(swing(2e5, 3e3))).toBe(0)
    expect(flickerOf(swing(2e5, 4e4))).toBeCloseTo(Math.sqrt(4e4 ** 2 - 4e3 ** 2) / 2e5, 6)
    expect(flickerOf(swing(1e3, 1e4))).toBeCloseTo(Math.sqrt(1e4 ** 2 - 4e3 ** 2) / 20e3, 6)
  })
  it('what comes up by a slope or at once has no scatter about its rise, what falls has none, what goes up and down keeps it', () => {
    for (const rise of [
      [1, 2, 3, 4, 5],
      [1, 1, 1, 4, 4, 4],
      [7, 7, 2],
    ])
      expect(scatterAboutRise(rise)).toBe(0)
    // By hand: 1 3 2 6 rises best as 1 2.5 2.5 6, two values half off.
    expect(scatterAboutRise([1, 3, 2, 6])).toBeCloseTo(Math.sqrt((0.25 + 0.25) / 4), 12)
    const wave = Array.from({ length: 40 }, (_, i) => 2e5 + 4e4 * Math.sin((2 * Math.PI * i) / 10))
    // Half a wave at either end may pass for a rise.
    expect(scatterAboutRise(wave) / deviation(wave)).toBeGreaterThan(0.8)
  })
})
