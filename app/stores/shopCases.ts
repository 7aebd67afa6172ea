import { priorOf } from '#core/trace/priors'
import { shopFactors } from '#core/trace/cases'
import type { Cause, TraceCase } from '#core/trace/vocabulary'
import { askOrSeen } from '~/sync/lastSeen'
import { remember, remembered } from '~/sync/browserStorage'

/** What this shop's closed cases were, and how they move what is likely; off where a person says so. */
export const useShopCases = defineStore('shopCases', () => {
  const found = shallowRef<Cause[]>([])
  const counted = ref(remembered('uldo.shopCases', 'on') === 'on')
  async function load() {
    // Without the network, and never asked before, the priors stand as they are.
    const answered = await askOrSeen('GET /api/cases').catch(() => undefined)
    if (answered) found.value = answered.answer.map(({ cause }) => cause)
  }
  function count(on: boolean) {
    counted.value = on
    remember('uldo.shopCases', on ? 'on' : 'off')
  }
  const factors = ({ context, stoodDays }: Pick<TraceCase, 'context' | 'stoodDays'>): Partial<Record<Cause, number>> =>
    counted.value ? shopFactors(found.value, (cause) => priorOf(cause, context, stoodDays)) : {}
  return { found, counted, load, count, factors }
})
