import { heardServerTime } from './serverClock'

/** After a stream that the server ended, or that fell silent, it is opened again, ms. */
const RETRY = 1500
/** How often it is looked whether a stream is silent, ms; a look that comes twice as late tells of a busy page and not of the server. */
const LOOK = 500

interface Opened {
  /** Where it is, asked anew at each opening: what has come meanwhile is not asked for again. */
  url: () => string
  /** The server sends a beat at least so often, s; three of them missed, and nothing is known of it any more. */
  beat: number
  /** What is told, by name of the message. */
  tells: Record<string, (news: unknown) => void>
  /** Whether the server speaks: only a stream in which something has just come says so. */
  speaks: (yes: boolean) => void
  /** The server has ended the stream for good, with an error; it is opened again after a while. */
  ended?: () => void
}

/**
 * What the server tells as it happens (server-sent events), for as long as it is wanted. A connection whose network is gone stands open for minutes, and to who only listens nothing
 * ever says so: a stream without a beat is closed and opened again, and so is every one when the browser loses its network or has it back.
 *
 * @returns ends it
 */
export function openServerStream({ url, beat, tells, speaks, ended }: Opened): () => void {
  let stream: EventSource
  let heardAt: number
  let lookedAt: number
  let again: ReturnType<typeof setTimeout> | undefined

  function open() {
    clearTimeout(again)
    again = undefined
    heardAt = lookedAt = performance.now()
    stream = new EventSource(url())
    const heard = (of: EventSource) => {
      if (of !== stream) return
      heardAt = performance.now()
      speaks(true)
    }
    const mine = stream
    stream.onopen = () => heard(mine)
    stream.addEventListener('beat', (message) => {
      if (mine !== stream) return
      heard(mine)
      heardServerTime(Number((message as MessageEvent<string>).data))
    })
    for (const [name, hear] of Object.entries(tells))
      stream.addEventListener(name, (message) => {
        if (mine !== stream) return
        heard(mine)
        hear(JSON.parse((message as MessageEvent<string>).data))
      })
    stream.onerror = () => {
      if (mine !== stream) return
      speaks(false)
      if (mine.readyState !== EventSource.CLOSED) return
      ended?.()
      again ??= setTimeout(open, RETRY)
    }
  }
  function reopen() {
    stream.close()
    open()
  }
  const look = setInterval(() => {
    const now = performance.now()
    const busy = now - lookedAt > 2 * LOOK
    lookedAt = now
    if (busy || again || now - heardAt < 3000 * beat) return
    speaks(false)
    reopen()
  }, LOOK)
  addEventListener('offline', reopen)
  addEventListener('online', reopen)
  open()
  return () => {
    clearTimeout(again)
    clearInterval(look)
    removeEventListener('offline', reopen)
    removeEventListener('online', reopen)
    stream.close()
  }
}
