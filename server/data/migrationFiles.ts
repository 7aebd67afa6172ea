import { readFileSync, readdirSync } from 'node:fs'
import type { Migration } from './database'

const folder = new URL('./migrations/', import.meta.url)

/** Every migration, in its order, from the files: for scripts and tests, which have no build to bundle them. */
export const migrations: Migration[] = readdirSync(folder)
  .sort()
  .map((file) => ({ name: file.replace(/\.sql$/, ''), sql: readFileSync(new URL(file, folder), 'utf8') }))
