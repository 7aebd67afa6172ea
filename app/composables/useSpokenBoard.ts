import { STOP_TITLES } from '~/words/start'
import { t } from '~/words/of/sound'
import type { Board } from '~/composables/useStartBoard'

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
  useSpokenStop(() =>
    shouting.value && stop.value ? t('voice.stop', { why: STOP_TITLES[stop.value.code] }) : undefined,
  )
}
