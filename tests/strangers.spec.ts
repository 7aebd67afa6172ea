import { spawn } from 'node:child_process'
import {
  cpSync,
  mkdirSync,
  mkdtempSync,
  openSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
  writeSync,
} from 'node:fs'
import { request } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { buildId, expect, startServer, test } from './server'

/** A request with any headers at all, as no browser sends it. */
function raw(
  port: number,
  method: string,
  path: string,
  headers: Record<string, string>,
  body = '',
): Promise<{ status: number; headers: Record<string, unknown> }> {
  return new Promise((done, fail) => {
    const asked = request(
      {
        host: '127.0.0.1',
        port,
        method,
        path,
        headers: { ...headers, 'content-length': String(Buffer.byteLength(body)) },
      },
      (response) => {
        response.resume()
        response.on('end', () => done({ status: response.statusCode!, headers: response.headers }))
      },
    )
    asked.on('error', fail)
    asked.end(body)
  })
}

test('no other page writes here, and no other name is answered', async ({ server }) => {
  const id = await buildId(server, 'Ottiline')
  const body = JSON.stringify({ preset: 'inline4', name: 'Stranger', engine: 'x' })
  const host = `127.0.0.1:${server.port}`
  const post = (headers: Record<string, string>) =>
    raw(server.port, 'POST', '/api/builds', { host, 'content-type': 'application/json', ...headers }, body).then(
      ({ status }) => status,
    )
  expect(await post({ 'content-type': 'text/plain' })).toBe(415)
  expect(await post({ origin: 'http://evil.example' })).toBe(403)
  expect(await post({ origin: 'null' })).toBe(403)
  expect(await post({ 'sec-fetch-site': 'cross-site' })).toBe(403)
  expect(await post({ host: 'evil.example' })).toBe(421)
  expect((await raw(server.port, 'GET', `/api/builds/${id}`, { host: 'evil.example:80' })).status).toBe(421)
  expect(
    ((await (await fetch(`${server.address}/api/builds`)).json()) as { name: string }[]).some(
      ({ name }) => name === 'Stranger',
    ),
  ).toBe(false)
  expect(await post({ origin: `http://${host}`, 'sec-fetch-site': 'same-origin' })).toBe(201)
  const page = await raw(server.port, 'GET', '/', { host })
  expect(page.headers['x-powered-by']).toBeUndefined()
  expect(String(page.headers['content-security-policy'])).toMatch(/script-src 'self' 'wasm-unsafe-eval' 'sha256-/)
  expect(String(page.headers['content-security-policy'])).not.toMatch(/script-src[^;]*unsafe-inline/)
  // All of it stands in the log: what, from where, with what answer, and by whom where it was said; never what was brought.
  const lines = () =>
    readFileSync(join(server.folder, 'log/uldo.log'), 'utf8')
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as { method: string; path: string; status: number; ms: number; who?: string })
  const change = {
    clientKey: id,
    device: id,
    base: 0,
    who: 'Oda',
    patch: [{ op: 'add', path: '/readings/nothing', value: 'not for the log' }],
  }
  await fetch(`${server.address}/api/builds/${id}/entries?pin=1234`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(change),
  })
  await expect
    .poll(() =>
      lines()
        .filter(({ path }) => path.endsWith('/entries'))
        .map(({ status, who }) => [status, who]),
    )
    .toEqual([[400, 'Oda']])
  expect(
    lines()
      .filter(({ method, path }) => method === 'POST' && path === '/api/builds')
      .map(({ status }) => status),
  ).toEqual([415, 403, 403, 403, 421, 201])
  expect(readFileSync(join(server.folder, 'log/uldo.log'), 'utf8')).not.toMatch(/1234|not for the log|Stranger/)
  expect(page.headers).toMatchObject({
    'x-content-type-options': 'nosniff',
    'x-frame-options': 'DENY',
    'referrer-policy': 'no-referrer',
  })
})

test('what is wrong with a request is a 400, and never the server’s failure', async ({ server }) => {
  const id = await buildId(server, 'Ottiline')
  const run = crypto.randomUUID()
  const send = (path: string, body: string, type = 'application/json') =>
    fetch(server.address + path, { method: 'POST', headers: { 'content-type': type }, body }).then(
      ({ status }) => status,
    )
  expect(
    await send(
      `/api/builds/${id}/runs`,
      JSON.stringify({ id: run, kind: 'start', who: 'Maren', setup: { source: 'logger' } }),
    ),
  ).toBe(201)
  const got = (path: string) => fetch(server.address + path).then(({ status }) => status)
  expect(await got(`/api/runs/${run}/samples?after=abc`)).toBe(400)
  expect(await got(`/api/runs/${run}/samples?most=-1`)).toBe(400)
  expect(await got(`/api/builds/${id}/entries?after=99999999999`)).toBe(400)
  expect(await send(`/api/runs/${run}/samples`, 'time (s),pressure (bar)\n0,3\n99999999999,3\n', 'text/csv')).toBe(200)
  expect(await send(`/api/runs/${run}/samples`, '[{"pressure":"high"}]')).toBe(400)
  expect(await send(`/api/runs/${run}/samples`, '[]')).toBe(400)
  expect(
    await send(
      `/api/runs/${run}/events`,
      JSON.stringify({ clientKey: crypto.randomUUID(), time: 1, kind: 'note', words: 'a\0b', who: 'Maren' }),
    ),
  ).toBe(400)
  expect(
    await send(
      '/api/shelf/items',
      JSON.stringify({
        kind: 'washer',
        label: 'a\0',
        engine: '',
        count: 1,
        place: '',
        note: '',
        properties: { thickness: 0.001 },
      }),
    ),
  ).toBe(400)
  expect(
    await fetch(`${server.address}/api/builds/${id}/photos/${crypto.randomUUID()}?who=a%00b`, {
      method: 'PUT',
      headers: { 'content-type': 'image/png' },
      body: 'x',
    }).then(({ status }) => status),
  ).toBe(400)
  // A file that takes a parser long holds up nobody else.
  const slow = send('/api/shelf/csv', `kind,label,count\n${'"\r\n'.repeat(500_000)}`, 'text/csv')
  const began = Date.now()
  expect(await got(`/api/builds/${id}`)).toBe(200)
  expect(Date.now() - began).toBeLessThan(3000)
  expect(await slow).toBeLessThan(500)
})

