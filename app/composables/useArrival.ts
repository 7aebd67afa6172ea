import { seeking } from './goToReading'

/** The page of a station may still be on its way: looked for so often, so long apart, ms. */
const TRIES = 100
const APART = 40

/**
 * A station opens at its top with the hand on its first open reading, unless a certain reading was asked for; by touch
 * the hand stays off the field, which would bring up the keys over half the screen.
 */
export function useArrival(): void {
  const route = useRoute()
  watch(
    () => route.path,
    () => arrive(route.path, TRIES),
    { flush: 'post' },
  )
  onMounted(() => arrive(route.path, TRIES))

  function arrive(path: string, tries: number) {
    if (route.path !== path || tries === 0) return
    const main = document.querySelector<HTMLElement>('main.sheet')
    const title = main?.querySelector<HTMLElement>(`[data-station="${path.split('/').pop()}"] h1`)
    if (!main || !title || !allCame()) return void setTimeout(() => arrive(path, tries - 1), APART)
    main.scrollTop = 0
    if (seeking() || main.contains(document.activeElement)) return
    const open = matchMedia('(pointer: coarse)').matches ? undefined : firstOpen(main)
    title.tabIndex = -1
    ;(open ?? title).focus({ preventScroll: true })
  }
}

/** The first reading of the open page that nobody has taken yet, an apprentice's that waits for its sign-off among those taken. */
export function firstOpen(within: ParentNode): HTMLInputElement | undefined {
  return [...within.querySelectorAll<HTMLInputElement>('input[data-reading]:not([data-waits])')].find(
    ({ value }) => value === '',
  )
}
