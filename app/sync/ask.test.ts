import { existsSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { ask, Refused, refusedWords } from './ask'

/** Every request is answered with this; what was asked is kept. */
function answers(status: number, text: string) {
  const asked: { url: string; init: RequestInit }[] = []
  vi.stubGlobal('fetch', async (url: string, init: RequestInit) => {
    asked.push({ url, init })
    return new Response(status === 204 ? null : text, { status })
  })
  return asked
}
const thrownBy = (work: Promise<unknown>) =>
  work.then(
    () => expect.unreachable('nothing was thrown'),
    (error: unknown) => error as Refused,
  )
afterEach(() => vi.unstubAllGlobals())

describe('what is asked of the server', () => {
  it('goes to its path by its method, with names and query encoded', async () => {
    const asked = answers(200, '{"value":3.5}')
    const { value } = await ask('GET /api/builds/:build/gauge', {
      at: { build: 'a/b' },
      query: { reading: 'main.1.bore', press: 2 },
    })
    expect(value).toBe(3.5)
    expect(asked).toHaveLength(1)
    expect(asked[0]).toMatchObject({
      url: '/api/builds/a%2Fb/gauge?reading=main.1.bore&press=2',
      init: { method: 'GET' },
    })
    expect(asked[0].init.body).toBeUndefined()
  })
  it('carries JSON, a file’s text as CSV and a picture as it is', async () => {
    const asked = answers(200, '{}')
    await ask('POST /api/access/sign-out', { body: {} })
    await ask('POST /api/shelf/csv', { query: { who: 'Ilse' }, body: 'kind,label' })
    const picture = new Blob(['x'], { type: 'image/jpeg' })
    await ask('PUT /api/shelf/photos/:photo', { at: { photo: 'p' }, query: {}, body: picture })
    expect(asked.map(({ init }) => [init.method, init.body])).toEqual([
      ['POST', '{}'],
      ['POST', 'kind,label'],
      ['PUT', picture],
    ])
    expect(asked[0].init.headers).toEqual({ 'content-type': 'application/json' })
    expect(asked[1].init.headers).toEqual({ 'content-type': 'text/csv' })
    expect(asked[2]).toMatchObject({ url: '/api/shelf/photos/p', init: { method: 'PUT' } })
  })
  it('throws the server’s refusal whole: code, words, fields', async () => {
    const problems = [{ path: 'name', message: 'is taken' }]
    answers(409, JSON.stringify({ error: { status: 409, code: 'twice', message: 'Pell is taken.', problems } }))
    const error = await thrownBy(ask('POST /api/tokens', { body: { name: 'Pell', kind: 'logger' } }))
    expect(error).toBeInstanceOf(Refused)
    expect(error).toMatchObject({ message: 'Pell is taken.', reached: true })
    expect(error.refusal).toEqual({ status: 409, code: 'twice', message: 'Pell is taken.', problems })
    expect(refusedWords(error, 'not reached')).toBe('Pell is taken.')
  })
  it.each([
    [502, '<html>Bad gateway</html>', 'The server refused it (502).'],
    [413, '', 'It is larger than the server takes.'],
  ])('says something where what stands between answers %i', async (status, text, words) => {
    answers(status, text)
    expect(await thrownBy(ask('GET /api/builds'))).toMatchObject({ message: words, refusal: { status, problems: [] } })
  })
  it('tells a server that was not reached from one that refused', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('Failed to fetch')))
    const error = await thrownBy(ask('GET /api/builds'))
    expect(error).toMatchObject({ reached: false, refusal: { status: 0, code: 'unreachable' } })
    expect(refusedWords(error, 'Kept; try again.')).toBe('Kept; try again.')
    expect(refusedWords(new Error('a fault of our own'))).toBe('The server does not answer. Try again.')
  })
  it('tells one that was cancelled', async () => {
    const cancelling = new AbortController()
    vi.stubGlobal(
      'fetch',
      (_: string, { signal }: RequestInit) =>
        new Promise((_done, fail) => signal!.addEventListener('abort', () => fail(new Error('AbortError')))),
    )
    const asked = ask('POST /api/runs/:run/samples', {
      at: { run: 'r' },
      query: { columns: '[]', header: '1' },
      body: 'time,pressure',
      signal: cancelling.signal,
    })
    cancelling.abort()
    expect((await thrownBy(asked)).refusal.code).toBe('cancelled')
  })
  it('every route of the list is one that the server has', () => {
    const source = readFileSync(fileURLToPath(new URL('routes.ts', import.meta.url)), 'utf8')
    const routes = [...source.matchAll(/^ {2}'(GET|POST|PUT|DELETE) \/(api\/[^']+)'/gm)]
    expect(routes.length).toBeGreaterThan(25)
    const missing = routes
      .map(([, method, path]) => ({ method: method.toLowerCase(), path: path.replace(/:(\w+)/g, '[$1]') }))
      .map(({ method, path }) =>
        [`${path}.${method}.ts`, `${path}/index.${method}.ts`].map((each) => each.replace('[build]', '[id]')),
      )
      .filter((files) =>
        files.every((file) => !existsSync(fileURLToPath(new URL(`../../server/${file}`, import.meta.url)))),
      )
    expect(missing).toEqual([])
  })
})
