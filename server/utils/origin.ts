import type { Socket } from 'node:net'
import type { TLSSocket } from 'node:tls'
import type { H3Event } from 'h3'
import { isProxied } from '../access/proxied'

/**
 * Where a request comes from: the address of its line, or, where a proxy of the shop's handed it on, what that proxy says. Of
 * several addresses the last is the one that the proxy saw itself; those before it anybody may have written.
 */
export function clientAddress(event: H3Event): string {
  const { socket, headers } = event.node.req
  if (!isProxied(socket)) return socket.remoteAddress ?? ''
  return String(headers['x-forwarded-for'] ?? '')
    .split(',')
    .at(-1)!
    .trim()
}

/** Whether it came over HTTPS: to this server, or to the proxy that handed it on. */
export function isSecure(event: H3Event): boolean {
  const { socket, headers } = event.node.req
  return isProxied(socket)
    ? headers['x-forwarded-proto'] === 'https'
    : !!(socket as Socket & Partial<TLSSocket>).encrypted
}

/** What a proxy must say of what it hands on. */
export function requireProxySays(event: H3Event): void {
  if (!isProxied(event.node.req.socket)) return
  if (!clientAddress(event))
    throw refusal(400, 'proxy', 'The proxy must say who asks: let it add X-Forwarded-For (docs/hosting.md).')
  if (!isSecure(event))
    throw refusal(
      403,
      'proxy',
      'Tablets are let in over HTTPS alone: let the proxy speak it, and say so by X-Forwarded-Proto (docs/hosting.md).',
    )
}
