/**
 * What Uldo bears, measured on servers of its own, on this machine, in folders that go again.
 *
 *   npm run bench:load                       all of it, some eight minutes
 *   npm run bench:load -- floor patch        of 200 builds: how long the Floor's list and a patch hold the server's one thread
 *   npm run bench:load -- tablets            50 tablets with open streams and a patch a second each, records in a folder
 *   npm run bench:load -- servers            300 on PostgreSQL, at two servers
 *   npm run bench:load -- slow            60 listeners that do not read, 60 requests that trickle, one tablet that works
 *   npm run bench:load -- takeover           the server that keeps the watch killed during a start, five times
 *   npm run bench:load -- standby            the primary killed under load, its standby promoted
 *   SECONDS=20 TABLETS=20 npm run bench:load -- tablets
 *
 * Who asks runs on the same two cores as who answers: what is measured of many is never better than it would be with a network between.
 */
import { randomUUID } from 'node:crypto'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { openPostgres } from '../server/data/postgres'
import { type OwnPostgres, startPostgres } from '../server/data/ownPostgres'
import { fillFolder, fillShop } from './lib/load/filledShop'
import { startPair } from '../server/data/standby'
import { type Measured, measuredServer } from './lib/load/server'
import { slowOnes } from './lib/load/slow'
import { againstHistory, tablets } from './lib/load/tablets'
import { takeOver } from './lib/load/takeOver'
// @ts-expect-error a script without types of its own
import { ensureBuilt } from './lib/prepare.mjs'

const SECONDS = Number(process.env.SECONDS ?? 60)
/** Left out of what is said of answers, s. */
const WARM = Math.min(5, SECONDS / 4)
const ALL = ['floor', 'patch', 'tablets', 'servers', 'slow', 'takeover', 'standby']
const wanted = process.argv.slice(2)
const strange = wanted.find((each) => !ALL.includes(each))
if (strange) {
  console.error(`${strange} is none of ${ALL.join(', ')}.`)
  process.exit(2)
}
const asked = (what: string) => wanted.length === 0 || wanted.includes(what)

let missed = 0
function say(words: string, value: number, unit: string, most?: number) {
  const over = most !== undefined && !(value <= most)
  if (over) missed++
  console.log(
    `${words.padEnd(64)}${value.toFixed(value < 10 ? 2 : 0).padStart(8)} ${unit.padEnd(3)}${most === undefined ? '' : ` wanted ${most}${over ? '   MISSED' : ''}`}`,
  )
}
const share = (of: number[], part: number) =>
  [...of].sort((a, b) => a - b)[Math.min(of.length - 1, Math.floor(of.length * part))] ?? NaN

const folders: string[] = []
const servers: Measured[] = []
const databases: OwnPostgres[] = []
const folder = () => {
  const made = mkdtempSync(join(tmpdir(), 'uldo-load-'))
  folders.push(made)
  return made
}
async function server(at: string, env?: NodeJS.ProcessEnv): Promise<Measured> {
  const started = await measuredServer(at, env)
  servers.push(started)
  return started
}
async function stopped(of: Measured[]) {
  for (const each of of) {
    servers.splice(servers.indexOf(each), 1)
    await each.stop()
  }
}

/** Until it is known of each build how it stands by its model. */
async function settled(address: string) {
  for (;;) {
    const builds = (await (await fetch(`${address}/api/builds`)).json()) as { standing?: unknown }[]
    if (builds.every(({ standing }) => standing)) return
    await new Promise((done) => setTimeout(done, 1000))
  }
}

/** How long one request holds the server's thread: of `times` in turn, what it was busy, each. */
async function holds(of: Measured, times: number, ask: (i: number) => Promise<Response>) {
  // So many go before those that are measured: a server of a working day is warm.
  const WARM = 200
  for (let i = 0; i < WARM; i++) await (await ask(i)).arrayBuffer()
  await of.load()
  const answers: number[] = []
  for (let i = 0; i < times; i++) {
    const from = performance.now()
    const answer = await ask(WARM + i)
    if (!answer.ok) throw new Error(`${answer.status} ${await answer.text()}`)
    await answer.arrayBuffer()
    answers.push(performance.now() - from)
  }
  const { busy, longest } = await of.load()
  return { busy: busy / times, longest, answer: share(answers, 0.5) }
}

const put = (address: string, id: string, base: number, device: string, i: number) =>
  fetch(`${address}/api/builds/${id}/entries`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      clientKey: randomUUID(),
      device,
      who: 'Maren',
      base: base + i,
      patch: [{ op: 'add', path: '/readings/main.1.bore', value: { value: 0.0645 + i * 1e-7, source: 'measured' } }],
      reason: '',
    }),
  })

async function floorAndPatch() {
  const at = folder()
  const [id] = await fillFolder(at, { builds: 200, entries: 100 })
  const one = await server(at)
  await settled(one.address)
  if (asked('floor')) {
    const floor = await holds(one, 40, () => fetch(`${one.address}/api/builds`))
    say('Floor of 200 builds: holds the thread, a request', floor.busy, 'ms', 20)
    say('Floor of 200 builds: its answer, median', floor.answer, 'ms')
  }
  if (asked('patch')) {
    const device = randomUUID()
    const patch = await holds(one, 300, (i) => put(one.address, id!, 100, device, i))
    say('a patch: holds the thread', patch.busy, 'ms', 3)
    say('a patch: its answer, median', patch.answer, 'ms')
  }
  await stopped([one])
}

