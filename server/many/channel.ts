import { randomUUID } from 'node:crypto'
import type pg from 'pg'
import type { Queries } from '../data/database'
import { connectWriting } from '../data/postgres'
import type { Notice } from './notice'

/** The channel of the database that notices go by; a message may be 8,000 bytes long. */
const CHANNEL = 'uldo'
const LONGEST = 7500
/** Notices are gathered for so long, ms, and a connection that was lost is made anew after so long, ms. */
const GATHER = 4
const RETRY = 500

/** Notices to and from the other servers on this database. One may be lost with a connection: what matters is caught up by its number (`catchUp.ts`). */
export interface Channel {
  tell: (notice: Notice) => void
  /** Whether the others are heard at present. */
  hears: () => boolean
  close: () => Promise<void>
}

/** Opens the channel; `hear` is given what other servers tell, and `back` is called whenever they are heard (again). */
export function openChannel(
  url: string,
  db: Queries,
  { hear, back }: { hear: (notice: Notice, from: string) => void; back: () => void },
): Channel {
  const own = randomUUID()
  let client: pg.Client | undefined
  let closed = false
  let waiting: Notice[] = []
  let timer: ReturnType<typeof setTimeout> | undefined

  async function listen(): Promise<void> {
    if (closed) return
    const again = () => void (closed || setTimeout(() => void listen(), RETRY).unref())
    const next = await connectWriting(url, { statement_timeout: 0 }).catch(again)
    if (!next) return
    if (closed) return void (await next.end().catch(() => undefined))
    next.once('end', () => {
      if (client === next) client = undefined
      again()
    })
    next.on('notification', ({ payload = '' }) => {
      const { from, notices } = JSON.parse(payload) as { from: string; notices: Notice[] }
      if (from !== own) for (const notice of notices) hear(notice, from)
    })
    try {
      await next.query(`listen ${CHANNEL}`)
      client = next
      back()
    } catch {
      // Its end, which makes another, comes with it.
      void next.end().catch(() => undefined)
    }
  }

  function flush(): void {
    timer = undefined
    const notices = waiting
    waiting = []
    const messages: string[] = []
    let part: Notice[] = []
    const packed = () => JSON.stringify({ from: own, notices: part })
    for (const notice of notices) {
      part.push(notice)
      if (Buffer.byteLength(packed()) <= LONGEST) continue
      const last = part.pop()!
      if (part.length > 0) messages.push(packed())
      part = [last]
    }
    if (part.length > 0) messages.push(packed())
    db.query('select pg_notify($1, message) from unnest($2::text[]) as message', [
      CHANNEL,
      messages.filter((message) => Buffer.byteLength(message) <= LONGEST),
    ]).catch(() => undefined)
  }

  void listen()
  return {
    tell: (notice) => {
      waiting.push(notice)
      timer ??= setTimeout(flush, GATHER)
    },
    hears: () => client !== undefined,
    close: async () => {
      closed = true
      clearTimeout(timer)
      await client?.end().catch(() => undefined)
    },
  }
}
