import { spawnSync } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { againstHistory, tablets } from '../bin/lib/load/tablets'
import { type OwnPostgres, startPostgres } from '../server/data/ownPostgres'
import { json } from './keptBuild'
import { buildId, expect, type Running, sharing as test, startServer } from './server'

/** Several servers of Uldo on one PostgreSQL database. */
test.describe.configure({ mode: 'serial' })
let postgres: OwnPostgres
const servers: Running[] = []
const folders: string[] = []
test.beforeAll(async () => {
  postgres = await startPostgres({ safe: true })
  for (let i = 0; i < 2; i++) await another()
})
test.afterAll(async () => {
  for (const server of servers) await server.stop()
  for (const folder of folders) rmSync(folder, { recursive: true, force: true })
  await postgres.stop()
})

async function another(): Promise<Running> {
  const folder = mkdtempSync(join(tmpdir(), 'uldo-server-'))
  folders.push(folder)
  const server = await startServer(folder, undefined, { ULDO_DATABASE_URL: postgres.url })
  servers.push(server)
  return server
}

interface Told {
  event: string
  data: unknown
}
/** Listens to a stream of a server, until it is ended. */
async function listen(address: string): Promise<{ told: Told[]; end: () => void }> {
  const ending = new AbortController()
  const response = await fetch(address, { signal: ending.signal })
  const told: Told[] = []
  void (async () => {
    let text = ''
    for await (const piece of response.body as unknown as AsyncIterable<Uint8Array>) {
      text += Buffer.from(piece).toString()
      const messages = text.split('\n\n')
      text = messages.pop()!
      for (const message of messages) {
        const line = (name: string) =>
          message
            .split('\n')
            .find((each) => each.startsWith(`${name}: `))
            ?.slice(name.length + 2)
        const data = line('data')
        told.push({ event: line('event') ?? '', data: data ? JSON.parse(data) : undefined })
      }
    }
  })().catch(() => undefined)
  return { told, end: () => ending.abort() }
}

const send = async (address: string, body: unknown) => {
  const response = await fetch(address, { method: 'POST', headers: json, body: JSON.stringify(body) })
  return { status: response.status, answer: (await response.json()) as Record<string, unknown> }
}
const revisionOf = async (server: Running, id: string) =>
  ((await (await fetch(`${server.address}/api/builds/${id}`)).json()) as { revision: number }).revision
const patch = (base: number, value: number, device: string = randomUUID()) => ({
  clientKey: randomUUID(),
  device,
  who: 'Maren',
  base,
  patch: [{ op: 'add', path: '/readings/main.1.bore', value: { value, source: 'measured' } }],
  reason: '',
})
const keeps = async (server: Running) =>
  ((await (await fetch(`${server.address}/api/health`)).json()) as { keepsWatch: boolean }).keepsWatch

test('what one server writes the pages of the other hear, in its order and without a hole; a session’s key, the demo builds and the watch are there once', async () => {
  const [a, b] = servers
  const id = await buildId(a, 'Ottiline')
  const names = ((await (await fetch(`${b.address}/api/builds`)).json()) as { name: string }[]).map(({ name }) => name)
  expect(new Set(names).size).toBe(names.length)
  expect(names).toHaveLength(4)
  await expect.poll(async () => [await keeps(a), await keeps(b)].filter(Boolean).length).toBe(1)
  const at = await revisionOf(a, id)
  const heard = await Promise.all(
    servers.map(({ address }) => listen(`${address}/api/builds/${id}/events?after=${at}`)),
  )
  const shop = await listen(`${b.address}/api/events`)
  // One tablet whose requests go now to the one, now to the other.
  const device = randomUUID()
  for (let i = 0; i < 30; i++) {
    const { status } = await send(
      `${servers[i % 2].address}/api/builds/${id}/entries`,
      patch(at + i, 0.0645 + i * 1e-6, device),
    )
    expect(status).toBe(200)
  }
  const revisions = ({ told }: { told: Told[] }) =>
    told.filter(({ event }) => event === 'entry').map(({ data }) => (data as { revision: number }).revision)
  for (const each of heard) {
    await expect.poll(() => revisions(each).length).toBeGreaterThanOrEqual(30)
    const own = revisions(each)
    expect(own).toEqual([...own].sort((one, other) => one - other))
    expect([...new Set(own)]).toEqual(Array.from({ length: 30 }, (_, i) => at + 1 + i))
    each.end()
  }
  // Who is at a build is told by the server that holds their stream.
  const [there, here] = await Promise.all(
    servers.map(({ address }, i) => listen(`${address}/api/builds/${id}/events?after=${at + 30}&device=tablet-${i}`)),
  )
  await fetch(`${a.address}/api/builds/${id}/presence`, {
    method: 'PUT',
    headers: json,
    body: JSON.stringify({ device: 'tablet-0', who: 'Ilse', page: 'relief' }),
  })
  await expect
    .poll(() => JSON.stringify(here.told.filter(({ event }) => event === 'present').at(-1)?.data))
    .toContain('Ilse')
  there.end()
  await expect
    .poll(() => JSON.stringify(here.told.filter(({ event }) => event === 'present').at(-1)?.data))
    .not.toContain('Ilse')
  here.end()
  shop.end()
})

