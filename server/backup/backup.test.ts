import { enterShelfChange } from '../data/shelfChanges'
import { moveItems } from '../data/shelfMoves'
import { randomUUID } from 'node:crypto'
import {
  createReadStream,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setImmediate as turn } from 'node:timers/promises'
import { createGunzip, gunzipSync, gzipSync } from 'node:zlib'
import { PGlite } from '@electric-sql/pglite'
import type { Database } from '../data/database'
import { extract, pack } from 'tar-stream'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { newSheet } from '#core/record/layouts'
import type { Change } from '#core/record/entry'
import { FIRST_HOUSE } from '#core/house/first'
import { entriesAfter, getBuild, insertBuild } from '../data/builds'
import { enterChange } from '../data/enterChange'
import { enterHouseChange, getHouse, putHouse } from '../data/house'
import { checkRecords } from '../data/integrity'
import { keepResult, listResults } from '../data/practice'
import { DRILL } from '../data/testPractice'
import { TABLES } from '../data/tables'
import { getPhoto, insertPhoto } from '../data/photos'
import { eventsOf, insertEvent, insertRun, samplesAfter, insertSamples } from '../data/runs'
import { itemHistory, listHolds, listItems } from '../data/shelf'
import { emptyDatabase, migrations } from '../data/testDatabase'
import { LOGS, WHOLE } from './format'
import { readArchive } from './read'
import { RESTORING, restoreBackup } from './restore'
import { plainly, prepareBackups } from './service'
import { writeBackup } from './write'

const folder = mkdtempSync(join(tmpdir(), 'uldo-backup-'))
const at = (name: string) => join(folder, name)
const put = (key: string, value: number): Change['patch'][number] => ({
  op: 'add',
  path: `/readings/${key}`,
  value: { value, source: 'measured' },
})
const change = (patch: Change['patch']): Change => ({
  clientKey: randomUUID(),
  device: randomUUID(),
  base: 0,
  who: 'Maren',
  patch,
  reason: '',
})

it('a backup leaves no table of the records out', () => {
  expect(new Set<string>([...LOGS, ...WHOLE, 'build', 'photo', 'run_sample'])).toEqual(new Set<string>(TABLES))
})

