import { readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { schemaText } from '../schema'

it('the JSON Schema in docs is that of the schema in core', () => {
  expect(readFileSync(new URL('../../docs/build-file.schema.json', import.meta.url), 'utf8')).toBe(schemaText())
})
