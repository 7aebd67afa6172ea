/** Writes the golden figures of the demo builds anew: after a change of physics, with its reason in the commit. */
import { writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { DEMO_NAMES, goldenOf } from '../demo/golden'

writeFileSync(
  fileURLToPath(new URL('../demo/golden.json', import.meta.url)),
  `${JSON.stringify(Object.fromEntries(DEMO_NAMES.map((name) => [name, goldenOf(name)])), null, 1)}\n`,
)
console.log('demo/golden.json')
