import { readFileSync } from 'node:fs'
import { createServer as createPlain, type RequestListener } from 'node:http'
import { createServer as createSecure } from 'node:https'
import { createServer as createFront, isIP, type Server } from 'node:net'
import { hostname, networkInterfaces } from 'node:os'
import { fingerprintOf, type Pair } from './certificates'
import { serverPair, shopRoot } from './keys'

/** A line that says nothing is closed after so long; names are looked at anew so often, ms. */
const SILENCE = 10_000
const AGAIN = 60_000
/** Connections at once, from everywhere. */
const MOST = 600
/** First byte of every TLS connection (a handshake record, RFC 8446, 5.1). */
const HANDSHAKE = 0x16

const LOOPBACK = ['', '127.0.0.1', 'localhost', '::1']
/** Whether an address to listen on is this machine's own loopback, where nobody has to sign in. */
export const isOwn = (host: string) => LOOPBACK.includes(host)

/** Why the network is not let in, in words. */
export class NotLetIn extends Error {}

export interface Network {
  /** Where a tablet finds the application. */
  address: string
  /** SHA-256 of what a tablet is asked to trust. */
  fingerprint: string
  /** The shop's own root as PEM; undefined where the certificate was brought. */
  root?: string
  stop: () => void
}

/** Names and addresses by which this machine is asked for on the network it listens on. */
export function namesOn(host: string, address = '', interfaces = networkInterfaces()): string[] {
  const everywhere = host === '0.0.0.0' || host === '::'
  const own = everywhere
    ? Object.values(interfaces)
        .flat()
        .filter((each) => each && !each.internal && !each.address.startsWith('fe80'))
        .map((each) => each!.address)
    : [host]
  const named = address
    ? [new URL(/^https?:/.test(address) ? address : `https://${address}`).hostname.replace(/^\[|\]$/g, '')]
    : []
  const machine = everywhere ? [hostname(), `${hostname().split('.')[0]}.local`] : []
  return [...new Set([...named, ...own, ...machine])].filter((name) => /^[\w.:-]+$/.test(name))
}

/** The certificate that was brought: both files, or an error that names what is missing. */
function broughtPair(env: NodeJS.ProcessEnv): Pair | undefined {
  const { ULDO_TLS_CERT: cert, ULDO_TLS_KEY: key } = env
  if (!cert && !key) return undefined
  if (!cert || !key)
    throw new NotLetIn(
      `ULDO_TLS_CERT and ULDO_TLS_KEY belong together: ${cert ? 'ULDO_TLS_KEY' : 'ULDO_TLS_CERT'} is missing.`,
    )
  try {
    return { cert: readFileSync(cert, 'utf8'), key: readFileSync(key, 'utf8') }
  } catch (error) {
    throw new NotLetIn(`The certificate of ULDO_TLS_CERT or its key cannot be read: ${(error as Error).message}`, {
      cause: error,
    })
  }
}

/**
 * Opens the application to the shop's network, over HTTPS alone. On the same port plain HTTP is answered by `door`: how a tablet comes to trust this server, and the way to it.
 *
 * @throws NotLetIn when the certificate cannot be read or the port is in use
 */
export async function openNetwork({
  host,
  port,
  folder,
  env,
  application,
  door,
}: {
  host: string
  port: number
  folder: string
  env: NodeJS.ProcessEnv
  application: RequestListener
  door: (network: Omit<Network, 'stop'>) => RequestListener
}): Promise<Network> {
  const brought = broughtPair(env)
  const root = brought ? undefined : await shopRoot(folder, hostname(), Date.now())
  let names = namesOn(host, env.ULDO_ADDRESS)
  const pairNow = async () => brought ?? serverPair(folder, root!, names, Date.now())
  const pair = await pairNow()
  const secure = createSecure({ ...pair, minVersion: 'TLSv1.2', handshakeTimeout: SILENCE }, application)
  const first = names[0] ?? host
  const told = {
    address:
      (env.ULDO_ADDRESS?.startsWith('https') ? env.ULDO_ADDRESS.replace(/\/+$/, '') : undefined) ??
      `https://${isIP(first) === 6 ? `[${first}]` : first}:${port}`,
    fingerprint: fingerprintOf(root?.cert ?? pair.cert),
    ...(root ? { root: root.cert } : {}),
  }
  const plain = createPlain(door(told))
  const front = frontOf(secure, plain)
  await new Promise<void>((done, fail) => {
    front.once('error', (error: NodeJS.ErrnoException) =>
      fail(
        new NotLetIn(
          error.code === 'EADDRINUSE'
            ? `Port ${port} of ${host} is in use by another program. Name another with ULDO_TLS_PORT.`
            : `${host} cannot be listened on: ${error.message}. Name an address of this machine with ULDO_HOST, or 0.0.0.0 for all of them.`,
          { cause: error },
        ),
      ),
    )
    front.listen(port, host, done)
  })
  // An address that came later, or a certificate that runs out, is followed without a restart.
  const looking = setInterval(() => {
    names = namesOn(host, env.ULDO_ADDRESS)
    void pairNow().then(
      (now) => secure.setSecureContext(now),
      (error: Error) => console.error(`The certificate could not be renewed: ${error.message}`),
    )
  }, AGAIN)
  looking.unref()
  return { ...told, stop: () => (clearInterval(looking), front.close()) }
}

/** Hands each line to who speaks its language, by its first byte. */
function frontOf(secure: Server, plain: Server): Server {
  const front = createFront((socket) => {
    socket.setTimeout(SILENCE, () => socket.destroy())
    socket.on('error', () => socket.destroy())
    socket.once('data', (chunk: Buffer) => {
      socket.pause()
      socket.setTimeout(0)
      socket.removeAllListeners('timeout')
      socket.unshift(chunk)
      ;(chunk[0] === HANDSHAKE ? secure : plain).emit('connection', socket)
      process.nextTick(() => socket.resume())
    })
  })
  front.maxConnections = MOST
  return front
}
