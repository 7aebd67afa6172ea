/**
 * Twenty thousand requests that nobody means well, over all routes of a server of its own: none may be answered with a 5xx, none may hang, and the server must be as it
 * was afterwards. `FUZZ=N` sends N; `SEED=n` begins elsewhere.
 */
import { spawn } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { mkdtempSync, rmSync } from 'node:fs'
import { request } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { seeded } from '../core/random/random.ts'
import { ensureBuilt, ensureInstalled, freePort, root } from './lib/prepare.mjs'

const COUNT = Number(process.env.FUZZ ?? 20_000)
const HANGS = 40_000
/** The same requests for the same seed. */
const random = seeded(Number(process.env.SEED ?? 1))
const pick = (list) => list[Math.floor(random() * list.length)]

await ensureInstalled()
await ensureBuilt()
const folder = mkdtempSync(join(tmpdir(), 'uldo-fuzz-'))
const port = await freePort()
const server = spawn(process.execPath, ['.output/server/index.mjs'], {
  cwd: root,
  stdio: ['ignore', 'ignore', 'pipe'],
  env: { ...process.env, PORT: String(port), HOST: '127.0.0.1', ULDO_DATA: folder, ULDO_DEMO: '1' },
})
let traces = ''
server.stderr.on('data', (chunk) => (traces += chunk))
const gone = new Promise((done) => server.once('exit', done))
const base = `http://127.0.0.1:${port}`
while (
  !(await fetch(`${base}/api/health`).then(
    (response) => response.ok,
    () => false,
  ))
)
  await new Promise((done) => setTimeout(done, 200))

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
const change = () => ({
  clientKey: randomUUID(),
  device: randomUUID(),
  base: 0,
  who: 'A program',
  patch: [{ op: 'add', path: '/readings/main.1.journal', value: { value: 0.066, source: 'measured' } }],
  reason: '',
})
const entry = {
  kind: 'washer',
  label: 'W',
  engine: '',
  count: 1,
  place: '',
  note: '',
  properties: { thickness: 0.001 },
}

