/** What waits to come, in the order in which it was met on the page. */
const waiting: (() => void)[] = []
const { port1, port2 } = new MessageChannel()
port1.onmessage = () => {
  waiting.shift()?.()
  if (waiting.length > 0) port2.postMessage(undefined)
}

/** Whether all that was to come soon has come. */
export const allCame = () => waiting.length === 0

/**
 * True as soon as the browser is through with what came before it: the parts of a first screen come one after another, each in a task of its own, so
 * that a hand is heard between them. What may wait for the prediction takes its turn by `useTurn`.
 */
export function useSoon() {
  const come = ref(false)
  const take = () => void (come.value = true)
  waiting.push(take)
  if (waiting.length === 1) port2.postMessage(undefined)
  onScopeDispose(() => {
    const at = waiting.indexOf(take)
    if (at >= 0) waiting.splice(at, 1)
  })
  return come
}
