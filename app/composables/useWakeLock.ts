/** Keeps the screen awake while something goes on; says when it cannot. */
export function useWakeLock(on: () => boolean) {
  /** `none`: this page has no secure connection, or the browser does not offer it. */
  const state = ref<'held' | 'none' | 'off'>('off')
  let lock: WakeLockSentinel | undefined

  async function take() {
    if (!('wakeLock' in navigator)) return void (state.value = 'none')
    try {
      lock = await navigator.wakeLock.request('screen')
      state.value = 'held'
      // A page that was put aside has lost it.
      lock.addEventListener(
        'release',
        () => on() && (state.value = document.visibilityState === 'visible' ? 'none' : 'off'),
      )
    } catch {
      state.value = 'none'
    }
  }
  async function leave() {
    await lock?.release().catch(() => undefined)
    lock = undefined
    state.value = 'off'
  }
  const again = () => document.visibilityState === 'visible' && on() && void take()
  watch(on, (now) => void (now ? take() : leave()), { immediate: true })
  document.addEventListener('visibilitychange', again)
  onBeforeUnmount(() => {
    document.removeEventListener('visibilitychange', again)
    void leave()
  })
  return state
}
