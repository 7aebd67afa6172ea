import type { Role } from '#core/house/people'

/** What a request needs: nothing; a device that knows the passphrase; a person of at least a role. */
export type Need = 'nothing' | 'device' | Role

interface Right {
  methods: string
  path: RegExp
  need: Need
  /** Whether a logger's token is enough. */
  logger?: true
}

const right = (methods: string, path: string, need: Need, logger?: true): Right => ({
  methods,
  path: new RegExp(`^/api/${path.replaceAll('*', '[^/]+')}$`),
  need,
  logger,
})

/** Every route and what it needs; what is not here is the owner's alone. Looked through in order. */
const RIGHTS: Right[] = [
  right('GET', 'health(/(live|ready))?', 'nothing', true),
  right('GET', 'openapi\\.json', 'reader', true),
  right('GET', 'access', 'nothing', true),
  right('GET', 'guest', 'nothing'),
  right('POST', 'access/passphrase', 'nothing'),
  right('POST', 'access/sign-in', 'device'),
  right('POST', 'access/sign-out', 'device'),
  right('PUT', 'access/pin', 'reader'),
  right('PUT', 'builds/*/presence', 'reader'),

  right('GET', 'builds', 'reader', true),
  right('GET', 'builds/*/runs', 'reader', true),
  right('GET', 'runs/*', 'reader', true),
  right('POST', 'runs/*/samples', 'apprentice', true),
  right('GET', '(builds|runs|shelf|house|cases|practice)(/.+)?', 'reader'),
  right('GET', '(events|plan|backups|network|metrics)', 'reader'),

  right('POST', 'practice', 'apprentice'),
  right('POST', 'builds/*/(entries|runs)', 'apprentice'),
  right('POST', 'builds/*/proposals/*', 'apprentice'),
  right('PUT', 'builds/*/photos/*', 'apprentice'),
  right('POST', 'runs/*/events', 'apprentice'),

  right('POST', 'builds', 'builder'),
  right('POST', 'builds/sandbox', 'apprentice'),
  // Of a build to learn on alone: an engine of the shop's has its own way out.
  right('DELETE', 'builds/sandbox/*', 'apprentice'),
  right('PUT', 'builds/*/place', 'builder'),
  right('POST', 'builds/*/(shelf|links)', 'builder'),
  right('DELETE', 'builds/*/links/*', 'builder'),
  right('POST|PUT|DELETE', 'shelf/.+', 'builder'),
  right('POST', 'house/(changes|preview)', 'builder'),
  right('POST', '(backups|check)', 'builder'),
  right('GET|POST', 'archive', 'builder'),
]

/** What a request needs, by its method and path. */
export function rightFor(method: string, path: string): { need: Need; logger: boolean } {
  const wanted = method === 'HEAD' ? 'GET' : method
  const found = RIGHTS.find((each) => each.methods.split('|').includes(wanted) && each.path.test(path))
  return { need: found?.need ?? 'owner', logger: found?.logger ?? false }
}

/** Parts of what the shop keeps that the owner alone changes: limits and whose values wait. */
const OWNERS = ['/rules', '/school', '/signOff']
export const isOwners = (path: string): boolean =>
  OWNERS.some((each) => path === each || path.startsWith(`${each}/`) || each.startsWith(`${path}/`) || path === '')
