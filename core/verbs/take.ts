import { z } from 'zod'
import { problemsOf } from '../record/schema'
import { CircuitError } from '../circuit/types'

/** Input that cannot be used: which field, and why. */
export class Refused extends Error {
  constructor(path: string, reason: string) {
    super(`${path}: ${reason}`)
  }
}

export const positive = z.number().positive()
export const notNegative = z.number().min(0)
export const degrees = z.number().min(-60).max(250)

/** What a schema makes of an input; refused by the path of the first field that is wrong. */
export function take<T>(schema: z.ZodType<T>, input: unknown): T {
  const parsed = schema.safeParse(input)
  if (parsed.success) return parsed.data
  const [first] = problemsOf(parsed.error)
  throw new Refused(first.path.replaceAll('/', '.') || 'input', first.message)
}

/** Runs a computation whose own refusals start with the field's name. */
export function named<T>(work: () => T): T {
  try {
    return work()
  } catch (error) {
    if (!(error instanceof RangeError || error instanceof CircuitError)) throw error
    const [path, ...reason] = error.message.split(': ')
    throw new Refused(path, reason.join(': '))
  }
}
