import { existsSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { expect, it } from 'vitest'

const root = fileURLToPath(new URL('../../', import.meta.url))
const page = readFileSync(`${root}docs/security.md`, 'utf8')
const rows = page.split('\n').flatMap((line) => {
  const cells = /^\| (\d+\.\d+\.\d+) \| (.+) \| (.+) \| (.*) \|$/.exec(line)
  return cells ? [{ item: cells[1], asks: cells[2], here: cells[3], ground: cells[4] }] : []
})

it('goes through all items of the standard’s level 2, each once, with a verdict and its ground', () => {
  // ASVS 4.0.3 has 259 items at level 2: 267 of 4.0.1 less the eight that were taken out.
  expect(new Set(rows.map(({ item }) => item)).size).toBe(259)
  expect(rows.length).toBe(259)
  for (const { item, here, ground } of rows) {
    expect(['held', 'otherwise', 'does not arise', 'not yet'], item).toContain(here)
    expect(ground.trim(), item).not.toBe('')
  }
  for (const here of ['held', 'otherwise', 'does not arise', 'not yet'])
    expect(page).toContain(`${rows.filter((row) => row.here === here).length} ${here}`)
})

it('names only files that are there, and tests that are in them', () => {
  const named = [...page.matchAll(/`((?:tests|server|core|docs|bin|app)\/[\w./[\]*-]+)`(?: “([^”]+)”)?/g)].filter(
    ([, file]) => !file.includes('*'),
  )
  expect(named.length).toBeGreaterThan(80)
  for (const [, file, words] of named) {
    expect(existsSync(root + file), file).toBe(true)
    if (words) expect(readFileSync(root + file, 'utf8'), `${file}: ${words}`).toContain(words)
  }
})