test('a start whose readings come in at one server is watched by the other; killed, its watch is taken over, and STOP still comes in every page', async () => {
  const id = await buildId(servers[0], 'Ottiline')
  const [keeper, other] = (await keeps(servers[0])) ? servers : [...servers].reverse()
  const stretch = (from: number, to: number, pressure: number) =>
    Array.from({ length: Math.round(10 * (to - from)) }, (_, i) => ({
      time: Number((from + i / 10).toFixed(1)),
      pressure,
      speed: 15,
    }))
  const begin = async () => {
    const run = randomUUID()
    const begun = await send(`${other.address}/api/builds/${id}/runs`, {
      id: run,
      kind: 'start',
      who: 'Maren',
      setup: { source: 'logger' },
      startedAt: new Date().toISOString(),
    })
    expect(begun.status).toBe(201)
    return run
  }
  const calls = (told: Told[], run: string) =>
    told.filter(
      ({ data }) =>
        (data as { kind?: string; run?: string; on?: boolean } | undefined)?.kind === 'alarm' &&
        (data as { run: string }).run === run,
    )

  await test.step('watched by the other', async () => {
    const run = await begin()
    const shop = await listen(`${other.address}/api/events`)
    const own = await listen(`${other.address}/api/runs/${run}/stream?after=-1`)
    await send(`${other.address}/api/runs/${run}/samples`, [
      { time: 0, pressure: 0, speed: 0 },
      ...stretch(0.1, 20, 3.5e5),
    ])
    await send(`${other.address}/api/runs/${run}/samples`, stretch(20, 24, 0.02e5))
    await expect.poll(() => calls(shop.told, run).at(-1)?.data).toMatchObject({ on: true, code: 'lost', build: id })
    await expect
      .poll(() => own.told.some(({ data }) => (data as { data?: { watch?: string } })?.data?.watch === 'server'))
      .toBe(true)
    await send(`${other.address}/api/runs/${run}/events`, {
      clientKey: randomUUID(),
      time: 25,
      kind: 'stop',
      words: 'off',
      who: 'Maren',
    })
    await expect.poll(() => calls(shop.told, run).at(-1)?.data).toMatchObject({ on: false })
    await send(`${other.address}/api/runs/${run}/events`, {
      clientKey: randomUUID(),
      time: 26,
      kind: 'end',
      words: 'stopped',
      who: 'Maren',
    })
    shop.end()
    own.end()
  })

  await test.step('killed in the middle', async () => {
    const run = await begin()
    const shop = await listen(`${other.address}/api/events`)
    await send(`${other.address}/api/runs/${run}/samples`, [
      { time: 0, pressure: 0, speed: 0 },
      ...stretch(0.1, 15, 3.5e5),
    ])
    await keeper.stop('SIGKILL')
    servers.splice(servers.indexOf(keeper), 1)
    const { status } = await send(`${other.address}/api/runs/${run}/samples`, stretch(15, 19, 0.02e5))
    expect(status).toBe(200)
    await expect.poll(() => calls(shop.told, run).at(-1)?.data).toMatchObject({ on: true, code: 'lost' })
    expect(await keeps(other)).toBe(true)
    // A page that opens at a server that starts now is told as well.
    const fresh = await another()
    const late = await listen(`${fresh.address}/api/events`)
    await expect.poll(() => calls(late.told, run).at(-1)?.data).toMatchObject({ on: true })
    for (const each of [shop, late]) each.end()
  })
})

