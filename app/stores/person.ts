import type { EnterWay } from '~/composables/readingMoves'
import { remember, remembered, rememberedJson } from '~/sync/browserStorage'

/** Who records, with which instrument in the hand, in which scheme: kept in this browser. */
export const usePerson = defineStore('person', () => {
  const access = useAccess()
  /** Who was chosen on this browser; where people sign in, who is signed in. */
  const chosen = ref(remembered('uldo.who', ''))
  const who = computed({
    get: () =>
      access.needed
        ? (access.person?.name ?? '')
        : access.state && !access.people.some(({ name }) => name === chosen.value)
          ? ''
          : chosen.value,
    set: (name) => {
      chosen.value = name
      remember('uldo.who', name)
    },
  })
  /** Instrument in the hand, carried from reading to reading; by dimension, since a feeler gauge follows a micrometer. */
  const instruments = ref<Record<string, string>>(rememberedJson<Record<string, string>>('uldo.instruments', {}))
  const scheme = ref<'light' | 'dark'>(
    remembered('uldo.scheme', matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light') as
      'light' | 'dark',
  )

  watch(instruments, (chosen) => remember('uldo.instruments', JSON.stringify(chosen)), { deep: true })
  watch(
    scheme,
    (now) => {
      document.documentElement.dataset.scheme = now
    },
    { immediate: true },
  )

  const enters = ref<EnterWay>(remembered('uldo.enters', 'across') as EnterWay)
  watch(enters, (now) => remember('uldo.enters', now))

  function flipScheme() {
    scheme.value = scheme.value === 'dark' ? 'light' : 'dark'
    remember('uldo.scheme', scheme.value)
  }
  return { who, scheme, instruments, enters, flipScheme }
})
