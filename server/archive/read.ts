import { createHash } from 'node:crypto'
import { setImmediate as turn } from 'node:timers/promises'
import Papa from 'papaparse'
import { type Entry as ZipEntry, fromBuffer, type ZipFile } from 'yauzl'
import { z } from 'zod'
import { Sheet } from '#core/record/schema'
import { CHANNELS, type ChannelSample } from '#core/run/channels'
import { RunSetUp } from '#core/run/schema'
import { mediaTypeOf, PHOTO_LIMIT } from '../data/photos'
import type { BuildHead, OwnTable, PhotoHead } from '../data/wholeBuild'
import { BadArchive, FORMAT, HEAD, Package, placesOf, SHOP, VERSION } from './format'

/** Largest file in an archive, and all of them together, bytes unpacked. */
const LARGEST = 64e6
const MOST = 1e9

/** A build out of an archive, read whole. */
export interface ArchivedBuild {
  head: BuildHead
  rows: Record<OwnTable, Record<string, unknown>[]>
  samples: { run: string; samples: ChannelSample[] }[]
  photos: { head: PhotoHead; bytes: Buffer }[]
}
export interface ReadArchive {
  head: Package
  builds: ArchivedBuild[]
  shop?: { house: unknown; shelf: unknown }
}

const at = z.iso.datetime({ offset: true })
const Head = z.object({
  id: z.uuid(),
  revision: z.number().int().min(0),
  created_at: at,
  changed_at: at,
})
const who = z.string().max(200)
const operations = z.array(z.record(z.string(), z.unknown()))
const Row = {
  entry: z.object({
    build_id: z.uuid(),
    revision: z.number().int().min(1),
    client_key: z.uuid(),
    device: z.uuid(),
    who,
    at,
    patch: operations,
    inverse: operations,
    reason: z.string(),
    signed_by: z.string().nullish(),
  }),
  proposal: z.object({ build_id: z.uuid(), client_key: z.uuid(), change: z.record(z.string(), z.unknown()), who, at }),
  run: z.object({
    id: z.uuid(),
    build_id: z.uuid(),
    kind: z.enum(['prime', 'start']),
    setup: RunSetUp,
    who,
    started_at: at,
    ended_at: at.nullish(),
  }),
  run_event: z.object({ run_id: z.uuid(), client_key: z.uuid(), time: z.number(), kind: z.string().max(20), who, at }),
} satisfies Record<OwnTable, z.ZodType>
const Photo = z.object({ id: z.uuid(), media_type: z.enum(['image/jpeg', 'image/png', 'image/webp']), who, at })

/**
 * Reads an archive whole and holds every file against its size and digest, before anything of it is written anywhere.
 *
 * @throws BadArchive naming the file and what is wrong with it
 */
export async function readArchive(bytes: Buffer): Promise<ReadArchive> {
  const files = await unpacked(bytes)
  const named = files.get(HEAD)
  if (!named) throw new BadArchive(`It is no archive of Uldo: ${HEAD} is not in it.`)
  const raw = json(HEAD, named) as { uldo?: { format?: unknown; version?: unknown } }
  if (raw.uldo?.format !== FORMAT) throw new BadArchive(`It is no archive of Uldo: ${HEAD} describes something else.`)
  if (typeof raw.uldo.version === 'number' && raw.uldo.version > VERSION)
    throw new BadArchive(
      `It was written by a newer Uldo (form ${raw.uldo.version}, this one reads ${VERSION}). Take it in with that version.`,
    )
  const head = fitting(HEAD, Package, raw)
  for (const { path, bytes: size, hash } of head.resources) {
    await turn()
    const file = files.get(path)
    if (!file) throw new BadArchive(`${path} is missing.`)
    if (file.length !== size || `sha256:${createHash('sha256').update(file).digest('hex')}` !== hash)
      throw new BadArchive(`${path} was altered.`)
  }
  const known = new Set([HEAD, ...head.resources.map(({ path }) => path)])
  for (const path of files.keys()) if (!known.has(path)) throw new BadArchive(`${path} was added.`)
  const need = (path: string) => {
    const file = files.get(path)
    if (!file) throw new BadArchive(`${path} is missing.`)
    return file
  }
  const builds = head.uldo.builds.map(({ id }) => buildOf(id, need))
  const shop = head.uldo.shop
    ? { house: json(SHOP.house, need(SHOP.house)), shelf: json(SHOP.shelf, need(SHOP.shelf)) }
    : undefined
  return { head, builds, ...(shop ? { shop } : {}) }
}

