import { z } from 'zod'

const Body = z.strictObject({
  device: z.string().min(1).max(80),
  who: z.string().max(60),
  page: z.string().max(20),
})

export default describedHandler(
  { about: 'A tab that has this build’s stream open says who is at it and at which page.', body: Body },
  async (event) => {
    const { id } = await requireBuild(event)
    const { device, who, page } = await requireJson(event, Body, 'Presence')
    // Whoever is signed in is there under that name and no other.
    arrive(id, { device, who: (event.context.who as string | undefined) ?? who, page })
    setResponseStatus(event, 204)
    return null
  },
)
