import { defineConfig } from '@playwright/test'

/** Debian's Chromium, without the calls home that a closed network would refuse. */
export const CHROMIUM = {
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
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
  timeout: 120_000,
  expect: { timeout: 15_000 },
  // Each test has a server and a data folder of its own.
  workers: 2,
  fullyParallel: true,
  reporter: [['list']],
  use: { viewport: { width: 1280, height: 800 }, launchOptions: CHROMIUM, locale: 'en-GB', actionTimeout: 15_000 },
})
