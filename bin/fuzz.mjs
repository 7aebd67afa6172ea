/**
 * Twenty thousand requests that nobody means well, over all routes of a server of its own: none may be answered with a 5xx, none may hang, its memory stays within bounds,
 * and the server must be as it was afterwards. `FUZZ=N` sends N; `SEED=n` begins elsewhere; `ON=postgres` has the records on a PostgreSQL server.
 */
import { randomUUID } from 'node:crypto'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { request } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { seeded } from '../core/random/random.ts'
import { oddities } from './lib/fuzz/odd.mjs'
import { begin } from './lib/hard/server.ts'
import { recordsOn } from './lib/load/records.ts'
import { isHeavy, leftOut, routesOf } from './lib/fuzz/routes.mjs'
import { ensureBuilt, ensureInstalled, freePort } from './lib/prepare.mjs'

const COUNT = Number(process.env.FUZZ ?? 20_000)
const HANGS = 40_000
/** What the server may hold at its highest, MB, and how long a stream is listened to, ms. */
const MEMORY = 700
const LISTENS = 200
/** The same requests for the same seed. */
const random = seeded(Number(process.env.SEED ?? 1))
const pick = (list) => list[Math.floor(random() * list.length)]

await ensureInstalled()
await ensureBuilt()
const folder = mkdtempSync(join(tmpdir(), 'uldo-fuzz-'))
const port = await freePort()
const records = await recordsOn()
const base = `http://127.0.0.1:${port}`
async function started() {
  const server = await begin(folder, { ...records.env, PORT: String(port) })
  if (!(await server.ready())) throw new Error(`The server did not come up: ${server.words()}`)
  return server
}
// Making a database takes more memory than all that is asked of it afterwards: the server that is asked has not made it.
const maker = await started()
maker.child.kill('SIGTERM')
await maker.gone
const { child: server, gone, words } = await started()

const [build] = await (await fetch(`${base}/api/builds`)).json()
const post = (path, body) =>
  fetch(base + path, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  }).then((response) => response.json())
const run = (
  await post(`/api/builds/${build.id}/runs`, {
    id: randomUUID(),
    kind: 'start',
    who: 'A program',
    setup: { source: 'logger' },
  })
).id
const { items } = await (await fetch(`${base}/api/shelf`)).json()
const item = items[0].id
const person = (await (await fetch(`${base}/api/access`)).json()).people.find(({ name }) => name === 'Oda').id
const { house, revision } = await (await fetch(`${base}/api/house`)).json()
const { secret } = await post(`/api/builds/${build.id}/links`, {
  name: 'somebody',
  until: new Date(Date.now() + 86400e3).toISOString(),
})
const sandbox = (await post('/api/builds/sandbox', { id: randomUUID() })).id
const ROUTES = routesOf({ build, run, item, person, house, revision, random, pick, sandbox })
const missing = leftOut(await (await fetch(`${base}/api/openapi.json`)).json(), ROUTES)
const { ODD, odd, mutated, flipped, csv } = oddities(random, pick)
const CSV = [`/api/runs/${run}/samples`, '/api/shelf/csv']
function oddPath(path) {
  const [first, query] = path.split('?')
  const roll = random()
  if (roll < 0.3)
    return query ? `${first}?${query.replace(/=[^&]*/, `=${odd()}`)}` : `${first}?after=${odd()}&most=${odd()}`
  if (roll < 0.5)
    return path.replace(
      /[0-9a-f-]{36}/,
      pick(['nonsense', '%00', '%ff', '..', randomUUID(), '00000000-0000-0000-0000-000000000000', '%E0%A4%A']),
    )
  if (roll < 0.6) return `${first}/${pick(['x', '%2e%2e', '%00', '%'])}`
  return path
}

