import type pg from 'pg'
import { connectWriting } from '../data/postgres'

/** The lock of the database that the one who keeps watch holds, for as long as its connection lives. */
export const WATCH_LOCK = 0x756c646f
/** A server that does not keep the watch asks for it so often, ms; one that does looks whether it still has it. */
const ASKS = 400
/** What holds the lock and does not answer has lost it after so long, ms. */
const PATIENCE = 1500

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
  async function round(): Promise<void> {
    if (!client) {
      const next = await connectWriting(url, { query_timeout: PATIENCE, connectionTimeoutMillis: PATIENCE })
      next.once('end', () => client === next && lost())
      client = next
    }
    if (held) return void (await client.query('select 1'))
    const { rows } = await client.query<{ got: boolean }>('select pg_try_advisory_lock($1) as got', [WATCH_LOCK])
    if (closed) return
    if (!rows[0].got) {
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
    going = round()
      .catch(lost)
      .then(() => void (closed || setTimeout(goOn, ASKS).unref()))
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
