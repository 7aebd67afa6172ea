import { Workbox } from 'workbox-window'
import { makeMissedParts } from '~/sync/missedParts'
import { bringIn } from '~/sync/newerVersion'
import { useSync } from '~/sync/useSync'

/** How often a newer version is looked for, ms. */
const LOOKS = 3_600_000

/**
 * Which version of the page this is: what the browser keeps of it, so that it opens without the network; that a newer
 * one is there; and what of this one did not load.
 */
export const useVersion = defineStore('version', () => {
  const sync = useSync()
  const own = useRuntimeConfig().app.buildId as string
  /** A newer version is there: the server's answers say so, or it lies ready in this browser. */
  const newer = ref(false)
  /** A part of this page was asked for and did not come. */
  const broken = ref(false)
  /** A hand has asked for the newer version. */
  const taking = ref(false)
  /** Whether a reload would lose what only this page keeps. */
  const holds = computed(() => sync.notKept !== undefined && sync.waiting.length > 0)
  let worker: Workbox | undefined

  /** Has every part of the page kept in this browser; where it keeps none, the page is as it was. */
  async function keep() {
    if (worker || !('serviceWorker' in navigator)) return
    const wanted = new Workbox('/sw.js')
    worker = wanted
    wanted.addEventListener('waiting', () => (newer.value = true))
    // Taken over in another tab: this page is of the version before, and is left as it stands until a hand reloads it.
    wanted.addEventListener('controlling', ({ isUpdate }) => {
      if (isUpdate && !taking.value) newer.value = true
    })
    try {
      await wanted.register({ immediate: true })
      setInterval(() => void wanted.update().catch(() => undefined), LOOKS)
    } catch {
      worker = undefined
    }
  }

  /** Each answer of the server names its version. */
  function heard(version: string | null) {
    if (!version || version === own || newer.value) return
    newer.value = true
    void worker?.update().catch(() => undefined)
  }

  /** Leaves this page for the newer version; never while that would lose what was written. */
  async function takeOver() {
    if (holds.value || taking.value) return
    taking.value = true
    await keep()
    const registered = await navigator.serviceWorker?.getRegistration().catch(() => undefined)
    if (registered && worker) {
      const begun = new Promise((done) => navigator.serviceWorker.addEventListener('controllerchange', done))
      await bringIn(registered, () => worker!.messageSkipWaiting(), begun)
    }
    location.reload()
  }

  const { missed, beside } = makeMissedParts(() => (broken.value = true))
  return { newer, broken, taking, holds, keep, heard, takeOver, missed, beside }
})
