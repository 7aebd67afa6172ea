/** Writes the demo builds as ordinary build files, and what the demo shop keeps. */
import { mkdirSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { Sheet } from '../core/record/schema'
import { House } from '../core/house/schema'
import { DEMO_BUILDS, demoHouse, demoShelf } from '../demo/make'

const folder = fileURLToPath(new URL('../demo/builds/', import.meta.url))
mkdirSync(folder, { recursive: true })
for (const [name, make] of Object.entries(DEMO_BUILDS)) {
  writeFileSync(`${folder}${name}.json`, `${JSON.stringify(Sheet.parse(make()), null, 2)}\n`)
  console.log(`demo/builds/${name}.json`)
}
const shop = fileURLToPath(new URL('../demo/shop/', import.meta.url))
mkdirSync(shop, { recursive: true })
writeFileSync(`${shop}house.json`, `${JSON.stringify(House.parse(demoHouse()), null, 2)}\n`)
console.log('demo/shop/house.json')
writeFileSync(`${shop}shelf.json`, `${JSON.stringify(demoShelf(), null, 2)}\n`)
console.log('demo/shop/shelf.json')
