/** What every command needs first: packages installed, the application built, a server that answers. */
import { spawn, spawnSync } from 'node:child_process'
import { createHash, randomUUID } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { LEAN, PROGRAM } from './program.mjs'

export const root = fileURLToPath(new URL('../..', import.meta.url))
export const SOURCES = [
  'app',
  'core',
  'server',
  'i18n',

  'demo/builds',
  'demo/shop',
  'public',
  'nuxt.config.ts',
  'package.json',
  'package-lock.json',
]
const stamps = join(root, '.cache')

/** Runs a command with its output shown; ends this one with its code when it fails. */
export function run(command, args, options = {}) {
  const { status } = spawnSync(command, args, {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, NUXT_TELEMETRY_DISABLED: '1' },
    ...options,
  })
  if (status !== 0) process.exit(status ?? 1)
}

/** `npm ci`, when the lock file is not the one that was installed. */
export async function ensureInstalled() {
  const wanted = digest(['package-lock.json', 'package.json'])
  if (existsSync(join(root, 'node_modules')) && stamp('installed') === wanted) return
  console.log('Installing packages (once).')
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'])
  stamp('installed', wanted)
}

/** A production build, when a source is not the one that was built. */
export async function ensureBuilt() {
  const wanted = digest(SOURCES)
  if (existsSync(join(root, '.output/server/index.mjs')) && stamp('built') === wanted) return
  console.log('Building the application (once for each change).')
  // The bundler reads what the types are told by: a fresh clone has none of it.
  if (!existsSync(join(root, '.nuxt/tsconfig.app.json'))) run('npx', ['nuxt', 'prepare', '--logLevel', 'silent'])
  // Beside the folder that editors, types and the development server go by, so that neither disturbs the other.
  run('npx', ['nuxt', 'build', '--logLevel', 'silent'], {
    env: { ...process.env, NUXT_TELEMETRY_DISABLED: '1', ULDO_BUILD_DIR: '.cache/build' },
  })
  stamp('built', wanted)
}

/** Starts the server, waits until its records are open, prints its address, and stays until it ends. */
export async function serve({ data, port, demo }) {
  // Plain HTTP is for this machine; the network is let in by the server itself, over HTTPS.
  const host = '127.0.0.1'
  const folder = resolve(root, data)
  mkdirSync(folder, { recursive: true })
  if (await taken(port, host)) {
    console.error(
      `Port ${port} is in use by another program. Stop it, or name another with PORT (or --port for the demo).`,
    )
    process.exit(5)
  }
  const instance = randomUUID()
  const server = spawn(process.execPath, PROGRAM, {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit'],
    env: {
      ...process.env,
      ...LEAN,
      PORT: port,
      HOST: host,
      ULDO_DATA: folder,
      ULDO_INSTANCE: instance,
      ...(demo ? { ULDO_DEMO: '1' } : {}),
    },
  })
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill('SIGTERM'))
  server.on('exit', (code) => process.exit(code ?? 1))
  const address = `http://${host}:${port}`
  for (let tries = 0; tries < 240; tries++) {
    // Its own answer, and not that of another shop on the same port.
    const ready = await fetch(`${address}/api/health`).then(
      async (response) => (response.ok ? response.json() : undefined),
      () => undefined,
    )
    if (ready?.instance === instance)
      return console.log(
        `Uldo is at ${address}${ready.network ? `\nThe shop’s network finds it at ${ready.network}` : ''}`,
      )
    await new Promise((done) => setTimeout(done, 250))
  }
  console.error('The server did not answer within a minute.')
  server.kill('SIGTERM')
}

/** Where the network is to be let in and there is no passphrase yet, asks for one. */
export function ensurePassphrase(data) {
  const host = process.env.ULDO_HOST ?? ''
  if (['', '127.0.0.1', 'localhost', '::1'].includes(host)) return
  run('npx', ['tsx', 'bin/passphrase.ts', '--if-missing'], { env: { ...process.env, ULDO_DATA: resolve(root, data) } })
}

/** A port that nothing listens on. */
export function freePort() {
  return new Promise((done) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address()
      probe.close(() => done(port))
    })
  })
}

/** Whether something listens on a port already. */
function taken(port, host) {
  return new Promise((done) => {
    const probe = createServer()
      .once('error', (error) => done(error.code === 'EADDRINUSE'))
      .listen(Number(port), host, () => probe.close(() => done(false)))
  })
}

function stamp(name, value) {
  const file = join(stamps, name)
  if (value === undefined) return existsSync(file) ? readFileSync(file, 'utf8') : ''
  mkdirSync(stamps, { recursive: true })
  writeFileSync(file, value)
}

/** One digest over files and folders, tests left out. */
function digest(paths) {
  const hash = createHash('sha256')
  const add = (path) => {
    const full = join(root, path)
    if (!existsSync(full)) return
    if (statSync(full).isDirectory()) for (const name of readdirSync(full).sort()) add(join(path, name))
    else if (!path.endsWith('.test.ts')) hash.update(path).update(readFileSync(full))
  }
  paths.forEach(add)
  return hash.digest('hex')
}
