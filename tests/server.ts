import { type ChildProcess, spawn } from 'node:child_process'
import { cpSync, existsSync, mkdtempSync, rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { test as base, expect, type Page } from '@playwright/test'

const root = fileURLToPath(new URL('..', import.meta.url))
let template: string | undefined

export interface Running {
  address: string
  folder: string
  port: number
  child: ChildProcess
  /** Ends the process and waits until it is gone. */
  stop: (signal?: NodeJS.Signals) => Promise<number | null>
  /** Where tests share this server: this test's copies of the demo builds, by name; and all that it has made there. */
  copies?: Map<string, string>
  made?: { id: string; name: string }[]
}

/** Starts the built server on a data folder of its own (or the one given), with the demo builds. */
export async function startServer(folder?: string, port?: number, more: NodeJS.ProcessEnv = {}): Promise<Running> {
  const own = folder ?? mkdtempSync(join(tmpdir(), 'uldo-test-'))
  // Making a database takes seconds; the first one made is copied for those that follow.
  if (!folder && template && existsSync(template)) cpSync(template, own, { recursive: true })
  const at = port ?? (await freePort())
  // The database's code is not made fast by the compiler: that takes longer than what a test asks of it.
  const child = spawn(process.execPath, ['--liftoff-only', '.output/server/index.mjs'], {
    cwd: root,
    stdio: ['ignore', 'ignore', 'pipe'],
    env: { ...process.env, PORT: String(at), HOST: '127.0.0.1', ULDO_DATA: own, ULDO_DEMO: '1', ...more },
  })
  const gone = new Promise<number | null>((done) => child.once('exit', (code) => done(code)))
  const running: Running = {
    address: `http://127.0.0.1:${at}`,
    folder: own,
    port: at,
    child,
    stop: (signal = 'SIGTERM') => {
      child.kill(signal)
      return gone
    },
  }
  let words = ''
  child.stderr.on('data', (chunk) => (words += chunk))
  let ready = false
  for (let tries = 0; tries < 300 && !ready; tries++) {
    ready = await fetch(`${running.address}/api/health`).then(
      (response) => response.ok,
      () => false,
    )
    if (!ready) await new Promise((done) => setTimeout(done, 150))
  }
  if (!ready) throw new Error(`The server on ${own} did not answer: ${words || 'it said nothing'}`)
  if (!folder && !template) {
    // With how its builds stand by their models: that takes longer than what most tests ask of a server.
    for (let tries = 0, open = true; open && tries < 100; tries++)
      open = ((await (await fetch(`${running.address}/api/builds`)).json()) as { standing?: unknown }[]).some(
        ({ standing }) => !standing,
      )
    await running.stop()
    template = mkdtempSync(join(tmpdir(), 'uldo-template-'))
    cpSync(own, template, { recursive: true })
    return startServer(own, at, more)
  }
  return running
}

export function freePort(): Promise<number> {
  return new Promise((done) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number }
      probe.close(() => done(port))
    })
  })
}

/** What a test may say of itself. */
interface Choices {
  /** Whether it can do with a server that others use before and after it. */
  shares: boolean
}

/** A test with a server, and a page that fails on any console error. */
export const test = base.extend<Choices & { server: Running; bench: Page }, { shared: () => Promise<Running> }>({
  shares: [false, { option: true }],
  shared: [
    async ({}, use) => {
      let started: Promise<Running> | undefined
      await use(() => (started ??= startShared()))
      const server = await started
      await server?.stop()
      if (server) rmSync(server.folder, { recursive: true, force: true })
    },
    { scope: 'worker' },
  ],
  server: async ({ shares, shared }, use) => {
    if (shares) {
      const server = {
        ...(await shared()),
        copies: new Map<string, string>(),
        made: [] as { id: string; name: string }[],
      }
      await use(server)
      for (const { id, name } of server.made) await place(server, id, { place: 'deleted', name })
      return
    }
    const server = await startServer()
    await use(server)
    await server.stop()
    rmSync(server.folder, { recursive: true, force: true })
  },
  // What lies on other stations is fetched by the tests that do without the network (`kept`): it is half of what a load costs.
  context: async ({ context }, use) => {
    await context.addInitScript(spareData)
    await use(context)
  },
  bench: async ({ page }, use) => {
    const errors: string[] = []
    page.on('console', (message) => message.type() === 'error' && errors.push(message.text()))
    page.on('pageerror', (error) => errors.push(error.message))
    await page.addInitScript(() => localStorage.setItem('uldo.who', 'Maren'))
    await use(page)
    expect(errors.filter((error) => !/Failed to load resource|ERR_CONNECTION|ERR_INTERNET/.test(error))).toEqual([])
  },
})
/** A test that touches nothing but builds of its own, on a server that others use before and after it: starting one costs as much as half a test. */
export const sharing = test.extend({ shares: true })
export { expect }

