import { existsSync } from 'node:fs'

/** Debian's Chromium without a window, which does the same for less; where it is not there, the one with windows. */
const SHELL = '/usr/bin/chromium-headless-shell'

/** The browser that tests, pictures and timings drive; `CHROMIUM` names another. */
export const CHROMIUM = process.env.CHROMIUM ?? (existsSync(SHELL) ? SHELL : '/usr/bin/chromium')

/** Without the calls home that a closed network would refuse. */
export const ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
]
