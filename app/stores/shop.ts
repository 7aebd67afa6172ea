import { FIRST_HOUSE } from '#core/house/first'
import type { House } from '#core/house/schema'

type Change = (house: House) => void

/** What the shop keeps for all builds: instruments, strips, layouts, shells in stock, its own units. */
export const useShop = defineStore('shop', () => {
  const revision = ref(0)
  const confirmed = shallowRef<House>(FIRST_HOUSE)
  const waiting = shallowRef<Change[]>([])
  /** As the server has it, with what is still on its way on top. */
  const house = computed(() => waiting.value.reduce(changed, confirmed.value))
  const problem = ref<string>()
  let loading: Promise<void> | undefined
  let queue: Promise<unknown> = Promise.resolve()

  function changed(before: House, change: Change): House {
    const next = structuredClone(toRaw(before))
    change(next)
    return next
  }

  /** Fetches it once; again when asked to. */
  function load(again = false): Promise<void> {
    if (again) loading = undefined
    loading ??= $fetch<{ revision: number; house: House }>('/api/house').then(take).catch(() => {
      loading = undefined
    })
    return loading
  }
  function take(found: { revision: number; house: House }) {
    revision.value = found.revision
    confirmed.value = found.house
  }

  /** Writes a change: shown at once, sent after those before it; when somebody wrote since, made again on what is there now. */
  function save(change: Change): Promise<boolean> {
    waiting.value = [...waiting.value, change]
    const sent = queue.then(() => send(change)).finally(() => (waiting.value = waiting.value.filter((each) => each !== change)))
    queue = sent
    return sent
  }

  async function send(change: Change): Promise<boolean> {
    problem.value = undefined
    for (let tries = 0; tries < 3; tries++) {
      try {
        take(await $fetch<{ revision: number; house: House }>('/api/house', { method: 'PUT', body: { base: revision.value, house: changed(confirmed.value, change) } }))
        return true
      } catch (error) {
        const refused = error as { status?: number; data?: { error?: { message: string } } }
        if (refused.status === 409) {
          await load(true)
          continue
        }
        problem.value = refused.data?.error?.message ?? 'The server does not answer: nothing was written. Try again.'
        return false
      }
    }
    problem.value = 'Others keep writing at the same time. Try again.'
    return false
  }
  return { revision, house, problem, load, save }
})
