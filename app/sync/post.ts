import { parsed, refusalOf } from './ask'
import type { Kept } from './kept'
import type { Outcome } from './queue'

/** How long an answer is waited for, ms. */
const PATIENCE = 20_000

/** Sends one change and says what became of it. */
export async function post({ url, body }: Pick<Kept, 'url' | 'body'>): Promise<Outcome> {
  let response: Response
  let text: string
  try {
    response = await fetch(url, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(stamped(body)),
      signal: AbortSignal.timeout(PATIENCE),
    })
    text = await response.text()
  } catch {
    return { kind: 'unreachable' }
  }
  return outcomeOf(response.status, text)
}

/** A run says when it was sent beside when it began: what lies between is known whatever this clock says. */
function stamped(body: unknown): unknown {
  return typeof body === 'object' && body !== null && 'begunAt' in body ? { ...body, sentAt: Date.now() } : body
}

/** What an answer means: entered, written by another hand first, refused for good, or to be tried again. */
export function outcomeOf(status: number, text: string): Outcome {
  const answer = parsed(text)
  if (status >= 200 && status < 300) return { kind: 'done', answer }
  if (status === 500) return { kind: 'failed' }
  const refusal = refusalOf(status, answer)
  // A full disk is told; what waits is tried again until there is room.
  if (status === 507) return { kind: 'unreachable', why: refusal.code === 'refused' ? undefined : refusal.message }
  if (status > 500 || status === 408 || status === 425 || status === 429 || status === 401)
    return { kind: 'unreachable' }
  return {
    kind: status === 409 && (refusal.code === 'conflict' || refusal.code === 'ahead') ? 'conflict' : 'refused',
    refusal,
  }
}