describe('a backup', () => {
  let db: Database
  const [build, other, run, item, photo] = Array.from({ length: 5 }, () => randomUUID())
  const device = randomUUID()
  const picture = Buffer.concat([
    Buffer.from([0xff, 0xd8, 0xff]),
    Buffer.from(Array.from({ length: 70_000 }, (_, i) => (i * 7919) % 256)),
  ])
  const samples = Array.from({ length: 12_000 }, (_, i) => ({ time: i / 10, pressure: 1e5 + i / 3, speed: 15 }))
  const enter = (value: number) => enterChange(db, build, { ...change([put('main.1.journal', value)]), device })
  beforeAll(async () => {
    db = await emptyDatabase()
    await insertBuild(db, build, newSheet('inline4', 'Four', 'Test engine'))
    await insertBuild(db, other, newSheet('v8', 'Eight “Ü”', 'Other'))
    for (let i = 0; i < 450; i++) await enter(0.06 + i * 1e-7)
    await putHouse(db, 0, { ...FIRST_HOUSE, units: 'in, psi' })
    await enterShelfChange(db, {
      clientKey: randomUUID(),
      who: 'Maren',
      kind: 'add',
      item,
      entry: {
        kind: 'washer',
        label: 'W 0.6',
        engine: '',
        count: 4,
        place: '',
        note: '',
        properties: { thickness: 0.0006 },
      } as never,
    })
    await moveItems(db, build, 'Maren', [{ clientKey: randomUUID(), item, move: 'take', count: 1 }])
    await insertPhoto(db, { id: photo, buildId: build, mediaType: 'image/jpeg', bytes: picture, who: 'Maren' })
    await insertRun(db, build, { id: run, kind: 'start', setup: { source: 'logger' }, who: 'Maren' })
    await keepResult(db, { id: randomUUID(), person: 'Tobi', result: DRILL })
    await insertSamples(db, run, samples)
    await insertEvent(db, run, {
      clientKey: randomUUID(),
      time: 1,
      kind: 'mark',
      words: 'fired',
      data: {},
      who: 'Maren',
    })
  })
  afterAll(async () => {
    await db.close()
    rmSync(folder, { recursive: true, force: true })
  })

  it('made while values come in has everything that was acknowledged before its number, and restores to just that', async () => {
    const before = (await getBuild(db, build))!
    let going = true
    const writing = (async () => {
      for (let i = 0; going; i++) {
        await enter(0.07 + i * 1e-7)
        // As requests do, each in a turn of its own.
        await turn()
      }
    })()
    const written = await writeBackup(db, at('a.tar.gz'), '0.1.0', Date.now())
    going = false
    await writing
    // Others had their turn while it was made.
    const after = (await getBuild(db, build))!.revision
    expect(after).toBeGreaterThan(before.revision + 3)
    const restored = await restoreBackup(at('a.tar.gz'), at('back'), migrations)
    expect(restored).toMatchObject({ builds: 2, entries: written.upTo.entry })
    const back = await PGlite.create(at('back/records'))
    const then = (await getBuild(back, build))!
    expect(then.revision).toBeGreaterThanOrEqual(before.revision)
    expect(then.revision).toBeLessThan(after)
    const entries = await entriesAfter(db, build, 0)
    expect(await entriesAfter(back, build, 0)).toEqual(entries.slice(0, then.revision))
    const last = entries[then.revision - 1].patch[0] as { value: object }
    expect(then.sheet.readings['main.1.journal']).toMatchObject(last.value)
    expect((await getBuild(back, other))!.sheet).toEqual((await getBuild(db, other))!.sheet)
    expect(await getHouse(back)).toEqual(await getHouse(db))
    expect(await listItems(back)).toEqual(await listItems(db))
    expect(await listHolds(back)).toEqual(await listHolds(db))
    expect(await listResults(back)).toEqual(await listResults(db))
    expect(await listResults(back)).toHaveLength(1)
    expect(await itemHistory(db, item)).toMatchObject([
      { change: 'insert', who: 'Maren', item: { count: 4 } },
      { change: 'update', who: 'Maren', item: { count: 3 } },
    ])
    expect(await itemHistory(back, item)).toEqual(await itemHistory(db, item))
    expect(Buffer.from((await getPhoto(back, build, photo))!.bytes).equals(picture)).toBe(true)
    expect(await samplesAfter(back, run, -1, 20_000)).toEqual(samples)
    expect(await eventsOf(back, run)).toEqual(await eventsOf(db, run))
    expect(await checkRecords(back)).toEqual([])
    // It goes on from there: numbers are not given twice.
    expect(await enterChange(back, build, change([put('main.2.journal', 0.06)]))).toMatchObject({
      kind: 'entered',
      entry: { revision: then.revision + 1 },
    })
    expect(
      await enterHouseChange(back, { ...change([{ op: 'replace', path: '/school', value: 'auto' }]), base: 1 }),
    ).toMatchObject({ kind: 'entered' })
    await back.close()
  })

  it('cut short anywhere it is refused, and the folder is as it was', async () => {
    await writeBackup(db, at('cut.tar.gz'), '0.1.0', Date.now())
    const whole = readFileSync(at('cut.tar.gz'))
    for (const share of [0, 0.001, 0.2, 0.5, 0.9, 0.999]) {
      writeFileSync(at('short.tar.gz'), whole.subarray(0, Math.floor(whole.length * share)))
      await expect(restoreBackup(at('short.tar.gz'), at('none'), migrations), `cut at ${share}`).rejects.toThrow(
        /cut short|damaged|no backup/,
      )
      expect(existsSync(at('none'))).toBe(false)
    }
    // Cut between two files, and zipped again as if nothing had been.
    const tar = gunzipSync(whole)
    writeFileSync(at('short.tar.gz'), gzipSync(Buffer.concat([tar.subarray(0, 512 * 40), Buffer.alloc(1024)])))
    await expect(restoreBackup(at('short.tar.gz'), at('none'), migrations)).rejects.toThrow(/cut short|damaged/)
  })

  it('altered, added to, or with a file taken out, it is refused by that file’s name', async () => {
    await writeBackup(db, at('c.tar.gz'), '0.1.0', Date.now())
    const doctored = async (
      change: (name: string, bytes: Buffer) => Buffer | undefined,
      more: [string, string][] = [],
    ) => {
      const from = extract()
      createReadStream(at('c.tar.gz')).pipe(createGunzip()).pipe(from)
      const to = pack()
      for await (const entry of from) {
        const chunks: Buffer[] = []
        for await (const chunk of entry) chunks.push(chunk as Buffer)
        for (const [name, text] of entry.header.name === 'checks.json' ? more : []) to.entry({ name }, text)
        const bytes = change(entry.header.name, Buffer.concat(chunks))
        if (bytes) to.entry({ name: entry.header.name }, bytes)
      }
      to.finalize()
      const chunks: Buffer[] = []
      for await (const chunk of to) chunks.push(chunk as Buffer)
      writeFileSync(at('d.tar.gz'), gzipSync(Buffer.concat(chunks)))
      return restoreBackup(at('d.tar.gz'), at('none'), migrations)
    }
    const edit = (file: RegExp, what: (text: string) => string | undefined) =>
      doctored((name, bytes) => {
        if (!file.test(name)) return bytes
        const text = what(bytes.toString('utf8'))
        return text === undefined ? undefined : Buffer.from(text)
      })
    await expect(edit(/^entry\/000002/, (text) => text.replace('Maren', 'Marek'))).rejects.toThrow(
      'entry/000002.jsonl was altered',
    )
    await expect(edit(/^photo\//, () => undefined)).rejects.toThrow(/photo\/000001.jsonl is missing/)
    await expect(doctored((_name, bytes) => bytes, [['entry/999999.jsonl', '{}\n']])).rejects.toThrow(
      'entry/999999.jsonl was added',
    )
    await expect(edit(/^uldo.json/, (text) => text.replace(/"version": 1/, '"version": 2'))).rejects.toThrow(
      'written by a newer Uldo',
    )
    await expect(edit(/^uldo.json/, (text) => text.replace('0001_records', '9999_later'))).rejects.toThrow(
      'its records have 9999_later',
    )
    await expect(edit(/^uldo.json/, (text) => text.replace('uldo-backup', 'other'))).rejects.toThrow(
      'no backup of Uldo',
    )
    await expect(edit(/^checks.json/, () => undefined)).rejects.toThrow('its checks are missing')
    await expect(edit(/^checks.json/, () => '{')).rejects.toThrow('checks.json cannot be read')
    writeFileSync(at('e.tar.gz'), 'hello')
    await expect(restoreBackup(at('e.tar.gz'), at('none'), migrations)).rejects.toThrow(/no backup of Uldo/)
    await expect(restoreBackup(at('nowhere.tar.gz'), at('none'), migrations)).rejects.toThrow('There is no such file')
    expect(existsSync(at('none'))).toBe(false)
  })

  it('goes into no folder that has records, and one that was broken off is cleared away by the next; a newer Uldo brings it up to date', async () => {
    await writeBackup(db, at('f.tar.gz'), '0.1.0', Date.now())
    mkdirSync(at('full/records'), { recursive: true })
    writeFileSync(at('full/records/PG_VERSION'), '17')
    await expect(restoreBackup(at('f.tar.gz'), at('full'), migrations)).rejects.toThrow('has records already')
    expect(readdirSync(at('full/records'))).toEqual(['PG_VERSION'])
    mkdirSync(join(at('again'), RESTORING), { recursive: true })
    writeFileSync(join(at('again'), RESTORING, 'half'), '')
    await restoreBackup(at('f.tar.gz'), at('again'), [
      ...migrations,
      { name: '9000_later', sql: 'alter table build add column note text' },
    ])
    expect(readdirSync(at('again'))).toEqual(['records'])
  })

  it('that the disk does not take leaves nothing half behind, and says why; the last good one stays', async () => {
    const unhandled: unknown[] = []
    const caught = (error: unknown) => void unhandled.push(error)
    process.on('uncaughtException', caught).on('unhandledRejection', caught)
    for (let i = 0; i < 20; i++) {
      symlinkSync('/dev/full', at('g.tar.gz.part'))
      await expect(writeBackup(db, at('g.tar.gz'), '0.1.0', Date.now())).rejects.toMatchObject({ code: 'ENOSPC' })
      expect(readdirSync(folder).filter((name) => name.startsWith('g.'))).toEqual([])
    }
    // A table that cannot be read ends it too.
    await db.exec('alter table run_sample rename to elsewhere')
    await expect(writeBackup(db, at('g.tar.gz'), '0.1.0', Date.now())).rejects.toThrow('run_sample')
    await db.exec('alter table elsewhere rename to run_sample')
    expect(readdirSync(folder).filter((name) => name.startsWith('g.'))).toEqual([])
    // Nothing of it is left to end the server with.
    await new Promise((done) => setTimeout(done, 50))
    process.off('uncaughtException', caught).off('unhandledRejection', caught)
    expect(unhandled).toEqual([])
    writeFileSync(at('file'), '')
    process.env.ULDO_BACKUPS = at('file')
    const backups = prepareBackups(db, at('x'), '0.1.0')
    await expect(backups.now()).rejects.toThrow('The folder is a file.')
    expect(backups.state()).toMatchObject({ running: false, failed: 'The folder is a file.' })
    delete process.env.ULDO_BACKUPS
  })

  it('what fails while it is put back is said as it is, and not as damage of the archive', async () => {
    await writeBackup(db, at('h.tar.gz'), '0.1.0', Date.now())
    const full = Object.assign(new Error('could not extend file'), { code: '53100' })
    await expect(
      readArchive(at('h.tar.gz'), { head: () => undefined, rows: () => Promise.reject(full), photo: () => undefined }),
    ).rejects.toBe(full)
  })
  it('says what the database’s own file system throws in words too, which is no error', () => {
    expect(plainly({ name: 'ErrnoError', errno: 51 })).toBe('The disk is full.')
    expect(plainly(Object.assign(new Error('could not extend file'), { code: '53100' }))).toBe('The disk is full.')
    expect(plainly({ name: 'ErrnoError', errno: 8 })).toBe('the disk failed (failure 8).')
    expect(plainly(Object.assign(new Error('x'), { code: 'EROFS' }))).toBe('The disk can only be read.')
    expect(plainly(new Error('as it says'))).toBe('as it says')
  })
  it('asked for twice at once is made once, and is the newest that is known', async () => {
    const backups = prepareBackups(db, at('shop'), '0.1.0')
    expect(backups.state()).toMatchObject({ folder: at('shop/backups'), running: false })
    expect(backups.state().last).toBeUndefined()
    mkdirSync(at('shop/backups'), { recursive: true })
    writeFileSync(at('shop/backups/uldo-2020-01-01T000000.tar.gz.part'), 'left by a kill')
    const [one, two] = await Promise.all([backups.now(), backups.now()])
    expect(one.file).toBe(two.file)
    expect(readdirSync(at('shop/backups'))).toEqual([one.file.split('/').at(-1)])
    expect(Date.now() - backups.state().last!).toBeLessThan(120_000)
  })
  it('that takes longer than whoever asks will wait goes on, and says so until it is made', async () => {
    const backups = prepareBackups(db, at('slow'), '0.1.0')
    expect(await backups.within(0)).toBeUndefined()
    expect(backups.state()).toMatchObject({ running: true, made: undefined })
    const whole = await backups.within(60_000)
    expect(existsSync(whole!.file)).toBe(true)
    expect(backups.state()).toMatchObject({ running: false, made: whole })
  })
  it('takes away for good what was deleted long enough ago, once a good backup has it', async () => {
    const [gone, kept] = [randomUUID(), randomUUID()]
    await insertBuild(db, gone, newSheet('inline4', 'Long gone', 'Blank 2.0'))
    await insertBuild(db, kept, newSheet('inline4', 'Gone today', 'Blank 2.0'))
    await db.query(`update build set deleted_at = now() - interval '31 days' where id = $1`, [gone])
    await db.query('update build set deleted_at = now() where id = $1', [kept])
    const there = async () =>
      (await db.query<{ id: string }>('select id from build where id in ($1, $2)', [gone, kept])).rows.map(
        ({ id }) => id,
      )
    const { file } = await prepareBackups(db, at('purged'), '0.1.0').now()
    expect(await there()).toEqual([kept])
    expect(gunzipSync(readFileSync(file)).toString('utf8')).toContain('Long gone')
    // A backup that comes to nothing takes nothing away.
    await db.query(`update build set deleted_at = now() - interval '31 days' where id = $1`, [kept])
    writeFileSync(at('a file'), '')
    await expect(prepareBackups(db, at('a file'), '0.1.0').now()).rejects.toThrow()
    expect(await there()).toEqual([kept])
  })
})
