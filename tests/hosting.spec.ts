import { randomUUID } from 'node:crypto'
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { request } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Validator } from '@seriousme/openapi-schema-validator'
import { json } from './keptBuild'
import { letIn, PASSPHRASE, PINS } from './network'
import { buildId, expect, freePort, sharing, startServer, test } from './server'

interface Answer {
  status: number
  text: string
  headers: Record<string, string | string[] | undefined>
}

/** One request on a line of its own, with headers as they are given. */
function ask(port: number, path: string, headers: Record<string, string> = {}, body?: unknown): Promise<Answer> {
  return new Promise((done, fail) => {
    const asking = request(
      {
        host: '127.0.0.1',
        port,
        path,
        method: body ? 'POST' : 'GET',
        headers: { ...headers, ...(body ? json : {}) },
        agent: false,
      },
      (answer) => {
        let text = ''
        answer.on('data', (piece) => (text += piece))
        answer.once('end', () => done({ status: answer.statusCode!, text, headers: answer.headers }))
        answer.once('error', fail)
      },
    )
    asking.once('error', fail)
    asking.end(body ? JSON.stringify(body) : undefined)
  })
}

sharing('says that it lives, that it is ready, and in numbers what it does', async ({ server }) => {
  const get = async (path: string) => {
    const answer = await fetch(server.address + path)
    return { status: answer.status, type: answer.headers.get('content-type') ?? '', text: await answer.text() }
  }
  expect(await get('/api/health/live')).toMatchObject({ status: 200, text: JSON.stringify({ live: true }) })
  expect(await get('/api/health/ready')).toMatchObject({ status: 200 })
  const id = await buildId(server, 'Ottiline')
  await get(`/api/builds/${id}`)
  await get('/api/nonsense/of/mine')
  await get('/another/nonsense')
  const { type, text } = await get('/api/metrics')
  expect(type).toContain('application/openmetrics-text')
  expect(text.trimEnd().endsWith('# EOF')).toBe(true)
  const value = (line: RegExp) => Number(line.exec(text)?.[1])
  expect(
    value(/uldo_request_seconds_count\{method="GET",route="\/api\/builds\/:id",status="200"\} (\d+)/),
  ).toBeGreaterThan(0)
  expect(value(/uldo_request_seconds_count\{method="GET",route="none",status="404"\} (\d+)/)).toBeGreaterThan(0)
  expect(value(/uldo_keeps_watch (\d)/)).toBe(1)
  expect(value(/uldo_records_damaged (\d+)/)).toBe(0)
  expect(value(/uldo_wrong_tries_hour (\d+)/)).toBeGreaterThanOrEqual(0)
  // No build, no name, no address of anybody stands there.
  expect(text).not.toContain(id)
  expect(text).not.toContain('nonsense')
})

sharing(
  'every route that is there describes itself to programs, with the schema that it goes by',
  async ({ server }) => {
    const document = (await (await fetch(`${server.address}/api/openapi.json`)).json()) as {
      paths: Record<
        string,
        Record<string, { summary: string; requestBody?: { content: Record<string, { schema: object }> } }>
      >
    }
    const { valid, errors } = await new Validator().validate(structuredClone(document))
    expect([errors, valid]).toEqual([undefined, true])
    const described = Object.entries(document.paths).flatMap(([path, methods]) =>
      Object.keys(methods).map((method) => `${method} ${path}`),
    )
    // As the files of the routes say: builds/[id]/index.get.ts is GET /api/builds/{id}.
    const files = readdirSync('server/api', { recursive: true, encoding: 'utf8' })
      .filter((name) => name.endsWith('.ts') && !name.startsWith('[...]'))
      .map((name) => {
        const [, path, method] = /^(.*)\.(\w+)\.ts$/.exec(name)!
        return `${method} /api/${path.replace(/\/?index$/, '').replace(/\[(\w+)\]/g, '{$1}')}`
      })
    expect(described.sort()).toEqual(files.sort())
    // What is sent by the schema is taken, and what it forbids is refused.
    const { content } = document.paths['/api/builds/{id}/entries'].post.requestBody!
    const { properties, required } = content['application/json'].schema as {
      properties: Record<string, object>
      required: string[]
    }
    expect(Object.keys(properties)).toEqual(
      expect.arrayContaining(['clientKey', 'device', 'base', 'who', 'patch', 'orders']),
    )
    const id = await buildId(server, 'Ottiline')
    for (const missing of required) {
      const body: Record<string, unknown> = {
        clientKey: randomUUID(),
        device: randomUUID(),
        base: 0,
        who: 'A program',
        patch: [],
      }
      delete body[missing]
      const answer = await fetch(`${server.address}/api/builds/${id}/entries`, {
        method: 'POST',
        headers: json,
        body: JSON.stringify(body),
      })
      expect(answer.status, missing).toBe(400)
      expect(await answer.text()).toContain(`"path":"${missing}"`)
    }
  },
)

