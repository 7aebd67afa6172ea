import type { H3Event } from 'h3'
import type { z } from 'zod'

/** Largest body of a JSON request, bytes. */
export const BODY_LIMIT = 1_000_000

/** The body of a request, whole: 413 when it is larger than `limit`. */
export async function requireBytes(event: H3Event, limit: number, what: string): Promise<Buffer> {
  const tooLarge = () => refusal(413, 'too-large', `${what}: the body is larger than ${limit / 1e6} MB.`)
  if (Number(getRequestHeader(event, 'content-length') ?? 0) > limit) throw tooLarge()
  const chunks: Buffer[] = []
  let size = 0
  for await (const chunk of event.node.req) {
    size += (chunk as Buffer).length
    if (size > limit) throw tooLarge()
    chunks.push(chunk as Buffer)
  }
  return Buffer.concat(chunks)
}

/** The JSON body of a request as `schema` takes it: 413 when too large, 400 when it is no JSON or does not fit. */
export async function requireJson<T>(event: H3Event, schema: z.ZodType<T>, what: string): Promise<T> {
  const bytes = await requireBytes(event, BODY_LIMIT, what)
  let value: unknown
  try {
    value = JSON.parse(bytes.toString('utf8'))
  } catch {
    throw refusal(400, 'not-json', `${what}: the body is not JSON.`, { problems: [{ path: '', message: 'is not JSON' }] })
  }
  return requireValid(schema, value, what)
}
