import { z } from 'zod'

/** Where a build is: on the floor, put by, or deleted and still kept. */
export const PLACES = ['floor', 'archive', 'deleted'] as const
export type Place = (typeof PLACES)[number]

/** How long a deleted build is kept, days. */
export const KEPT_DAYS = 30

/** What is typed to delete a build: its own name. */
export const NameOf = (name: string) =>
  z.object({ name: z.string().refine((typed) => typed.trim() === name.trim(), `it is called “${name}”`) })
