import { describe, expect, it } from 'vitest'
import { drawGaugeVideo, type GaugeVideo } from '../../bin/lib/senses/gaugeVideo'
import { DEMO_BUILDS } from '../../demo/make'
import { seeded } from '../random/random'
import { watchRun } from '../start/follow'
import { followGauge, type GaugeFollower } from './gauge'
import type { Picture } from './types'

const follower = (video: GaugeVideo): GaugeFollower => {
  const followed = followGauge(video.frame(0), video.taps)
  if ('unseen' in followed) throw new Error(followed.unseen)
  return followed
}
/** The picture under another lamp. */
const lit = ({ width, height, data }: Picture, gain: number): Picture => ({
  width,
  height,
  data: Uint8ClampedArray.from(data, (each, i) => (i % 4 === 3 ? 255 : each * gain)),
})

describe('a gauge followed by a camera', () => {
  it('is read all round its scale, light dials and dark ones, while the camera shakes and the lamp flickers', () => {
    const errors: number[] = []
    for (let seed = 1; seed <= 6; seed++) {
      const at = (time: number) => 0.09 * time * 4e5
      const video = drawGaugeVideo(seeded(seed), { truth: at, hand: false })
      const gauge = follower(video)
      for (let i = 0; i < 100; i += 4) {
        const read = gauge.read(video.frame(i))
        if ('unseen' in read) continue
        errors.push(Math.abs(read.value - at(i / 10)) / video.full)
        expect(Math.abs(read.value - at(i / 10))).toBeLessThan(4 * read.sigma + 0.005 * video.full)
      }
    }
    expect(errors.length).toBeGreaterThan(130)
    errors.sort((a, b) => a - b)
    expect(errors[Math.floor(0.95 * errors.length)]).toBeLessThan(0.007)
  })
  it('says what is in its way and reads nothing: a hand, the dark, another picture; and goes on after', () => {
    const video = drawGaugeVideo(seeded(3), { truth: () => 2e5, hand: false })
    const gauge = follower(video)
    expect(gauge.read(video.frame(1))).toHaveProperty('value')
    const hand = (share: number): Picture => {
      const { width, height, data } = video.frame(2)
      return { width, height, data: data.map((each, i) => (i % (4 * width) < 4 * width * share ? 70 : each)) }
    }
    for (const share of [0.8, 1]) expect(gauge.read(hand(share))).toEqual({ unseen: 'not-there' })
    for (let i = 0; i < 4; i++) expect(gauge.read(lit(video.frame(3), 0.03))).toEqual({ unseen: 'dark' })
    const other = drawGaugeVideo(seeded(8), { truth: () => 3e5, hand: false })
    expect(gauge.read(other.frame(0))).toEqual({ unseen: 'not-there' })
    expect(gauge.read(video.frame(4))).toHaveProperty('value')
    expect(gauge.read(lit(video.frame(5), 0.7))).toHaveProperty('value')
  })
  it('is not begun with marks that are no gauge’s', () => {
    const video = drawGaugeVideo(seeded(5), { hand: false })
    const { centre, zero } = video.taps
    expect(followGauge(video.frame(0), { ...video.taps, mark: zero })).toHaveProperty('unseen')
    const blank: Picture = { width: 340, height: 320, data: new Uint8ClampedArray(4 * 340 * 320).fill(128) }
    // Where a reflection lies over the needle, it is not taken for one.
    const glaring = drawGaugeVideo(seeded(9099))
    expect(followGauge(glaring.frame(0), glaring.taps)).toHaveProperty('unseen')
    expect(followGauge(blank, { ...video.taps, centre })).toHaveProperty('unseen')
  })
  it('is read beyond the known line too, where that is one in the middle of the scale', () => {
    let high = 0
    const video = drawGaugeVideo(seeded(6), { truth: (time) => (time < 1 ? 0 : high), hand: false, calm: true })
    high = 0.92 * video.full
    const at = 0.4 * video.full
    const followed = followGauge(video.frame(0), { ...video.taps, mark: video.lineAt(at), at })
    if ('unseen' in followed) throw new Error(followed.unseen)
    const read = followed.read(video.frame(20))
    expect('value' in read && Math.abs(read.value - high) / video.full).toBeLessThan(0.012)
  })
  it('takes its rest for zero where the builder says so', () => {
    const video = drawGaugeVideo(seeded(6), { truth: (time) => (time < 1 ? 1e4 : 2.1e5), hand: false, calm: true })
    const gauge = follower(video)
    const rest = gauge.read(video.frame(2))
    if ('unseen' in rest) throw new Error(rest.unseen)
    gauge.zero(rest)
    const read = gauge.read(video.frame(20))
    expect('value' in read && Math.abs(read.value - 2e5) / video.full).toBeLessThan(0.006)
  })
  it('stops a start that loses its pressure within 1.5 s of the needle, and does not watch while a hand is in the way', () => {
    const gone = 8
    const truth = (time: number) =>
      time < 1 ? 0 : time < gone ? 3e5 * (1 - Math.exp(-(time - 1) / 0.3)) : 3e5 * Math.exp(-(time - gone) / 0.1)
    const video = drawGaugeVideo(seeded(12), { truth, hand: false })
    const gauge = follower(video)
    const watch = watchRun(DEMO_BUILDS.ottiline(), { source: 'camera' }, undefined, 0.22)
    const said = [{ time: 0.5, kind: 'act' as const, data: { action: 'fire' } }]
    let stop
    for (let i = 0; i < 100 && !stop; i++) {
      const time = i / 10
      if (i >= 50 && i < 55) {
        // A hand: nothing is read, and after two pictures it is said.
        const seen = watch.tick(time + 0.09)
        expect(seen?.blind.includes('no-readings')).toBe(i >= 51)
        continue
      }
      const read = gauge.read(video.frame(i))
      if ('value' in read) stop = watch.feed([{ time, gauge: read.value }], said.splice(0))?.stop
    }
    expect(stop).toMatchObject({ code: 'lost' })
    expect(stop!.time - gone).toBeLessThan(1.5 + 0.3)
  })
})
