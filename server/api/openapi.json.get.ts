// @ts-expect-error Nitro makes this list when the server is built: its own of the routes that it has found in server/api
import { handlers as found } from '#nitro-internal-virtual/server-handlers'
import type { EventHandler } from 'h3'
import { version } from '../../package.json'
import { rightFor } from '../access/rights'
import { openApiOf, type Route } from '../openapi/document'

interface Listed {
  route: string
  method?: string
  /** Ours come when they are first asked for; a package's stand in the server itself. */
  lazy: boolean
  handler: () => Promise<{ default: EventHandler }>
}
const handlers = found as Listed[]
let made: Promise<Record<string, unknown>> | undefined

/** Every route that is there, as it describes itself: each is read once. */
async function routes(): Promise<Route[]> {
  const all = await Promise.all(
    handlers
      .filter(({ route, method, lazy }) => lazy && route.startsWith('/api/') && method)
      .map(async ({ route: path, method = '', handler }): Promise<Route[]> => {
        const described = descriptionOf((await handler()).default)
        return described
          ? [{ method: method.toUpperCase(), path, ...rightFor(method.toUpperCase(), path), described }]
          : []
      }),
  )
  return all.flat()
}

export default describedHandler(
  { about: 'What programs may ask here, as OpenAPI.' },
  () => (made ??= routes().then((all) => openApiOf(all, version))),
)
