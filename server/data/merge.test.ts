import type { Database } from './database'
import { randomUUID } from 'node:crypto'
import fc from 'fast-check'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { newSheet } from '#core/record/layouts'
import { entriesAfter, getBuild, insertBuild } from './builds'
import { enterChange } from './enterChange'
import { applyPatch } from './patch'
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

/** A change of one reading, made on a revision. */
const writing = (key: string, value: number, base: number, clientKey: string = randomUUID()) => ({
  clientKey,
  device: randomUUID(),
  base,
  who: 'Maren',
  patch: [{ op: 'add' as const, path: `/readings/${key}`, value: { value, source: 'measured' } }],
  reason: '',
})
async function begun(): Promise<string> {
  const id = randomUUID()
  await insertBuild(db, id, newSheet('inline4', 'Four', 'Test engine'))
  return id
}
const readingsOf = async (id: string) =>
  Object.fromEntries(Object.entries((await getBuild(db, id))!.sheet.readings).map(([key, { value }]) => [key, value]))

it('a record that was put back under a running server is read anew: what was written last is not written over it', async () => {
  const id = await begun()
  await enterChange(db, id, writing('main.1.bore', 0.06, 0))
  const { sheet } = (await getBuild(db, id))!
  await enterChange(db, id, writing('main.2.bore', 0.061, 1))
  // The same number again, and another content: as after a restore of the database.
  await db.query('delete from entry where build_id = $1 and revision = 2', [id]).catch(() => undefined)
  await db.query('update build set sheet = $2, changed_at = now() where id = $1', [
    id,
    JSON.stringify({ ...sheet, name: 'Put back' }),
  ])
  const result = await enterChange(db, id, writing('main.3.bore', 0.062, 2))
  expect(result).toMatchObject({ kind: 'entered', again: false })
  expect((await getBuild(db, id))!.sheet.name).toBe('Put back')
  expect(await readingsOf(id)).toEqual({ 'main.1.bore': 0.06, 'main.3.bore': 0.062 })
})

it('the same change twice at once is entered once; ten hands at once are all entered, each on its own reading', async () => {
  const id = await begun()
  const key = randomUUID()
  const twice = await Promise.all([0, 1, 2].map(() => enterChange(db, id, writing('main.1.bore', 0.06, 0, key))))
  expect(twice.map((each) => each.kind)).toEqual(['entered', 'entered', 'entered'])
  expect(twice.filter((each) => each.kind === 'entered' && !each.again)).toHaveLength(1)
  expect(await entriesAfter(db, id, 0)).toHaveLength(1)
  const keys = ['main', 'rod'].flatMap((set) => [1, 2, 3, 4].map((n) => `${set}.${n}.journal`))
  const all = await Promise.all(keys.map((each, i) => enterChange(db, id, writing(each, 0.05 + i * 1e-4, 1))))
  expect(all.map((each) => each.kind)).toEqual(keys.map(() => 'entered'))
  expect(Object.keys(await readingsOf(id)).sort()).toEqual(['main.1.bore', ...keys].sort())
  const entries = await entriesAfter(db, id, 0)
  expect(entries.map(({ revision }) => revision)).toEqual(Array.from({ length: 9 }, (_, i) => i + 1))
})

it('what was refused on what was written last is refused by what stands, and a deleted build takes nothing', async () => {
  const id = await begun()
  await enterChange(db, id, writing('main.1.bore', 0.06, 0))
  const wrong = {
    ...writing('main.1.bore', 0.06, 1),
    patch: [{ op: 'remove' as const, path: '/readings/main.2.bore' }],
  }
  expect(await enterChange(db, id, wrong)).toMatchObject({ kind: 'invalid' })
  await db.query('update build set deleted_at = now() where id = $1', [id])
  expect(await enterChange(db, id, writing('main.1.bore', 0.061, 1))).toEqual({ kind: 'unknown' })
  expect(await entriesAfter(db, id, 0)).toHaveLength(1)
})

it('what another server wrote since is seen, also where it cannot be entered onto what this one wrote last', async () => {
  const id = await begun()
  await enterChange(db, id, writing('main.1.bore', 0.06, 0))
  // Another server has the same records and its own memory of them.
  const other: Database = {
    query: (sql, values) => db.query(sql, values),
    exec: (sql) => db.exec(sql),
    transaction: (work) => db.transaction(work),
    close: () => db.close(),
  }
  const theirs = writing('main.2.bore', 0.061, 1)
  expect(await enterChange(other, id, theirs)).toMatchObject({ kind: 'entered' })
  const mine = {
    ...writing('main.2.bore', 0.062, 1),
    knows: [theirs.clientKey],
    patch: [{ op: 'replace' as const, path: '/readings/main.2.bore/value', value: 0.062 }],
  }
  expect(await enterChange(db, id, mine)).toMatchObject({ kind: 'entered', entry: { revision: 3 } })
})
