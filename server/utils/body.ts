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
    throw refusal(400, 'not-json', `${what}: the body is not JSON.`, {
      problems: [{ path: '', message: 'is not JSON' }],
    })
  }
  const valid = requireValid(schema, value, what)
  // Who did it, for the log: on this machine whoever is named.
  const who = (valid as { who?: unknown } | null)?.who
  if (typeof who === 'string' && event.context.actor.kind === 'open') event.context.who = who
  return valid
}

/** A value whose every text can be kept: no NUL and no half of a surrogate pair, which no database takes. */
export function requireKeepable<T>(value: T, what: string): T {
  const path = unkeepableIn(value, '')
  if (path !== undefined)
    throw refusal(
      400,
      'invalid',
      `${what}: ${path || 'the text'} holds a character that cannot be kept. Type it again.`,
      { problems: [{ path, message: 'holds a NUL or half a character' }] },
    )
  return value
}

function unkeepableIn(value: unknown, path: string): string | undefined {
  if (typeof value === 'string') return value.includes('\0') || !value.isWellFormed() ? path : undefined
  if (typeof value !== 'object' || value === null) return undefined
  for (const [key, each] of Object.entries(value)) {
    const found = unkeepableIn(key, path) ?? unkeepableIn(each, path ? `${path}/${key}` : key)
    if (found !== undefined) return found
  }
  return undefined
}
