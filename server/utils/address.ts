import { networkInterfaces } from 'node:os'
import type { H3Event } from 'h3'

const LOOPBACK = /^(localhost|127\.|\[?::1\]?)/

/**
 * The address at which others on this network reach the application: what the request was made to; where that is this machine's own
 * and the server listens to the network, the machine's address there. `ULDO_ADDRESS` stands above both.
 */
export function networkAddress(event: H3Event): string {
  if (process.env.ULDO_ADDRESS) return process.env.ULDO_ADDRESS.replace(/\/+$/, '')
  let url: URL
  try {
    url = getRequestURL(event)
  } catch {
    throw refusal(400, 'host', 'The address of the request cannot be read.')
  }
  const listens = process.env.HOST ?? process.env.NITRO_HOST ?? ''
  if (!LOOPBACK.test(url.host) || (listens !== '0.0.0.0' && listens !== '::' && listens !== '')) return url.origin
  const own = Object.values(networkInterfaces()).flat().find((each) => each && each.family === 'IPv4' && !each.internal)
  return own ? `${url.protocol}//${own.address}${url.port ? `:${url.port}` : ''}` : url.origin
}