function buildOf(id: string, need: (path: string) => Buffer): ArchivedBuild {
  const places = placesOf(id)
  const read = (path: string) => json(path, need(path))
  const record = fitting(places.head, Head, read(places.head))
  const sheet = fitting(places.sheet, Sheet, read(places.sheet))
  if (record.id !== id) throw new BadArchive(`${places.head}: is another build’s.`)
  const rows = {
    entry: rowsOf(places.history, Row.entry, read(places.history), ({ build_id }) => build_id === id),
    proposal: rowsOf(places.proposals, Row.proposal, read(places.proposals), ({ build_id }) => build_id === id),
    run: rowsOf(places.runs, Row.run, read(places.runs), ({ build_id }) => build_id === id),
    run_event: [] as Record<string, unknown>[],
  }
  const runs = rows.run.map((run) => String(run.id))
  const ids = new Set(runs)
  rows.run_event = rowsOf(places.events, Row.run_event, read(places.events), ({ run_id }) => ids.has(run_id))
  return {
    head: { ...record, sheet },
    rows,
    samples: runs.map((run) => ({ run, samples: samplesOf(places.samples(run), need(places.samples(run))) })),
    photos: rowsOf(places.photos, Photo, read(places.photos), () => true).map((photo) => {
      const head = photo as unknown as PhotoHead
      const path = places.photo(head.id, head.media_type)
      const bytes = need(path)
      if (bytes.length > PHOTO_LIMIT || mediaTypeOf(bytes) !== head.media_type)
        throw new BadArchive(`${path} is no such picture, or larger than ${PHOTO_LIMIT / 1e6} MB.`)
      return { head, bytes }
    }),
  }
}

/** Rows that fit, whole: what a newer table knows beside is kept for it to say so. */
function rowsOf<T extends z.ZodType>(
  path: string,
  schema: T,
  value: unknown,
  belongs: (row: z.infer<T>) => boolean,
): Record<string, unknown>[] {
  if (!Array.isArray(value)) throw new BadArchive(`${path}: is no list.`)
  return value.map((row: unknown, i) => {
    const read = fitting(`${path}, ${i + 1}`, schema, row)
    if (!belongs(read)) throw new BadArchive(`${path}, ${i + 1}: belongs to another build.`)
    return row as Record<string, unknown>
  })
}

function samplesOf(path: string, file: Buffer): ChannelSample[] {
  const { data, errors } = Papa.parse<Record<string, string>>(file.toString('utf8'), {
    header: true,
    skipEmptyLines: true,
  })
  if (errors.length > 0 && data.length > 0) throw new BadArchive(`${path}: ${errors[0].message}.`)
  return data.map((row, i) => {
    const sample: ChannelSample = { time: Number(row.time) }
    for (const channel of CHANNELS) if (row[channel]) sample[channel] = Number(row[channel])
    if (!Object.values(sample).every(Number.isFinite) || sample.time < 0)
      throw new BadArchive(`${path}, line ${i + 2}: is no reading.`)
    return sample
  })
}

function json(path: string, bytes: Buffer): unknown {
  try {
    return JSON.parse(bytes.toString('utf8'))
  } catch {
    throw new BadArchive(`${path} cannot be read.`)
  }
}

function fitting<T extends z.ZodType>(path: string, schema: T, value: unknown): z.infer<T> {
  const read = schema.safeParse(value)
  if (read.success) return read.data
  const [{ path: where, message }] = read.error.issues
  throw new BadArchive(`${path}: ${where.join('/') || 'it'} ${message}.`)
}

/** Every file of a zip by its path, unpacked; a file's own checks are its digest's. */
async function unpacked(bytes: Buffer): Promise<Map<string, Buffer>> {
  let zip: ZipFile
  try {
    zip = await new Promise<ZipFile>((done, fail) =>
      fromBuffer(bytes, { lazyEntries: true }, (error, opened) => (error ? fail(error) : done(opened))),
    )
  } catch {
    throw new BadArchive('It is no zip, or cut short. Take it out again and bring the whole file.')
  }
  const files = new Map<string, Buffer>()
  let all = 0
  await new Promise<void>((done, fail) => {
    zip.on('error', (error: Error) => fail(new BadArchive(`It is damaged (${error.message}). Take it out again.`)))
    zip.on('end', done)
    zip.on('entry', (entry: ZipEntry) => {
      if (entry.fileName.endsWith('/')) return zip.readEntry()
      all += entry.uncompressedSize
      if (entry.uncompressedSize > LARGEST || all > MOST)
        return fail(new BadArchive(`${entry.fileName} is larger than anything that an archive holds.`))
      if (files.has(entry.fileName)) return fail(new BadArchive(`${entry.fileName} is in it twice.`))
      zip.openReadStream(entry, (error, stream) => {
        if (error) return fail(new BadArchive(`${entry.fileName} cannot be read (${error.message}).`))
        const chunks: Buffer[] = []
        stream.on('data', (chunk: Buffer) => chunks.push(chunk))
        stream.on('error', (cause: Error) =>
          fail(new BadArchive(`${entry.fileName} cannot be read (${cause.message}).`)),
        )
        stream.on('end', () => {
          files.set(entry.fileName, Buffer.concat(chunks))
          zip.readEntry()
        })
      })
    })
    zip.readEntry()
  })
  return files
}
