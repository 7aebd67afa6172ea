import { z } from 'zod'
import { logAccess } from '../../../../data/accessLog'
import { endLink } from '../../../../data/links'

export default describedHandler({ about: 'Ends a customer’s link: it opens nothing from now on.' }, async (event) => {
  const { id: build, sheet } = await requireBuild(event)
  const id = z.uuid().safeParse(getRouterParam(event, 'link'))
  const db = requireDatabase()
  const name = id.success ? await endLink(db, build, id.data) : undefined
  if (name === undefined)
    throw refusal(404, 'unknown-link', 'There is no such link, or it has ended.', {
      problems: [{ path: 'link', message: 'names none' }],
    })
  await logAccess(db, 'link-ended', originOf(event), `${name} (${sheet.name})`, (await requireHand(event)).name)
  return { gone: true }
})
