import { createHash } from 'node:crypto'
import { Readable } from 'node:stream'
import Papa from 'papaparse'
import { ZipFile } from 'yazl'
import { measurementsOf } from '#core/logbook/measurements'
import { serviceLog } from '#core/engine/serviceLog'
import { casesOf } from '#core/trace/cases'
import { withExperience } from '#core/engine/experience'
import type { Experience } from '#core/record/experience'
import type { Sheet } from '#core/record/schema'
import { CHANNELS } from '#core/run/channels'
import type { Queries } from '../data/database'
import { getPhoto } from '../data/photos'
import { samplesAfter } from '../data/runs'
import { buildHead, ownRows, type PhotoHead, photoHeads } from '../data/wholeBuild'
import { FORMAT, HEAD, type Package, placesOf, type Resource, SHOP, VERSION } from './format'

/** What an archive is made of beside the builds' own rows. */
export interface Asked {
  builds: string[]
  /** What other engines say of a build's model: without them it would predict otherwise elsewhere. */
  experienceOf: (build: string, sheet: Sheet) => Promise<Experience | undefined>
  /** The shop's own documents, where all of it is wanted. */
  shop?: { house: unknown; shelf: unknown }
  application: string
  now: number
}

const SAMPLES = 20_000
const csv = (fields: string[], data: unknown[][]) => `${Papa.unparse({ fields, data }, { newline: '\n' })}\n`
const TYPES = { json: 'application/json', csv: 'text/csv' } as const

/**
 * An archive of builds as a stream: a zip with a data package's description, in it each build's file, record, history, runs and photos; what other programs want to read
 * stands beside as CSV. A build is read when the stream comes to it, and photos one by one, so that a shop of any size is sent from little memory.
 *
 * @throws where the first build cannot be read; what fails later ends the stream
 */
export async function writeArchive(db: Queries, asked: Asked): Promise<Readable> {
  const zip = new ZipFile()
  const out = zip.outputStream as unknown as Readable
  const mtime = new Date(asked.now)
  const resources: Resource[] = []
  const builds: Package['uldo']['builds'] = []
  const describe = (path: string, bytes: Uint8Array, format: string, mediatype: string) =>
    resources.push({
      name: path
        .replace(/\.[a-z]+$/, '')
        .replace(/[^a-z0-9]+/gi, '-')
        .toLowerCase(),
      path,
      format,
      mediatype,
      bytes: bytes.length,
      hash: `sha256:${createHash('sha256').update(bytes).digest('hex')}`,
    })
  const put = (path: string, bytes: Uint8Array, reached: () => void = () => undefined) =>
    zip.addReadStreamLazy(path, { mtime, size: bytes.length }, (take) => {
      reached()
      take(null, Readable.from([bytes]))
    })
  const add = (path: string, words: string, reached?: () => void) => {
    const bytes = Buffer.from(words)
    const format = path.endsWith('.csv') ? 'csv' : 'json'
    describe(path, bytes, format, TYPES[format])
    put(path, bytes, reached)
  }
  const json = (path: string, value: unknown, reached?: () => void) =>
    add(path, JSON.stringify(value, null, 1), reached)
  const addPhoto = async (build: string, { id, media_type }: PhotoHead) => {
    const path = placesOf(build).photo(id, media_type)
    const read = async () => Buffer.from((await getPhoto(db, build, id))!.bytes)
    const bytes = await read()
    describe(path, bytes, path.split('.').at(-1)!, media_type)
    // Pictures do not grow smaller; and only one at a time is held.
    zip.addReadStreamLazy(path, { mtime, compress: false, size: bytes.length }, (take) =>
      read().then(
        (again) => take(null, Readable.from([again])),
        (error: Error) => take(error, null as never),
      ),
    )
  }

  /** Adds a build; what it gives resolves once the stream has come to the last of its files. */
  async function addBuild(id: string): Promise<{ sent: Promise<void> }> {
    const head = await buildHead(db, id)
    if (!head) return { sent: Promise.resolve() }
    const sheet = head.sheet as Sheet
    const at = placesOf(id)
    const { id: own, revision, created_at, changed_at } = head
    builds.push({ id, name: sheet.name, revision: head.revision })
    // As it is recorded, and with what it is predicted by here.
    json(at.sheet, withExperience(sheet, await asked.experienceOf(id, sheet)))
    json(at.head, { id: own, revision, created_at, changed_at })
    add(at.measurements, measurementsCsv(sheet))
    add(at.cases, casesCsv(sheet))
    add(at.services, servicesCsv(sheet))
    json(at.history, await ownRows(db, 'entry', id))
    json(at.proposals, await ownRows(db, 'proposal', id))
    const runs = await ownRows(db, 'run', id)
    json(at.runs, runs)
    json(at.events, await ownRows(db, 'run_event', id))
    for (const run of runs) add(at.samples(String(run.id)), await samplesCsv(db, String(run.id)))
    const photos = await photoHeads(db, id)
    for (const photo of photos) await addPhoto(id, photo)
    return { sent: new Promise((reached) => json(at.photos, photos, reached)) }
  }

  async function addRest(rest: string[], before: { sent: Promise<void> }): Promise<void> {
    await before.sent
    for (const id of rest) await (await addBuild(id)).sent
    if (asked.shop) {
      json(SHOP.house, asked.shop.house)
      json(SHOP.shelf, asked.shop.shelf)
    }
    const head: Package = {
      profile: 'data-package',
      name: 'uldo-archive',
      title: asked.shop ? 'The whole shop' : builds.map(({ name }) => name).join(', '),
      created: mtime.toISOString(),
      uldo: {
        format: FORMAT,
        version: VERSION,
        application: asked.application,
        shop: asked.shop !== undefined,
        builds,
      },
      resources,
    }
    put(HEAD, Buffer.from(JSON.stringify(head, null, 1)))
    zip.end()
  }

  const end = (error: Error) => void out.destroy(error)
  zip.on('error', end)
  const [first, ...rest] = asked.builds
  void addRest(rest, first === undefined ? { sent: Promise.resolve() } : await addBuild(first)).catch(end)
  return out
}

