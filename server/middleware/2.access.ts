import { RateLimiterMemory } from 'rate-limiter-flexible'
import { suffices } from '#core/house/people'
import { rightFor } from '../access/rights'

/** Requests that one address may make in ten seconds: a tablet that records and watches makes some tens, a fast logger a hundred. Before anybody is signed in, far fewer. */
const WINDOW = 10
const requests = new RateLimiterMemory({ points: 1500, duration: WINDOW })
const strangersRequests = new RateLimiterMemory({ points: 100, duration: WINDOW })

/** Lets through who may: on this machine everybody as ever, elsewhere who is signed in and whose role is enough; and no address more often than a shop needs. */
export default defineEventHandler(async (event) => {
  const path = event.path.split('?')[0]
  const address = clientAddress(event)
  const open = isOwnMachine(event)
  if (!open) await within(requests, address)
  if (!path.startsWith('/api/')) return
  const { need, logger } = rightFor(event.method, path)
  event.context.need = need
  const actor = (event.context.actor = open ? { kind: 'open' } : await actorOf(event))
  if (actor.kind === 'stranger') await within(strangersRequests, address)
  if (actor.kind === 'person' || actor.kind === 'token') event.context.who = actor.name
  if (actor.kind === 'open' || need === 'nothing') return
  if (actor.kind === 'token') {
    if (actor.token === 'logger' ? logger : need !== 'device' && suffices('builder', need)) return
    throw refusal(403, 'role', `The token ${actor.name} is not for that.`)
  }
  if (actor.kind === 'stranger')
    throw refusal(401, 'passphrase', 'This device does not know the shop’s passphrase yet. Enter it first.')
  if (need === 'device') return
  if (actor.kind === 'device')
    throw refusal(401, 'sign-in', 'Nobody is signed in on this device. Sign in first; what was typed is kept.')
  if (!suffices(actor.role, need))
    throw refusal(
      403,
      'role',
      `${actor.name} may not do that: it takes ${need === 'owner' ? 'an owner' : `a ${need}`}.`,
    )
})

async function within(limiter: RateLimiterMemory, address: string): Promise<void> {
  try {
    await limiter.consume(address)
  } catch {
    throw refusal(429, 'busy', 'Too many requests from this address. Try again in a moment.')
  }
}
