import { STOP_TITLES } from '~/words/start'
import { t } from '~/words/of/sound'
import type { Board } from '~/composables/useStartBoard'

/** A STOP is said again after so long, ms, until the engine is off. */
const AGAIN = 3000

/** Says what the board of a start shows: the seconds to first pressure, that it came, that nothing is watched, and STOP. */
export function useSpokenBoard({ seen, stop, shouting, dark }: Board) {
  const voice = useVoice()
  const left = computed(() => (seen.value?.countdown === undefined ? undefined : Math.ceil(seen.value.countdown)))
  let last: number | undefined
  watch(left, (now) => {
    // The watch begins anew when the model has come: a second is said once.
    if (!now || now === last || shouting.value) return
    last = now
    voice.say(String(now), 'now')
  })
  watch(
    () => seen.value?.firstPressure !== undefined,
    (came) => came && !shouting.value && voice.say(t('voice.pressure'), 'now'),
  )
  watch(dark, (now) => now && !shouting.value && voice.say(t('voice.notWatching'), 'now'))
  let again: ReturnType<typeof setInterval> | undefined
  const sayStop = () => stop.value && voice.say(t('voice.stop', { why: STOP_TITLES[stop.value.code] }), 'now')
  watch(
    shouting,
    (now) => {
      clearInterval(again)
      if (!now) return
      sayStop()
      again = setInterval(sayStop, AGAIN)
    },
    { immediate: true },
  )
  onBeforeUnmount(() => clearInterval(again))
}