/** Every route with a body that it takes. */
const ROUTES = [
  ['GET', '/api/health'],
  ['GET', '/api/builds'],
  ['GET', `/api/builds/${build.id}`],
  ['GET', `/api/builds/${build.id}/file`],
  ['GET', `/api/builds/${build.id}/entries?after=0`],
  ['GET', `/api/builds/${build.id}/reminders`],
  ['GET', `/api/builds/${build.id}/label?valve=relief&form=svg`],
  ['GET', `/api/builds/${build.id}/label?valve=relief&form=pdf`],
  ['GET', `/api/builds/${build.id}/gauge?reading=main.1.journal&engine=3&press=1`],
  ['GET', `/api/builds/${build.id}/runs`],
  ['GET', `/api/runs/${run}`],
  ['GET', `/api/runs/${run}/samples?after=-1&most=100`],
  ['GET', `/api/runs/${run}/samples?format=csv`],
  ['GET', '/api/shelf'],
  ['GET', '/api/shelf/csv?kind=washer'],
  ['GET', '/api/house'],
  ['GET', `/api/shelf/photos/${randomUUID()}`],
  ['GET', `/api/builds/${build.id}/photos/${randomUUID()}`],
  ['GET', '/'],
  ['GET', `/build/${build.id}/bearings`],
  ['POST', '/api/builds', () => ({ preset: 'inline4', name: 'n', engine: 'e', work: '' })],
  ['POST', `/api/builds/${build.id}/entries`, change],
  [
    'POST',
    `/api/builds/${build.id}/entries`,
    () => ({ ...change(), orders: [{ clientKey: randomUUID(), item, move: 'reserve', count: 1 }] }),
  ],
  [
    'POST',
    `/api/builds/${build.id}/runs`,
    () => ({
      id: randomUUID(),
      kind: pick(['start', 'prime']),
      who: 'A program',
      setup: { source: pick(['logger', 'hand', 'file']) },
    }),
  ],
  [
    'POST',
    `/api/builds/${build.id}/shelf`,
    () => ({ who: 'A program', orders: [{ clientKey: randomUUID(), item, move: 'reserve', count: 1 }] }),
  ],
  [
    'POST',
    `/api/runs/${run}/events`,
    () => ({
      clientKey: randomUUID(),
      time: 1,
      kind: pick(['act', 'mark', 'note', 'oil', 'found']),
      words: 'w',
      data: { action: 'crank', temperature: 20 },
      who: 'A program',
    }),
  ],
  ['POST', `/api/runs/${run}/samples`, () => [{ time: Math.round(random() * 1e6) / 1000, pressure: 3e5, speed: 15 }]],
  ['POST', '/api/shelf/items', () => ({ ...entry, label: `W ${Math.floor(random() * 1e6)}` })],
  [
    'POST',
    '/api/shelf/changes',
    () => ({ clientKey: randomUUID(), who: 'A program', item, kind: 'set', was: { count: 1 }, set: { count: 2 } }),
  ],
  [
    'POST',
    '/api/shelf/changes',
    () => ({
      clientKey: randomUUID(),
      who: 'A program',
      item: randomUUID(),
      kind: 'add',
      entry: { ...entry, label: `X ${Math.floor(random() * 1e6)}` },
    }),
  ],
  ['PUT', `/api/shelf/items/${item}`, () => ({ base: 0, entry })],
  ['DELETE', `/api/shelf/items/${randomUUID()}`],
  [
    'POST',
    '/api/house/changes',
    () => ({
      clientKey: randomUUID(),
      device: randomUUID(),
      base: revision,
      who: 'A program',
      patch: [{ op: 'replace', path: '/units', value: 'mm, bar' }],
      reason: '',
    }),
  ],
  ['PUT', '/api/house', () => ({ base: revision, house })],
  [
    'POST',
    '/api/house/preview',
    () => ({ rules: { 'relief.bindMargin': { value: 2e-3, reason: 'r' } }, school: 'auto' }),
  ],
  ['PUT', `/api/builds/${build.id}/photos/${randomUUID()}?who=Someone`, () => 'JPEG'],
  ['PUT', `/api/shelf/photos/${randomUUID()}?who=Someone`, () => 'JPEG'],
  ['GET', '/api/access'],
  ['GET', '/api/people'],
  ['GET', '/api/network'],
  ['GET', `/api/builds/${build.id}/proposals`],
  ['POST', `/api/builds/${build.id}/entries`, () => ({ ...change(), who: 'Tobi' })],
  [
    'POST',
    `/api/builds/${build.id}/proposals/${1 + Math.floor(random() * 200)}`,
    () => ({ decision: pick(['signed', 'sent-back', 'taken-back']), who: pick(['Maren', 'Tobi', 'Oda']) }),
  ],
  [
    'POST',
    '/api/people',
    () => ({ name: `P ${Math.floor(random() * 1e6)}`, role: pick(['owner', 'builder', 'apprentice', 'reader']) }),
  ],
  ['PUT', `/api/people/${person}`, () => ({ role: 'reader', unlock: true })],
  ['POST', '/api/tokens', () => ({ name: `T ${Math.floor(random() * 1e6)}`, kind: pick(['logger', 'script']) })],
  ['DELETE', `/api/tokens/${randomUUID()}`],
  ['DELETE', `/api/sessions/${randomUUID()}`],
  ['POST', '/api/access/passphrase', () => ({ passphrase: 'guessed at random' })],
  ['POST', '/api/access/sign-in', () => ({ person, pin: '482913' })],
  ['POST', '/api/access/sign-out', () => ({})],
  ['PUT', '/api/access/pin', () => ({ now: '482913', pin: '713904' })],
  ['PUT', '/api/passphrase', () => ({ passphrase: 'short' })],
]
const CSV = [`/api/runs/${run}/samples`, '/api/shelf/csv']
const ODD = [
  null,
  true,
  [],
  {},
  '',
  '\0',
  '\ud800',
  'x'.repeat(5000),
  -1,
  0,
  1e308,
  -1e308,
  2147483648,
  9007199254740993,
  0.1,
  '__proto__',
  '7W-11',
  'NaN',
  '2026-13-45',
  [[[]]],
  { __proto__: null, a: 1 },
  '../../etc/passwd',
  '%00',
  "'; drop table build; --",
  '\u202e',
  '-0',
]

