import { moveItems } from './shelfMoves'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { newSheet } from '#core/record/layouts'
import { Sheet } from '#core/record/schema'
import type { Change } from '#core/record/entry'
import { entriesAfter, getBuild, insertBuild } from './builds'
import { enterChange } from './enterChange'
import { applyPatch } from './patch'
import { type Database, migrate } from './database'
import { bareDatabase, emptyDatabase, migrations } from './testDatabase'
import { getHouse, putHouse } from './house'
import { House } from '#core/house/schema'
import type { Move } from '#core/shelf/stock'
import { deleteItem, getItem, insertItem, itemHistory, listHolds, listItems, updateItem, writeItems } from './shelf'
import { getPhoto, insertPhoto, mediaTypeOf, photoBytes } from './photos'
import { FolderInUse, lockFolder } from './lock'

const put = (key: string, value: number) => ({
  op: 'add' as const,
  path: `/readings/${key}`,
  value: { value, source: 'measured' },
})
const change = (base: number, ...patch: Change['patch']): Change => ({
  clientKey: randomUUID(),
  device: randomUUID(),
  base,
  who: 'Maren',
  patch,
  reason: '',
})

describe('records', () => {
  let db: Database
  let id: string
  beforeAll(async () => {
    db = await emptyDatabase()
  })
  afterAll(() => db.close())
  const fresh = async () => {
    id = randomUUID()
    await insertBuild(db, id, newSheet('inline4', 'Four', 'Test engine'))
  }

  it('migrates once, and refuses a folder from a newer version', async () => {
    expect(await migrate(db, migrations)).toEqual([])
    await expect(migrate(db, migrations.slice(1))).rejects.toThrow(/newer/)
  })
  it('brings a folder of the first version up to date: its builds gain what layouts have learnt since', async () => {
    const old = await bareDatabase()
    await migrate(old, migrations.slice(0, 1))
    const blank = newSheet('inline4', 'Four', 'Test engine')
    const { cooler, turbo, pistonJets, tensioner, ...layout } = blank.layout
    const { inspections, choices, shells, ...first } = blank
    expect([cooler, turbo, pistonJets, tensioner, inspections, choices, shells]).toEqual([
      false,
      false,
      0,
      false,
      {},
      {},
      {},
    ])
    const kept = randomUUID()
    await old.query('insert into build (id, revision, sheet) values ($1, 0, $2)', [
      kept,
      JSON.stringify({ ...first, layout }),
    ])
    expect(await migrate(old, migrations)).toEqual(migrations.slice(1).map(({ name }) => name))
    expect((await getBuild(old, kept))!.sheet).toEqual(Sheet.parse(blank))
    await old.close()
  })
  it('enters a change with its inverse, and the same key only once', async () => {
    await fresh()
    const sent = change(0, put('main.1.journal', 0.06))
    const first = await enterChange(db, id, sent)
    expect(first).toMatchObject({ kind: 'entered', again: false, entry: { revision: 1 } })
    expect(await enterChange(db, id, sent)).toMatchObject({ kind: 'entered', again: true, entry: { revision: 1 } })
    const build = (await getBuild(db, id))!
    expect(build.revision).toBe(1)
    const back = applyPatch(build.sheet, first.kind === 'entered' ? first.entry.inverse : [])
    expect(back).toEqual({ sheet: newSheet('inline4', 'Four', 'Test engine') })
  })
  it('merges changes on different paths, and tells the second on the same path what is there', async () => {
    await fresh()
    await enterChange(db, id, change(0, put('main.1.journal', 0.06)))
    expect(await enterChange(db, id, { ...change(0, put('main.2.journal', 0.061)), who: 'Ilse' })).toMatchObject({
      kind: 'entered',
    })
    expect(await enterChange(db, id, change(0, put('main.1.journal', 0.0605)))).toMatchObject({
      kind: 'conflict',
      path: '/readings/main.1.journal',
      now: { value: 0.06 },
      who: 'Maren',
      revision: 2,
    })
    expect((await getBuild(db, id))!.sheet.readings['main.1.journal'].value).toBe(0.06)
  })
  it('lets a tab write again to what it wrote itself, without having heard back', async () => {
    await fresh()
    const first = change(0, put('main.1.journal', 0.06))
    await enterChange(db, id, first)
    expect(
      await enterChange(db, id, { ...change(0, put('main.1.journal', 0.0601)), device: first.device }),
    ).toMatchObject({ kind: 'entered', entry: { revision: 2 } })
  })
  it('a key, a number or an oil that the door refuses is refused by its path; a change made on a later revision than there is, too', async () => {
    await fresh()
    for (const [patch, path] of [
      [put('main.4.jornal', 0.06), 'readings/main.4.jornal'],
      [put('main.99.journal', 0.06), 'readings/main.99.journal'],
      [put('pickup.tubeLength', -5), 'readings/pickup.tubeLength'],
      [{ op: 'replace' as const, path: '/oil/grade', value: '7W-11' }, 'oil/grade'],
    ] as const)
      expect(await enterChange(db, id, change(0, patch))).toMatchObject({ kind: 'invalid', problems: [{ path }] })
    expect(await enterChange(db, id, change(7, put('main.1.journal', 0.06)))).toEqual({ kind: 'ahead', revision: 0 })
    expect((await getBuild(db, id))!.revision).toBe(0)
  })
  it('a record from before the door was as narrow takes changes elsewhere, and lets itself be mended', async () => {
    id = randomUUID()
    const old = newSheet('inline4', 'Four', 'Test engine')
    old.readings['pump.endClearance'] = { value: -70e-6, source: 'measured' }
    await insertBuild(db, id, old)
    expect(await enterChange(db, id, change(0, put('main.1.journal', 0.06)))).toMatchObject({ kind: 'entered' })
    expect(await enterChange(db, id, change(1, put('pump.endClearance', -60e-6)))).toMatchObject({ kind: 'invalid' })
    expect(await enterChange(db, id, change(1, put('pump.endClearance', 60e-6)))).toMatchObject({
      kind: 'entered',
      entry: { revision: 2 },
    })
  })
  it('refuses what is no build any more, by path, and keeps the sheet', async () => {
    await fresh()
    const wrong = await enterChange(
      db,
      id,
      change(0, { op: 'add', path: '/readings/main.1.journal', value: { value: 'wide', source: 'measured' } }),
    )
    expect(wrong).toMatchObject({ kind: 'invalid', problems: [{ path: 'readings/main.1.journal/value' }] })
    expect(await enterChange(db, id, change(0, { op: 'replace', path: '/nothing/here', value: 1 }))).toMatchObject({
      kind: 'invalid',
    })
    expect((await getBuild(db, id))!.revision).toBe(0)
    expect(await enterChange(db, randomUUID(), change(0, put('main.1.journal', 0.06)))).toEqual({ kind: 'unknown' })
  })
  it('the house is written over the revision it was made on, and told when that is old', async () => {
    const { revision, house } = await getHouse(db)
    expect(revision).toBe(0)
    const written = await putHouse(db, 0, { ...house, units: 'in, psi' })
    expect(written).toMatchObject({ kind: 'written', row: { revision: 1 } })
    expect(await putHouse(db, 0, house)).toMatchObject({
      kind: 'conflict',
      row: { revision: 1, house: { units: 'in, psi' } },
    })
    expect((await getHouse(db)).house.units).toBe('in, psi')
  })
  it('a photo is what its first bytes say, and is kept once', async () => {
    await fresh()
    const png = Uint8Array.of(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 1, 2, 3)
    expect([
      mediaTypeOf(png),
      mediaTypeOf(Uint8Array.of(0xff, 0xd8, 0xff, 0xe0)),
      mediaTypeOf(new TextEncoder().encode('<svg onload=x>')),
    ]).toEqual(['image/png', 'image/jpeg', undefined])
    const photo = { id: randomUUID(), buildId: id, mediaType: 'image/png' as const, bytes: png, who: 'Maren' }
    await insertPhoto(db, photo)
    await insertPhoto(db, { ...photo, bytes: Uint8Array.of(1) })
    expect([...(await getPhoto(db, id, photo.id))!.bytes]).toEqual([...png])
    expect(await getPhoto(db, randomUUID(), photo.id)).toBeUndefined()
    // And what they take together is known, so that one build does not fill the disk.
    await insertPhoto(db, { ...photo, id: randomUUID(), bytes: new Uint8Array(500) })
    await insertPhoto(db, { ...photo, id: randomUUID(), buildId: undefined, bytes: new Uint8Array(7) })
    expect([await photoBytes(db, id), await photoBytes(db, undefined), await photoBytes(db, randomUUID())]).toEqual([
      png.length + 500,
      7,
      0,
    ])
  })
  it('keeps entries final', async () => {
    await fresh()
    await enterChange(db, id, change(0, put('main.1.journal', 0.06)))
    await expect(db.query('delete from entry where build_id = $1', [id])).rejects.toThrow(/append-only/)
    await expect(db.query('update entry set who = $1', ['x'])).rejects.toThrow(/append-only/)
    expect(await entriesAfter(db, id, 0)).toHaveLength(1)
  })
})

