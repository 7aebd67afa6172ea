import { z } from 'zod'
import { NAME_LENGTH, ROLES, UNNAMED } from '#core/house/people'
import { logAccess } from '../../data/accessLog'
import { addPerson } from '../../data/people'

const Body = z.strictObject({
  name: z
    .string()
    .trim()
    .min(1, 'must not be empty')
    .max(NAME_LENGTH)
    .refine((name) => !(UNNAMED as readonly string[]).includes(name), 'is a word that stands for nobody'),
  role: z.enum(ROLES),
  who: z.string().max(NAME_LENGTH).optional(),
})

/** Adds somebody who works here. */
export default defineEventHandler(async (event) => {
  const { name, role, who } = await requireJson(event, Body, 'Person')
  const hand = await requireHand(event, who)
  const person = await addPerson(requireDatabase(), name, role)
  if (!person)
    throw refusal(409, 'twice', `${name} is there already.`, {
      problems: [{ path: 'name', message: 'is there already' }],
    })
  await logAccess(requireDatabase(), 'person-added', originOf(event), name, hand.name)
  announceShop({ kind: 'people' })
  setResponseStatus(event, 201)
  return person
})
