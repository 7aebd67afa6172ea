import { remember, rememberedJson } from '~/sync/browserStorage'

/** What a foot, or any one key, does: takes what stands in the field or on the page; goes to the next reading. */
export const FOOT_DOES = ['take', 'next'] as const
export type FootDoes = (typeof FOOT_DOES)[number]

/** Keys that a reading is typed with, and those that lead about the page: none of them can be a foot's. */
const TYPES =
  /^(Digit|Numpad|Arrow|Shift|Control|Alt|Meta|OS)|^(Enter|Tab|Escape|Backspace|Delete|Space|Minus|Period|Comma|Semicolon|Slash|CapsLock|F2)$/

/** The keys of a foot switch, which is a keyboard of one key or two, or any key of a larger one. */
export const useFootKeys = defineStore('footKeys', () => {
  const keys = ref(rememberedJson<Partial<Record<FootDoes, string>>>('uldo.footKeys', {}))
  /** What the next key that is pressed will be for. */
  const learning = ref<FootDoes>()
  const refused = ref('')
  function learn(does: FootDoes) {
    learning.value = learning.value === does ? undefined : does
    refused.value = ''
  }
  function keep(now: Partial<Record<FootDoes, string>>) {
    keys.value = now
    remember('uldo.footKeys', JSON.stringify(now))
  }
  const forget = (does: FootDoes) => keep({ ...keys.value, [does]: undefined })

  /** What a key does; while one is being learnt it is taken for that, and does nothing. */
  function heard({ code, key }: Pick<KeyboardEvent, 'code' | 'key'>): FootDoes | 'learnt' | undefined {
    const name = code || key
    if (!learning.value) return FOOT_DOES.find((does) => keys.value[does] === name)
    if (name === 'Escape') {
      learning.value = undefined
      return 'learnt'
    }
    if (TYPES.test(name)) {
      refused.value = name
      return 'learnt'
    }
    const others = Object.fromEntries(Object.entries(keys.value).filter(([, own]) => own !== name))
    keep({ ...others, [learning.value]: name })
    learning.value = undefined
    refused.value = ''
    return 'learnt'
  }
  return { keys, learning, refused, learn, forget, heard }
})
