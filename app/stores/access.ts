import { ask } from '~/sync/ask'
import { askOrSeen, forgetSeen, SEEN_AGAIN } from '~/sync/lastSeen'
import type { Access } from '#core/house/people'
import { useSync } from '~/sync/useSync'
import { useNews } from './news'

/** Who may be named here, and who is signed in; whether a sign-in is asked for before anything else. */
export const useAccess = defineStore('access', () => {
  const state = shallowRef<Access>()
  /** The page was shown and a sign-in has run out, or was ended: it is asked for over the page, so that nothing typed is lost. */
  const lost = ref(false)
  const needed = computed(() => state.value?.needed ?? false)
  const person = computed(() => state.value?.person)
  const people = computed(() => state.value?.people ?? [])
  const asks = computed(() => (needed.value && !person.value) || lost.value)
  /** Whether it is known yet; without the server the page goes on with what this browser has. */
  const known = ref(false)

  /** Whether somebody is signed in still: asked where a stream was ended, which does not say why. */
  async function check() {
    const now = await ask('GET /api/access').catch(() => undefined)
    if (now?.needed && !now.person) lost.value = true
  }

  async function load() {
    try {
      const { answer, fresh } = await askOrSeen('GET /api/access')
      state.value = answer
      if (!fresh) setTimeout(() => void load(), SEEN_AGAIN)
    } catch {
      // Asked again when the network is back.
    } finally {
      known.value = true
    }
  }
  useNews().onNews((news) => news.kind === 'people' && void load())
  addEventListener('online', () => void load())

  async function signOut() {
    await ask('POST /api/access/sign-out', { body: {} }).catch(() => undefined)
    await forgetSeen()
    await begin()
  }
  /** Begins anew with whoever is signed in now: streams are opened again, what waits is sent. What only this page keeps is never left for it. */
  async function begin() {
    const sync = useSync()
    if (!sync.notKept || sync.waiting.length === 0) return location.reload()
    await load()
    lost.value = false
    void sync.send()
  }
  return { state, known, needed, person, people, asks, lost, load, check, begin, signOut }
})