test('tablets with open streams that write at once to both servers, and to a folder’s: nothing is lost, twice or out of its order', async () => {
  const some = async (at: string[]) => {
    const builds = (await (await fetch(`${at[0]}/api/builds`)).json()) as { id: string }[]
    const heard = await tablets(
      at,
      builds.map(({ id }) => id),
      { count: 8, seconds: 4 },
    )
    expect(heard.errors).toEqual([])
    expect(heard.entered).toHaveLength(32)
    // Both that listen at a build are told of each.
    expect(heard.told).toHaveLength(64)
    expect(await againstHistory(at.at(-1)!, heard)).toEqual([])
  }
  await some(servers.map(({ address }) => address))
  const alone = await startServer()
  await some([alone.address])
  await alone.stop()
  rmSync(alone.folder, { recursive: true, force: true })
})

test('PostgreSQL killed while values come in at both: nothing acknowledged is lost or twice, both go on by themselves, and say meanwhile what is wrong', async () => {
  const id = await buildId(servers[0], 'Carousel set')
  const at = await revisionOf(servers[0], id)
  const acknowledged: number[] = []
  const said = new Set<unknown>()
  let writing = true
  const writers = servers.map(async ({ address }, i) => {
    const device = randomUUID()
    for (let n = 0; writing || n < 20; n++) {
      const value = 0.05 + i * 1e-3 + n * 1e-6
      const body = {
        ...patch(at, value),
        patch: [{ op: 'add', path: `/readings/main.${i + 1}.bore`, value: { value, source: 'measured' } }],
        device,
      }
      // As a browser's queue does: the same key until there is an answer.
      for (let done = false; !done;) {
        const { status, answer } = await send(`${address}/api/builds/${id}/entries`, body).catch(() => ({
          status: 0,
          answer: {},
        }))
        if (status === 200) {
          acknowledged.push((answer as { revision: number }).revision)
          done = true
        } else {
          said.add((answer as { error?: { code?: string } }).error?.code ?? status)
          await new Promise((wait) => setTimeout(wait, 100))
        }
      }
    }
  })
  const until = (count: number) => expect.poll(() => acknowledged.length, { timeout: 60_000 }).toBeGreaterThan(count)
  for (let kills = 0; kills < 3; kills++) {
    await until(acknowledged.length + 15)
    await postgres.kill()
    await expect.poll(async () => (await fetch(`${servers[0].address}/api/builds`)).status).toBe(503)
    await postgres.start()
  }
  await until(acknowledged.length + 15)
  writing = false
  await Promise.all(writers)
  expect([...said]).toEqual(['database-away'])
  const entries = (await (await fetch(`${servers[1].address}/api/builds/${id}/entries`)).json()) as {
    revision: number
    clientKey: string
  }[]
  expect(entries.map(({ revision }) => revision)).toEqual(Array.from({ length: entries.length }, (_, i) => i + 1))
  expect(new Set(acknowledged).size).toBe(acknowledged.length)
  expect(entries.length - at).toBe(acknowledged.length)
  await expect.poll(async () => (await Promise.all(servers.map(keeps))).filter(Boolean).length).toBe(1)
})

test('the scripts find the records where they are: a backup and a check beside the servers, without asking either', () => {
  const folder = mkdtempSync(join(tmpdir(), 'uldo-scripts-'))
  folders.push(folder)
  const script = (name: string, url = postgres.url) => {
    const { status, stdout, stderr } = spawnSync(process.execPath, ['--import', 'tsx', `bin/${name}.ts`], {
      env: { ...process.env, ULDO_DATABASE_URL: url, ULDO_DATA: folder },
      encoding: 'utf8',
    })
    return { status, stdout, stderr }
  }
  expect(script('check')).toMatchObject({ status: 0, stdout: expect.stringMatching(/postgres:.* hold together/) })
  expect(script('backup')).toMatchObject({ status: 0, stdout: expect.stringContaining('read back whole') })
  const nobody = postgres.url.replace(/:\d+\//, ':1/').replace('uldo@', 'uldo:secret@')
  const away = script('check', nobody)
  expect(away).toMatchObject({ status: 7, stderr: expect.stringContaining('mend ULDO_DATABASE_URL') })
  expect(away.stdout + away.stderr).not.toContain('secret')
})