/** What was measured, for other programs: SI, °C. */
const measurementsCsv = (sheet: Sheet): string =>
  csv(
    ['key', 'what', 'value (SI)', 'dimension', 'standard uncertainty (SI)', 'source', 'instrument', 'by', 'at'],
    measurementsOf(sheet).map(({ quantity: { key, label, dimension }, reading, sigma }) => [
      key,
      label,
      reading.value,
      dimension,
      sigma,
      reading.source,
      reading.instrument ?? '',
      reading.by ?? '',
      reading.at ?? '',
    ]),
  )

/** What was read and done since the first start, for other programs: SI, °C. */
const servicesCsv = (sheet: Sheet): string =>
  csv(
    [
      'line',
      'at',
      'by',
      'hour meter (s)',
      'distance meter (m)',
      'pressure at hot idle (Pa)',
      'speed (1/s)',
      'oil temperature (°C)',
      'instrument',
      'oil',
      'filter changed',
      'topped up (m³)',
      'note',
    ],
    serviceLog(sheet).map((line) => [
      line.key,
      line.at,
      line.by ?? '',
      line.hours ?? '',
      line.distance ?? '',
      line.pressure ?? '',
      line.speed ?? '',
      line.temperature ?? '',
      line.instrument ?? '',
      line.oil?.grade ?? '',
      line.filter ? 'yes' : '',
      line.topUp ?? '',
      line.note ?? '',
    ]),
  )

const casesCsv = (sheet: Sheet): string =>
  csv(
    ['case', 'opened', 'by', 'symptom', 'found', 'mended', 'closed'],
    casesOf(sheet).map(({ key, recorded: { opened, by, symptom, found, mended, closed } }) => [
      key,
      opened,
      by ?? '',
      symptom ?? '',
      found?.cause ?? '',
      mended?.words ?? '',
      closed ?? '',
    ]),
  )

/** Readings of a run to their last figure: Pa, rev/s, °C. */
async function samplesCsv(db: Queries, run: string): Promise<string> {
  const lines: unknown[][] = []
  for (let after = -1; ;) {
    const page = await samplesAfter(db as never, run, after, SAMPLES)
    for (const sample of page)
      lines.push([Math.round(sample.time * 1000) / 1000, ...CHANNELS.map((channel) => sample[channel] ?? '')])
    if (page.length < SAMPLES) return csv(['time', ...CHANNELS], lines)
    after = Math.round(1000 * page.at(-1)!.time)
  }
}
