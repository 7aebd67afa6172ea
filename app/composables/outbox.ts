import { openDB, type IDBPDatabase } from 'idb'
import type { Change } from '#core/build/entry'

/** A change waiting in this browser until the server has it. */
export interface Waiting extends Change {
  /** Order of sending; given by the store. */
  order?: number
  buildId: string
}

let opened: Promise<IDBPDatabase> | undefined

function database(): Promise<IDBPDatabase> {
  opened ??= openDB('uldo', 2, {
    upgrade(db, before) {
      if (before < 1) db.createObjectStore('outbox', { keyPath: 'order', autoIncrement: true })
      if (before < 2) db.createObjectStore('runs', { keyPath: 'order', autoIncrement: true })
    },
  })
  return opened
}

/** Keeps a change until it is taken out; resolves once it is on disk. */
export async function keepWaiting(waiting: Waiting): Promise<number> {
  return (await (await database()).add('outbox', waiting)) as number
}

/** All changes that wait, oldest first. */
export async function allWaiting(): Promise<Waiting[]> {
  return (await database()).getAll('outbox')
}

/** The oldest change that waits. */
export async function firstWaiting(): Promise<Waiting | undefined> {
  return ((await (await database()).getAll('outbox', undefined, 1)) as Waiting[])[0]
}

export async function dropWaiting(order: number): Promise<void> {
  await (await database()).delete('outbox', order)
}

/** Something of a run that waits in this browser until the server has it: a beginning, readings tapped in, what happened. */
export interface WaitingPost {
  order?: number
  runId: string
  url: string
  body: unknown
}

export async function keepPost(post: WaitingPost): Promise<number> {
  return (await (await database()).add('runs', post)) as number
}

/** The oldest that waits. */
export async function firstPost(): Promise<WaitingPost | undefined> {
  return ((await (await database()).getAll('runs', undefined, 1)) as WaitingPost[])[0]
}

export async function countPosts(): Promise<number> {
  return (await database()).count('runs')
}

export async function dropPost(order: number): Promise<void> {
  await (await database()).delete('runs', order)
}
