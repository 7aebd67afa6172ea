/** The demo on a data folder of its own, with a browser before it: for pictures and for timing what is on the screen. */
import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { ARGS, CHROMIUM } from './browser.mjs'
import { ensureBuilt, ensureInstalled, root } from './prepare.mjs'
import { LEAN, PROGRAM } from './program.mjs'

/** Runs `work` with the browser and `addressOf(build name, station)`, or `addressOf('', page)`, then takes everything down again. */
export const withDemo = (port, work) =>
  withDemoServer(port, async (addressOf) => {
    const browser = await chromium.launch({ executablePath: CHROMIUM, args: ARGS })
    await work(browser, addressOf)
    await browser.close()
  })

/** The demo alone, for whatever looks at it. */
export async function withDemoServer(port, work) {
  await ensureInstalled()
  await ensureBuilt()
  const folder = mkdtempSync(join(tmpdir(), 'uldo-demo-'))
  const address = `http://127.0.0.1:${port}`
  const server = spawn(process.execPath, PROGRAM, {
    cwd: root,
    stdio: 'ignore',
    env: { ...process.env, ...LEAN, PORT: String(port), HOST: '127.0.0.1', ULDO_DATA: folder, ULDO_DEMO: '1' },
  })
  const gone = new Promise((done) => server.once('exit', done))
  try {
    while (
      !(await fetch(`${address}/api/health`).then(
        (response) => response.ok,
        () => false,
      ))
    )
      await new Promise((done) => setTimeout(done, 250))
    const builds = await (await fetch(`${address}/api/builds`)).json()
    await work((name, station) =>
      name
        ? `${address}/build/${builds.find((each) => each.name === name).id}/${station}`
        : `${address}/${station ?? ''}`,
    )
  } finally {
    server.kill('SIGTERM')
    await gone
    rmSync(folder, { recursive: true, force: true })
  }
}
