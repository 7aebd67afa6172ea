import { onScopeDispose, readonly, ref } from 'vue'

/** The server's clock, by which waits run: a tablet's own may be years off. Told with each beat of a stream, counted on from there by the browser's steady clock. */
let told: { server: number; at: number } | undefined
const known = ref(false)

/** Takes the server's time, ms since 1970, as it has just come. */
export function heardServerTime(server: number): void {
  if (!Number.isFinite(server) || server <= 0) return
  told = { server, at: performance.now() }
  known.value = true
}

/** ms since 1970 by the server's clock; by this browser's own until the server has said its time. */
export const serverNow = (): number => (told ? told.server + performance.now() - told.at : Date.now())
/** Whether the server has said its time to this page. */
export const serverTimeKnown = readonly(known)

/** The server's time, told anew so often. */
export function useServerClock(every = 1000) {
  const now = ref(serverNow())
  const timer = setInterval(() => (now.value = serverNow()), every)
  onScopeDispose(() => clearInterval(timer))
  return now
}
