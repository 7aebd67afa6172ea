import type { H3Error, H3Event } from 'h3'
import { removeResponseHeader, send, setResponseHeader, setResponseStatus } from 'h3'
import type { RefusalBody } from './utils/refusal'

/** Answers every error in one shape; what nobody foresaw is logged here and told without its insides. */
export default async function answerError(error: H3Error, event: H3Event): Promise<void> {
  const known = error.data as RefusalBody | undefined
  const status = known?.status ?? (error.statusCode >= 400 && error.statusCode < 500 ? error.statusCode : 500)
  if (status >= 500 && status !== 503) console.error(event.method, event.path, error)
  const body: RefusalBody = known?.code
    ? known
    : { status, code: status === 404 ? 'unknown' : status < 500 ? 'refused' : 'failed', message: status < 500 ? `${event.path} is not there or not to be used so.` : 'Something went wrong on the server. What was saved is safe.', problems: [] }
  setResponseStatus(event, status)
  setResponseHeader(event, 'content-type', 'application/json')
  removeResponseHeader(event, 'x-powered-by')
  await send(event, JSON.stringify({ error: body }))
}