const tally = {}
const faults = []
let done = 0
function send(number) {
  let route = pick(ROUTES)
  while (isHeavy(route[1]) && random() > 0.05) route = pick(ROUTES)
  const [method, path, body] = route
  const asCsv = method === 'POST' && random() < 0.06
  const target = asCsv ? pick(CSV) : random() < 0.35 ? oddPath(path) : path
  let bytes
  if (asCsv) bytes = random() < 0.5 ? Buffer.from(csv()) : flipped(csv())
  else if (body) {
    const text = JSON.stringify(random() < 0.15 ? body() : mutated(body()))
    bytes = random() < 0.15 ? flipped(text) : Buffer.from(text)
  }
  const headers = {
    ...(bytes
      ? {
          'content-type': asCsv
            ? 'text/csv'
            : random() < 0.96
              ? 'application/json'
              : pick(['text/plain', 'image/png', 'multipart/form-data', 'a', '']),
          'content-length': bytes.length,
        }
      : {}),
    ...(random() < 0.03 ? { host: pick(['evil.example', 'localhost', '[::1]:1', 'a b', '127.0.0.1:99999', '']) } : {}),
    ...(random() < 0.03 ? { origin: pick(['http://evil.example', 'null', base]) } : {}),
    ...(path === '/api/guest' || random() < 0.01
      ? { authorization: pick([`Bearer ${secret}`, `Bearer ${secret}x`, 'Bearer', `Basic ${secret}`, 'Bearer a b']) }
      : {}),
    ...(random() < 0.02 ? { 'last-event-id': (JSON.stringify(pick(ODD)) ?? '').replace(/[^\x20-\x7e]/g, '') } : {}),
  }
  return new Promise((finish) => {
    const began = Date.now()
    let ended = false
    const end = (status, words = '') => {
      if (ended) return
      ended = true
      clearTimeout(timer)
      done++
      const group = typeof status === 'number' ? `${Math.floor(status / 100)}xx` : status
      tally[group] = (tally[group] ?? 0) + 1
      if (status === 'hang' || (typeof status === 'number' && status >= 500))
        faults.push(
          `${number}: ${method} ${target} ${status} after ${Date.now() - began} ms ${words.slice(0, 200)} with ${bytes?.subarray(0, 300).toString() ?? ''}`,
        )
      finish()
    }
    const asked = request(
      { host: '127.0.0.1', port, method, path: target.replace(/[^\x21-\x7e]/g, encodeURIComponent), headers },
      (response) => {
        let text = ''
        if (String(response.headers['content-type']).startsWith('text/event-stream'))
          setTimeout(() => (end(response.statusCode), asked.destroy()), LISTENS)
        // What is sent for a long time and flows does not hang.
        response.on('data', (chunk) => ((text += text.length < 500 ? chunk : ''), timer.refresh()))
        response.on('end', () => end(response.statusCode, text))
        response.on('error', () => end('cut'))
      },
    )
    const timer = setTimeout(() => {
      asked.destroy()
      end('hang')
    }, HANGS)
    asked.on('error', () => end('cut'))
    if (bytes) asked.write(bytes)
    asked.end()
  })
}

const began = Date.now()
let next = 0
await Promise.all(
  Array.from({ length: 8 }, async () => {
    while (next < COUNT && faults.length < 40 && server.exitCode === null) {
      await send(next++)
      if (next % 10_000 === 0) console.log(`${next} sent, ${faults.length} faults`)
    }
  }),
)
const health = await fetch(`${base}/api/health`).then(
  async (response) => [response.status, await response.json()],
  (error) => [0, error.message],
)
/** Most that the server has held, MB, where the system tells it. */
const held = Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${server.pid}/status`, 'utf8'))?.[1]) / 1024
if (!(held < MEMORY)) faults.push(`The server held ${held.toFixed(0)} MB: ${MEMORY} are allowed.`)
for (const each of missing) faults.push(`Nothing is sent to ${each}.`)
server.kill('SIGTERM')
const code = await gone
await records.stop()
rmSync(folder, { recursive: true, force: true })
for (const fault of faults) console.log(fault)
if (words().trim()) console.log(`The server said:\n${words().slice(0, 3000)}`)
console.log(
  `${done} mutated requests in ${((Date.now() - began) / 1000).toFixed(0)} s: ${Object.entries(tally)
    .sort()
    .map(([group, count]) => `${group} ${count}`)
    .join(
      ', ',
    )}; ${faults.length} faults; at most ${held.toFixed(0)} MB; afterwards health ${health[0]}, ended with ${code}`,
)
process.exitCode = faults.length > 0 || health[0] !== 200 || code !== 0 || done < COUNT ? 1 : 0
