import { type ChildProcess, spawn } from 'node:child_process'
import { freePort } from '../load/server'
// @ts-expect-error a script without types of its own
import { root } from '../prepare.mjs'
import type { Place } from './places'
import { LEAN, PROGRAM } from '../program.mjs'

const PATIENCE = 60_000

/** A server that hardships are done to. */
export interface Tried {
  address: string
  child: ChildProcess
  gone: Promise<number | null>
  /** What it has said on its way out. */
  words: () => string
  /** Resolves to whether it is ready; false once it has ended. */
  ready: () => Promise<boolean>
}

/** Starts the built server, and waits for nothing. */
export async function begin(folder: string, env: NodeJS.ProcessEnv): Promise<Tried> {
  const port = Number(env.PORT ?? (await freePort()))
  const child = spawn(process.execPath, PROGRAM, {
    cwd: root as string,
    stdio: ['ignore', 'ignore', 'pipe'],
    env: { ...process.env, ...LEAN, PORT: String(port), HOST: '127.0.0.1', ULDO_DATA: folder, ULDO_DEMO: '1', ...env },
  })
  let words = ''
  child.stderr.on('data', (chunk: Buffer) => (words += chunk.toString()))
  const gone = new Promise<number | null>((done) => child.once('exit', (code) => done(code)))
  const address = `http://127.0.0.1:${port}`
  return {
    address,
    child,
    gone,
    words: () => words,
    ready: async () => {
      for (const until = Date.now() + PATIENCE; Date.now() < until;) {
        const health = await fetch(`${address}/api/health`).catch(() => undefined)
        if (health?.ok && ((await health.json()) as { checked: boolean }).checked) return true
        if (child.exitCode !== null || child.signalCode) return false
        await new Promise((done) => setTimeout(done, 50))
      }
      throw new Error(`The server is not ready after ${PATIENCE / 1000} s: ${words}`)
    },
  }
}

/** What a shop holds, told so that two of them can be compared. */
export async function contentsOf({ address }: Pick<Tried, 'address'>) {
  const get = async <T>(path: string) => (await (await fetch(address + path)).json()) as T
  const builds = await get<{ name: string; revision: number }[]>('/api/builds')
  const { people } = await get<{ people: { name: string }[] }>('/api/access')
  const { items } = await get<{ items: unknown[] }>('/api/shelf')
  const { damage } = (await (
    await fetch(`${address}/api/check`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: '{}' })
  ).json()) as { damage: unknown[] }
  return {
    builds: builds.map(({ name, revision }) => `${name} ${revision}`).sort(),
    people: people.map(({ name }) => name).sort(),
    items: items.length,
    damage,
  }
}
export type Contents = Awaited<ReturnType<typeof contentsOf>>
export const same = (a: Contents, b: Contents): boolean => JSON.stringify(a) === JSON.stringify(b)

/** Enters one value of a journal; its revision once that is acknowledged, else what was answered. */
export async function enter(
  address: string,
  build: string,
  value: number,
): Promise<number | { status: number; message: string }> {
  const answer = await fetch(`${address}/api/builds/${build}/entries`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      clientKey: crypto.randomUUID(),
      device: '1b671a64-40d5-491e-99b0-da01ff1f3341',
      base: 0,
      who: 'A program',
      patch: [{ op: 'add', path: '/readings/main.1.journal', value: { value, source: 'measured' } }],
    }),
  }).catch((error: Error) => error)
  if (answer instanceof Error) return { status: 0, message: answer.message }
  const told = (await answer.json()) as { revision?: number; error?: { message: string } }
  return answer.ok ? told.revision! : { status: answer.status, message: told.error?.message ?? '' }
}

/** Which acknowledged values the record does not have, by their revision. */
export async function lostOf(address: string, build: string, acknowledged: Map<number, number>): Promise<number> {
  const entries = (await (await fetch(`${address}/api/builds/${build}/entries`)).json()) as {
    revision: number
    patch: { value: { value: number } }[]
  }[]
  const kept = new Map(entries.map(({ revision, patch }) => [revision, patch[0].value.value]))
  const inOrder = entries.every(({ revision }, i) => i === 0 || revision === entries[i - 1].revision + 1)
  if (!inOrder) throw new Error('The entries are not one after the other.')
  return [...acknowledged].filter(([revision, value]) => kept.get(revision) !== value).length
}

export const ottilineOf = async (address: string): Promise<string> =>
  ((await (await fetch(`${address}/api/builds`)).json()) as { id: string; name: string }[]).find(
    ({ name }) => name === 'Ottiline',
  )!.id

/** A server that is left alone: how long it takes until it is ready, ms, and what the shop then holds. */
export async function leftAlone({
  folder,
  env,
}: Pick<Place, 'folder' | 'env'>): Promise<{ takes: number; holds: Contents }> {
  const began = Date.now()
  const server = await begin(folder, env)
  if (!(await server.ready())) throw new Error(`Left alone, it ends: ${server.words()}`)
  const takes = Date.now() - began
  const holds = await contentsOf(server)
  server.child.kill('SIGTERM')
  await server.gone
  return { takes, holds }
}

/** `npm run move` from one place to another, killed after so many ms where that is said: with what it ended, and what it said. */
export async function moved(from: Place, to: Place, killAfter?: number) {
  const child = spawn(process.execPath, ['--import', 'tsx', 'bin/move.ts', '--from', from.named, '--to', to.named], {
    cwd: root as string,
    stdio: ['ignore', 'ignore', 'pipe'],
  })
  let words = ''
  child.stderr.on('data', (chunk: Buffer) => (words += chunk.toString()))
  const gone = new Promise<number | null>((done) => child.once('exit', (code) => done(code)))
  if (killAfter !== undefined) {
    await new Promise((done) => setTimeout(done, killAfter))
    child.kill('SIGKILL')
  }
  return { code: await gone, words }
}
