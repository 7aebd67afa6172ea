import type { Database } from '../data/database'
import { createHash, randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { fromBuffer } from 'yauzl'
import { ZipFile } from 'yazl'
import { DEMO_BUILDS } from '../../demo/make'
import { learntFrom } from '#core/logbook/experience'
import { lessonOf } from '#core/logbook/lessons'
import { outlookOf } from '#core/outlook/outlook'
import { withExperience } from '#core/engine/experience'
import type { Sheet } from '#core/record/schema'
import { entriesAfter, getBuild, insertBuild } from '../data/builds'
import { enterChange } from '../data/enterChange'
import { getHouse, putHouse } from '../data/house'
import { insertPhoto, getPhoto } from '../data/photos'
import { proposalsOf, propose } from '../data/proposals'
import { checkRecords } from '../data/integrity'
import { insertEvent, insertRun, insertSamples, listRunsWhole, samplesAfter } from '../data/runs'
import { emptyDatabase } from '../data/testDatabase'
import { shelfWhole } from '../data/wholeBuild'
import { HEAD, placesOf } from './format'
import { readArchive } from './read'
import { takeArchive } from './take'
import { writeArchive } from './write'

const [build, run, photo, item] = Array.from({ length: 4 }, () => randomUUID())
const JPEG = Buffer.concat([
  Buffer.from([0xff, 0xd8, 0xff]),
  Buffer.from(Array.from({ length: 5000 }, (_, i) => i % 251)),
])
const experience = learntFrom(
  DEMO_BUILDS.ottiline(),
  [1, 2, 3].map(() => {
    const sheet = DEMO_BUILDS.ottiline()
    sheet.readings['start.idleHot.pressure'] = { value: 2.7e5, source: 'measured' }
    return lessonOf(sheet)!
  }),
)!

let db: Database
let archive: Buffer
const asked = {
  experienceOf: async () => experience,
  application: 'test',
  now: Date.UTC(2026, 5, 1),
}
const whole = async (builds: string[], shop?: { house: unknown; shelf: unknown }) => {
  const stream = await writeArchive(db, {
    builds,
    ...asked,
    ...(shop ? { shop } : {}),
  })
  const chunks: Buffer[] = []
  for await (const chunk of stream) chunks.push(chunk as Buffer)
  return Buffer.concat(chunks)
}

beforeAll(async () => {
  db = await emptyDatabase()
  await insertBuild(db, build, DEMO_BUILDS.ottiline())
  for (let i = 0; i < 40; i++)
    await enterChange(db, build, {
      clientKey: randomUUID(),
      device: randomUUID(),
      base: i,
      who: 'Maren',
      reason: i === 7 ? 'read again' : '',
      patch: [{ op: 'add', path: '/readings/main.2.bore', value: { value: 0.066 + i * 1e-7, source: 'measured' } }],
    })
  await insertPhoto(db, { id: photo, buildId: build, mediaType: 'image/jpeg', bytes: JPEG, who: 'Tobi' })
  await insertRun(db, build, { id: run, kind: 'start', setup: { source: 'logger' }, who: 'Maren' })
  await insertSamples(
    db,
    run,
    Array.from({ length: 3600 }, (_, i) => ({ time: i / 10, pressure: 1e5 + i / 3, speed: 15 + Math.sin(i) })),
  )
  await insertEvent(db, run, {
    clientKey: randomUUID(),
    time: 3,
    kind: 'note',
    words: 'weeps',
    data: { photo },
    who: 'Maren',
  })
  await propose(db, build, {
    clientKey: randomUUID(),
    device: randomUUID(),
    base: 40,
    who: 'Oda',
    reason: '',
    patch: [{ op: 'add', path: '/work', value: 'ferry' }],
  })
  await db.query(
    `insert into shelf_item (id, kind, label, count, properties) values ($1, 'washer', 'W 0.6', 4, '{"thickness": 0.0006}')`,
    [item],
  )
  await db.query('insert into shelf_hold (item_id, build_id, taken) values ($1, $2, 1)', [item, build])
  archive = await whole([build])
}, 60_000)
afterAll(() => db.close())

/** The same archive with some of its files put in the place of others; with its description as it was, or told of them. */
async function altered(change: (files: Map<string, Buffer>) => void, told = false): Promise<Buffer> {
  const files = new Map<string, Buffer>()
  await new Promise<void>((done) =>
    fromBuffer(archive, { lazyEntries: true }, (_, zip) => {
      zip!.on('end', () => done())
      zip!.on('entry', (entry: { fileName: string }) =>
        zip!.openReadStream(entry as never, (__, stream) => {
          const chunks: Buffer[] = []
          stream!.on('data', (chunk: Buffer) => chunks.push(chunk))
          stream!.on('end', () => (files.set(entry.fileName, Buffer.concat(chunks)), zip!.readEntry()))
        }),
      )
      zip!.readEntry()
    }),
  )
  change(files)
  if (told) {
    const head = JSON.parse(files.get(HEAD)!.toString()) as {
      resources: { path: string; bytes: number; hash: string }[]
    }
    for (const resource of head.resources) {
      const bytes = files.get(resource.path)!
      Object.assign(resource, {
        bytes: bytes.length,
        hash: `sha256:${createHash('sha256').update(bytes).digest('hex')}`,
      })
    }
    files.set(HEAD, Buffer.from(JSON.stringify(head)))
  }
  const zip = new ZipFile()
  for (const [path, bytes] of files) zip.addBuffer(bytes, path)
  zip.end()
  const chunks: Buffer[] = []
  for await (const chunk of zip.outputStream as unknown as AsyncIterable<Buffer>) chunks.push(chunk)
  return Buffer.concat(chunks)
}

/** The same with its first file in it once more. */
async function twice(): Promise<Buffer> {
  const zip = new ZipFile()
  for (const words of ['{}', '[]']) zip.addBuffer(Buffer.from(words), HEAD)
  zip.end()
  const chunks: Buffer[] = []
  for await (const chunk of zip.outputStream as unknown as AsyncIterable<Buffer>) chunks.push(chunk)
  return Buffer.concat(chunks)
}

describe('an archive of a build', () => {
  it('taken in elsewhere it is whole: history, runs to the last figure, photos, and what it predicts', async () => {
    const other = await emptyDatabase()
    const taken = await takeArchive(other, await readArchive(archive))
    expect(taken).toEqual({ builds: [{ id: build, name: 'Ottiline' }], house: 'none', shelf: 0 })
    expect(await entriesAfter(other, build, 0)).toEqual(await entriesAfter(db, build, 0))
    const runs = async (of: Database) =>
      (await listRunsWhole(of, build)).map((each) => ({
        ...each,
        events: each.events.map(({ number: _, ...event }) => event),
      }))
    expect(await runs(other)).toEqual(await runs(db))
    expect(await samplesAfter(other, run, -1, 50_000)).toEqual(await samplesAfter(db, run, -1, 50_000))
    expect(await proposalsOf(other, build)).toMatchObject([{ who: 'Oda' }])
    expect(Buffer.from((await getPhoto(other, build, photo))!.bytes)).toEqual(JPEG)
    expect(await checkRecords(other)).toEqual([])
    const [here, there] = await Promise.all([db, other].map(async (of) => (await getBuild(of, build))!))
    expect(there.revision).toBe(40)
    // With what other engines taught it there, where nobody else has.
    expect(outlookOf(there.sheet).states).toEqual(outlookOf(withExperience(here.sheet, experience)).states)
    expect(outlookOf(there.sheet).states).not.toEqual(outlookOf(here.sheet).states)
    // It goes on there: a change after it is entered and the record still holds together.
    const change = { clientKey: randomUUID(), device: randomUUID(), base: 40, who: 'Ilse', reason: '' }
    const entered = await enterChange(other, build, {
      ...change,
      patch: [{ op: 'replace', path: '/work', value: 'ferry' }],
    })
    expect(entered.kind).toBe('entered')
    expect(await checkRecords(other)).toEqual([])
    await expect(readArchive(archive).then((read) => takeArchive(other, read))).rejects.toThrow(
      'Ottiline is here already',
    )
    await other.close()
  })

  it('says what it holds to other programs: a data package with every file’s size and digest, CSV with a heading', async () => {
    const { head } = await readArchive(archive)
    expect(head).toMatchObject({ profile: 'data-package', created: '2026-06-01T00:00:00.000Z', uldo: { shop: false } })
    const paths = head.resources.map(({ path }) => path)
    expect(paths).toContain(placesOf(build).measurements)
    expect(paths).toContain(placesOf(build).samples(run))
    expect(head.resources.find(({ path }) => path.endsWith('.jpeg'))).toMatchObject({
      bytes: JPEG.length,
      mediatype: 'image/jpeg',
    })
  })

  it('one that is newer, cut short, altered, or does not hold together is refused by name, and nothing of it is in', async () => {
    const other = await emptyDatabase()
    const take = async (bytes: Buffer) => takeArchive(other, await readArchive(bytes))
    const at = placesOf(build)
    const edit = (path: string, how: (value: never) => unknown) => (files: Map<string, Buffer>) =>
      void files.set(path, Buffer.from(JSON.stringify(how(JSON.parse(files.get(path)!.toString()) as never))))
    const refusals: [string, Promise<Buffer> | Buffer, RegExp][] = [
      ['no zip', Buffer.from('a letter'), /no zip, or cut short/],
      ['cut short', archive.subarray(0, archive.length - 400), /no zip, or cut short/],
      [
        'newer',
        altered(edit(HEAD, (head: { uldo: object }) => ({ ...head, uldo: { ...head.uldo, version: 2 } }))),
        /newer Uldo \(form 2/,
      ],
      [
        'of another program',
        altered(edit(HEAD, (head: object) => ({ ...head, uldo: { format: 'other' } }))),
        /describes something else/,
      ],
      ['altered', altered((files) => void files.set(at.runs, Buffer.from('[]'))), /runs\.json was altered/],
      ['a file less', altered((files) => void files.delete(at.photos)), /photos\.json is missing/],
      ['a file more', altered((files) => void files.set('more.txt', Buffer.from('more'))), /more\.txt was added/],
      [
        'another’s history',
        altered(
          edit(at.history, (rows: object[]) => rows.map((row) => ({ ...row, build_id: randomUUID() }))),
          true,
        ),
        /belongs to another build/,
      ],
      [
        'another run’s events',
        altered(
          edit(at.events, (rows: object[]) => rows.map((row) => ({ ...row, run_id: randomUUID() }))),
          true,
        ),
        /run-events\.json, 1: belongs to another build/,
      ],
      [
        'another’s record',
        altered(
          edit(at.head, (head: object) => ({ ...head, id: randomUUID() })),
          true,
        ),
        /record\.json: is another build’s/,
      ],
      ['a file twice', twice(), /is in it twice/],
      ['a bomb', altered((files) => void files.set('more.txt', Buffer.alloc(65e6))), /larger than anything/],
      [
        'a gap in history',
        altered(
          edit(at.history, (rows: object[]) => rows.slice(0, 39)),
          true,
        ),
        /history does not hold together/,
      ],
      [
        'a sheet that history does not give',
        altered(
          edit(at.sheet, (sheet: Sheet) => ({ ...sheet, readings: {} })),
          true,
        ),
        /history does not hold together/,
      ],
      [
        'a run of no kind',
        altered(
          edit(at.runs, (rows: object[]) => rows.map((row) => ({ ...row, kind: 'race' }))),
          true,
        ),
        /runs\.json, 1: kind/,
      ],
      [
        'a picture that is none',
        altered((files) => void files.set(at.photo(photo, 'image/jpeg'), Buffer.from('<svg>')), true),
        /is no such picture/,
      ],
      [
        'a run’s reading that is none',
        altered((files) => void files.set(at.samples(run), Buffer.from('time,pressure\n1,high\n')), true),
        /line 2: is no reading/,
      ],
    ]
    for (const [name, bytes, why] of refusals) {
      await expect(Promise.resolve(bytes).then(take), name).rejects.toThrow(why)
      for (const table of ['build', 'entry', 'run', 'run_sample', 'photo'])
        expect((await other.query(`select 1 from ${table}`)).rows, `${name}: ${table}`).toEqual([])
    }
    // And it is good for the whole one afterwards.
    await take(archive)
    await other.close()
  }, 60_000)

  it('the whole shop goes with its rules and its shelf; a shop that has rules of its own keeps them', async () => {
    const house = { ...(await getHouse(db)).house, units: 'in, psi' as const }
    const shop = await whole([build], { house, shelf: await shelfWhole(db) })
    const [empty, settled] = [await emptyDatabase(), await emptyDatabase()]
    await putHouse(settled, 0, { ...(await getHouse(settled)).house, units: 'mm, kPa' })
    expect(await takeArchive(empty, await readArchive(shop))).toMatchObject({ house: 'taken', shelf: 1 })
    expect((await getHouse(empty)).house.units).toBe('in, psi')
    expect((await empty.query('select taken from shelf_hold')).rows).toEqual([{ taken: 1 }])
    expect(await takeArchive(settled, await readArchive(shop))).toMatchObject({ house: 'left', shelf: 1 })
    expect((await getHouse(settled)).house.units).toBe('mm, kPa')
    await Promise.all([empty.close(), settled.close()])
  })
})
