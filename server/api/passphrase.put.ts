import { z } from 'zod'
import { setUpAccess } from '../access/setUp'
import { NAME_LENGTH } from '#core/house/people'

const Body = z.strictObject({
  passphrase: z.string().max(400),
  owner: z.strictObject({ name: z.string().trim().min(1).max(NAME_LENGTH), pin: z.string().max(20) }).optional(),
})

export default describedHandler(
  {
    about:
      'Sets the shop’s passphrase, and an owner’s PIN with it: on the shop’s own machine alone. Every session has ended with it.',
    body: Body,
  },
  async (event) => {
    if (event.context.actor.kind !== 'open')
      throw refusal(403, 'own-machine', 'The passphrase is set on the shop’s own machine.')
    const { passphrase, owner } = await requireJson(event, Body, 'Passphrase')
    const done = await setUpAccess(requireDatabase(), passphrase, owner)
    if ('fault' in done)
      throw refusal(400, 'invalid', done.fault, { problems: [{ path: done.path, message: done.fault }] })
    for (const session of done.ended) announceEnded(session)
    announceShop({ kind: 'people' })
    return { set: true }
  },
)