describe('lock', () => {
  const dir = mkdtempSync(join(tmpdir(), 'uldo-lock-'))
  afterAll(() => rmSync(dir, { recursive: true }))
  it('refuses a second holder while the first lives, and frees on release', () => {
    const release = lockFolder(dir)
    expect(() => lockFolder(dir)).toThrow(FolderInUse)
    release()
    lockFolder(dir)()
  })
  it('takes over from a process that is gone, or whose number was reused', () => {
    writeFileSync(join(dir, 'uldo.lock'), JSON.stringify({ pid: 2 ** 22 - 3, began: '1' }))
    lockFolder(dir)()
    writeFileSync(join(dir, 'uldo.lock'), JSON.stringify({ pid: process.pid, began: '1' }))
    lockFolder(dir)()
  })
})

describe('shelf', () => {
  let db: Database
  beforeAll(async () => {
    db = await bareDatabase()
    await migrate(db, migrations.slice(0, 3))
    // A house of the version before, with shells in its document.
    await db.query('insert into house (id, revision, document) values (1, 4, $1)', [
      JSON.stringify({
        units: 'mm, bar',
        instruments: [],
        strips: [],
        layouts: [],
        shells: [{ id: 'Main upper +0.006', engine: 'Talvik 1.9', set: 'main', half: 'upper', wall: 6e-6, count: 3 }],
      }),
    ])
    await migrate(db, migrations)
  })
  afterAll(() => db.close())
  const washer = (label: string, count: number) => ({
    kind: 'washer' as const,
    label,
    engine: '',
    count,
    place: '',
    note: '',
    properties: { thickness: 1e-3 },
  })
  const order = (item: string, move: Move, count: number) => ({ clientKey: randomUUID(), item, move, count })

  it('shells that lay in the house’s document lie on the shelf, and the house reads as one of today', async () => {
    expect(await listItems(db)).toMatchObject([
      {
        kind: 'shell',
        label: 'Main upper +0.006',
        engine: 'Talvik 1.9',
        count: 3,
        reserved: 0,
        properties: { set: 'main', half: 'upper', wall: 6e-6 },
      },
    ])
    expect(House.safeParse((await getHouse(db)).house).success).toBe(true)
  })
  it('moves for a build are all made or none, once for each key, and what is held is not counted free', async () => {
    const build = randomUUID()
    await insertBuild(db, build, newSheet('inline4', 'Four', 'Test engine'))
    const [one, two] = await Promise.all([insertItem(db, washer('W 1', 3)), insertItem(db, washer('W 2', 1))])
    if (one.kind !== 'written' || two.kind !== 'written') throw new Error('not written')
    await expect(
      moveItems(db, build, 'Oda', [order(one.item.id, 'take', 2), order(two.item.id, 'take', 2)]),
    ).rejects.toThrow('W 2: 1 can be taken, 2 are wanted')
    expect(await getItem(db, one.item.id)).toMatchObject({ count: 3, reserved: 0 })
    const take = order(one.item.id, 'take', 2)
    const reserve = order(two.item.id, 'reserve', 1)
    await moveItems(db, build, 'Oda', [take, reserve])
    await moveItems(db, build, 'Oda', [take, reserve])
    expect(await getItem(db, one.item.id)).toMatchObject({ count: 1 })
    expect(await listHolds(db)).toEqual(
      expect.arrayContaining([
        { item: one.item.id, build, reserved: 0, taken: 2, name: 'Four' },
        { item: two.item.id, build, reserved: 1, taken: 0, name: 'Four' },
      ]),
    )
    expect(await updateItem(db, two.item.id, 1, washer('W 2', 0))).toEqual({ kind: 'held', reserved: 1 })
    expect(await deleteItem(db, two.item.id)).toBe('held')
    await moveItems(db, build, 'Oda', [order(one.item.id, 'put-back', 2), order(two.item.id, 'release', 1)])
    expect(await getItem(db, one.item.id)).toMatchObject({ count: 3 })
    expect(await deleteItem(db, two.item.id)).toBe('gone')
    expect(await getItem(db, two.item.id)).toBeUndefined()
    // Every state of it is kept, by whoever it was, and cannot be written over.
    expect((await itemHistory(db, two.item.id)).map(({ who, item }) => [who, item.count, item.removed])).toEqual([
      ['A program', 1, false],
      ['Oda', 1, false],
      ['Oda', 1, false],
      ['A program', 0, true],
    ])
    await expect(db.query('update shelf_history set who = $1', ['Other'])).rejects.toThrow('append-only')
    await expect(db.query('delete from shelf_history')).rejects.toThrow('append-only')
    // One that is gone can be put there again under its name.
    expect(await insertItem(db, washer('W 2', 5))).toMatchObject({ kind: 'written', item: { count: 5 } })
  })
  it('an item written on an old revision is told what lies there, and no two have one name', async () => {
    const first = await insertItem(db, washer('W 9', 1))
    if (first.kind !== 'written') throw new Error('not written')
    expect(await insertItem(db, washer('W 9', 1))).toEqual({ kind: 'twice' })
    expect(await updateItem(db, first.item.id, 0, washer('W 9', 2))).toMatchObject({
      kind: 'written',
      item: { count: 2, revision: 1 },
    })
    expect(await updateItem(db, first.item.id, 0, washer('W 9', 7))).toMatchObject({
      kind: 'conflict',
      item: { count: 2 },
    })
    expect(await updateItem(db, randomUUID(), 0, washer('W 8', 7))).toEqual({ kind: 'unknown' })
  })
  it('a file’s rows are written at once: new ones added, known ones changed', async () => {
    expect(await writeItems(db, [washer('W 9', 4), washer('W 10', 6)])).toEqual({ added: 1, changed: 1 })
    expect(
      (await listItems(db))
        .filter(({ label }) => /W (9|10)/.test(label))
        .map(({ count }) => count)
        .sort(),
    ).toEqual([4, 6])
  })
})
