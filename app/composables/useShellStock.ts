import { t } from '~/words/of/bearings'
import type { BearingSet } from '#core/parts/bearingReadings'

/** Halves of shells on the shelf that fit the open build: those that are free, and those that it holds already. */
export function useShellStock(set: () => BearingSet) {
  const build = useBuild()
  const shelf = useShelf()
  return computed(() =>
    shelf
      .fitting('shell', build.sheet!.engine)
      .filter((item) => item.properties.set === set())
      .map((item) => {
        const held = shelf.shareOf(build.id, item.id)
        return {
          item,
          id: item.label,
          half: item.properties.half as 'upper' | 'lower',
          wall: shelf.figure(item, 'wall')!,
          count: item.count - item.reserved + held.reserved + held.taken,
          free: item.count,
        }
      }),
  )
}

/** How a wall is said: as what it is over or under the standard one. */
export function wallWords(wall: number, say: (value: number) => string): string {
  return Math.abs(wall) < 5e-7
    ? t('useShellStock.standard')
    : t(wall > 0 ? 'useShellStock.thicker' : 'useShellStock.thinner', { by: say(Math.abs(wall)) })
}
