import type { Database } from '../data/database'
import { createHash } from 'node:crypto'
import { createWriteStream } from 'node:fs'
import { open, rename, rm } from 'node:fs/promises'
import { pipeline } from 'node:stream/promises'
import { setImmediate as turn } from 'node:timers/promises'
import { createGzip } from 'node:zlib'
import { pack, type Pack } from 'tar-stream'
import { CHECKS, type Checks, FORMAT, HEAD, type Head, VERSION } from './format'
import type { Table } from '../data/tables'
import { readArchive } from './read'
import { fixMoment, piecesOf } from './rows'

/** What was written. */
export interface Written {
  file: string
  upTo: Head['upTo']
  bytes: number
}

/**
 * Writes everything that was acknowledged until now into one open archive: tables as lines of JSON, photos as they are, digests at its end. It is written beside its
 * name, read back whole and only then given its name, so that a file of that name is a good one.
 *
 * @throws what the disk says; the half-written file is gone then
 */
export async function writeBackup(db: Database, file: string, application: string, now: number): Promise<Written> {
  const moment = await fixMoment(db)
  const half = `${file}.part`
  const archive = pack()
  archive.on('error', () => undefined)
  const head: Head = {
    format: FORMAT,
    version: VERSION,
    application,
    madeAt: new Date(now).toISOString(),
    migrations: moment.migrations,
    upTo: moment.upTo,
  }
  try {
    const out = pipeline(archive, createGzip(), createWriteStream(half, { mode: 0o600 }))
    const filling = fill(archive, head, db, moment)
    // What one of the two fails on ends the other; the disk's own word is the better one.
    filling.catch((error: Error) => archive.destroy(error))
    const [written, filled] = await Promise.allSettled([out, filling])
    if (written.status === 'rejected') throw written.reason
    if (filled.status === 'rejected') throw filled.reason
    await readArchive(half, { head: () => undefined, rows: () => undefined, photo: () => undefined })
    const handle = await open(half, 'r+')
    await handle.sync()
    const { size } = await handle.stat()
    await handle.close()
    await rename(half, file)
    return { file, upTo: moment.upTo, bytes: size }
  } catch (error) {
    await rm(half, { force: true })
    throw error
  }
}

async function fill(
  archive: Pack,
  head: Head,
  db: Database,
  moment: Awaited<ReturnType<typeof fixMoment>>,
): Promise<void> {
  const checks: Checks = { files: {}, rows: {} }
  const add = async (name: string, content: string | Uint8Array) => {
    const bytes = Buffer.from(content as string)
    checks.files[name] = createHash('sha256').update(bytes).digest('hex')
    await new Promise<void>((done, fail) => {
      const entry = archive.entry({ name, mtime: new Date(head.madeAt) }, bytes, (error) =>
        error ? fail(error) : done(),
      )
      entry.on('error', fail)
    })
    await turn()
  }
  await add(HEAD, JSON.stringify(head, null, 2))
  const pieces: Partial<Record<Table, number>> = {}
  for await (const piece of piecesOf(db, moment)) {
    if ('photo' in piece) await add(`photos/${piece.photo}.${piece.extension}`, piece.bytes)
    else {
      const number = (pieces[piece.table] = (pieces[piece.table] ?? 0) + 1)
      checks.rows[piece.table] = (checks.rows[piece.table] ?? 0) + piece.rows.length
      await add(`${piece.table}/${String(number).padStart(6, '0')}.jsonl`, piece.rows.map((row) => `${row}\n`).join(''))
    }
  }
  await add(CHECKS, JSON.stringify(checks, null, 2))
  archive.finalize()
}
