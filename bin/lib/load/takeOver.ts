import { randomUUID } from 'node:crypto'
import { createParser } from 'eventsource-parser'
import type { Measured } from './server'

const json = { 'content-type': 'application/json' }
async function send(address: string, body: unknown): Promise<void> {
  const answer = await fetch(address, { method: 'POST', headers: json, body: JSON.stringify(body) })
  if (!answer.ok) throw new Error(`${answer.status} ${await answer.text()}`)
}
const keeps = async (address: string) => {
  const health = await fetch(`${address}/api/health`).catch(() => undefined)
  return health?.ok === true && ((await health.json()) as { keepsWatch?: boolean }).keepsWatch === true
}
async function until(holds: () => Promise<boolean>, what: string): Promise<void> {
  const from = performance.now()
  while (!(await holds())) {
    if (performance.now() - from > 30_000) throw new Error(`${what} did not come within 30 s.`)
    await new Promise((done) => setTimeout(done, 10))
  }
}

/** Readings ten times a second, as a logger sends them. */
const stretch = (from: number, to: number, pressure: number) =>
  Array.from({ length: Math.round(10 * (to - from)) }, (_, i) => ({
    time: Number((from + i / 10).toFixed(1)),
    pressure,
    speed: 15,
  }))

/**
 * An engine is started at one server while another keeps the watch; that one is killed (-9), and with it the pressure is lost.
 *
 * @returns from the kill until the server that is left keeps the watch, and until its pages are told STOP, ms
 */
export async function takeOver(keeper: Measured, other: Measured): Promise<{ keeps: number; stops: number }> {
  await until(() => keeps(keeper.address), 'The watch')
  const builds = (await (await fetch(`${other.address}/api/builds`)).json()) as { id: string; name: string }[]
  const id = builds.find(({ name }) => name.startsWith('Ottiline'))!.id
  const run = randomUUID()
  await send(`${other.address}/api/builds/${id}/runs`, {
    id: run,
    kind: 'start',
    who: 'Maren',
    setup: { source: 'logger' },
    startedAt: new Date().toISOString(),
  })
  const ending = new AbortController()
  let told: number | undefined
  const events = await fetch(`${other.address}/api/events`, { signal: ending.signal })
  const parser = createParser({
    onEvent: ({ data }) => {
      const news = data ? (JSON.parse(data) as { kind?: string; run?: string; on?: boolean }) : {}
      if (news.kind === 'alarm' && news.run === run && news.on) told ??= performance.now()
    },
  })
  void (async () => {
    for await (const piece of events.body as unknown as AsyncIterable<Uint8Array>)
      parser.feed(Buffer.from(piece).toString())
  })().catch(() => undefined)
  const samples = `${other.address}/api/runs/${run}/samples`
  await send(samples, [{ time: 0, pressure: 0, speed: 0 }, ...stretch(0.1, 15, 3.5e5)])
  await new Promise((done) => setTimeout(done, 500))
  const killed = performance.now()
  const gone = keeper.stop('SIGKILL')
  await Promise.all([send(samples, stretch(15, 19, 0.02e5)), until(() => keeps(other.address), 'The other’s watch')])
  const kept = performance.now()
  await until(() => Promise.resolve(told !== undefined), 'STOP')
  await gone
  const event = (kind: string, words: string, time: number) =>
    send(`${other.address}/api/runs/${run}/events`, { clientKey: randomUUID(), time, kind, words, who: 'Maren' })
  await event('stop', 'off', 20)
  await event('end', 'stopped', 21)
  ending.abort()
  return { keeps: kept - killed, stops: told! - killed }
}
