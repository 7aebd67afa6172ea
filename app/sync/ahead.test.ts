import { afterEach, expect, it, vi } from 'vitest'
import { ask } from './ask'

afterEach(() => vi.unstubAllGlobals())

it('a question that the shell has asked already is not asked again: once, fresh, and never a refusal', async () => {
  const asked: string[] = []
  vi.stubGlobal('fetch', (url: string) => {
    asked.push(url)
    return Promise.resolve(new Response('["asked now"]'))
  })
  const ahead = (answer: Promise<Response>, age = 0) =>
    vi.stubGlobal('uldoAhead', new Map([['/api/builds', { answer, at: performance.now() - age }]]))

  ahead(Promise.resolve(new Response('["asked ahead"]')))
  expect(await ask('GET /api/builds')).toEqual(['asked ahead'])
  expect(asked).toEqual([])
  expect(await ask('GET /api/builds')).toEqual(['asked now'])

  // From before a sign-in, from long ago, or of a server that was not reached.
  ahead(Promise.resolve(new Response('{}', { status: 401 })))
  expect(await ask('GET /api/builds')).toEqual(['asked now'])
  ahead(Promise.resolve(new Response('["old"]')), 6000)
  expect(await ask('GET /api/builds')).toEqual(['asked now'])
  ahead(Promise.reject(new TypeError('Failed to fetch')))
  expect(await ask('GET /api/builds')).toEqual(['asked now'])
  // What is written is never answered by what was read.
  ahead(Promise.resolve(new Response('["asked ahead"]')))
  await ask('POST /api/builds', { body: { id: 'x', sheet: {} } })
  expect(asked).toHaveLength(5)
})
