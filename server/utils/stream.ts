import type { H3Event } from 'h3'

/** Listeners that this server bears at once, in all and from one address; what one that does not read may leave lying, messages. */
const MOST = 400
const FROM_ONE = 80
const UNREAD = 600

let open = 0
const byAddress = new Map<string, number>()

export interface Listener {
  /** Sends one message; a listener that does not read is sent away rather than kept for. */
  push: (message: { event: string; data: string; id?: string }) => Promise<void>
  send: () => Promise<void>
  onClosed: (work: () => void) => void
}

/** A stream of messages to one listener (server-sent events), with a beat so that a lost line is noticed; 503 when there are too many. */
export function openListener(event: H3Event): Listener {
  const address = event.node.req.socket.remoteAddress ?? ''
  if (open >= MOST || (byAddress.get(address) ?? 0) >= FROM_ONE) throw refusal(503, 'busy', 'Too many pages listen at once. Close some.')
  open++
  byAddress.set(address, (byAddress.get(address) ?? 0) + 1)
  const stream = createEventStream(event)
  const closing: (() => void)[] = []
  let unread = 0
  let closed = false
  const beat = setInterval(() => void push({ event: 'beat', data: '' }), 10_000)
  stream.onClosed(async () => {
    if (closed) return
    closed = true
    clearInterval(beat)
    open--
    byAddress.set(address, (byAddress.get(address) ?? 1) - 1)
    for (const work of closing) work()
    await stream.close()
  })
  async function push(message: { event: string; data: string; id?: string }): Promise<void> {
    if (closed) return
    if (++unread > UNREAD) {
      // It reads nothing: what is kept for it would only grow.
      event.node.req.destroy()
      return
    }
    await stream.push(message)
    unread--
  }
  return { push, send: () => stream.send(), onClosed: (work) => void closing.push(work) }
}
