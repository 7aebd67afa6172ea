import { createHash } from 'node:crypto'
import { createReadStream } from 'node:fs'
import { createGunzip } from 'node:zlib'
import { extract } from 'tar-stream'
import { BadBackup, CHECKS, type Checks, HEAD, type Head } from './format'
import { TABLES, type Table } from '../data/tables'

/** Largest file in an archive, bytes: a page of rows or a photo. */
const LARGEST = 64e6

/** Who takes what an archive holds, in its order. */
export interface Takes {
  head: (head: Head) => unknown
  rows: (table: Table, rows: string[]) => unknown
  photo: (id: string, bytes: Buffer) => unknown
}

/**
 * Reads an archive from its head to its checks, hands on what it holds, and holds every file against its digest.
 *
 * @throws BadBackup naming what is altered, missing, or cut short
 */
export async function readArchive(file: string, takes: Takes): Promise<{ head: Head; checks: Checks }> {
  const archive = extract()
  const source = createReadStream(file)
  const unzipped = createGunzip()
  const end = (error: Error) => archive.destroy(error)
  source.on('error', end).pipe(unzipped.on('error', end)).pipe(archive)
  const files: Checks['files'] = {}
  const rows: Partial<Record<Table, number>> = {}
  let head: Head | undefined
  let checks: Checks | undefined
  // What the taker fails on is no fault of the archive.
  let failed: { error: unknown } | undefined
  const hand = async (taking: () => unknown) => {
    try {
      await taking()
    } catch (error) {
      failed = { error }
      throw error
    }
  }
  try {
    for await (const entry of archive) {
      const { name, size = 0 } = entry.header
      if (size > LARGEST) throw new BadBackup(`${name} is larger than anything that a backup holds.`)
      const chunks: Buffer[] = []
      for await (const chunk of entry) chunks.push(chunk as Buffer)
      const bytes = Buffer.concat(chunks)
      if (checks) throw new BadBackup(`${name} stands behind the archive’s end.`)
      if (name === CHECKS) {
        checks = json<Checks>(name, bytes)
        continue
      }
      files[name] = createHash('sha256').update(bytes).digest('hex')
      if (name === HEAD) {
        head = json<Head>(name, bytes)
        await hand(() => takes.head(head!))
        continue
      }
      if (!head) throw new BadBackup('It is no backup of Uldo.')
      const [folder, rest] = name.split('/')
      if (folder === 'photos') await hand(() => takes.photo(rest.split('.')[0], bytes))
      else if ((TABLES as readonly string[]).includes(folder)) {
        const lines = bytes.toString('utf8').split('\n').filter(Boolean)
        rows[folder as Table] = (rows[folder as Table] ?? 0) + lines.length
        await hand(() => takes.rows(folder as Table, lines))
      } else throw new BadBackup(`${name} is nothing that a backup holds.`)
    }
  } catch (error) {
    if (failed) throw failed.error
    if (error instanceof BadBackup) throw error
    const { code, message } = error as NodeJS.ErrnoException
    if (code === 'ENOENT') throw new BadBackup('There is no such file.')
    if (code?.startsWith('E') && code !== 'ERR_STREAM_PREMATURE_CLOSE' && !code.startsWith('ERR')) throw error
    throw new BadBackup(
      code === 'Z_BUF_ERROR' || /unexpected end/i.test(message)
        ? 'It is cut short.'
        : `It cannot be read: it is damaged, or no backup of Uldo (${message}).`,
    )
  } finally {
    source.destroy()
    unzipped.destroy()
  }
  if (!head) throw new BadBackup('It is no backup of Uldo.')
  if (!checks) throw new BadBackup('It is cut short: its checks are missing.')
  const names = new Set([...Object.keys(files), ...Object.keys(checks.files)])
  for (const name of names)
    if (files[name] !== checks.files[name])
      throw new BadBackup(
        files[name] === undefined
          ? `${name} is missing.`
          : checks.files[name] === undefined
            ? `${name} was added.`
            : `${name} was altered.`,
      )
  for (const table of TABLES)
    if ((rows[table] ?? 0) !== (checks.rows[table] ?? 0))
      throw new BadBackup(`${table} has ${rows[table] ?? 0} rows and should have ${checks.rows[table] ?? 0}.`)
  return { head, checks }
}

function json<T>(name: string, bytes: Buffer): T {
  try {
    return JSON.parse(bytes.toString('utf8')) as T
  } catch {
    throw new BadBackup(`${name} cannot be read.`)
  }
}
