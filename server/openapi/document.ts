import { z } from 'zod'
import type { Need } from '../access/rights'
import type { Described } from '../utils/describedHandler'

/** One route: how it is asked, and what it says of itself. */
export interface Route {
  method: string
  /** `/api/builds/:id` */
  path: string
  need: Need
  logger: boolean
  described: Described
}

type Json = Record<string, unknown>

const NEEDS: Record<Need, string> = {
  nothing: 'Everybody may ask.',
  device: 'A device that knows the shop’s passphrase.',
  reader: 'A reader, or a script’s token.',
  apprentice: 'An apprentice, or a script’s token.',
  builder: 'A builder, or a script’s token.',
  owner: 'An owner.',
}

/** What every refused request is answered with. */
const Refusal = z.object({
  error: z.object({
    status: z.number(),
    code: z.string().describe('One word for programs.'),
    message: z.string().describe('One sentence for people.'),
    problems: z.array(z.object({ path: z.string(), message: z.string() })),
    conflict: z
      .object({ path: z.string(), revision: z.number(), now: z.unknown(), who: z.string(), at: z.string() })
      .optional()
      .describe('What stands there now, who wrote it and when.'),
  }),
})

function schemaOf(schema: z.ZodType): Json {
  const made = z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any', reused: 'inline' }) as Json
  delete made.$schema
  return made
}

function parametersOf(path: string, query: z.ZodType | undefined): Json[] {
  const named = [...path.matchAll(/:(\w+)/g)].map(([, name]) => ({
    name,
    in: 'path',
    required: true,
    schema: { type: name === 'number' ? 'integer' : 'string' },
  }))
  const { properties = {}, required = [] } = (query ? schemaOf(query) : {}) as {
    properties?: Json
    required?: string[]
  }
  return [
    ...named,
    ...Object.entries(properties).map(([name, schema]) => ({
      name,
      in: 'query',
      required: required.includes(name),
      schema,
    })),
  ]
}

function operationOf({ method, path, need, logger, described }: Route): Json {
  const { about, body, query, takes = [], gives = 'application/json' } = described
  const parameters = parametersOf(path, query)
  const refused = {
    description: 'Refused, and why.',
    content: { 'application/json': { schema: { $ref: '#/components/schemas/Refusal' } } },
  }
  const kinds = [...(body ? ['application/json'] : []), ...takes]
  return {
    operationId: `${method.toLowerCase()}${path.replace(/^\/api/, '').replace(/[/.:-]+(\w)/g, (_, letter: string) => letter.toUpperCase())}`,
    summary: about,
    description: `${NEEDS[need]}${logger ? ' A logger’s token is enough.' : ''}`,
    ...(parameters.length > 0 ? { parameters } : {}),
    ...(kinds.length > 0
      ? {
          requestBody: {
            required: true,
            content: Object.fromEntries(
              kinds.map((kind) => [kind, { schema: kind === 'application/json' && body ? schemaOf(body) : {} }]),
            ),
          },
        }
      : {}),
    responses: {
      '2XX': { description: 'Done.', content: { [gives]: { schema: {} } } },
      '4XX': refused,
      '5XX': refused,
    },
    security: need === 'nothing' ? [{}] : [{ session: [] }, ...(need === 'device' && !logger ? [] : [{ token: [] }])],
  }
}

/** The routes as an OpenAPI document, its schemas those that the routes go by. */
export function openApiOf(routes: Route[], version: string): Json {
  const paths: Record<string, Json> = {}
  for (const route of [...routes].sort((a, b) => a.path.localeCompare(b.path) || a.method.localeCompare(b.method))) {
    const path = route.path.replace(/:(\w+)/g, '{$1}')
    paths[path] = { ...paths[path], [route.method.toLowerCase()]: operationOf(route) }
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Uldo',
      version,
      description:
        'The shop’s records for programs. Every write carries a key of the sender’s own and is entered once, however often it is sent; SI units, °C. On the shop’s own machine nobody signs in.',
      license: { name: 'MIT', identifier: 'MIT' },
    },
    servers: [{ url: '/' }],
    paths,
    components: {
      schemas: { Refusal: schemaOf(Refusal) },
      securitySchemes: {
        session: { type: 'apiKey', in: 'cookie', name: '__Host-uldo', description: 'A person who signed in.' },
        token: {
          type: 'http',
          scheme: 'bearer',
          description: 'A script’s or a logger’s token, from House rules, People.',
        },
      },
    },
  }
}
