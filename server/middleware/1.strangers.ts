import { ownNames, strange } from '../access/strangers'

/** Names are looked at anew so often, ms: a tablet's network may come later than the server. */
const AGAIN = 30_000
let names = new Set<string>()
let lookedAt = -Infinity

/** Turns away who asks by a name that is not this server's, other pages that would write, and what is no type that is meant. Says to browsers what they may do with what they get. */
export default defineEventHandler((event) => {
  if (Date.now() - lookedAt > AGAIN) {
    names = ownNames(process.env.ULDO_HOST ?? process.env.HOST ?? '127.0.0.1', process.env.ULDO_ADDRESS)
    lookedAt = Date.now()
  }
  const header = (name: string) => getRequestHeader(event, name)
  const secure = isSecure(event)
  setResponseHeaders(event, {
    'x-content-type-options': 'nosniff',
    'x-frame-options': 'DENY',
    'referrer-policy': 'no-referrer',
    'cross-origin-opener-policy': 'same-origin',
    'cross-origin-resource-policy': 'same-origin',
    'permissions-policy':
      'camera=(self), microphone=(self), serial=(self), screen-wake-lock=(self), geolocation=(), payment=(), usb=()',
    // A certificate of the shop's own may be lost with its folder, and tablets must then be let in anew: only a brought one binds them.
    ...(secure && currentNetwork()?.root === undefined ? { 'strict-transport-security': 'max-age=31536000' } : {}),
    ...(event.path.startsWith('/api/')
      ? {
          'cache-control': 'no-store',
          // A page of another version says so, and goes on.
          'x-uldo-build': useRuntimeConfig().app.buildId as string,
          'content-security-policy':
            "default-src 'none'; frame-ancestors 'none'; img-src 'self'; style-src 'unsafe-inline'",
        }
      : {}),
  })
  const brings = Number(header('content-length') ?? 0) > 0 || header('transfer-encoding') !== undefined
  const found = strange(
    {
      method: event.method,
      host: header('host'),
      origin: header('origin'),
      fetchSite: header('sec-fetch-site'),
      type: header('content-type'),
      brings,
      secure,
    },
    names,
  )
  if (found) throw refusal(found.status, found.code, found.message)
  requireProxySays(event)
  if (isLeaving()) {
    setResponseHeader(event, 'retry-after', 2)
    throw refusal(
      503,
      'restarting',
      'The shop’s server is being started anew. What you write is kept in this browser until it is back.',
    )
  }
})
