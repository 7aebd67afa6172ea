/**
 * What a control shows of a value that others keep: it follows the value, and goes back to it after a press that was not taken (refused by the record, or
 * taken as something else). A PrimeVue control keeps what was pressed by itself.
 */
export function useShown<T>(value: () => T) {
  const shown = ref(value()) as Ref<T>
  watch(value, (now) => (shown.value = now))
  /** Called once a press was handed on. */
  const again = () => void nextTick(() => (shown.value = value()))
  return reactive({ value: shown, again }) as { value: T; again: () => void }
}
