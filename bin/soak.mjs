/**
 * That nothing acknowledged is lost: the server killed a thousand times in bursts of changes; with ON=postgres its records lie on a PostgreSQL
 * server, which every tenth time is killed with it.
 *
 *   npm run soak
 *   KILLS=100 ON=postgres npm run soak
 */
import { randomUUID } from 'node:crypto'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { begin } from './lib/hard/server.ts'
import { recordsOn } from './lib/load/records.ts'
import { ensureBuilt, ensureInstalled, freePort } from './lib/prepare.mjs'

const KILLS = Number(process.env.KILLS ?? 1000)
await ensureInstalled()
await ensureBuilt()
const folder = mkdtempSync(join(tmpdir(), 'uldo-soak-'))
const records = await recordsOn()
const port = await freePort()
const base = `http://127.0.0.1:${port}`
const pause = (ms) => new Promise((done) => setTimeout(done, ms))
async function start() {
  const server = await begin(folder, { ...records.env, PORT: String(port) })
  if (!(await server.ready())) throw new Error(`The server did not come up: ${server.words()}`)
  return server
}
const enter = (build, key, value, device) =>
  fetch(`${base}/api/builds/${build}/entries`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      clientKey: randomUUID(),
      device,
      base: 0,
      who: 'A program',
      patch: [{ op: 'add', path: `/readings/${key}`, value: { value, source: 'measured' } }],
    }),
  }).then(
    (response) => (response.ok ? response.json() : undefined),
    () => undefined,
  )

let server = await start()
const [{ id: build }] = (await (await fetch(`${base}/api/builds`)).json()).filter(({ name }) => name === 'Ottiline')
const acknowledged = new Map()
const device = randomUUID()
let sent = 0
const began = Date.now()
for (let kill = 0; kill < KILLS; kill++) {
  // In the middle of its work, and not before it has begun.
  let left = 1 + Math.floor(12 * Math.random())
  let enough
  const worked = new Promise((done) => (enough = done))
  const burst = Array.from({ length: 40 }, async (_, i) => {
    await pause(3 * i)
    const value = 0.05 + 1e-7 * ++sent
    const entry = await enter(build, `main.${1 + (i % 7)}.journal`, value, device)
    if (!entry) return
    acknowledged.set(entry.revision, value)
    if (--left === 0) enough()
  })
  await Promise.race([worked, Promise.all(burst)])
  await pause(5 * Math.random())
  server.child.kill('SIGKILL')
  if (kill % 10 === 9) await records.die()
  await server.gone
  await Promise.all(burst)
  server = await start()
  if (kill % 100 === 99) console.log(`${kill + 1} kills, ${acknowledged.size} acknowledged`)
}
const check = async () => {
  const entries = await (await fetch(`${base}/api/builds/${build}/entries`)).json()
  const kept = new Map(entries.map((entry) => [entry.revision, entry.patch[0].value.value]))
  return [...acknowledged].filter(([revision, value]) => kept.get(revision) !== value).length
}
const lost = await check()
console.log(
  `${KILLS} SIGKILLs in bursts: ${sent} sent, ${acknowledged.size} acknowledged, ${lost} lost, in ${((Date.now() - began) / 1000).toFixed(0)} s`,
)
server.child.kill('SIGTERM')
const code = await server.gone
await records.stop()
rmSync(folder, { recursive: true, force: true })
if (acknowledged.size < 3 * KILLS) console.error('So few were acknowledged that this shows nothing.')
process.exitCode = acknowledged.size < 3 * KILLS || lost > 0 || code !== 0 ? 1 : 0
