/** Everything that must hold: types, lint, unit tests, build, browser tests. Installs what is missing first. */
import { existsSync, mkdirSync, readdirSync, readFileSync } from 'node:fs'
import { spawn, spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { ensureInstalled, root, run } from './lib/prepare.mjs'
import { secondTries } from './lib/secondTries.mjs'

/** One of these programs must be there: the first that is, or that Debian's packages bring. */
function ensureProgram(...programs) {
  if (programs.some(({ name, file }) => existsSync(file) || installs(name))) return
  const [{ name, variable }] = programs
  console.error(`Install ${name} by hand${variable ? `, or name what stands in for it with ${variable}=/path` : ''}.`)
  process.exit(1)
}

/** Whether one of Debian's packages could be installed. */
function installs(name) {
  console.log(`Installing ${name} from Debian’s packages (once).`)
  const asRoot = process.getuid?.() === 0 ? [] : ['sudo']
  return [
    ['apt-get', 'update', '-qq'],
    ['apt-get', 'install', '-y', '-qq', name],
  ].every((words) => {
    const [command, ...args] = [...asRoot, ...words]
    const { status } = spawnSync(command, args, {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    })
    if (status !== 0) console.error(`“${[command, ...args].join(' ')}” failed.`)
    return status === 0
  })
}

/** Where Debian's newest PostgreSQL has the program that makes a folder of records. */
function newestPostgres() {
  const debian = '/usr/lib/postgresql'
  const version = existsSync(debian) ? readdirSync(debian).sort((a, b) => Number(b) - Number(a))[0] : undefined
  return join(debian, version ?? '', 'bin', 'initdb')
}

function step(title, command, args, options) {
  console.log(`\n== ${title}`)
  run(command, args, options)
}

/** Lanes side by side, the steps of each after one another: each step keeps one core busy. What a step printed is shown once it has ended; one that fails ends the run. */
async function sideBySide(lanes) {
  await Promise.all(
    lanes.map(async (steps) => {
      for (const [title, command, args] of steps) {
        const { said, code } = await quietly(command, args)
        console.log(`\n== ${title}\n${said.trimEnd()}`)
        if (code !== 0) process.exit(code)
      }
    }),
  )
}

function quietly(command, args) {
  return new Promise((done) => {
    const step = spawn(command, args, { cwd: root, env: { ...process.env, NUXT_TELEMETRY_DISABLED: '1' } })
    let said = ''
    for (const stream of [step.stdout, step.stderr]) stream.on('data', (part) => (said += part))
    step.on('error', (error) => done({ said: error.message, code: 1 }))
    step.on('close', (code) => done({ said, code: code ?? 1 }))
  })
}

await ensureInstalled()
if (!process.env.CHROMIUM)
  ensureProgram(
    { name: 'chromium-headless-shell', file: '/usr/bin/chromium-headless-shell', variable: 'CHROMIUM' },
    { name: 'chromium', file: '/usr/bin/chromium', variable: 'CHROMIUM' },
  )
// Certificates are judged by another hand than the one that makes them.
ensureProgram({ name: 'openssl', file: '/usr/bin/openssl' })
// The records are tried on a PostgreSQL server as well: one of the tests' own, with the programs of Debian's package. Its clients alone do not do.
ensureProgram({ name: 'postgresql', file: newestPostgres() })
// In a fresh clone the build comes before anything else has prepared something for it, as it does for whoever starts the demo there.
if (!existsSync(join(root, '.nuxt'))) step('build of a fresh clone', process.execPath, ['bin/build.mjs'])
step('what Nuxt prepares', 'npx', ['nuxt', 'prepare', '--logLevel', 'silent'])
await sideBySide([
  [
    ['types', 'npx', ['vue-tsc', '-b', '--noEmit']],
    ['lint', 'npm', ['run', '--silent', 'lint']],
  ],
  [['build', process.execPath, ['bin/build.mjs']]],
])
step('unit tests', 'npx', ['vitest', 'run'])
// A browser, a server and a test share what cores there are and can be late: each may be tried once more. What needed it is named, and mended
// before anything else is done; two of them fail the run.
const report = join(root, 'test-results', 'browser.json')
mkdirSync(join(root, 'test-results'), { recursive: true })
step('browser tests', 'npx', ['playwright', 'test', '--retries=1', '--reporter=list,json'], {
  env: { ...process.env, NUXT_TELEMETRY_DISABLED: '1', PLAYWRIGHT_JSON_OUTPUT_NAME: report },
})
const again = secondTries(JSON.parse(readFileSync(report, 'utf8')))
for (const name of again) console.log(`Needed its second try: ${name}`)
if (again.length > 1) {
  console.error(`\n${again.length} browser tests needed their second try: mend them first.`)
  process.exit(1)
}
console.log('\nAll of it holds: types, lint, unit tests, build, browser tests.')
