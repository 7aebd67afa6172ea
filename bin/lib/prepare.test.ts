import { readdirSync, readFileSync } from 'node:fs'
import { join, relative, resolve } from 'node:path'
import { describe, expect, it } from 'vitest'
// @ts-expect-error a script without types of its own
import { root, SOURCES } from './prepare.mjs'

/** Every file that sources of the application import by a path. */
function* imported(folder: string): Generator<string> {
  for (const entry of readdirSync(folder, { withFileTypes: true, recursive: true })) {
    if (!entry.isFile() || !/\.(ts|vue)$/.test(entry.name) || /(\.test\.ts$|^test[A-Z])/.test(entry.name)) continue
    const at = entry.parentPath
    for (const [, path] of readFileSync(join(at, entry.name), 'utf8').matchAll(/(?:from|import\() ?'(\.[^']+)'/g))
      yield relative(root as string, resolve(at, path!))
  }
}

describe('what is built anew', () => {
  it('is built when anything has changed that the application is made from', () => {
    const outside = new Set<string>()
    for (const folder of ['app', 'core', 'server'])
      for (const file of imported(join(root as string, folder)))
        if (!(SOURCES as string[]).some((source) => file === source || file.startsWith(`${source}/`))) outside.add(file)
    expect([...outside]).toEqual([])
  })
})
