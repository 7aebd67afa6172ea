import { z } from 'zod'
import { NAME_LENGTH, ROLES, TOKEN_KINDS, UNNAMED } from './people'

/** What forms of the house ask for, as the server takes it: the same schema judges both. */

/** Somebody who works here. */
export const NewPerson = z.strictObject({
  name: z
    .string()
    .trim()
    .min(1, 'must be given: a first name')
    .max(NAME_LENGTH)
    .refine((name) => !(UNNAMED as readonly string[]).includes(name), 'is a word that stands for nobody'),
  role: z.enum(ROLES),
})

/** A token for a logger or a script. */
export const NewToken = z.strictObject({
  name: z.string().trim().min(1, 'must be given: what it enters carries it').max(NAME_LENGTH),
  kind: z.enum(TOKEN_KINDS),
})

/** The words by which a device is let in. */
export const Passphrase = z.strictObject({ passphrase: z.string().min(1, 'must be given: an owner knows it').max(400) })

/** A PIN as it is typed; whether it is the right one is the server's to say. */
export const Pin = z.strictObject({ pin: z.string().min(1, 'must be given').max(20) })

/** A change of one's own PIN. */
export const PinChange = z.strictObject({
  now: z.string().min(1, 'must be given: the one that stands').max(20),
  pin: z.string().min(1, 'must be given').max(20),
})
