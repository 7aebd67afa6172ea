import { remember, remembered, rememberedJson } from '~/sync/browserStorage'

/** What is said: what is wanted next, of which only the newest counts; what was taken, each of it; and what cannot wait. */
export type Said = 'ask' | 'back' | 'now'

/**
 * Words by the browser's own voice, off until somebody wants it. A voice that sends what it says over the network is none: what is measured stays in the shop.
 */
export const useVoice = defineStore('voice', () => {
  const synthesis = typeof speechSynthesis === 'undefined' ? undefined : speechSynthesis
  const on = ref(rememberedJson('uldo.voice', false))
  const name = ref(remembered('uldo.voiceName', ''))
  const voices = shallowRef<SpeechSynthesisVoice[]>([])
  watch(on, (now) => {
    remember('uldo.voice', JSON.stringify(now))
    if (!now) hush()
  })
  watch(name, (now) => remember('uldo.voiceName', now))
  function look() {
    const language = (document.documentElement.lang || 'en').slice(0, 2)
    voices.value = (synthesis?.getVoices() ?? []).filter(
      ({ localService, lang }) => localService && lang.slice(0, 2) === language,
    )
  }
  // Browsers find their voices after the page has come.
  synthesis?.addEventListener?.('voiceschanged', look)
  look()
  const voice = computed(() => voices.value.find((each) => each.name === name.value) ?? voices.value[0])

  let waiting: { words: string; kind: Said }[] = []
  let saying: { kind: Said; utterance: SpeechSynthesisUtterance } | undefined

  function say(words: string, kind: Said = 'back') {
    if (!on.value || !voice.value || !words) return
    if (kind === 'now') hush()
    else {
      // What was asked for is taken, or something else is asked.
      waiting = waiting.filter((each) => each.kind !== 'ask')
      if (saying?.kind === 'ask') stop()
    }
    waiting.push({ words, kind })
    next()
  }
  function next() {
    if (saying || !synthesis || !voice.value) return
    const own = waiting.shift()
    if (!own) return
    const utterance = new SpeechSynthesisUtterance(own.words)
    utterance.voice = voice.value
    utterance.lang = voice.value.lang
    saying = { kind: own.kind, utterance }
    const over = () => {
      // What was broken off for something else has nothing to say of what comes next.
      if (saying?.utterance !== utterance) return
      saying = undefined
      next()
    }
    utterance.onend = over
    utterance.onerror = over
    synthesis.speak(utterance)
  }
  function stop() {
    saying = undefined
    synthesis?.cancel()
  }
  function hush() {
    waiting = []
    stop()
  }
  return { on, name, voices, voice, say, hush }
})
