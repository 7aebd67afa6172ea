/** Writes the demo builds as ordinary build files. */
import { mkdirSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { Sheet } from '../core/build/schema'
import { DEMO_BUILDS } from '../demo/make'

const folder = fileURLToPath(new URL('../demo/builds/', import.meta.url))
mkdirSync(folder, { recursive: true })
for (const [name, make] of Object.entries(DEMO_BUILDS)) {
  writeFileSync(`${folder}${name}.json`, `${JSON.stringify(Sheet.parse(make()), null, 2)}\n`)
  console.log(`demo/builds/${name}.json`)
}
