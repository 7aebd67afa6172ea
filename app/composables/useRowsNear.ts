/** So many rows are made at a time, and so far before the end of those that are made come the next. */
const ROWS = 24
const AHEAD = '600px'

/**
 * How many rows of a long list are made: a screen's, more as the end of what is made comes near, and all of them for paper. What is listed anew begins with a screen's again.
 *
 * @param end an element behind the last row
 */
export function useRowsNear(end: Readonly<Ref<Element | null>>, list: () => unknown) {
  const made = ref(ROWS)
  const printing = usePrinting()
  let seen: IntersectionObserver | undefined
  const look = () => {
    seen?.disconnect()
    if (end.value) seen?.observe(end.value)
  }
  onMounted(() => {
    seen = new IntersectionObserver(
      (all) => {
        if (!all.some(({ isIntersecting }) => isIntersecting)) return
        made.value += ROWS
        // Still in sight, it is told once more.
        void nextTick(look)
      },
      { rootMargin: AHEAD, scrollMargin: AHEAD } as IntersectionObserverInit,
    )
    look()
  })
  watch(end, look)
  onBeforeUnmount(() => seen?.disconnect())
  watch(list, () => (made.value = ROWS))
  return computed(() => (printing.value ? Infinity : made.value))
}
