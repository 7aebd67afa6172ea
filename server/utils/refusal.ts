import { createError, type H3Error } from 'h3'
import type { z } from 'zod'
import { type Problem, problemsOf } from '#core/record/schema'

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
  return createError({
    statusCode: status,
    statusMessage: code,
    message,
    data: { status, code, message, problems: [], ...more } satisfies RefusalBody,
  })
}

/** What `schema` makes of a value, or a 400 naming each field. */
export function requireValid<T>(schema: z.ZodType<T>, value: unknown, what: string): T {
  const parsed = schema.safeParse(requireKeepable(value, what))
  if (parsed.success) return parsed.data
  const problems = problemsOf(parsed.error)
  throw refusal(400, 'invalid', `${what}: ${problems[0].path || 'the body'} ${problems[0].message}`, { problems })
}

/** Why a change to a record or to what the shop keeps was not entered. */
export function changeRefusal(
  result:
    | { kind: 'invalid'; problems: Problem[] }
    | { kind: 'ahead'; revision: number }
    | { kind: 'conflict'; path: string; revision: number; now: unknown; who: string; at: string },
  what: string,
): H3Error {
  if (result.kind === 'invalid')
    return refusal(400, 'invalid', `${what}: ${result.problems[0].path} ${result.problems[0].message}`, {
      problems: result.problems,
    })
  if (result.kind === 'ahead')
    return refusal(409, 'ahead', `${what}: what stands here is older than what it was made on. Look at it again.`, {
      problems: [{ path: 'base', message: `is ahead of revision ${result.revision}` }],
    })
  const { path, revision, now, who, at } = result
  return refusal(409, 'conflict', `${who} wrote to ${path} since.`, {
    problems: [{ path, message: `${who} wrote here since` }],
    conflict: { path, revision, now, who, at },
  })
}
