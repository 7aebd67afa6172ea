import { existsSync } from 'node:fs'
import { defineConfig } from '@playwright/test'

/** Debian's Chromium without a window, which does the same for less; where it is not there, the one with windows. */
const SHELL = '/usr/bin/chromium-headless-shell'

/** The browser, without the calls home that a closed network would refuse. */
export const CHROMIUM = {
  executablePath: process.env.CHROMIUM ?? (existsSync(SHELL) ? SHELL : '/usr/bin/chromium'),
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
}

export default defineConfig({
  testDir: 'tests',
  // Two browsers on two cores may find the machine busy: what is waited for has time, and no test is a measure of speed.
  timeout: 180_000,
  expect: { timeout: 30_000 },
  // Each test has a server and a data folder of its own.
  workers: 2,
  fullyParallel: true,
  reporter: [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    // What a page asks of the server is seen by the tests; what keeps the page for a day without it has a test of its own.
    serviceWorkers: 'block',
    launchOptions: CHROMIUM,
    locale: 'en-GB',
    actionTimeout: 15_000,
  },
})