test('a folder that holds something else is never made into a new shop; what cannot be read is not said to be ready', async ({
  server,
}) => {
  await server.stop()
  const broken = mkdtempSync(join(tmpdir(), 'uldo-broken-'))
  cpSync(server.folder, broken, { recursive: true })
  rmSync(join(broken, 'records', 'PG_VERSION'))
  const before = readdirSync(join(broken, 'records')).sort()
  const refused = await ended(broken)
  expect(refused.code).toBe(4)
  expect(refused.words).toContain('PG_VERSION is missing')
  expect(refused.words).not.toContain('    at ')
  expect(readdirSync(join(broken, 'records')).sort()).toEqual(before)

  // A folder of which this user may write nothing is said plainly: a file stands in its place.
  const file = join(mkdtempSync(join(tmpdir(), 'uldo-file-')), 'data')
  writeFileSync(file, 'no folder')
  const strange = await ended(file)
  expect(strange.code).toBe(4)
  expect(strange.words).not.toContain('    at ')

  // Bytes turned over in the middle of a table.
  const flipped = mkdtempSync(join(tmpdir(), 'uldo-flipped-'))
  cpSync(server.folder, flipped, { recursive: true })
  const tables = files(join(flipped, 'records', 'base')).filter((path) => readFileSync(path).includes('Washer 1.20'))
  expect(tables.length).toBeGreaterThan(0)
  for (const path of tables) {
    const handle = openSync(path, 'r+')
    for (let at = 0; at + 64 < statSync(path).size; at += 8192) writeSync(handle, Buffer.alloc(64, 0xff), 0, 64, at)
  }
  const damaged = await startServerAnyway(flipped)
  // While it opens them it says so; once it has read them, what is wrong.
  const health = async () => {
    const response = await fetch(`${damaged.address}/api/health`)
    return `${response.status} ${((await response.json()) as { error: { message: string } }).error.message}`
  }
  await expect.poll(health, { timeout: 60_000 }).toMatch(/^503 .*put a backup back/)
  damaged.child.kill('SIGKILL')
  for (const each of [broken, flipped]) rmSync(each, { recursive: true, force: true })
})

test('a port that another shop has is said, and its address is not given as one’s own', async ({ server }) => {
  const data = mkdtempSync(join(tmpdir(), 'uldo-second-'))
  mkdirSync(data, { recursive: true })
  const child = spawn(process.execPath, ['bin/start.mjs'], {
    env: { ...process.env, PORT: String(server.port), ULDO_DATA: data },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let words = ''
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (words += chunk))
  const code = await new Promise((done) => child.once('exit', done))
  expect(code).toBe(5)
  expect(words).toContain(`Port ${server.port} is in use`)
  expect(words).not.toContain('Uldo is at')
})

function files(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((each) =>
    each.isDirectory() ? files(join(folder, each.name)) : [join(folder, each.name)],
  )
}

/** Starts the server on a folder and waits until it has ended by itself. */
function ended(folder: string): Promise<{ code: number | null; words: string }> {
  const child = spawn(process.execPath, ['.output/server/index.mjs'], {
    env: { ...process.env, PORT: '0', HOST: '127.0.0.1', ULDO_DATA: folder },
    stdio: ['ignore', 'ignore', 'pipe'],
  })
  let words = ''
  child.stderr.on('data', (chunk) => (words += chunk))
  return new Promise((done) => child.once('exit', (code) => done({ code, words })))
}

/** A server whose records may be past reading: up as soon as it answers anything. */
async function startServerAnyway(folder: string): Promise<{ address: string; child: ReturnType<typeof spawn> }> {
  const spare = await startServer()
  const { port } = spare
  await spare.stop()
  rmSync(spare.folder, { recursive: true, force: true })
  const child = spawn(process.execPath, ['.output/server/index.mjs'], {
    env: { ...process.env, PORT: String(port), HOST: '127.0.0.1', ULDO_DATA: folder, ULDO_DEMO: '' },
    stdio: 'ignore',
  })
  const address = `http://127.0.0.1:${port}`
  for (let tries = 0; tries < 200; tries++) {
    const health = await fetch(`${address}/api/health`).then(
      ({ status }) => status,
      () => 0,
    )
    if (health === 503 && tries > 20) break
    await new Promise((done) => setTimeout(done, 150))
  }
  return { address, child }
}
