import type { H3Event } from 'h3'
import { z } from 'zod'
import { type BuildRow, getBuild } from '../data/builds'

const Id = z.uuid()

/** The build named in the address; 404 when there is none. */
export async function requireBuild(event: H3Event): Promise<BuildRow> {
  const id = requireBuildId(event)
  const build = await getBuild(requireDatabase(), id)
  if (!build) throw unknownBuild(id)
  return build
}

export function requireBuildId(event: H3Event): string {
  const id = getRouterParam(event, 'id') ?? ''
  if (!Id.safeParse(id).success) throw unknownBuild(id)
  return id
}

export function unknownBuild(id: string) {
  return refusal(404, 'unknown-build', `There is no build ${id}.`, {
    problems: [{ path: 'id', message: 'names no build' }],
  })
}

const Operation = z.discriminatedUnion('op', [
  z.strictObject({
    op: z.enum(['add', 'replace', 'test']),
    path: z.string().startsWith('/').max(200),
    value: z.unknown(),
  }),
  z.strictObject({ op: z.literal('remove'), path: z.string().startsWith('/').max(200) }),
])

export const ChangeBody = z.strictObject({
  clientKey: z.uuid(),
  device: z.uuid(),
  base: z.number().int().min(0),
  who: z.string().trim().min(1, 'must name who records').max(60),
  patch: z.array(Operation).min(1).max(500),
  reason: z.string().max(500).default(''),
  knows: z.array(z.uuid()).max(200).optional(),
})

/** A move on the shelf, once under its key. */
export const MoveBody = z.strictObject({
  clientKey: z.uuid(),
  item: z.uuid(),
  move: z.enum(['reserve', 'release', 'take', 'put-back']),
  count: z.number().int().min(1).max(9999),
})
