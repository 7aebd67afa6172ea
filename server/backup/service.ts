import type { Database } from '../data/database'
import { existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { setTimeout as waited } from 'node:timers/promises'
import { inWords } from '../data/failure'
import { purgeDeleted } from '../data/floor'
import { madeAt, nameAt, overdue } from './keep'
import { type Written, writeBackup } from './write'

/** A backup by itself once a day; looked for so often, and for the first time so long after the start, ms. */
const DAY = 86_400_000
const LOOKS = 600_000
const FIRST = 300_000
/** After a failed one it is tried again so much later, ms. */
const AGAIN = 3_600_000

/** How a shop's backups stand. */
export interface BackupState {
  folder: string
  /** When the last good one was made, ms. */
  last?: number
  running: boolean
  /** Why the last try came to nothing. */
  failed?: string
  /** The last that this server made. */
  made?: Written
}

/** Where a data folder's backups lie: another disk is the better place. */
export const backupFolder = (data: string) => resolve(process.env.ULDO_BACKUPS ?? join(data, 'backups'))

/** The newest backup of a folder, by name. */
export function newestBackup(folder: string): string | undefined {
  if (!existsSync(folder) || !statSync(folder).isDirectory()) return undefined
  return readdirSync(folder)
    .filter((name) => madeAt(name) !== undefined)
    .sort()
    .at(-1)
}

/** What to do about records that cannot be read, with the newest backup by name. */
export function remedy(data: string): string {
  const newest = newestBackup(backupFolder(data))
  return newest
    ? `The newest backup is ${newest}. Move ${join(data, 'records')} away, then: npm run restore -- ${join(backupFolder(data), newest)} --to ${data}`
    : `There is no backup in ${backupFolder(data)}.`
}

const PLAIN: Record<string, string> = {
  ENOSPC: 'The disk is full.',
  EACCES: 'The folder may not be written to.',
  EROFS: 'The disk can only be read.',
  EDQUOT: 'There is no more room on the disk.',
  ENOTDIR: 'The folder is a file.',
  EEXIST: 'The folder is a file.',
}
/** A failure in words that say what to do. */
export const plainly = (error: unknown) => inWords(error, PLAIN)

/** A shop's backups: one at a time, on demand and once a day, the old ones cleared away after a good one. */
export function prepareBackups(db: Database, data: string, application: string) {
  const folder = backupFolder(data)
  let running: Promise<Written> | undefined
  let made: Written | undefined
  let failed: string | undefined
  let failedAt = -Infinity
  let timer: ReturnType<typeof setTimeout> | undefined

  const last = () => {
    const newest = newestBackup(folder)
    return newest === undefined ? undefined : madeAt(newest)
  }

  async function make(now: number): Promise<Written> {
    mkdirSync(folder, { recursive: true })
    for (const name of readdirSync(folder)) if (name.endsWith('.part')) rmSync(join(folder, name), { force: true })
    const written = await writeBackup(db, join(folder, nameAt(now)), application, now)
    for (const name of overdue(readdirSync(folder))) rmSync(join(folder, name), { force: true })
    // What was deleted long enough ago goes when a good backup has it, and never while one is being written.
    await purgeDeleted(db).catch((error: Error) =>
      console.error(`What was deleted could not be taken away: ${plainly(error)}`),
    )
    return written
  }

  /** Makes one now; where one is being made already, that one. */
  function now(): Promise<Written> {
    running ??= make(Date.now())
      .then(
        (written) => {
          failed = undefined
          made = written
          return written
        },
        (error: Error) => {
          failed = plainly(error)
          failedAt = Date.now()
          console.error(`The backup came to nothing: ${failed}`)
          throw new Error(failed, { cause: error })
        },
      )
      .finally(() => (running = undefined))
    return running
  }

  /** Makes one, and waits so long for it, ms; undefined where it goes on then: a large shop takes longer than whoever asks keeps a line open. */
  async function within(patience: number): Promise<Written | undefined> {
    const waiting = new AbortController()
    try {
      return await Promise.race([now(), waited(patience, undefined, { signal: waiting.signal, ref: false })])
    } finally {
      waiting.abort()
    }
  }

  function look(): void {
    timer = setTimeout(look, LOOKS)
    timer.unref()
    const due = Date.now() - (last() ?? -Infinity) > DAY && Date.now() - failedAt > AGAIN
    if (due) now().catch(() => undefined)
  }

  return {
    now,
    within,
    state: (): BackupState => ({ folder, last: last(), running: running !== undefined, failed, made }),
    start() {
      timer = setTimeout(look, FIRST)
      timer.unref()
    },
    async stop() {
      clearTimeout(timer)
      await running?.catch(() => undefined)
    },
  }
}

export type Backups = ReturnType<typeof prepareBackups>
