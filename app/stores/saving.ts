import { useSync } from '~/sync/useSync'

export type Saving = 'saved' | 'saving' | 'offline' | 'apart' | 'unkept'

/** The one honest word on saving of a build: nothing counts as saved before the server has answered. */
export function makeSaving(online: Ref<boolean>) {
  const sync = useSync()
  /** Things beside the queue that are on their way to the server: photos. */
  const asking = ref(0)
  const saving = computed<Saving>(() =>
    sync.apart.length > 0
      ? 'apart'
      : sync.notKept
        ? 'unkept'
        : !online.value
          ? 'offline'
          : sync.waiting.length > 0 || asking.value > 0
            ? 'saving'
            : 'saved',
  )

  /** Nothing counts as saved before this is answered. */
  async function during<T>(work: Promise<T>): Promise<T> {
    asking.value++
    try {
      return await work
    } finally {
      asking.value--
    }
  }
  return { saving, during }
}
