import type { H3Event } from 'h3'
import type { TLSSocket } from 'node:tls'
import { type Role, suffices, type TokenKind, UNNAMED } from '#core/house/people'
import { isProxied } from '../access/proxied'
import { digestOf } from '../access/secret'
import { nameOf } from '../access/strangers'
import { listPeople } from '../data/people'
import { liveSession, type Origin } from '../data/sessions'
import { tokenOf } from '../data/tokens'

/** Who asks: somebody on the shop's own machine; a person signed in; a device that knows the passphrase; a token; nobody that is known. */
export type Actor =
  | { kind: 'open' }
  | { kind: 'person'; id: string; name: string; role: Role; session: string; device: string }
  | { kind: 'device'; session: string; device: string }
  | { kind: 'token'; id: string; name: string; token: TokenKind }
  | { kind: 'stranger' }

declare module 'h3' {
  interface H3EventContext {
    actor: Actor
    need: ReturnType<typeof import('../access/rights').rightFor>['need']
    who?: string
  }
}

const LOOPBACK_ADDRESS = /^(::ffff:)?127\.|^::1$/
const LOOPBACK_NAMES = ['localhost', '127.0.0.1', '::1']

/**
 * Whether a request was made on this very machine, by its own loopback: over plain HTTP, by a name of loopback, and handed on by nobody. What a proxy hands on comes from
 * elsewhere, wherever the proxy runs.
 */
export function isOwnMachine(event: H3Event): boolean {
  const { socket, headers } = event.node.req
  if ((socket as TLSSocket).encrypted || isProxied(socket)) return false
  if (
    headers.forwarded ??
    headers['x-forwarded-for'] ??
    headers['x-forwarded-host'] ??
    headers['x-real-ip'] ??
    headers.via
  )
    return false
  // While developing, requests come by a socket that has no address.
  if (
    !import.meta.dev &&
    !(LOOPBACK_ADDRESS.test(socket.remoteAddress ?? '') && LOOPBACK_ADDRESS.test(socket.localAddress ?? ''))
  )
    return false
  return LOOPBACK_NAMES.includes(nameOf(headers.host) ?? '')
}

/** Who asks from elsewhere, by a token or a session that stands. */
export async function actorOf(event: H3Event): Promise<Actor> {
  const bearer = /^Bearer (\S{20,200})$/i.exec(getRequestHeader(event, 'authorization') ?? '')?.[1]
  if (bearer) {
    const token = await tokenOf(requireDatabase(), digestOf(bearer))
    return token ? { kind: 'token', id: token.id, name: token.name, token: token.kind } : { kind: 'stranger' }
  }
  if (!getCookie(event, SESSION_COOKIE)) return { kind: 'stranger' }
  const { secure } = await getUserSession(event)
  const session = secure?.session ? await liveSession(requireDatabase(), secure.session) : undefined
  if (!session) return { kind: 'stranger' }
  const { id, device, person } = session
  return person ? { kind: 'person', session: id, device, ...person } : { kind: 'device', session: id, device }
}

/** Where a request came from, for the log of access. */
export const originOf = (event: H3Event): Origin => ({
  address: isOwnMachine(event) ? 'this machine' : clientAddress(event),
  agent: getRequestHeader(event, 'user-agent') ?? '',
})

/** Under which name something is entered, and with what role. */
export interface Hand {
  name: string
  role: Role
  /** Whether nobody may put another name to it: a person who signed in, or a token. */
  bound: boolean
}

/**
 * The name that an entry carries: whoever is signed in, whatever the browser says; on the shop's own machine a person of the list.
 *
 * @param claimed the name that was sent
 * @throws 403 `other-person` when it was made by somebody else than is signed in now, `unknown-person` when nobody of that name works here, `role` when the role is not enough
 */
export async function requireHand(event: H3Event, claimed?: string): Promise<Hand> {
  const { actor, need } = event.context
  if (actor.kind === 'token') return { name: actor.name, role: 'builder', bound: true }
  if (actor.kind === 'person') {
    if (claimed !== undefined && claimed !== actor.name)
      throw refusal(
        403,
        'other-person',
        `It was made by ${claimed}, and ${actor.name} is signed in. Sign in as ${claimed} and send it again, or leave it out.`,
        { problems: [{ path: 'who', message: `is not ${actor.name}` }] },
      )
    return { name: actor.name, role: actor.role, bound: true }
  }
  if (actor.kind !== 'open') throw refusal(401, 'sign-in', 'Nobody is signed in on this device.')
  if (claimed === undefined || (UNNAMED as readonly string[]).includes(claimed))
    return { name: claimed ?? UNNAMED[1], role: 'owner', bound: false }
  const person = (await listPeople(requireDatabase())).find(({ name }) => name === claimed)
  if (!person)
    throw refusal(
      403,
      'unknown-person',
      `Nobody named ${claimed} works here. Add ${claimed} under House rules, People, and send it again.`,
      { problems: [{ path: 'who', message: 'is nobody of the list of people' }] },
    )
  if (need !== 'nothing' && need !== 'device' && !suffices(person.role, need))
    throw refusal(403, 'role', `${claimed} may not do that: it takes ${need === 'owner' ? 'an owner' : `a ${need}`}.`)
  return { name: person.name, role: person.role, bound: false }
}