export const field = (page: Page, key: string) => page.locator(`input[data-reading="${key}"]`)

/** Types readings one after the other, each ended by Enter. */
export async function record(page: Page, readings: Record<string, string>): Promise<void> {
  for (const [key, text] of Object.entries(readings)) {
    await field(page, key).focus()
    await page.keyboard.type(text)
    await page.keyboard.press('Enter')
  }
}

/** Goes to another page of the same server as a link does, without loading it all anew; the first is loaded. */
export async function go(page: Page, address: string): Promise<void> {
  const { origin, pathname, search } = new URL(address)
  if (!page.url().startsWith(`${origin}/`)) return void (await page.goto(address))
  await page.evaluate(async (path) => {
    type Nuxt = { useNuxtApp: () => { $router: { push: (path: string) => Promise<unknown> } } }
    await (window as unknown as Nuxt).useNuxtApp().$router.push(path)
    // What comes part by part has its turns.
    for (let turn = 0; turn < 8; turn++) await new Promise((done) => requestIdleCallback(done, { timeout: 400 }))
  }, pathname + search)
}

/** A browser that was told to spare its data; until `kept` tells it otherwise. */
export function spareData(): void {
  const connection = Object.assign(new EventTarget(), { saveData: true })
  Object.defineProperty(navigator, 'connection', { value: connection, configurable: true })
}

/** Everything that the page fetches by itself has come: from here on it does without the network. */
export async function kept(page: Page): Promise<void> {
  await page.evaluate(() => {
    const { connection } = navigator as unknown as { connection?: EventTarget & { saveData?: boolean } }
    if (!connection?.saveData) return
    Object.defineProperty(connection, 'saveData', { value: false, configurable: true, writable: true })
    connection.dispatchEvent(new Event('change'))
  })
  await expect(page.locator('.frame')).toHaveAttribute('data-kept', 'true', { timeout: 90_000 })
}

export const saved = (page: Page) => expect(page.getByTestId('saving')).toHaveText('saved')

/** A photo of one pixel, as a file field takes it. */
export const PHOTO = {
  name: 'photo.png',
  mimeType: 'image/png',
  buffer: Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8BQDwAEhQGAhKmMIQAAAABJRU5ErkJggg==',
    'base64',
  ),
}

/** Goes past every gate of the preflight with a reason, and onto the board. */
export async function ontoTheBoard(page: Page): Promise<void> {
  const go = page.getByRole('button', { name: 'Go to the start', exact: true })
  await expect(async () => {
    for (const reason of await page.locator('[data-gate] input').all()) await reason.fill('trial on the bench')
    await expect(go).toBeEnabled({ timeout: 500 })
  }).toPass()
  await go.click()
}

/** Builds of the one template by name: asked for once, since the list of a fresh server first computes how each stands. */
const ids = new Map<string, string>()

/** The build of this name: the demo's own, or on a shared server a copy of it that is this test's alone. */
export async function buildId(server: Running, name: string): Promise<string> {
  const copy = server.copies?.get(name)
  if (copy) return copy
  const known = ids.get(name)
  if (!known || !(await fetch(`${server.address}/api/builds/${known}`)).ok) await listIds(server)
  const id = ids.get(name)!
  if (!server.copies) return id
  const { sheet } = (await (await fetch(`${server.address}/api/builds/${id}`)).json()) as { sheet: unknown }
  const made = await fetch(`${server.address}/api/builds`, { ...JSON_BODY, body: JSON.stringify({ sheet }) })
  expect(made.status).toBe(201)
  const own = ((await made.json()) as { id: string }).id
  server.copies.set(name, own)
  server.made?.push({ id: own, name })
  return own
}

async function listIds(server: Running) {
  const builds = (await (await fetch(`${server.address}/api/builds`)).json()) as { id: string; name: string }[]
  for (const build of builds) ids.set(build.name, build.id)
}

const JSON_BODY = { method: 'POST', headers: { 'content-type': 'application/json' } }

async function place(server: Running, id: string, where: { place: string; name?: string }) {
  const { headers } = JSON_BODY
  const answer = await fetch(`${server.address}/api/builds/${id}/place`, {
    method: 'PUT',
    headers,
    body: JSON.stringify(where),
  })
  // One whose run a test has left going stays; anything else would stand in the way of the next test unseen.
  if (!answer.ok && answer.status !== 409) throw new Error(`${answer.status} ${await answer.text()}`)
}

/** A server for several tests: the demo's own builds are put by, so that each name stands once on the Floor. */
async function startShared(): Promise<Running> {
  const server = await startServer()
  await listIds(server)
  for (const id of ids.values()) await place(server, id, { place: 'archive' })
  return server
}
