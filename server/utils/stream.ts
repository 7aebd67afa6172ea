import { once } from 'node:events'
import type { ServerResponse } from 'node:http'
import { createEventStream, type H3Event } from 'h3'
import { stillStands } from '../data/sessions'
import type { Actor } from './actor'
import { countListener } from './farewell'
import { clientAddress } from './origin'
import { requireDatabase } from './database'
import { hearEnded } from './hub'
import { refusal } from './refusal'

/** Listeners that this server bears at once, in all and from one address; what one may leave lying, bytes, and for how long, ms. */
const MOST = 400
const FROM_ONE = 80
const UNREAD = 1 << 18
const PATIENCE = 15_000
/** ms: after each a beat says that the server lives, and it is looked whether the session stands. */
const BEAT = 5_000
const SESSION = 10_000

let open = 0
const byAddress = new Map<string, number>()

export interface Listener {
  /** Sends one message, once there is room for it: a slow listener is waited for, one that does not read at all is sent away. */
  push: (message: { event: string; data: string; id?: string }) => Promise<void>
  send: () => Promise<void>
  onClosed: (work: () => void) => void
}

/** That the server lives, and its time, by which a page counts what runs. */
export const beatOf = () => ({ event: 'beat', data: String(Date.now()) })

/**
 * A stream of messages to one listener (server-sent events), with a beat so that a lost line is noticed.
 *
 * @throws 503 when there are too many
 */
export function openListener(event: H3Event, { patience = PATIENCE, beat = BEAT } = {}): Listener {
  const address = clientAddress(event)
  if (open >= MOST || (byAddress.get(address) ?? 0) >= FROM_ONE)
    throw refusal(503, 'busy', 'Too many pages listen at once. Close some.')
  open++
  byAddress.set(address, (byAddress.get(address) ?? 0) + 1)
  const stream = createEventStream(event)
  const closing: (() => void)[] = []
  let closed = false
  let room: Promise<void> | undefined
  const actor = event.context.actor as Actor | undefined
  const session = actor?.kind === 'person' ? actor.session : undefined
  const sendAway = () => void event.node.res.destroy()
  // Who has not read the last yet gets no further one.
  const beats = setInterval(() => event.node.res.writableLength === 0 && void push(beatOf()), beat)
  const looks =
    session &&
    setInterval(
      () =>
        void stillStands(requireDatabase(), session).then(
          (stands) => stands || sendAway(),
          () => undefined,
        ),
      SESSION,
    )
  const uncount = countListener(event.node.res, sendAway)
  const unhear = session ? hearEnded(session, sendAway) : undefined
  stream.onClosed(async () => {
    if (closed) return
    closed = true
    unhear?.()
    uncount()
    clearInterval(beats)
    clearInterval(looks)
    open--
    byAddress.set(address, (byAddress.get(address) ?? 1) - 1)
    for (const work of closing) work()
    await stream.close()
  })
  async function push(message: { event: string; data: string; id?: string }): Promise<void> {
    if (closed) return
    if (event.node.res.writableLength > UNREAD)
      await (room ??= roomIn(event.node.res, patience).finally(() => (room = undefined)))
    if (!closed) await stream.push(message)
  }
  return { push, send: () => stream.send(), onClosed: (work) => void closing.push(work) }
}

/** Waits until what was written is read, and sends away who does not. */
async function roomIn(response: ServerResponse, patience: number): Promise<void> {
  await once(response, 'drain', { signal: AbortSignal.timeout(patience) }).catch(() => response.destroy())
}
