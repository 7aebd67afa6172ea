import { chmodSync, existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { placesOn } from './places'
import { begin, contentsOf, enter, lostOf, ottilineOf } from './server'

/** Debian's libfaketime. */
export const LIBRARY = '/usr/lib/x86_64-linux-gnu/faketime/libfaketime.so.1'
const pause = (ms: number) => new Promise((done) => setTimeout(done, ms))

/** The machine's clock is set forth by a year and back by one while a server works: entries go on in their order, and a start is still stopped. */
export async function setClock(on: string): Promise<string> {
  if (!existsSync(LIBRARY)) throw new Error('Install Debian’s package libfaketime.')
  const folder = mkdtempSync(join(tmpdir(), 'uldo-clock-'))
  // The database's own user reads it too.
  chmodSync(folder, 0o755)
  const file = join(folder, 'clock')
  const set = (words: string) => writeFileSync(file, `${words}\n`, { mode: 0o644 })
  set('+0d')
  // What the processes that are begun from here on take for the time; their steady clocks stay.
  const faked = {
    LD_PRELOAD: LIBRARY,
    FAKETIME_TIMESTAMP_FILE: file,
    FAKETIME_NO_CACHE: '1',
    FAKETIME_DONT_FAKE_MONOTONIC: '1',
    DONT_FAKE_MONOTONIC: '1',
  }
  Object.assign(process.env, faked)
  const places = await placesOn(on)
  for (const name of Object.keys(faked)) Reflect.deleteProperty(process.env, name)
  try {
    const place = await places.place()
    const env = { ...place.env, ...faked }
    let server = await begin(place.folder, env)
    if (!(await server.ready())) throw new Error(`It ends: ${server.words()}`)
    const build = await ottilineOf(server.address)
    const acknowledged = new Map<number, number>()
    const times: string[] = []
    let value = 0.05
    const some = async (count: number) => {
      for (let i = 0; i < count; i++) {
        const answer = await enter(server.address, build, (value += 1e-7))
        if (typeof answer !== 'number') throw new Error(`A change was answered with ${answer.status} ${answer.message}`)
        acknowledged.set(answer, value)
      }
      const entries = (await (await fetch(`${server.address}/api/builds/${build}/entries`)).json()) as { at: string }[]
      times.push(entries.at(-1)!.at.slice(0, 4))
    }
    const send = async (path: string, body: unknown) => {
      const answer = await fetch(server.address + path, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      })
      if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`)
    }
    let stops = 0
    /** A start whose oil is lost once the clock has been set. */
    const lostAfter = async (words: string) => {
      const run = crypto.randomUUID()
      await send(`/api/builds/${build}/runs`, { id: run, kind: 'start', who: 'Maren', setup: { source: 'logger' } })
      const samples = (from: number, to: number, pressure: number) =>
        Array.from({ length: 10 * (to - from) }, (_, i) => ({ time: from + i / 10, pressure, speed: 15 }))
      await send(`/api/runs/${run}/samples`, [{ time: 0, pressure: 0, speed: 0 }, ...samples(1, 15, 3.5e5)])
      set(words)
      await send(`/api/runs/${run}/samples`, samples(15, 20, 0.02e5))
      for (let tries = 0; tries < 100; tries++) {
        const { events } = (await (await fetch(`${server.address}/api/runs/${run}`)).json()) as {
          events: { data: { watch?: string; code?: string } }[]
        }
        if (events.some(({ data }) => data.watch === 'server' && data.code === 'lost')) {
          stops++
          break
        }
        await pause(100)
      }
      const event = (kind: string, time: number) =>
        send(`/api/runs/${run}/events`, { clientKey: crypto.randomUUID(), time, kind, words: 'off', who: 'Maren' })
      await event('stop', 21)
      await event('end', 22)
    }
    await some(20)
    for (const words of ['+365d', '-365d', '+0d']) {
      await lostAfter(words)
      await some(20)
      // Started anew under a clock that is wrong.
      server.child.kill('SIGTERM')
      await server.gone
      server = await begin(place.folder, env)
      if (!(await server.ready())) throw new Error(`Under a clock of ${words} it ends: ${server.words()}`)
      await some(20)
    }
    const lost = await lostOf(server.address, build, acknowledged)
    const { damage, builds } = await contentsOf(server)
    server.child.kill('SIGTERM')
    await server.gone
    if (lost > 0 || damage.length > 0 || builds.length !== 4 || stops < 3)
      throw new Error(
        `${lost} lost, ${stops} of 3 starts stopped, damage ${JSON.stringify(damage)}, ${builds.length} builds`,
      )
    if (new Set(times).size < 3) throw new Error(`The clock was not set: entries are of ${times.join(', ')}`)
    return `entries of ${times.join(', ')}; ${acknowledged.size} acknowledged, none lost, in their order; ${stops} of 3 starts stopped`
  } finally {
    await places.stop()
    rmSync(folder, { recursive: true, force: true })
  }
}
