import { t } from '~/words/of/passages'
import type { PassageItem } from '#core/parts/passage'
import type { Layout } from '#core/record/schema'

/** Two taps stand at least a finger apart, px. */
export const FINGER = 44
/** Where the supply begins, and the gallery's height. */
const LEFT = 40
export const GALLERY = 142
export const HEIGHT = 264

export interface RoutePlaces<T> {
  width: number
  /** Far end of the gallery. */
  end: number
  /** Pump, cooler and filter, as this engine has them. */
  stages: { name: string; x: number }[]
  mains: number[]
  taps: (T & { x: number; y: number })[]
}

/** Where pump, cooler, filter, mains and every passage stand along the oil's way, in px of the drawing. */
export function routePlaces<T extends { item: PassageItem }>(layout: Layout, items: T[]): RoutePlaces<T> {
  const names = [
    'pump',
    ...(layout.cooler || layout.coolerPlugged ? ['cooler'] : []),
    ...(layout.filter ? ['filter'] : []),
  ]
  const stageX = (i: number) => LEFT + 40 + i * 2.3 * FINGER
  const from = stageX(names.length - 1) + 1.4 * FINGER
  // Beside each main there is room for one tap of its own; beside the first and the last for their jets and plugs.
  const behind = Math.max(1, Math.ceil(items.filter(({ item }) => item.place === 'rockers').length / 2))
  const step = Math.max(FINGER, (686 - from - (1 + 1.05 * behind) * FINGER) / Math.max(1, layout.mains - 1))
  const mains = Array.from({ length: layout.mains }, (_, i) => from + FINGER + i * step)
  const end = mains[layout.mains - 1] + 1.6 * FINGER
  const gauge = mains[Math.ceil(layout.mains / 2) - 1]

  const crowd = new Map<string, number>()
  const taps = items.map((each) => {
    const { spot, x, y, dx, dy } = placeOf(each.item)
    const n = crowd.get(spot) ?? 0
    crowd.set(spot, n + 1)
    // Two over one another, then beside them.
    const [aside, up] = dx === 0 || dy === 0 ? [n, n] : [Math.floor(n / 2), n % 2]
    return { ...each, x: x + dx * aside, y: y + dy * up }
  })
  return {
    width: Math.max(730, ...taps.map(({ x }) => x + 0.6 * FINGER)),
    end,
    stages: names.map((name, i) => ({ name, x: stageX(i) })),
    mains,
    taps,
  }

  function placeOf(item: PassageItem): { spot: string; x: number; y: number; dx: number; dy: number } {
    const main = mains[(item.at ?? 1) - 1] ?? mains[0]
    const above = GALLERY - 1.05 * FINGER
    const under = GALLERY + 98
    const apart = 1.05 * FINGER
    const at = (spot: string, x: number, y: number, dx = 0, dy = 0) => ({ spot, x, y, dx, dy })
    for (const housing of ['cooler', 'filter'] as const)
      if (item.place === housing) return at(housing, stageX(names.indexOf(housing)) - 0.5 * apart, above, apart, -apart)
    if (item.kind === 'plug' && item.place === 'gallery')
      return item.at === 1 ? at('front', from - 8, GALLERY) : at('rear', end, GALLERY, 0, FINGER)
    if (item.place === 'gallery') return at('jets', mains[0] - 4, above, apart, -apart)
    if (item.place === 'rockers') return at('rockers', end + 4, above, apart, -apart)
    if (item.place === 'rod') return at('rod', mains[0], under, apart, 0)
    if (item.place === 'cam') return at('cam', mains[layout.mains - 1], under, apart, 0)
    if (item.place === 'main')
      return at(t('routePlaces.main', { at: item.at }), main + 0.5 * step, GALLERY + 0.9 * FINGER, 0, FINGER)
    if (item.place === 'turbo') return at('turbo', gauge + apart, above, apart, -apart)
    return at('gauge', gauge, above, apart, -apart)
  }
}
