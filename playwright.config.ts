import { defineConfig } from '@playwright/test'
import { ARGS, CHROMIUM as executablePath } from './bin/lib/browser.mjs'

/** The browser, as Playwright takes it. */
export const CHROMIUM = { executablePath, args: ARGS }

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
