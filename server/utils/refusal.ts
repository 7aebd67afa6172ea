import { createError, type H3Error } from 'h3'
import type { z } from 'zod'
import { type Problem, problemsOf } from '#core/build/schema'

/** What every refused request is answered with, under `error`. */
export interface RefusalBody {
  status: number
  /** One word for programs. */
  code: string
  /** One sentence for people. */
  message: string
  problems: Problem[]
  /** On a conflict: what stands there now, who wrote it and when. */
  conflict?: { path: string; revision: number; now: unknown; who: string; at: string }
}

/** An error that the error handler answers in the one shape. */
export function refusal(status: number, code: string, message: string, more: Partial<RefusalBody> = {}): H3Error {
  return createError({ statusCode: status, statusMessage: code, message, data: { status, code, message, problems: [], ...more } satisfies RefusalBody })
}

/** What `schema` makes of a value, or a 400 naming each field. */
export function requireValid<T>(schema: z.ZodType<T>, value: unknown, what: string): T {
  const parsed = schema.safeParse(value)
  if (parsed.success) return parsed.data
  const problems = problemsOf(parsed.error)
  throw refusal(400, 'invalid', `${what}: ${problems[0].path || 'the body'} ${problems[0].message}`, { problems })
}
