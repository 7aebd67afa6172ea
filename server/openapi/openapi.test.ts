import { Validator } from '@seriousme/openapi-schema-validator'
import { expect, it } from 'vitest'
import { z } from 'zod'
import { openApiOf, type Route } from './document'

const route = (method: string, path: string, described: Partial<Route['described']> = {}): Route => ({
  method,
  path,
  need: 'apprentice',
  logger: true,
  described: { about: 'Something.', ...described },
})

it('makes a document that the standard takes: parameters, bodies by schema and by kind, refusals, who may', async () => {
  const document = openApiOf(
    [
      route('GET', '/api/runs/:run/samples', {
        query: z.object({ after: z.coerce.number().optional(), kind: z.string() }),
      }),
      route('POST', '/api/runs/:run/samples', {
        body: z.strictObject({ time: z.number().min(0) }),
        takes: ['text/csv'],
      }),
    ],
    '1.2.3',
  )
  const { valid, errors } = await new Validator().validate(structuredClone(document))
  expect([errors, valid]).toEqual([undefined, true])
  expect(document).toMatchObject({
    info: { version: '1.2.3' },
    paths: {
      '/api/runs/{run}/samples': {
        get: {
          operationId: 'getRunsRunSamples',
          parameters: [
            { name: 'run', in: 'path', required: true },
            { name: 'after', in: 'query', required: false },
            { name: 'kind', in: 'query', required: true },
          ],
        },
        post: {
          requestBody: {
            content: {
              'application/json': {
                schema: { type: 'object', required: ['time'], properties: { time: { type: 'number', minimum: 0 } } },
              },
              'text/csv': {},
            },
          },
          responses: {
            '4XX': { content: { 'application/json': { schema: { $ref: '#/components/schemas/Refusal' } } } },
          },
          security: [{ session: [] }, { token: [] }],
        },
      },
    },
  })
})
