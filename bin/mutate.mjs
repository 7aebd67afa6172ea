/**
 * Mutation testing, area by area, each judged by its own tests alone: what tests elsewhere would also catch is not counted, so that the figures are the
 * least that holds. `npm run mutate` does all of them, `npm run mutate -- core/relief` one. Fails where fewer than 80 of 100 mutants are killed.
 */
import { spawnSync } from 'node:child_process'
import { root } from './lib/prepare.mjs'

/** Folders that are mutated, each with the tests that judge it. */
const AREAS = {
  'core/start': ['core/start'],
  'core/relief': ['core/relief', 'core/parts'],
  'core/bearing': ['core/bearing', 'core/parts', 'core/circuit', 'core/film'],
  'core/engine': ['core/engine', 'core/parts', 'demo'],
  'app/sync': ['app/sync'],
  'server/data': ['server/data'],
}

/** Long simulations that judge by hundreds of starts: left out, since each mutant would run them. */
const LONG =
  'healthy ones run through|finds a hidden clearance|any two numbers in any two readings|whatever is left out'

const asked = process.argv.slice(2)
const unknown = asked.filter((area) => !(area in AREAS))
if (unknown.length > 0) {
  console.error(`“${unknown[0]}” is none of ${Object.keys(AREAS).join(', ')}.`)
  process.exit(2)
}
const failed = (asked.length > 0 ? asked : Object.keys(AREAS)).filter((area) => {
  console.log(`\n== ${area}`)
  const { status } = spawnSync('npx', ['stryker', 'run', '--mutate', `${area}/**/*.ts,!**/*.test.ts,!**/test*.ts`], {
    cwd: root,
    stdio: 'inherit',
    env: {
      ...process.env,
      ULDO_TESTS: AREAS[area].map((folder) => `${folder}/**/*.test.ts`).join(' '),
      ULDO_TESTS_NOT: LONG,
    },
  })
  return status !== 0
})
for (const area of failed) console.error(`${area}: fewer mutants are killed than should be.`)
process.exit(failed.length > 0 ? 1 : 0)