test('behind a proxy: who asks is whom the proxy saw, nobody is this machine’s own, and what it does not say is refused in words', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'uldo-proxied-'))
  const made = await letIn()
  cpSync(made, folder, { recursive: true })
  rmSync(made, { recursive: true, force: true })
  const port = await freePort()
  const name = 'uldo.shop.example'
  const server = await startServer(folder, undefined, {
    ULDO_PROXIED: `127.0.0.1:${port}`,
    ULDO_ADDRESS: `https://${name}`,
  })
  const says = (from = '198.51.100.7', more: Record<string, string> = {}) => ({
    host: name,
    'x-forwarded-for': from,
    'x-forwarded-proto': 'https',
    ...more,
  })
  // By its own port this machine is open as ever; by the proxy's nobody is.
  expect((await ask(server.port, '/api/builds')).status).toBe(200)
  expect((await ask(port, '/api/builds', says())).status).toBe(401)
  expect((await ask(port, '/api/builds', says('127.0.0.1'))).status).toBe(401)
  // Whoever reaches the proxy's port without it is told what is missing, and reads nothing.
  for (const [headers, status, words] of [
    [{ host: name }, 400, 'X-Forwarded-For'],
    [says(undefined, { 'x-forwarded-proto': 'http' }), 403, 'HTTPS'],
    [says(undefined, { host: '127.0.0.1' }), 401, 'passphrase'],
    [says(undefined, { host: 'elsewhere.example' }), 421, 'ULDO_ADDRESS'],
  ] as [Record<string, string>, number, string][]) {
    const answer = await ask(port, '/api/builds', headers)
    expect([answer.status, answer.text]).toEqual([status, expect.stringContaining(words)])
  }
  // A tablet lets itself in through it; its page is the proxy's, and no other may write.
  const origin = { origin: `https://${name}` }
  const passphrase = { passphrase: PASSPHRASE }
  expect(
    (await ask(port, '/api/access/passphrase', says(undefined, { origin: 'https://evil.example' }), passphrase)).status,
  ).toBe(403)
  const known = await ask(port, '/api/access/passphrase', says(undefined, origin), passphrase)
  expect(known.status).toBe(200)
  const cookieOf = (answer: Answer) => String(answer.headers['set-cookie']).split(';')[0]!
  expect(String(known.headers['set-cookie'])).toContain('Secure')
  const { people } = JSON.parse((await ask(server.port, '/api/access')).text) as {
    people: { id: string; name: string }[]
  }
  const signed = await ask(
    port,
    '/api/access/sign-in',
    says('203.0.113.9, 198.51.100.7', { ...origin, cookie: cookieOf(known) }),
    { person: people.find((each) => each.name === 'Maren')!.id, pin: PINS.Maren },
  )
  expect([signed.status, signed.text]).toEqual([200, expect.any(String)])
  expect((await ask(port, '/api/builds', says(undefined, { cookie: cookieOf(signed) }))).status).toBe(200)
  // The log has whom the proxy saw, and not what somebody wrote before it.
  const log = readFileSync(join(folder, 'log', 'uldo.log'), 'utf8')
  expect(log).toContain('"from":"198.51.100.7"')
  expect(log).not.toContain('203.0.113.9')
  // A hundred requests of a stranger's at one address leave another's alone.
  const many = await Promise.all(Array.from({ length: 130 }, () => ask(port, '/api/builds', says('192.0.2.1'))))
  expect(many.some(({ status }) => status === 429)).toBe(true)
  expect((await ask(port, '/api/builds', says('192.0.2.2'))).status).toBe(401)
  expect(await server.stop()).toBe(0)
  rmSync(folder, { recursive: true, force: true })
})

test('told to end it answers what was asked, takes nothing new, ends its streams, and loses nothing', async ({
  server,
}) => {
  const id = await buildId(server, 'Carousel set')
  const stream = await fetch(`${server.address}/api/builds/${id}/events?after=0`)
  const ended = (async () => {
    for await (const piece of stream.body as unknown as AsyncIterable<Uint8Array>) void piece
  })().then(
    () => 'ended',
    () => 'ended',
  )
  const { revision } = (await (await fetch(`${server.address}/api/builds/${id}`)).json()) as { revision: number }
  const said = new Map<number, number>()
  const acknowledged: string[] = []
  let going = true
  const device = randomUUID()
  const hands = Array.from({ length: 6 }, async (_, i) => {
    for (let n = 0; going; n++) {
      const clientKey = randomUUID()
      const answer = await ask(
        server.port,
        `/api/builds/${id}/entries`,
        {},
        {
          clientKey,
          device,
          who: 'A program',
          base: revision,
          patch: [
            {
              op: 'add',
              path: `/readings/main.${1 + (i % 2)}.bore`,
              value: { value: 0.05 + n * 1e-6, source: 'measured' },
            },
          ],
          reason: '',
        },
      ).catch(() => ({ status: 0 }))
      said.set(answer.status, (said.get(answer.status) ?? 0) + 1)
      if (answer.status === 200) acknowledged.push(clientKey)
      if (answer.status === 0) return
    }
  })
  await expect.poll(() => acknowledged.length).toBeGreaterThan(20)
  const code = await server.stop()
  going = false
  await Promise.all(hands)
  expect(code).toBe(0)
  expect(await ended).toBe('ended')
  // Entered, told that it is being started anew, or no longer there: nothing broken in between.
  expect([...said.keys()].filter((status) => ![0, 200, 503].includes(status))).toEqual([])
  const again = await startServer(server.folder)
  const entries = (await (await fetch(`${again.address}/api/builds/${id}/entries`)).json()) as { clientKey: string }[]
  const there = new Set(entries.map(({ clientKey }) => clientKey))
  expect(acknowledged.filter((key) => !there.has(key))).toEqual([])
  await again.stop()
})
