import { setTimeout } from 'node:timers/promises'
import type pg from 'pg'
import { connectWriting } from '../data/postgres'

/** The lock of the database that the one who keeps watch holds, for as long as its connection lives. */
export const WATCH_LOCK = 0x756c646f
/** A server that does not keep the watch asks for it so often, ms; one that does looks whether it still has it. */
const ASKS = 400
/** What holds the lock and does not answer has lost it after so long, ms; and what neither answers nor fails is given up, and asked anew, after twice that. */
const PATIENCE = 1500
const GIVEN_UP = 2 * PATIENCE

/** Of several servers on one database the one that keeps the watch over starts and drives the simulated engines. */
export interface Keeper {
  keeps: () => boolean
  close: () => Promise<void>
}

/**
 * Takes the watch where nobody has it, and takes it over when its server dies: the database lets go of the lock with the connection. One that has lost its connection
 * goes on watching until it knows that another does: twice is safer than not at all.
 *
 * @param take called whenever this server has got the lock; `leave` when another has it who had not
 */
export function openKeeper(url: string, { take, leave }: { take: () => Promise<void>; leave: () => void }): Keeper {
  let closed = false
  let mine = false
  let client: pg.Client | undefined
  /** Whether the lock is held by the connection that stands. */
  let held = false

  function lost(): void {
    const gone = client
    client = undefined
    held = false
    void gone?.end().catch(() => undefined)
  }
  /** Asks for the lock on the connection that stands, or on a new one: whether it is held, and whether it has just been got. */
  async function ask(): Promise<'held' | 'got' | 'taken'> {
    if (!client) {
      const next = await connectWriting(url, { query_timeout: PATIENCE, connectionTimeoutMillis: PATIENCE })
      // Given up meanwhile: it must not hold what nobody knows of.
      if (closed || client) {
        void next.end().catch(() => undefined)
        throw new Error('the connection was given up')
      }
      next.once('end', () => client === next && lost())
      client = next
    }
    const asked = client
    if (held) {
      await asked.query('select 1')
      return 'held'
    }
    const { rows } = await asked.query<{ got: boolean }>('select pg_try_advisory_lock($1) as got', [WATCH_LOCK])
    if (client !== asked) throw new Error('the connection was given up')
    return rows[0]!.got ? 'got' : 'taken'
  }
  async function round(): Promise<void> {
    const waiting = new AbortController()
    const late = setTimeout(GIVEN_UP, 'late' as const, { signal: waiting.signal, ref: false })
    const found = await Promise.race([ask(), late]).finally(() => waiting.abort())
    if (found === 'late') throw new Error('the database did not answer')
    if (closed || found === 'held') return
    if (found === 'taken') {
      if (mine) leave()
      mine = false
      return
    }
    held = true
    mine = true
    await take()
  }
  let going: Promise<void> = Promise.resolve()
  const goOn = () => {
    if (closed) return
    going = round()
      .catch(lost)
      .catch((error: Error) => console.error(`The watch's connection could not be let go: ${error.message}`))
      .then(() => void (closed || globalThis.setTimeout(goOn, ASKS).unref()))
  }
  goOn()
  return {
    keeps: () => mine,
    close: async () => {
      closed = true
      lost()
      await going
      lost()
      if (mine) leave()
      mine = false
    },
  }
}