/** Odd texts as they may stand in an address. */
const odd = () => encodeURIComponent(String(pick(ODD.filter((each) => typeof each !== 'object'))).toWellFormed())

/** One value somewhere in a body put wrong, or a field lost or added. */
function mutated(value, depth = 0) {
  if (typeof value !== 'object' || value === null || (depth > 0 && random() < 0.25)) return pick(ODD)
  const copy = Array.isArray(value) ? [...value] : { ...value }
  const keys = Object.keys(copy)
  if (keys.length === 0 || random() < 0.08) {
    if (Array.isArray(copy)) copy.push(pick(ODD))
    else copy[pick(['extra', 'constructor', 'time', 'house', 'id', '0', ''])] = pick(ODD)
    return copy
  }
  const key = pick(keys)
  if (random() < 0.12) delete copy[key]
  else copy[key] = mutated(copy[key], depth + 1)
  return copy
}
function flipped(text) {
  const bytes = Buffer.from(text)
  for (let i = 0; i < 1 + Math.floor(random() * 4) && bytes.length > 0; i++)
    bytes[Math.floor(random() * bytes.length)] = Math.floor(random() * 256)
  return bytes
}
const csv = () =>
  pick([
    'time (s),pressure (bar)\n0,3\n1,3.1\n',
    'time (s),pressure (bar),speed (rpm)\n0,3,900\n99999999999,3,900\n',
    'time (ms),P (psi)\n1e30,4\n-5,3\n',
    `time (s),pressure (bar)\n${'"\n'.repeat(Math.floor(random() * 3000))}`,
    'kind,label,count\nwasher,"A,1\n',
    `kind,label,count,thickness (mm)\n${Array.from({ length: 40 }, (_, i) => `washer,F ${i},${pick(['1', '-1', '\0', 'x', '1e9'])},1`).join('\n')}`,
    '\0\0\0',
    ',,,\n,,,',
    'time,time\n1,1',
    '',
  ])
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
  const [method, path, body] = pick(ROUTES)
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
    ...(random() < 0.02 ? { 'last-event-id': (JSON.stringify(pick(ODD)) ?? '').replace(/[^\x20-\x7e]/g, '') } : {}),
  }
  return new Promise((finish) => {
    const began = Date.now()
    const end = (status, words = '') => {
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
        response.on('data', (chunk) => (text += text.length < 500 ? chunk : ''))
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
    while (next < COUNT && faults.length < 40 && server.exitCode === null) await send(next++)
  }),
)
const health = await fetch(`${base}/api/health`).then(
  async (response) => [response.status, await response.json()],
  (error) => [0, error.message],
)
server.kill('SIGTERM')
const code = await gone
rmSync(folder, { recursive: true, force: true })
for (const fault of faults) console.log(fault)
if (traces.trim()) console.log(`The server said:\n${traces.slice(0, 3000)}`)
console.log(
  `${done} mutated requests in ${((Date.now() - began) / 1000).toFixed(0)} s: ${Object.entries(tally)
    .sort()
    .map(([group, count]) => `${group} ${count}`)
    .join(', ')}; ${faults.length} faults; afterwards health ${health[0]}, ended with ${code}`,
)
process.exitCode = faults.length > 0 || health[0] !== 200 || code !== 0 || done < COUNT ? 1 : 0
