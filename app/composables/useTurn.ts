/** What waits for its turn, in order. */
const waiting: (() => void)[] = []
let asked = false
const soon = (work: () => void) =>
  'requestIdleCallback' in globalThis ? requestIdleCallback(work, { timeout: 200 }) : setTimeout(work, 20)

function next() {
  asked = false
  waiting.shift()?.()
  ask()
}
function ask() {
  if (asked || waiting.length === 0) return
  asked = true
  soon(next)
}

/**
 * True once it is this part's turn: parts below the first screen come one after another once the first prediction stands,
 * is late or is known not to come, while nothing else is to do, so that no hand waits for all of them.
 */
export function useTurn() {
  const outlook = useOutlook()
  const come = ref(false)
  const take = () => void (come.value = true)
  watch(
    () => outlook.now !== undefined || outlook.failed !== undefined || outlook.late,
    (stands) => {
      if (!stands || come.value || waiting.includes(take)) return
      waiting.push(take)
      ask()
    },
    { immediate: true },
  )
  onScopeDispose(() => {
    const at = waiting.indexOf(take)
    if (at >= 0) waiting.splice(at, 1)
  })
  return come
}
