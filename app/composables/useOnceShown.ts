/** True a moment after the first prediction stands, or is known not to come: what a page asks of the slower worker, and its charts, wait for it, so that the first screen is not held up. */
export function useOnceShown() {
  const outlook = useOutlook()
  const shown = ref(false)
  let timer: ReturnType<typeof setTimeout> | undefined
  watch(
    () => outlook.now !== undefined || outlook.failed !== undefined,
    (now) => now && !shown.value && (timer = setTimeout(() => (shown.value = true), 500)),
    { immediate: true },
  )
  onScopeDispose(() => clearTimeout(timer))
  return shown
}
