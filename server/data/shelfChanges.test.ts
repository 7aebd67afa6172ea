import type { Database } from './database'
import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { newSheet } from '#core/record/layouts'
import type { ShelfEntry } from '#core/shelf/schema'
import { insertBuild } from './builds'
import { deleteItem, getItem, insertItemBy, itemHistory, listHolds, listItems, updateItem } from './shelf'
import { enterShelfChange, figureOf, type ShelfChange } from './shelfChanges'
import { moveItems } from './shelfMoves'
import { emptyDatabase } from './testDatabase'

const washer = (label: string, more: Partial<ShelfEntry> = {}): ShelfEntry => ({
  kind: 'washer',
  label,
  engine: '',
  count: 4,
  place: 'drawer 2',
  note: '',
  properties: { thickness: 0.5e-3, outside: 0.012 },
  ...more,
})

describe('the shelf as browsers change it', () => {
  let db: Database
  const build = randomUUID()
  beforeAll(async () => {
    db = await emptyDatabase()
    await insertBuild(db, build, newSheet('inline4', 'Four', 'Test engine'))
  })
  afterAll(() => db.close())
  type Asked = ShelfChange extends infer Each
    ? Each extends ShelfChange
      ? Omit<Each, 'clientKey' | 'who'>
      : never
    : never
  const enter = (change: Asked, clientKey = randomUUID()) =>
    enterShelfChange(db, { clientKey, who: 'Oda', ...change } as ShelfChange)
  const lies = async (label: string, more: Partial<ShelfEntry> = {}) => {
    const item = randomUUID()
    expect((await enter({ kind: 'add', item, entry: washer(label, more) })).kind).toBe('entered')
    return item
  }

  it('puts an item there once, under the id it was given, with all that was said of it', async () => {
    const [item, key] = [randomUUID(), randomUUID()]
    const entry = washer('A half', { price: 0.4, note: 'stainless', engine: 'Hesper 3.6' })
    const first = await enter({ kind: 'add', item, entry }, key)
    expect(first).toMatchObject({ kind: 'entered', again: false, item: { id: item, ...entry, reserved: 0 } })
    expect(await enter({ kind: 'add', item, entry }, key)).toMatchObject({ kind: 'entered', again: true })
    expect((await itemHistory(db, item)).map(({ change, who }) => [change, who])).toEqual([['insert', 'Oda']])
    expect((await enter({ kind: 'add', item: randomUUID(), entry })).kind).toBe('twice')
  })
  it('writes over what was looked at, other figures at once, and takes a figure out', async () => {
    const item = await lies('Two hands')
    await enter({ kind: 'set', item, was: { count: 4 }, set: { count: 6 } })
    const second = await enter({
      kind: 'set',
      item,
      was: { place: 'drawer 2', 'properties.outside': 0.012, price: null },
      set: { place: 'drawer 3', 'properties.outside': null, price: 1.5 },
    })
    expect(second).toMatchObject({ kind: 'entered', again: false })
    const now = (await getItem(db, item))!
    expect([now.count, now.place, now.price, now.properties]).toEqual([6, 'drawer 3', 1.5, { thickness: 0.5e-3 }])
    expect([figureOf(now, 'properties.thickness'), figureOf(now, 'properties.hole'), figureOf(now, 'photo')]).toEqual([
      0.5e-3,
      null,
      null,
    ])
  })
  it('tells what another hand wrote in the same figure, and is content where it wrote the same', async () => {
    const item = await lies('Met')
    await enter({ kind: 'set', item, was: { count: 4 }, set: { count: 9 } })
    expect(await enter({ kind: 'set', item, was: { count: 4 }, set: { count: 5 } })).toMatchObject({
      kind: 'overwritten',
      field: 'count',
      item: { count: 9 },
    })
    expect((await enter({ kind: 'set', item, was: { count: 4 }, set: { count: 9 } })).kind).toBe('entered')
    expect((await getItem(db, item))!.count).toBe(9)
  })
  it('refuses what no item may be, what is not there, and a name that is taken', async () => {
    const item = await lies('Wrong')
    expect(await enter({ kind: 'set', item, was: { count: 4 }, set: { count: -1 } })).toMatchObject({
      kind: 'invalid',
      problems: [{ path: 'count' }],
    })
    expect((await enter({ kind: 'set', item: randomUUID(), was: {}, set: { count: 1 } })).kind).toBe('unknown')
    expect((await enter({ kind: 'remove', item: randomUUID() })).kind).toBe('unknown')
    await lies('Taken')
    expect((await enter({ kind: 'set', item, was: { label: 'Wrong' }, set: { label: 'Taken' } })).kind).toBe('twice')
    expect((await getItem(db, item))!).toMatchObject({ count: 4, label: 'Wrong' })
  })
  it('never has fewer than are set aside, nor loses what a build holds; free again it goes, and its name with it', async () => {
    const item = await lies('Held')
    await moveItems(db, build, 'Oda', [{ clientKey: randomUUID(), item, move: 'reserve', count: 3 }])
    expect(await listHolds(db)).toMatchObject([{ item, build, reserved: 3, taken: 0, name: 'Four' }])
    expect(await enter({ kind: 'set', item, was: { count: 4 }, set: { count: 2 } })).toEqual({
      kind: 'held',
      reserved: 3,
    })
    expect(await enter({ kind: 'remove', item })).toEqual({ kind: 'held', reserved: 3 })
    expect(await deleteItem(db, item)).toBe('held')
    const key = randomUUID()
    const back = [{ clientKey: key, item, move: 'release' as const, count: 3 }]
    await moveItems(db, build, 'Oda', back)
    // Sent again under its key it is passed over.
    await moveItems(db, build, 'Oda', back)
    expect((await getItem(db, item))!).toMatchObject({ reserved: 0, count: 4 })
    await expect(
      moveItems(db, build, 'Oda', [{ clientKey: randomUUID(), item, move: 'reserve', count: 5 }]),
    ).rejects.toThrow(/^Held: /)
    await expect(
      moveItems(db, build, 'Oda', [{ clientKey: randomUUID(), item: randomUUID(), move: 'reserve', count: 1 }]),
    ).rejects.toThrow(/does not lie on the shelf/)
    expect(await enter({ kind: 'remove', item })).toMatchObject({ kind: 'entered', again: false })
    expect(await getItem(db, item)).toBeUndefined()
    expect((await listItems(db)).map(({ label }) => label)).not.toContain('Held')
    expect((await itemHistory(db, item)).at(-1)).toMatchObject({ item: { removed: true, count: 0 } })
    // Another may be called so now.
    await lies('Held')
  })
  it('a program writes over the revision that it saw, and no other', async () => {
    const written = await insertItemBy(db, washer('Program', { price: 2 }), 'A script')
    if (written.kind !== 'written') throw new Error(written.kind)
    const { id, revision } = written.item
    expect((await insertItemBy(db, washer('Program'), 'A script')).kind).toBe('twice')
    expect(await updateItem(db, id, revision, washer('Program', { count: 7 }))).toMatchObject({
      kind: 'written',
      item: { count: 7, revision: revision + 1 },
    })
    expect((await updateItem(db, id, revision, washer('Program', { count: 8 }))).kind).toBe('conflict')
    expect((await updateItem(db, randomUUID(), 0, washer('None'))).kind).toBe('unknown')
    expect((await itemHistory(db, id)).map(({ change, who }) => [change, who])).toEqual([
      ['insert', 'A script'],
      ['update', 'A program'],
    ])
    expect(await deleteItem(db, id, 'Oda')).toBe('gone')
    expect(await deleteItem(db, id, 'Oda')).toBe('unknown')
    // Put there again it is the same item, lying there anew.
    expect(await insertItemBy(db, washer('Program', { count: 2 }), 'Oda')).toMatchObject({
      kind: 'written',
      item: { id, count: 2 },
    })
  })
})
