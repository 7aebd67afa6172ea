/** Makes docs/screenshots/ anew from the demo data, on a data folder of its own. */
import { spawn } from 'node:child_process'
import { mkdtempSync, mkdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { ensureBuilt, ensureInstalled, root } from './lib/prepare.mjs'

const VIEWS = [
  ['floor', '', ''], ['brief', 'Ottiline', 'brief'], ['bearings', 'Rescue tractor 2', 'bearings'], ['pump', 'Ottiline', 'pump'], ['relief', 'Ottiline', 'relief'],
  ['pickup', 'Ottiline', 'pickup'], ['outlook', 'Carousel set', 'outlook'], ['prime', 'Ottiline', 'prime'], ['first-start', 'Carousel set', 'start'],
  ['bearings-tablet', 'Ottiline', 'bearings', { width: 1024, height: 768 }], ['relief-dark', 'Barge pump', 'relief', undefined, 'dark'],
]
await ensureInstalled()
await ensureBuilt()
const folder = mkdtempSync(join(tmpdir(), 'uldo-shots-'))
const address = 'http://127.0.0.1:4489'
const server = spawn(process.execPath, ['.output/server/index.mjs'], { cwd: root, stdio: 'ignore', env: { ...process.env, PORT: '4489', HOST: '127.0.0.1', ULDO_DATA: folder, ULDO_DEMO: '1' } })
while (!(await fetch(`${address}/api/health`).then((response) => response.ok, () => false))) await new Promise((done) => setTimeout(done, 250))
const builds = await (await fetch(`${address}/api/builds`)).json()
const browser = await chromium.launch({ executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'] })
mkdirSync(join(root, 'docs/screenshots'), { recursive: true })
for (const [name, build, station, viewport = { width: 1280, height: 800 }, scheme = 'light'] of VIEWS) {
  const page = await browser.newPage({ viewport, locale: 'en-GB' })
  await page.addInitScript((now) => {
    localStorage.setItem('uldo.who', 'Maren')
    localStorage.setItem('uldo.scheme', now)
  }, scheme)
  await page.goto(build ? `${address}/build/${builds.find((each) => each.name === build).id}/${station}` : address)
  await page.waitForSelector(station === 'outlook' ? '.apexcharts-series path' : build ? '[data-state="idleHot"]' : '.engines li')
  // Bands settle half a second after the last value.
  await page.waitForTimeout(2500)
  await page.screenshot({ path: join(root, `docs/screenshots/${name}.png`) })
  await page.close()
  console.log(`docs/screenshots/${name}.png`)
}
await browser.close()
server.kill('SIGTERM')
await new Promise((done) => server.once('exit', done))
rmSync(folder, { recursive: true, force: true })
