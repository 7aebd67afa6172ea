/** Writes the JSON Schema of the build file to docs/. */
import { writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { z } from 'zod'
import { Sheet } from '../core/record/schema'

export const schemaText = () =>
  `${JSON.stringify({ title: 'Uldo build file', ...z.toJSONSchema(Sheet, { io: 'input' }) }, null, 2)}\n`
const file = fileURLToPath(new URL('../docs/build-file.schema.json', import.meta.url))
if (process.argv[1]?.endsWith('schema.ts')) writeFileSync(file, schemaText())
