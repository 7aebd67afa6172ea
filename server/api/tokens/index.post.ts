import { z } from 'zod'
import { NAME_LENGTH, UNNAMED } from '#core/house/people'
import { NewToken } from '#core/house/forms'
import { digestOf, newToken } from '../../access/secret'
import { logAccess } from '../../data/accessLog'
import { listPeople } from '../../data/people'
import { addToken } from '../../data/tokens'

const Body = NewToken.extend({ who: z.string().max(NAME_LENGTH).optional() })

export default describedHandler(
  { about: 'Makes a token for a logger or a script. Its secret is in this answer and nowhere else.', body: Body },
  async (event) => {
    const { name, kind, who } = await requireJson(event, Body, 'Token')
    const hand = await requireHand(event, who)
    const db = requireDatabase()
    const taken = [...UNNAMED, ...(await listPeople(db)).map((person) => person.name)].some(
      (each) => each.toLowerCase() === name.toLowerCase(),
    )
    const secret = newToken()
    const id = taken ? undefined : await addToken(db, { name, kind, digest: digestOf(secret), madeBy: hand.name })
    if (!id)
      throw refusal(409, 'twice', `${name} is taken: what it enters carries its name, so give it one of its own.`, {
        problems: [{ path: 'name', message: 'is taken' }],
      })
    await logAccess(db, 'token-made', originOf(event), name, hand.name)
    setResponseStatus(event, 201)
    setResponseHeader(event, 'cache-control', 'no-store')
    return { id, name, kind, secret }
  },
)
