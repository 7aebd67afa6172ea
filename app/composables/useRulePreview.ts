import type { House } from '#core/house/schema'
import { ask, Refused, refusedWords } from '~/sync/ask'
import type { Moved } from '~/sync/routes'
import { t } from '~/words/of/house'

/** How often it is asked again where the shop has more engines than are looked through at once, and after how long, ms. */
const ROUNDS = 20
const AGAIN = 500

/**
 * Which engines' verdicts would move by other house rules, before they are written.
 *
 * @param wanted the rules that are being tried; undefined while they are those of the house
 */
export function useRulePreview(wanted: () => House['rules'] | undefined, school: Ref<House['school']>) {
  const moved = shallowRef<Moved[]>()
  const problem = ref('')
  /** How far it is, where the shop has many engines. */
  const looking = ref('')
  let asking: AbortController | undefined

  /** Of a large shop it is gone on with where the last answer ended. */
  async function lookedThrough(rules: House['rules'], signal: AbortSignal): Promise<Moved[]> {
    for (let round = 1; ; round++) {
      try {
        return await ask('POST /api/house/preview', { body: { rules, school: school.value }, signal })
      } catch (error) {
        const busy = error instanceof Refused && error.refusal.code === 'busy'
        if (!busy || round === ROUNDS || signal.aborted) throw error
        looking.value = error.message
        await new Promise((done) => setTimeout(done, AGAIN))
      }
    }
  }
  async function preview() {
    asking?.abort()
    const { signal } = (asking = new AbortController())
    looking.value = ''
    const tried = wanted()
    if (!tried) return void (moved.value = undefined)
    // Whether a rule is given its reason moves no verdict.
    const rules = Object.fromEntries(
      Object.entries(tried).map(([key, rule]) => [key, { ...rule, reason: rule.reason || t('ruleList.notSaidYet') }]),
    )
    try {
      const found = await lookedThrough(rules, signal)
      if (signal.aborted) return
      moved.value = found
      problem.value = ''
    } catch (error) {
      if (signal.aborted) return
      moved.value = undefined
      problem.value = refusedWords(error, t('ruleList.theServerDoesNotAnswerWhat'))
    }
    looking.value = ''
  }
  watch([wanted, school], preview)
  onBeforeUnmount(() => asking?.abort())
  return { moved, problem, looking, preview }
}
