/**
 * A shop of many years in the browser: 200 builds with 500 entries each. From the address until the Floor and the Logbook can be used, and from a key of their search until
 * what it leaves stands on the screen: median of five each.
 *
 *   npm run bench:shop
 *   BUILDS=50 ENTRIES=100 npm run bench:shop
 */
import { type ChildProcess, spawn } from 'node:child_process'
import { existsSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type Browser, chromium } from '@playwright/test'
import { ARGS, CHROMIUM } from './lib/browser.mjs'
// @ts-expect-error a script without types of its own
import { ensureBuilt, root } from './lib/prepare.mjs'
import { fillFolder } from './lib/load/filledShop'
import { LEAN, PROGRAM } from './lib/program.mjs'

const BUILDS = Number(process.env.BUILDS ?? 200)
const ENTRIES = Number(process.env.ENTRIES ?? 500)
const PORT = 4492
const RUNS = 5
const say = (words: string, value: number, target = '') =>
  console.log(`${words.padEnd(58)} ${value.toFixed(0).padStart(6)} ms   ${target}`)
const median = (of: number[]) => of.sort((a, b) => a - b)[Math.floor(of.length / 2)]!

async function answering(address: string) {
  while (
    !(await fetch(`${address}/api/health`).then(
      (answer) => answer.ok,
      () => false,
    ))
  )
    await new Promise((done) => setTimeout(done, 250))
}

/** Until it is known of each build how it stands by its model: a shop's builds came one by one. */
async function settled(address: string) {
  for (;;) {
    const builds = (await (await fetch(`${address}/api/builds`)).json()) as { standing?: unknown }[]
    if (builds.every(({ standing }) => standing)) return
    await new Promise((done) => setTimeout(done, 1000))
  }
}

/** From the address until something can be used, on a first visit. */
async function usable(browser: Browser, address: string, ready: string): Promise<number> {
  const times: number[] = []
  for (let i = 0; i < RUNS; i++) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' })
    const page = await context.newPage()
    const began = performance.now()
    await page.goto(address, { waitUntil: 'commit' })
    await page.waitForSelector(ready)
    times.push(performance.now() - began)
    await context.close()
  }
  return median(times)
}

/** In a page: types into a field, and waits until the rows that stand there are others, and are painted; ms. */
const TYPED = `async ([field, wanted, rows]) => {
  const stand = () => [...document.querySelectorAll(rows)].map((row) => row.textContent).join('\\n')
  const before = stand()
  const began = performance.now()
  const input = document.querySelector(field)
  input.value = wanted
  input.dispatchEvent(new Event('input', { bubbles: true }))
  const frame = () => new Promise((done) => requestAnimationFrame(done))
  await frame()
  while (stand() === before && performance.now() - began < 5000) await frame()
  await frame()
  return performance.now() - began
}`

/** From what is typed into a search until the rows are those that match, and are painted. */
async function searched(browser: Browser, address: string, field: string, rows: string, words: string[]) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(address)
  await page.waitForSelector(rows)
  await page.waitForTimeout(2500)
  const times: number[] = []
  for (const text of words) {
    await page.locator(field).fill('')
    await page.waitForTimeout(600)
    times.push((await page.evaluate(`(${TYPED})(${JSON.stringify([field, text, rows])})`)) as number)
  }
  await page.close()
  return median(times)
}

await ensureBuilt()
/** A folder that stays, to be measured again. */
const kept = process.env.FOLDER
const folder = kept ?? mkdtempSync(join(tmpdir(), 'uldo-shop-'))
let server: ChildProcess | undefined
try {
  const began = performance.now()
  const filled = existsSync(join(folder, 'records'))
    ? undefined
    : (await fillFolder(folder, { builds: BUILDS, entries: ENTRIES })).at(-1)
  console.log(
    `${BUILDS} builds with ${ENTRIES} entries each, made in ${((performance.now() - began) / 1e3).toFixed(0)} s`,
  )
  const address = `http://127.0.0.1:${PORT}`
  const opened = performance.now()
  server = spawn(process.execPath, PROGRAM, {
    cwd: root as string,
    stdio: 'inherit',
    env: { ...process.env, ...LEAN, PORT: String(PORT), HOST: '127.0.0.1', ULDO_DATA: folder },
  })
  await answering(address)
  const took = performance.now() - opened
  const builds = (await (await fetch(`${address}/api/builds`)).json()) as { id: string }[]
  const id = filled ?? builds.at(-1)!.id
  await settled(address)
  say('server: from its start to its first answer', took)
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: ARGS })
  say('Floor: usable on a first visit', await usable(browser, address, '[data-build]'), 'target 1500 ms')
  say(
    'Logbook: usable on a first visit',
    await usable(browser, `${address}/build/${id}/logbook`, 'tr[data-line]'),
    'target 1500 ms',
  )
  say(
    'Floor: search',
    await searched(browser, address, 'input[type="search"]', '[data-build]', ['Otti', '17', 'barge', 'Talvik', '199']),
    'target 200 ms',
  )
  say(
    'Logbook: search',
    await searched(browser, `${address}/build/${id}/logbook`, '.tools input', 'tr[data-line]', [
      'main 2',
      'ilse',
      'bore',
      'relief',
      'jorun main',
    ]),
    'target 200 ms',
  )
  await browser.close()
} finally {
  server?.kill('SIGTERM')
  if (server) await new Promise((done) => server!.once('exit', done))
  if (!kept) rmSync(folder, { recursive: true, force: true })
}
