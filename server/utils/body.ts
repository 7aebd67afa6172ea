import type { H3Event } from 'h3'
import type { z } from 'zod'

/** Largest body of a JSON request, bytes. */
export const BODY_LIMIT = 1_000_000

/** The JSON body of a request as `schema` takes it: 413 when too large, 400 when it is no JSON or does not fit. */
export async function requireJson<T>(event: H3Event, schema: z.ZodType<T>, what: string): Promise<T> {
  const tooLarge = () => refusal(413, 'too-large', `${what}: the body is larger than ${BODY_LIMIT / 1e6} MB.`)
  if (Number(getRequestHeader(event, 'content-length') ?? 0) > BODY_LIMIT) throw tooLarge()
  const chunks: Buffer[] = []
  let size = 0
  for await (const chunk of event.node.req) {
    size += (chunk as Buffer).length
    if (size > BODY_LIMIT) throw tooLarge()
    chunks.push(chunk as Buffer)
  }
  let value: unknown
  try {
    value = JSON.parse(Buffer.concat(chunks).toString('utf8'))
  } catch {
    throw refusal(400, 'not-json', `${what}: the body is not JSON.`, { problems: [{ path: '', message: 'is not JSON' }] })
  }
  return requireValid(schema, value, what)
}
