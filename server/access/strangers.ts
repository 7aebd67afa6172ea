import { isIPv4 } from 'node:net'
import { hostname, networkInterfaces } from 'node:os'

/** What of a request says where it comes from. */
export interface Arrival {
  method: string
  host?: string
  origin?: string
  /** `same-origin`, `same-site`, `cross-site` or `none`; browsers leave it out on plain HTTP, loggers send neither. */
  fetchSite?: string
  type?: string
  /** Whether it came over HTTPS: its page must have too. */
  secure?: boolean
  /** Whether it brings a body. */
  brings: boolean
}

export interface Strange {
  status: 403 | 415 | 421
  code: 'host' | 'origin' | 'type'
  message: string
}

const LOOPBACK = ['localhost', '127.0.0.1', '::1']
/** Media types that a write may bring. */
const TYPES = /^(application\/(json|zip)|text\/csv|image\/(jpeg|png|webp))\b/

/** The name in a Host header or an origin, without its port and brackets; undefined where there is none that can be read. */
export function nameOf(host: string | undefined): string | undefined {
  if (!host) return undefined
  try {
    const { hostname } = new URL(/^https?:\/\//.test(host) ? host : `http://${host}`)
    return hostname
      .replace(/^\[|\]$/g, '')
      .replace(/\.$/, '')
      .toLowerCase()
  } catch {
    return undefined
  }
}

/**
 * Names by which this server may be asked for: loopback's, those of every address of an interface that it listens on, and that of `ULDO_ADDRESS`. Any other name led here by
 * somebody else's hand.
 */
export function ownNames(
  listens: string,
  address = '',
  interfaces = networkInterfaces(),
  machine = hostname().toLowerCase(),
): Set<string> {
  const all = ['', '0.0.0.0', '::'].includes(listens)
  const addresses = Object.values(interfaces)
    .flat()
    .flatMap((each) => (each ? [each.address.split('%')[0].toLowerCase()] : []))
  const said = nameOf(address)
  return new Set([
    ...LOOPBACK,
    ...(all ? [...addresses, machine, `${machine.split('.')[0]}.local`] : [nameOf(listens) ?? listens]),
    ...(said ? [said] : []),
  ])
}

/** Why a request is turned away before anything looks at it; undefined when it is not. */
export function strange(
  { method, host, origin, fetchSite, type, brings, secure }: Arrival,
  names: Set<string>,
): Strange | undefined {
  const name = nameOf(host)
  if (name === undefined || !(names.has(name) || (isIPv4(name) && name.startsWith('127.'))))
    return {
      status: 421,
      code: 'host',
      message: 'This server does not answer to that name. Use its address, or set ULDO_ADDRESS.',
    }
  if (method === 'GET' || method === 'HEAD' || method === 'OPTIONS') return undefined
  const foreign =
    origin !== undefined &&
    (hostOf(origin) !== hostOf(`${origin.split(':')[0]}://${host}`) ||
      (secure === true && !origin.startsWith('https:')))
  if (foreign || (fetchSite !== undefined && fetchSite !== 'same-origin' && fetchSite !== 'none'))
    return { status: 403, code: 'origin', message: 'Another page may not write here.' }
  if (brings && !TYPES.test(type ?? ''))
    return {
      status: 415,
      code: 'type',
      message:
        'Send application/json, text/csv, a picture or an archive (application/zip), and say so in content-type.',
    }
  return undefined
}

function hostOf(origin: string): string | undefined {
  try {
    return new URL(origin).host
  } catch {
    return undefined
  }
}