async function judged(name: string, at: Measured[], builds: string[], count: number, most: number, tolerant = false) {
  for (const each of at) await each.load()
  const heard = await tablets(
    at.map(({ address }) => address),
    builds,
    { count, seconds: SECONDS, tolerant },
  )
  const loads = await Promise.all(at.map((each) => each.load()))
  const wrong = [...heard.errors, ...(await againstHistory(at[0]!.address, heard))]
  for (const each of wrong.slice(0, 5)) console.log(`  ${each}`)
  say(`${name}: patches acknowledged`, heard.answers.length, '')
  say(`${name}: errors, lost, twice or out of order`, wrong.length, '', 0)
  const all = heard.answers.map(({ ms }) => ms)
  // The first seconds are those of code that has not run yet.
  const warm = heard.answers.flatMap(({ ms, after }) => (after >= WARM ? [ms] : []))
  if (tolerant) say(`${name}: asked again`, heard.again, '')
  say(`${name}: answer, median`, share(warm, 0.5), 'ms')
  say(`${name}: answer, 99 of 100`, share(warm, 0.99), 'ms', tolerant ? undefined : most)
  say(`${name}: answer, longest`, Math.max(...warm), 'ms')
  say(`${name}: answer, 99 of 100 with the first ${WARM} s`, share(all, 0.99), 'ms')
  say(`${name}: told to who listens, median`, share(heard.told, 0.5), 'ms')
  say(`${name}: told to who listens, 99 of 100`, share(heard.told, 0.99), 'ms')
  loads.forEach(({ busy, memory }, i) => {
    say(`${name}: server ${i + 1} busy, of ${SECONDS} s`, busy / 1000, 's')
    say(`${name}: server ${i + 1} memory`, memory, 'MB', 700)
  })
  return heard
}

async function folderTablets() {
  const count = Number(process.env.TABLETS ?? 50)
  const at = folder()
  const ids = await fillFolder(at, { builds: Math.ceil(count / 2), entries: 20 })
  const one = await server(at)
  await settled(one.address)
  await judged(`${count} tablets, a folder`, [one], ids, count, 100)
  await stopped([one])
}

async function twoServers() {
  const count = Number(process.env.TABLETS ?? 300)
  const postgres = await startPostgres({ safe: true })
  databases.push(postgres)
  const db = openPostgres(postgres.url)
  const ids = await fillShop(db, { builds: Math.ceil(count / 2), entries: 20 })
  await db.close()
  const env = { ULDO_DATABASE_URL: postgres.url }
  const both = [await server(folder(), env), await server(folder(), env)]
  await settled(both[0]!.address)
  await judged(`${count} tablets, PostgreSQL and two servers`, both, ids, count, 150)
  await stopped(both)
  await postgres.stop()
  databases.pop()
}

async function slowBeside() {
  const at = folder()
  const [id] = await fillFolder(at, { builds: 4, entries: 20 })
  const one = await server(at)
  await settled(one.address)
  const { answers, errors, deaf, sentAway, halting, ended } = await slowOnes(one.address, id!, SECONDS)
  const { memory } = await one.load()
  for (const each of errors.slice(0, 5)) console.log(`  ${each}`)
  say(`beside ${deaf} deaf and ${halting} slow: errors`, errors.length, '', 0)
  say(`beside ${deaf} deaf and ${halting} slow: answer, 99 of 100`, share(answers, 0.99), 'ms', 100)
  say('deaf listeners that were sent away', sentAway, '')
  say('slow requests that were ended', ended, '')
  say('memory', memory, 'MB', 700)
  await stopped([one])
}

async function takenOver() {
  const postgres = await startPostgres({ safe: true })
  databases.push(postgres)
  const env = { ULDO_DATABASE_URL: postgres.url, ULDO_DEMO: '1' }
  const times: { keeps: number; stops: number }[] = []
  let here = await server(folder(), env)
  for (let i = 0; i < 5; i++) {
    const other = await server(folder(), env)
    times.push(await takeOver(here, other))
    servers.splice(servers.indexOf(here), 1)
    here = other
  }
  say(
    'the watch taken over by another server, median',
    share(
      times.map(({ keeps }) => keeps),
      0.5,
    ) / 1000,
    's',
  )
  say('the watch taken over by another server, longest', Math.max(...times.map(({ keeps }) => keeps)) / 1000, 's', 3)
  say('STOP after the reading that calls for it, longest', Math.max(...times.map(({ stops }) => stops)) / 1000, 's')
  await stopped([here])
  await postgres.stop()
  databases.pop()
}

async function promoted() {
  const count = Number(process.env.TABLETS ?? 40)
  const pair = await startPair()
  databases.push(pair.primary, pair.standby)
  const db = openPostgres(pair.url)
  const ids = await fillShop(db, { builds: Math.ceil(count / 2), entries: 20 })
  await db.close()
  const env = { ULDO_DATABASE_URL: pair.url }
  const both = [await server(folder(), env), await server(folder(), env)]
  const promotes = (async () => {
    await new Promise((done) => setTimeout(done, (SECONDS * 1000) / 3))
    await pair.primary.kill()
    const from = performance.now()
    await pair.promote()
    return performance.now() - from
  })()
  await judged(`${count} tablets, the primary killed under them`, both, ids, count, Infinity, true)
  say('the standby promoted and writing, after the kill', (await promotes) / 1000, 's')
  await stopped(both)
}

await ensureBuilt()
try {
  if (asked('floor') || asked('patch')) await floorAndPatch()
  if (asked('tablets')) await folderTablets()
  if (asked('servers')) await twoServers()
  if (asked('slow')) await slowBeside()
  if (asked('takeover')) await takenOver()
  if (asked('standby')) await promoted()
} finally {
  for (const each of servers) await each.stop()
  for (const each of databases) await each.stop()
  for (const each of folders) rmSync(each, { recursive: true, force: true })
}
if (missed > 0) process.exitCode = 1
