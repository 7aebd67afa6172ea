import type { Database } from './database'
import { randomUUID } from 'node:crypto'
import fc from 'fast-check'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { newSheet } from '#core/record/layouts'
import { applyPatch, enterChange, entriesAfter, getBuild, insertBuild } from './builds'
import { emptyDatabase } from './testDatabase'

let db: Database
beforeAll(async () => {
  db = await emptyDatabase()
})
afterAll(() => db.close())

const KEYS = ['main.1.journal', 'main.1.bore', 'main.2.journal', 'rod.1.bore']
const writes = fc.array(
  fc.record({
    tab: fc.nat(2),
    key: fc.constantFrom(...KEYS),
    value: fc.integer({ min: 1, max: 999 }),
    behind: fc.nat(4),
  }),
  { minLength: 1, maxLength: 14 },
)

it('any interleaving of three tabs: conflicts exactly where another tab wrote since, and entries rebuild and unwind the sheet', async () => {
  await fc.assert(
    fc.asyncProperty(writes, async (sequence) => {
      const id = randomUUID()
      const blank = newSheet('inline4', 'Four', 'Test engine')
      await insertBuild(db, id, blank)
      const tabs = [randomUUID(), randomUUID(), randomUUID()]
      const log: { tab: number; key: string }[] = []
      for (const { tab, key, value, behind } of sequence) {
        const base = Math.max(0, log.length - behind)
        const met = log.slice(base).some((entry) => entry.tab !== tab && entry.key === key)
        const patch = [
          { op: 'add' as const, path: `/readings/${key}`, value: { value: value / 1e4, source: 'measured' } },
        ]
        const result = await enterChange(db, id, {
          clientKey: randomUUID(),
          device: tabs[tab],
          base,
          who: `tab ${tab}`,
          patch,
          reason: '',
        })
        expect(result.kind).toBe(met ? 'conflict' : 'entered')
        if (!met) log.push({ tab, key })
      }
      const { sheet, revision } = (await getBuild(db, id))!
      const entries = await entriesAfter(db, id, 0)
      expect(revision).toBe(log.length)
      expect(entries.map((entry) => entry.revision)).toEqual(log.map((_, i) => i + 1))
      let forward = blank
      for (const entry of entries) forward = (applyPatch(forward, entry.patch) as { sheet: typeof blank }).sheet
      expect(forward).toEqual(sheet)
      let back = sheet
      for (const entry of entries.reverse()) back = (applyPatch(back, entry.inverse) as { sheet: typeof blank }).sheet
      expect(back).toEqual(blank)
    }),
    { numRuns: 25 },
  )
})

it('a value and what lies in it are one place: whichever is written first, the other is told', async () => {
  const id = randomUUID()
  await insertBuild(db, id, newSheet('inline4', 'Four', 'Test engine'))
  const write = (base: number, patch: { op: 'add' | 'replace'; path: string; value: unknown }) =>
    enterChange(db, id, { clientKey: randomUUID(), device: randomUUID(), base, who: 'Oda', patch: [patch], reason: '' })
  const whole = { op: 'add' as const, path: '/readings/main.1.journal', value: { value: 0.06, source: 'measured' } }
  const within = { op: 'add' as const, path: '/readings/main.1.journal/value', value: 0.0601 }
  expect(await write(0, whole)).toMatchObject({ kind: 'entered' })
  expect(await write(0, within)).toMatchObject({ kind: 'conflict', path: within.path })
  expect(await write(1, within)).toMatchObject({ kind: 'entered' })
  expect(await write(1, whole)).toMatchObject({ kind: 'conflict', path: whole.path })
  // A name that only begins alike is another place.
  expect(await write(1, { ...whole, path: '/readings/main.1.bore' })).toMatchObject({ kind: 'entered' })
})
