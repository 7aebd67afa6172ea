import { FIRST_HOUSE, type House } from '#core/house/schema'

/** What the shop keeps for all builds: instruments, strips, layouts, shells in stock, its own units. */
export const useShop = defineStore('shop', () => {
  const revision = ref(0)
  const house = shallowRef<House>(FIRST_HOUSE)
  const problem = ref<string>()
  let loading: Promise<void> | undefined

  /** Fetches it once; again when asked to. */
  function load(again = false): Promise<void> {
    if (again) loading = undefined
    loading ??= $fetch<{ revision: number; house: House }>('/api/house').then((found) => {
      revision.value = found.revision
      house.value = found.house
    }).catch(() => {
      loading = undefined
    })
    return loading
  }

  /** Writes a change; when somebody wrote since, it is made again on what is there now. */
  async function save(change: (house: House) => void): Promise<boolean> {
    problem.value = undefined
    for (let tries = 0; tries < 3; tries++) {
      const next = structuredClone(toRaw(house.value))
      change(next)
      try {
        const written = await $fetch<{ revision: number; house: House }>('/api/house', { method: 'PUT', body: { base: revision.value, house: next } })
        revision.value = written.revision
        house.value = written.house
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
