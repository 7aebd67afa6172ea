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
  opened ??= openDB('uldo', 1, {
    upgrade(db) {
      db.createObjectStore('outbox', { keyPath: 'order', autoIncrement: true })
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
