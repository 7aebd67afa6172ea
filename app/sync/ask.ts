import { t } from '~/words/of/frame'
import { answeredAhead } from './ahead'
import type { Refusal } from './kept'
import type { Answer, Ask, Route } from './routes'

/** How long an answer is waited for, ms, unless the asker ends it by a signal of its own. */
const PATIENCE = 60_000

/** Why there is no answer: the server refused (its own words), or was not reached (`code` `unreachable`, `status` 0). The one error that `ask` throws. */
export class Refused extends Error {
  readonly refusal: Refusal
  constructor(refusal: Refusal) {
    super(refusal.message)
    this.refusal = refusal
  }
  get reached(): boolean {
    return this.refusal.status > 0
  }
}

/**
 * Asks the server for something that does not go through the queue.
 *
 * @param route method and path, one of {@link Route}; names in the path come from `at`.
 * @returns what it answers, as {@link Routes} says.
 * @throws {Refused} always and only; a request that was cancelled by its signal too (`code` `cancelled`).
 * @example
 * const entries = await ask('GET /api/builds/:build/entries', { at: { build: id } })
 */
export async function ask<R extends Route>(
  route: R,
  ...[how]: object extends Ask<R> ? [Ask<R>?] : [Ask<R>]
): Promise<Answer<R>> {
  const { at, query, body, secret, signal } = (how ?? {}) as {
    at?: Record<string, string | number>
    query?: Record<string, string | number | undefined>
    body?: unknown
    secret?: string
    signal?: AbortSignal
  }
  let status: number
  let text: string
  try {
    const address = addressOf(route, at, query)
    const method = route.split(' ')[0]
    const response =
      (method === 'GET' ? await answeredAhead(address) : undefined) ??
      (await fetch(address, { method, ...carried(body, secret), signal: signal ?? AbortSignal.timeout(PATIENCE) }))
    status = response.status
    text = await response.text()
  } catch {
    throw new Refused(
      signal?.aborted
        ? { status: 0, code: 'cancelled', message: t('ask.cancelled'), problems: [] }
        : { status: 0, code: 'unreachable', message: t('ask.theServerDoesNotAnswerTry'), problems: [] },
    )
  }
  const answer = parsed(text)
  if (status < 200 || status >= 300) throw new Refused(refusalOf(status, answer))
  return answer as Answer<R>
}

/** What a failed request is told with, in one sentence; `unreached` where the server was not reached. */
export function refusedWords(error: unknown, unreached = t('ask.theServerDoesNotAnswerTry')): string {
  return error instanceof Refused && error.reached ? error.message : unreached
}

/** The server's refusal as it says it, or in words of ours where something between answered in its place. */
export function refusalOf(status: number, answer: unknown): Refusal {
  const said = (answer as { error?: Partial<Refusal> } | undefined)?.error
  return {
    status,
    code: said?.code ?? 'refused',
    message:
      said?.message ?? (status === 413 ? t('ask.itIsLargerThanTheServer') : t('ask.theServerRefusedIt', { status })),
    problems: said?.problems ?? [],
    ...(said?.conflict ? { conflict: said.conflict } : {}),
  }
}

/** JSON, or undefined where it is none. */
export function parsed(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return undefined
  }
}

/** Where a question is asked. */
export function addressOf(
  route: string,
  at: Record<string, string | number> = {},
  query: Record<string, string | number | undefined> = {},
): string {
  const path = route
    .slice(route.indexOf(' ') + 1)
    .replace(/:(\w+)/g, (_, name: string) => encodeURIComponent(at[name]!))
  const asked = Object.entries(query).filter(([, value]) => value !== undefined)
  return asked.length > 0 ? `${path}?${new URLSearchParams(asked.map(([key, value]) => [key, String(value)]))}` : path
}

/** Text goes as CSV, a picture as it is, all else as JSON; a secret in its own header and in no address. */
function carried(body: unknown, secret?: string): RequestInit {
  const shown: Record<string, string> = secret === undefined ? {} : { authorization: `Bearer ${secret}` }
  if (body === undefined || body instanceof Blob) return { headers: shown, body }
  const [type, text] = typeof body === 'string' ? ['text/csv', body] : ['application/json', JSON.stringify(body)]
  return { headers: { ...shown, 'content-type': type }, body: text }
}
