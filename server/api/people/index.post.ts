import { z } from 'zod'
import { NAME_LENGTH } from '#core/house/people'
import { NewPerson } from '#core/house/forms'
import { logAccess } from '../../data/accessLog'
import { addPerson } from '../../data/people'

const Body = NewPerson.extend({ who: z.string().max(NAME_LENGTH).optional() })

export default describedHandler({ about: 'Adds somebody who works here.', body: Body }, async (event) => {
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
