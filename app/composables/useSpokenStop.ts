/** A STOP is said again after so long, ms, as long as it stands. */
const AGAIN = 3000

/** Says STOP with its reason while there is one, again and again. */
export function useSpokenStop(why: () => string | undefined) {
  const voice = useVoice()
  let again: ReturnType<typeof setInterval> | undefined
  watch(
    why,
    (now) => {
      clearInterval(again)
      if (!now) return
      voice.say(now, 'now')
      again = setInterval(() => voice.say(now, 'now'), AGAIN)
    },
    { immediate: true },
  )
  onBeforeUnmount(() => clearInterval(again))
}
