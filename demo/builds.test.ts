import { readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { DEMO_BUILDS } from './make'

it.each(Object.entries(DEMO_BUILDS))('the file of %s is what make.ts records (npm run demo:build)', (name, make) => {
  const file = JSON.parse(readFileSync(new URL(`./builds/${name}.json`, import.meta.url), 'utf8'))
  expect(file).toEqual(JSON.parse(JSON.stringify(make())))
})
