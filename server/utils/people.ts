import type { H3Event } from 'h3'
import { z } from 'zod'
import type { Person } from '#core/house/people'
import { getPerson } from '../data/people'

/** The person named in the address; 404 when nobody is. */
export async function requirePerson(event: H3Event): Promise<Person> {
  const id = z.uuid().safeParse(getRouterParam(event, 'person'))
  const person = id.success ? await getPerson(requireDatabase(), id.data) : undefined
  if (!person)
    throw refusal(404, 'unknown-person', 'Nobody is there under that id.', {
      problems: [{ path: 'person', message: 'names nobody' }],
    })
  return person
}
