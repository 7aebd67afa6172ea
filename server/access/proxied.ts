import { createServer, type RequestListener } from 'node:http'
import type { Socket } from 'node:net'
import { NotLetIn } from './network'

/** Lines on which a proxy hands on what tablets ask. */
const lines = new WeakSet<Socket>()

/** Whether a request came by a proxy of the shop's: by the port that is for it alone, whatever its headers say. */
export const isProxied = (socket: Socket): boolean => lines.has(socket)

/** Connections at once. */
const MOST = 2000

/** `127.0.0.1:4401` or `[::1]:4401`, or a port alone, which is this machine's own loopback. */
function placeOf(words: string): { host: string; port: number } {
  const [, host = '127.0.0.1', port] = /^(?:\[?([\w.:-]*?)\]?:)?(\d{1,5})$/.exec(words) ?? []
  if (!port || Number(port) > 65_535)
    throw new NotLetIn(`ULDO_PROXIED=${words} is no address and port. Write it like 127.0.0.1:4401.`)
  return { host, port: Number(port) }
}

/**
 * Opens a port for a proxy that speaks HTTPS with tablets: plain HTTP, on which nobody is taken for this machine's own and every
 * request says by X-Forwarded-For who asks.
 *
 * @param place `ULDO_PROXIED`
 * @throws NotLetIn where it cannot be listened on, or where `ULDO_ADDRESS` does not say by which name tablets ask
 */
export async function openProxied(
  place: string,
  address: string | undefined,
  application: RequestListener,
): Promise<{ address: string; stop: () => void }> {
  const { host, port } = placeOf(place)
  if (!address?.startsWith('https://'))
    throw new NotLetIn('ULDO_PROXIED wants ULDO_ADDRESS: the https:// address at which tablets reach the proxy.')
  const server = createServer(application)
  server.maxConnections = MOST
  server.on('connection', (socket) => void lines.add(socket))
  await new Promise<void>((done, fail) => {
    server.once('error', (error: NodeJS.ErrnoException) =>
      fail(
        new NotLetIn(
          error.code === 'EADDRINUSE'
            ? `Port ${port} of ${host} is in use by another program. Name another with ULDO_PROXIED.`
            : `${host} cannot be listened on: ${error.message}. Name an address of this machine with ULDO_PROXIED.`,
          { cause: error },
        ),
      ),
    )
    server.listen(port, host, done)
  })
  return { address: address.replace(/\/+$/, ''), stop: () => void server.close() }
}
