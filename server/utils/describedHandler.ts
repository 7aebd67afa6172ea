import type { EventHandler, EventHandlerRequest, H3Event } from 'h3'
import { z } from 'zod'

/** What a route says of itself to programs (`server/openapi`). */
export interface Described {
  /** In a sentence or two, for who has not seen Uldo. */
  about: string
  /** JSON that it takes. */
  body?: z.ZodType
  query?: z.ZodType
  /** What else it takes, and what it answers, where that is no JSON. */
  takes?: string[]
  gives?: string
}

const descriptions = new WeakMap<object, Described>()

/** A handler that can be described to programs by its own schemas. */
export function describedHandler<T>(
  described: Described,
  handler: (event: H3Event<EventHandlerRequest>) => T,
): EventHandler<EventHandlerRequest, T> {
  const made = defineEventHandler(handler)
  descriptions.set(made, described)
  return made
}

export const descriptionOf = (handler: object): Described | undefined => descriptions.get(handler)
