import { describe, expect, it } from 'vitest'
import { drawStripPhoto } from '../../bin/lib/senses/stripPhoto'
import { seeded } from '../random/random'
import { measureStrip } from './strip'
import { Unmeasured } from './types'

const refusal = (work: () => unknown): string => {
  try {
    work()
    return 'measured'
  } catch (error) {
    if (error instanceof Unmeasured) return error.code
    throw error
  }
}

// A share of `npm run bench:senses`. Pictures are drawn by a pinhole over a bench: it knows nothing of ladders, and the measurement nothing of cameras.
describe('a flattened strip in a photo', () => {
  it('is measured within 0.03 mm, within twice what it states, whatever the camera’s lean, blur, noise and light', () => {
    for (let seed = 1; seed <= 6; seed++) {
      const { picture, taps, width } = drawStripPhoto(seeded(seed))
      const { width: found, sigma, ends, edges } = measureStrip(picture, taps)
      const error = Math.abs(1e3 * found - width)
      expect(error, `photo ${seed}`).toBeLessThan(0.03)
      expect(error, `photo ${seed}`).toBeLessThan(4e3 * sigma)
      expect(sigma).toBeLessThan(15e-6)
      expect((ends[0] + ends[1]) / 2).toBeCloseTo(found, 6)
      expect(edges.length).toBeGreaterThan(10)
    }
  })
  it('beside a coin or a feeler’s blade is measured within twice what it states, which is more', () => {
    for (const beside of ['coin', 'edges'] as const)
      for (const seed of [300, 301, 306, 307]) {
        const { picture, taps, width } = drawStripPhoto(seeded(seed), undefined, beside)
        const { width: found, sigma } = measureStrip(picture, taps)
        expect(Math.abs(1e3 * found - width), `${beside} ${seed}`).toBeLessThan(4e3 * sigma)
        expect(Math.abs(1e3 * found - width), `${beside} ${seed}`).toBeLessThan(0.15)
      }
    // What is tapped is no coin.
    const { picture, taps } = drawStripPhoto(seeded(300), undefined, 'edges')
    expect(refusal(() => measureStrip(picture, { ...taps, beside: 'coin' }))).toBe('scale-unread')
  })
  it('that is blurred, under a reflection, slanted or too far away is refused by what is wrong', () => {
    for (const [bad, codes] of [
      ['blur', ['blurred', 'uncertain']],
      ['glare', ['glare', 'strip-unread']],
      ['slant', ['slanted', 'strip-unread']],
      ['far', ['too-small']],
    ] as const) {
      const { picture, taps } = drawStripPhoto(seeded(bad === 'blur' ? 1005 : 5), bad)
      expect(codes, bad).toContain(refusal(() => measureStrip(picture, taps)))
    }
  })
  it('a scale tapped a division short, or counted wrongly, is refused rather than taken for another', () => {
    const { picture, taps } = drawStripPhoto(seeded(3))
    for (const divisions of [taps.divisions - 1, taps.divisions + 1])
      expect(
        refusal(() => measureStrip(picture, { ...taps, divisions })),
        `${divisions}`,
      ).toBe('scale-unread')
    const [first, last] = taps.scale
    const short = {
      x: last.x + (0.6 * (first.x - last.x)) / taps.divisions,
      y: last.y + (0.6 * (first.y - last.y)) / taps.divisions,
    }
    expect(refusal(() => measureStrip(picture, { ...taps, scale: [first, short] }))).toBe('scale-unread')
  })
  it('where there is none is not found', () => {
    const { picture, taps } = drawStripPhoto(seeded(4))
    expect(
      refusal(() => measureStrip(picture, { ...taps, strip: { x: taps.scale[0].x, y: taps.scale[0].y } })),
    ).not.toBe('measured')
    expect(
      refusal(() =>
        measureStrip(picture, { ...taps, scale: [taps.strip, { x: taps.strip.x + 300, y: taps.strip.y }] }),
      ),
    ).not.toBe('measured')
  })
})
