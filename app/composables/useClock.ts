/** The time by the wall, ms since 1970, told anew so often. */
export function useClock(every = 250) {
  const now = ref(Date.now())
  const timer = setInterval(() => (now.value = Date.now()), every)
  onBeforeUnmount(() => clearInterval(timer))
  return now
}
