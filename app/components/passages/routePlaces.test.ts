import { describe, expect, it } from 'vitest'
import { passagesOf } from '#core/engine/catalogue'
import { newSheet, PRESETS } from '#core/record/layouts'
import type { Layout } from '#core/record/schema'
import { FINGER, HEIGHT, routePlaces } from './routePlaces'

/** All that a layout can have beside its own. */
const FULL: Partial<Layout>[] = [
  {},
  { cooler: true, coolerBypass: 'sump' },
  { coolerPlugged: true, coolerBypass: 'around' },
  { cooler: true, turbo: true, jets: true, chainTensioner: true } as Partial<Layout>,
]

describe('the oil’s way', () => {
  it.each(Object.keys(PRESETS))(
    '%s: every passage has a tap within the drawing, none nearer to another than a finger',
    (preset) => {
      for (const more of FULL) {
        const layout = { ...newSheet(preset, 'a', 'b').layout, ...more }
        const items = passagesOf(layout).map((item) => ({ item }))
        const { taps, width, mains } = routePlaces(layout, items)
        expect(taps.length).toBe(items.length)
        expect(mains.length).toBe(layout.mains)
        for (const [i, a] of taps.entries()) {
          expect(a.x, a.item.key).toBeGreaterThanOrEqual(FINGER / 2)
          expect(a.x, a.item.key).toBeLessThanOrEqual(width - FINGER / 2)
          expect(a.y, a.item.key).toBeGreaterThanOrEqual(FINGER / 2)
          expect(a.y, a.item.key).toBeLessThanOrEqual(HEIGHT - FINGER / 2)
          for (const b of taps.slice(i + 1))
            expect(Math.hypot(a.x - b.x, a.y - b.y), `${a.item.key} beside ${b.item.key}`).toBeGreaterThanOrEqual(
              FINGER,
            )
        }
      }
    },
  )
})
