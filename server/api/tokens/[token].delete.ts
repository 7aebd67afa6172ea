import { z } from 'zod'
import { logAccess } from '../../data/accessLog'
import { endToken } from '../../data/tokens'

export default describedHandler({ about: 'Ends a token: it opens nothing from now on.' }, async (event) => {
  const id = z.uuid().safeParse(getRouterParam(event, 'token'))
  const name = id.success ? await endToken(requireDatabase(), id.data) : undefined
  if (name === undefined)
    throw refusal(404, 'unknown-token', 'There is no such token.', {
      problems: [{ path: 'token', message: 'names none' }],
    })
  await logAccess(requireDatabase(), 'token-ended', originOf(event), name, (await requireHand(event)).name)
  return { gone: true }
})
