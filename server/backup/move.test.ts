import { PGlite } from '@electric-sql/pglite'
import { randomUUID } from 'node:crypto'
import { existsSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { FIRST_HOUSE } from '#core/house/first'
import { outlookOf } from '#core/outlook/outlook'
import { entriesAfter, getBuild, insertBuild, listBuilds } from '../data/builds'
import { enterChange } from '../data/enterChange'
import { type Database, migrate } from '../data/database'
import { getHouse, putHouse } from '../data/house'
import { startPostgres } from '../data/ownPostgres'
import { getPhoto, insertPhoto } from '../data/photos'
import { DatabaseAway } from '../data/failure'
import { openPostgres } from '../data/postgres'
import { insertEvent, insertRun, insertSamples, samplesAfter } from '../data/runs'
import { itemHistory, listItems, updateItem, writeItems } from '../data/shelf'
import { migrations } from '../data/migrationFiles'
import { openKeeper } from '../many/keeper'
import { moveToFolder, moveToServer } from './move'

const folder = mkdtempSync(join(tmpdir(), 'uldo-moved-'))
const server = await startPostgres()
afterAll(async () => {
  await server.stop()
  rmSync(folder, { recursive: true, force: true })
})
const fresh = async (name: string) => {
  const db = openPostgres(server.url)
  await db.exec(`create database ${name}`)
  await db.close()
  return server.database(name)
}

/** A small shop: an engine with entries, photo and a run, a shelf with a history, rules of its own. */
async function shop(db: Database) {
  const [build, photo, run] = Array.from({ length: 3 }, () => randomUUID())
  await insertBuild(db, build, Object.values(DEMO_BUILDS)[0]!())
  for (let base = 0; base < 260; base++)
    await enterChange(db, build, {
      clientKey: randomUUID(),
      device: randomUUID(),
      who: 'Maren',
      base,
      patch: [{ op: 'add', path: '/readings/main.1.bore', value: { value: 0.0645 + base * 1e-8, source: 'measured' } }],
      reason: 'Ü “again”',
    })
  await putHouse(db, 0, { ...FIRST_HOUSE, units: 'in, psi' })
  await insertPhoto(db, {
    id: photo,
    buildId: build,
    mediaType: 'image/png',
    bytes: Buffer.from([0, 255, 1, 13]),
    who: 'Maren',
  })
  await writeItems(db, [
    { kind: 'washer', label: 'W1', engine: '', count: 4, place: '', note: '', properties: { thickness: 1e-3 } },
  ] as never)
  await insertRun(db, build, {
    id: run,
    kind: 'start',
    setup: { source: 'logger' },
    who: 'Maren',
    startedAt: new Date().toISOString(),
  })
  await insertSamples(
    db,
    run,
    Array.from({ length: 6000 }, (_, i) => ({ time: i / 10, pressure: 1e5 + i / 3 })),
  )
  await insertEvent(db, run, { clientKey: randomUUID(), time: 1, kind: 'mark', words: 'fired', data: {}, who: 'Maren' })
  return { build, photo, run }
}

describe('a shop that moves', () => {
  it('to a server and back is what it was, to the last figure of its prediction, and goes on there under numbers of its own', async () => {
    const here = await PGlite.create()
    await migrate(here, migrations)
    const { build, photo, run } = await shop(here)
    const url = await fresh('moved')
    expect(await moveToServer(here, url, '0.1.0', migrations)).toMatchObject({ builds: 1, entries: 260 })
    expect(await moveToFolder(url, join(folder, 'back'), '0.1.0', migrations)).toMatchObject({
      builds: 1,
      entries: 260,
    })
    const there = openPostgres(url)
    const back = await PGlite.create(join(folder, 'back', 'records'))
    const first = (await getBuild(here, build))!
    for (const db of [there, back]) {
      const moved = (await getBuild(db, build))!
      expect(moved.sheet).toEqual(first.sheet)
      expect(await entriesAfter(db, build, 0)).toEqual(await entriesAfter(here, build, 0))
      expect(await getHouse(db)).toEqual(await getHouse(here))
      expect(await listItems(db)).toEqual(await listItems(here))
      expect(await itemHistory(db, (await listItems(here))[0].id)).toEqual(
        await itemHistory(here, (await listItems(here))[0].id),
      )
      expect([...(await getPhoto(db, build, photo))!.bytes]).toEqual([0, 255, 1, 13])
      expect(await samplesAfter(db, run, -1, 10_000)).toEqual(await samplesAfter(here, run, -1, 10_000))
    }
    const pressures = (sheet: typeof first.sheet) => outlookOf(sheet, 60).states.map(({ pressure }) => pressure)
    expect(pressures((await getBuild(there, build))!.sheet)).toEqual(pressures(first.sheet))
    // What is written next is numbered on, and the shelf remembers again.
    const next = {
      clientKey: randomUUID(),
      device: randomUUID(),
      who: 'Ilse',
      base: 260,
      patch: [{ op: 'add' as const, path: '/name', value: 'Moved' }],
      reason: '',
    }
    expect(await enterChange(there, build, next)).toMatchObject({ kind: 'entered' })
    const [item] = await listItems(there)
    const { id, revision, ...entry } = item
    await updateItem(there, id, revision, { ...entry, count: 3 } as never, 'Ilse')
    expect((await itemHistory(there, id)).length).toBeGreaterThan((await itemHistory(here, id)).length)
    for (const db of [here, back, there]) await db.close()
  })

  it('never onto another, never from under a running server, and not by half: what is broken off leaves the database empty', async () => {
    const here = await PGlite.create()
    await migrate(here, migrations)
    await shop(here)
    const url = await fresh('kept')
    await moveToServer(here, url, '0.1.0', migrations)
    await expect(moveToServer(here, url, '0.1.0', migrations)).rejects.toThrow('has records already')
    const keeper = openKeeper(url, { take: () => Promise.resolve(), leave: () => undefined })
    while (!keeper.keeps()) await new Promise((done) => setTimeout(done, 20))
    await expect(moveToFolder(url, join(folder, 'none'), '0.1.0', migrations)).rejects.toThrow('Stop it first')
    expect(existsSync(join(folder, 'none'))).toBe(false)
    await keeper.close()

    // The server dies in the middle: entries are in, and the run's events wait for a table that another holds.
    const half = await fresh('half')
    const holding = openPostgres(half)
    await migrate(holding, migrations)
    const held = holding
      .transaction(async (tx) => {
        await tx.exec('lock table run_event in access exclusive mode')
        await tx.query('select pg_sleep(60)')
      })
      .catch(() => undefined)
    const looking = openPostgres(server.url)
    const waits = async () =>
      (await looking.query('select 1 from pg_locks where not granted and locktype = $1', ['relation'])).rows.length > 0
    await new Promise((done) => setTimeout(done, 200))
    const moving = moveToServer(here, half, '0.1.0', migrations).then(
      () => 'moved',
      (error: unknown) => error,
    )
    while (!(await waits())) await new Promise((done) => setTimeout(done, 20))
    await server.kill()
    expect(await moving).toBeInstanceOf(DatabaseAway)
    await held
    await server.start()
    const after = openPostgres(half)
    expect(await listBuilds(after)).toEqual([])
    await after.close()
    expect(await moveToServer(here, half, '0.1.0', migrations)).toMatchObject({ builds: 1, entries: 260 })
    for (const db of [looking, holding, here]) await db.close()
  })
})
