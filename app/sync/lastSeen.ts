import { type DBSchema, openDB } from 'idb'
import { addressOf, ask, Refused } from './ask'
import type { Answer, Ask, Route } from './routes'

interface Schema extends DBSchema {
  answers: { key: string; value: unknown }
}

/** What is not of now is asked for again so much later, ms. */
export const SEEN_AGAIN = 5000
/** A network that has died without a word is waited for so long where an answer of before is here, ms. */
const PATIENCE = 8000

/** What the server last said to the questions that a page opens with. A browser that keeps nothing remembers nothing. */
const database = () => openDB<Schema>('uldo-seen', 1, { upgrade: (fresh) => void fresh.createObjectStore('answers') })
let opened: ReturnType<typeof database> | undefined

/** An answer, and whether it is the server's of now or what it said before. */
export interface Seen<T> {
  answer: T
  fresh: boolean
}

/**
 * Asks the server, and where it is not reached gives what it answered last: so that a page opens without it. What is not
 * fresh is never shown as if it were, and is asked for again.
 *
 * @throws {Refused} when the server refuses, or is not reached and was never asked this before
 */
export async function askOrSeen<R extends Route>(
  route: R,
  ...[how]: object extends Ask<R> ? [Ask<R>?] : [Ask<R>]
): Promise<Seen<Answer<R>>> {
  const at = (how as { at?: Record<string, string | number> } | undefined)?.at
  const question = addressOf(route, at)
  const asked = (ask as (route: R, how?: unknown) => Promise<Answer<R>>)(route, how).then((answer): Seen<Answer<R>> => {
    void keepSeen(route, at, answer)
    return { answer, fresh: true }
  })
  const before = async (otherwise: () => Promise<Seen<Answer<R>>>): Promise<Seen<Answer<R>>> => {
    const answer = await seenUnder(question)
    return answer === undefined ? otherwise() : { answer: answer as Answer<R>, fresh: false }
  }
  let waiting: ReturnType<typeof setTimeout> | undefined
  const late = new Promise<void>((done) => (waiting = setTimeout(done, PATIENCE))).then(() => before(() => asked))
  try {
    return await Promise.race([asked, late])
  } catch (error) {
    if (!(error instanceof Refused) || error.reached) throw error
    return await before(() => Promise.reject(error))
  } finally {
    clearTimeout(waiting)
  }
}

/** Keeps an answer as it has become since it was given: by what was written here, or by another hand. */
export async function keepSeen<R extends Route>(
  route: R,
  at: Record<string, string | number> | undefined,
  answer: Answer<R>,
): Promise<void> {
  await keepUnder(addressOf(route, at), answer)
}

/** Keeps something under a name of its own; undefined takes it away. */
export async function keepUnder(name: string, value: unknown): Promise<void> {
  try {
    const kept = await (opened ??= database())
    await (value === undefined ? kept.delete('answers', name) : kept.put('answers', value, name))
  } catch {
    opened = undefined
  }
}
/** What is kept under a name; undefined when nothing is. */
export async function seenUnder(question: string): Promise<unknown> {
  try {
    return await (await (opened ??= database())).get('answers', question)
  } catch {
    opened = undefined
    return undefined
  }
}

/** Forgets all of it: whoever signs out leaves nothing of the shop behind. */
export async function forgetSeen(): Promise<void> {
  try {
    await (await (opened ??= database())).clear('answers')
  } catch {
    opened = undefined
  }
}
