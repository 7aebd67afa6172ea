/** A value once it has stood still for a while: what takes long is asked for when hands rest, not at every keystroke. */
export function useSettled<T>(source: () => T, wait = 450) {
  const settled = shallowRef(source())
  let timer: ReturnType<typeof setTimeout> | undefined
  watch(source, (now) => {
    clearTimeout(timer)
    timer = setTimeout(() => (settled.value = now), wait)
  })
  onScopeDispose(() => clearTimeout(timer))
  return settled
}
