/** True a moment after the first prediction stands: what a page asks of the slower worker waits for it, so that the first screen is not held up. */
export function useOnceShown() {
  const outlook = useOutlook()
  const shown = ref(false)
  let timer: ReturnType<typeof setTimeout> | undefined
  watch(
    () => outlook.now !== undefined,
    (now) => now && !shown.value && (timer = setTimeout(() => (shown.value = true), 500)),
    { immediate: true },
  )
  onScopeDispose(() => clearTimeout(timer))
  return shown
}
