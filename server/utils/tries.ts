import type { H3Event } from 'h3'
import { waitFor, waitWords } from '../access/lockout'
import { type Failures, logAccess } from '../data/accessLog'

/** Tries wait for one another: a hundred sent at once are no more than a hundred one by one. */
let line: Promise<unknown> = Promise.resolve()
let waiting = 0
const MOST_WAITING = 30

/** Makes one try at a secret at a time. */
export async function tryOne<T>(work: () => Promise<T>): Promise<T> {
  if (waiting >= MOST_WAITING) throw refusal(429, 'busy', 'Too many tries at once. Try again in a moment.')
  waiting++
  const turn = line.then(work)
  line = turn.catch(() => undefined)
  try {
    return await turn
  } finally {
    waiting--
  }
}

/** Refuses with 429 while there were too many wrong tries. */
export async function requireNoWait(
  event: H3Event,
  { count, last }: Failures,
  what: string,
  subject = '',
): Promise<void> {
  const wait = waitFor(count, last, Date.now())
  if (wait <= 0) return
  await logAccess(requireDatabase(), 'waits', originOf(event), subject)
  setResponseHeader(event, 'retry-after', Math.ceil(wait / 1000))
  throw refusal(429, 'waits', `${count} wrong ${what}: the next try is taken in ${waitWords(wait)}.`, {
    problems: [{ path: '', message: `waits ${waitWords(wait)}` }],
  })
}
