import { z } from 'zod'
import { PLACES } from '#core/house/floor'
import { moveBuild } from '../../../data/floor'

const Body = z.strictObject({
  place: z.enum(PLACES),
  /** What whoever deletes it has typed. */
  name: z.string().max(200).optional(),
  who: z.string().max(60).optional(),
})

export default describedHandler(
  { about: 'Puts a build by, deletes it under its typed name, or brings it back to the floor.', body: Body },
  async (event) => {
    const id = requireBuildId(event)
    const { place, name, who } = await requireJson(event, Body, 'Place of a build')
    const hand = (event.context.who as string | undefined) ?? who ?? 'Someone'
    const moved = await moveBuild(requireDatabase(), id, { place, name, who: hand })
    if (moved.kind === 'unknown') throw unknownBuild(id)
    if (moved.kind === 'running')
      throw refusal(409, 'running', 'A prime or a start of this engine is going: end it before you delete the engine.')
    if (moved.kind === 'other-name')
      throw refusal(400, 'invalid', `It is called “${moved.name}”: type that name to delete it.`, {
        problems: [{ path: 'name', message: `is not “${moved.name}”` }],
      })
    return { place: moved.place }
  },
)
