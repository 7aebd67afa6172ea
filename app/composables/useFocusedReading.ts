const focused = ref<string>()

/** The reading that the builder's hand is on, for the line that tells where it came from. */
export function useFocusedReading() {
  return focused
}
