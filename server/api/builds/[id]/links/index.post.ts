import { z } from 'zod'
import { linkEndFault, MOST_LINKS, NewLink } from '#core/house/guest'
import { NAME_LENGTH } from '#core/house/people'
import { digestOf, newToken } from '../../../../access/secret'
import { logAccess } from '../../../../data/accessLog'
import { addLink } from '../../../../data/links'

const Body = NewLink.extend({ who: z.string().max(NAME_LENGTH).optional() })

export default describedHandler(
  {
    about:
      'Makes a link for a customer: whoever has its secret may look at this build’s gauge card and sheet until it ends, and at nothing else. The secret is in this answer and nowhere else.',
    body: Body,
  },
  async (event) => {
    const { id: build, sheet, sandbox } = await requireBuild(event)
    const { name, until, who } = await requireJson(event, Body, 'Link')
    const hand = await requireHand(event, who)
    const fault = linkEndFault(Date.parse(until), Date.now())
    if (fault) throw refusal(400, 'invalid', `until: ${fault}`, { problems: [{ path: 'until', message: fault }] })
    if (sandbox) throw refusal(409, 'sandbox', 'It is a build to learn on: nobody is to go by its papers.')
    const db = requireDatabase()
    const secret = newToken()
    const id = await addLink(db, {
      build,
      name,
      digest: digestOf(secret),
      until: new Date(until),
      madeBy: hand.name,
    })
    if (!id) throw refusal(409, 'too-many', `${MOST_LINKS} links to this engine’s papers stand. End one first.`)
    await logAccess(db, 'link-made', originOf(event), `${name} (${sheet.name})`, hand.name)
    setResponseStatus(event, 201)
    setResponseHeader(event, 'cache-control', 'no-store')
    return { id, name, until, secret }
  },
)
