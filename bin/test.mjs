/** Everything that must hold: types, lint, unit tests, build, browser tests. Installs what is missing first. */
import { existsSync } from 'node:fs'
import { spawnSync } from 'node:child_process'
import { ensureBuilt, ensureInstalled, run } from './lib/prepare.mjs'

/** Installs one of Debian's packages where its program is not there. */
function ensureProgram(name, file) {
  if (existsSync(file)) return
  console.log(`Installing ${name} from Debian’s packages (once).`)
  const asRoot = process.getuid?.() === 0 ? [] : ['sudo']
  for (const words of [
    ['apt-get', 'update', '-qq'],
    ['apt-get', 'install', '-y', '-qq', name],
  ]) {
    const [command, ...args] = [...asRoot, ...words]
    const { status } = spawnSync(command, args, {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    })
    if (status !== 0) {
      console.error(
        `“${[command, ...args].join(' ')}” failed: install ${name} by hand${name === 'chromium' ? ', or name one with CHROMIUM=/path' : ''}.`,
      )
      process.exit(1)
    }
  }
}

function step(title, command, args) {
  console.log(`\n== ${title}`)
  run(command, args)
}

await ensureInstalled()
if (!process.env.CHROMIUM) ensureProgram('chromium', '/usr/bin/chromium')
// Certificates are judged by another hand than the one that makes them.
ensureProgram('openssl', '/usr/bin/openssl')
step('types', 'npx', ['nuxt', 'prepare', '--logLevel', 'silent'])
step('types', 'npx', ['vue-tsc', '-b', '--noEmit'])
step('lint', 'npx', ['eslint', '.', '--max-warnings', '0'])
step('unit tests', 'npx', ['vitest', 'run'])
await ensureBuilt()
// A browser, a server and a test share what cores there are and can be late: each may be tried once more, and what needed it is listed as flaky.
step('browser tests', 'npx', ['playwright', 'test', '--retries=1'])
console.log('\nAll of it holds: types, lint, unit tests, build, browser tests.')
