import type { Access } from '#core/house/people'
import { listPeople } from '../../data/people'

export default describedHandler(
  { about: 'How whoever asks stands here, and who may be named.' },
  async (event): Promise<Access> => {
    const { actor } = event.context
    setResponseHeader(event, 'cache-control', 'no-store')
    if (actor.kind === 'stranger') return { needed: true, device: false, people: [] }
    const people = await listPeople(requireDatabase())
    if (actor.kind === 'open') return { needed: false, device: true, people }
    if (actor.kind === 'token') return { needed: true, device: true, people: [] }
    return {
      needed: true,
      device: true,
      people: people.filter(({ pin }) => pin),
      ...(actor.kind === 'person' ? { person: { id: actor.id, name: actor.name, role: actor.role } } : {}),
    }
  },
)
