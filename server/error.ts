import type { H3Error, H3Event } from 'h3'
import { removeResponseHeader, send, setResponseHeader, setResponseStatus } from 'h3'
import { DATABASE_AWAY, diskCode } from './data/failure'
import type { RefusalBody } from './utils/refusal'

/** What a disk that takes nothing more is answered with, by its code: browsers keep what they have and try again. */
const DISK: Record<string, string> = {
  ENOSPC: 'is full',
  EDQUOT: 'has no more room for this user',
  EROFS: 'can only be read',
  EIO: 'fails',
}

/** What an error is answered with: known refusals as they are, a disk's failure in words, what nobody foresaw without its insides. */
export function answerOf(error: Pick<H3Error, 'statusCode' | 'data' | 'cause'>, path: string): RefusalBody {
  const known = error.data as RefusalBody | undefined
  if (known?.code) return known
  const disk = DISK[diskCode(error.cause ?? {}) ?? '']
  if (disk)
    return {
      status: 507,
      code: 'disk',
      message: `The disk of the shop’s machine ${disk}: nothing more is written there. What you write is kept in this browser until there is room.`,
      problems: [],
    }
  // By its code: what answers errors is bundled apart from what throws them.
  if ((error.cause as { code?: unknown } | undefined)?.code === DATABASE_AWAY)
    return {
      status: 503,
      code: 'database-away',
      message:
        'The shop’s database does not answer. What you write is kept in this browser until it does; it is asked again by itself.',
      problems: [],
    }
  // Whoever sent it has gone: nobody failed, and nobody hears of it.
  if ((error.cause as { code?: unknown } | undefined)?.code === 'ECONNRESET')
    return { status: 400, code: 'cut-off', message: 'The request broke off before its end.', problems: [] }
  const status = error.statusCode >= 400 && error.statusCode < 500 ? error.statusCode : 500
  return {
    status,
    code: status === 404 ? 'unknown' : status < 500 ? 'refused' : 'failed',
    message:
      status < 500
        ? `${path} is not there or not to be used so.`
        : 'Something went wrong on the server. What was saved is safe.',
    problems: [],
  }
}

/** Answers every error in one shape; what nobody foresaw is logged here. */
export default async function answerError(error: H3Error, event: H3Event): Promise<void> {
  const body = answerOf(error, event.path)
  if (body.status >= 500 && body.status !== 503) console.error(event.method, event.path, error)
  setResponseStatus(event, body.status)
  setResponseHeader(event, 'content-type', 'application/json')
  removeResponseHeader(event, 'x-powered-by')
  await send(event, JSON.stringify({ error: body }))
}
