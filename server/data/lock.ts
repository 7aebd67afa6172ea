import { mkdirSync, readFileSync, rmdirSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

/** Two processes in one data folder would ruin it without a word; this refuses the second. */
export class FolderInUse extends Error {}

/** A claim older than this was left by a process that died between two steps, ms. */
const CLAIM_AGE = 10_000

/**
 * Takes the lock of a data folder for this process, and gives what releases it. A lock left by a process that is gone is
 * taken over at once: a lock holds the process's number and when it began, so that a reused number does not count.
 *
 * @param address where the process can be asked, if it can
 * @throws FolderInUse naming the process that holds it
 */
export function lockFolder(folder: string, address?: string): () => void {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const file = join(folder, 'uldo.lock')
  const mine = JSON.stringify({ pid: process.pid, began: beganAt(process.pid), address } satisfies Holder)
  if (!writeNew(file, mine)) {
    const claim = `${file}.claim`
    takeClaim(claim, folder)
    try {
      const holder = read(file)
      if (holder && alive(holder)) {
        throw new FolderInUse(
          `The data folder ${folder} is in use by process ${holder.pid}. Stop that Uldo first, or start this one on another folder with ULDO_DATA.`,
        )
      }
      rmSync(file, { force: true })
      if (!writeNew(file, mine))
        throw new FolderInUse(`The data folder ${folder} was taken by another process just now.`)
    } finally {
      rmdirSync(claim)
    }
  }
  return () => {
    if (read(file)?.pid === process.pid) rmSync(file, { force: true })
  }
}

/** The process that holds a folder, and where it can be asked. */
export interface Holder {
  pid: number
  began: string
  address?: string
}

/** Who holds a data folder now; undefined when nobody that lives does. */
export function holderOf(folder: string): Holder | undefined {
  const holder = read(join(folder, 'uldo.lock'))
  return holder && alive(holder) ? holder : undefined
}

function takeClaim(claim: string, folder: string): void {
  try {
    mkdirSync(claim)
  } catch {
    if (Date.now() - statSync(claim).mtimeMs < CLAIM_AGE)
      throw new FolderInUse(`The data folder ${folder} is being taken by another process.`)
    rmdirSync(claim)
    mkdirSync(claim)
  }
}

function writeNew(file: string, text: string): boolean {
  try {
    writeFileSync(file, text, { flag: 'wx' })
    return true
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'EEXIST') return false
    throw error
  }
}

function read(file: string): Holder | undefined {
  try {
    return JSON.parse(readFileSync(file, 'utf8')) as Holder
  } catch {
    return undefined
  }
}

function alive({ pid, began }: Holder): boolean {
  try {
    process.kill(pid, 0)
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EPERM') return false
  }
  return began === '' || began === beganAt(pid)
}

/** When a process began, in the kernel's ticks; nothing where the system does not tell. */
function beganAt(pid: number): string {
  try {
    return readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1].split(' ')[19]
  } catch {
    return ''
  }
}
