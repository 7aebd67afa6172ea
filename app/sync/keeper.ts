import { t } from '~/words/of/frame'
import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import { v4 as uuid } from 'uuid'
import type { Draft, Kept } from './kept'

/** Where changes are kept until the server has them. */
export interface Keeper {
  /** Resolves once it is kept. */
  add: (item: Kept) => Promise<void>
  /** Oldest first. */
  all: () => Promise<Kept[]>
  /** The oldest that waits to be sent. */
  first: () => Promise<Kept | undefined>
  put: (item: Kept) => Promise<void>
  drop: (key: string) => Promise<void>
}

/** Keeps nothing beyond this page: what stands in when the browser keeps nothing. */
export function memoryKeeper(): Keeper {
  const items = new Map<string, Kept>()
  return {
    add: async (item) => void items.set(item.key, item),
    all: async () => [...items.values()].sort((a, b) => a.order - b.order),
    first: async () =>
      [...items.values()].filter(({ state }) => state === 'waiting').sort((a, b) => a.order - b.order)[0],
    put: async (item) => void (items.has(item.key) && items.set(item.key, item)),
    drop: async (key) => void items.delete(key),
  }
}

interface Schema extends DBSchema {
  queue: { key: string; value: Kept; indexes: { order: number } }
}

/** Why the browser keeps nothing. */
export type NotKept = 'denied' | 'newer' | 'held' | 'full'
export class CannotKeep extends Error {
  constructor(readonly reason: NotKept) {
    super(reason)
  }
}

/** How long an older tab may hold up the upgrade, ms. */
const HELD = 4000

/**
 * The browser's own disk, with what an older version left in it taken over.
 *
 * @param name of the database  @param givenUp called when a newer tab asks for it
 * @throws CannotKeep when the browser denies it, a newer version has written it, or an older tab holds it
 */
export async function diskKeeper(name = 'uldo', givenUp: () => void = () => undefined): Promise<Keeper> {
  const database = await openDatabase(name, givenUp)
  const writing = async <T>(work: () => Promise<T>): Promise<T> => {
    try {
      return await work()
    } catch (error) {
      throw (error as DOMException).name === 'QuotaExceededError' ? new CannotKeep('full') : error
    }
  }
  return {
    add: (item) =>
      writing(async () => {
        const write = database.transaction('queue', 'readwrite', { durability: 'strict' })
        // Two tabs may come upon the same number.
        let { order } = item
        while (await write.store.index('order').getKey(order)) order++
        item.order = order
        await write.store.add(item)
        await write.done
      }),
    all: () => database.getAllFromIndex('queue', 'order'),
    first: async () => {
      for await (const { value } of database.transaction('queue').store.index('order').iterate())
        if (value.state === 'waiting') return value
      return undefined
    },
    put: (item) =>
      writing(async () => {
        const write = database.transaction('queue', 'readwrite')
        if (await write.store.getKey(item.key)) await write.store.put(item)
        await write.done
      }),
    drop: (key) => database.delete('queue', key),
  }
}

function openDatabase(name: string, givenUp: () => void): Promise<IDBPDatabase<Schema>> {
  return new Promise((done, fail) => {
    const held = setTimeout(() => fail(new CannotKeep('held')), HELD)
    const opening = (async () =>
      openDB<Schema>(name, 3, {
        upgrade: async (db, before, _, upgrading) => {
          db.createObjectStore('queue', { keyPath: 'key' }).createIndex('order', 'order', { unique: true })
          if (before > 0) await takeOver(upgrading as never)
        },
        blocking: (_, __, event) => {
          ;(event.target as IDBDatabase).close()
          givenUp()
        },
        terminated: givenUp,
      }))()
    opening.then(
      (database) => {
        clearTimeout(held)
        done(database)
      },
      (error: DOMException) => {
        clearTimeout(held)
        fail(
          new CannotKeep(
            error.name === 'VersionError' ? 'newer' : error.name === 'QuotaExceededError' ? 'full' : 'denied',
          ),
        )
      },
    )
  })
}

interface OldStores {
  objectStore: (name: string) => { getAll: () => Promise<Record<string, unknown>[]> }
  objectStoreNames: DOMStringList
}

/** Takes over what versions before this one kept in stores of their own: changes of builds, and posts of runs. */
async function takeOver(
  upgrading: OldStores & { objectStore: (name: 'queue') => { add: (item: Kept) => Promise<unknown> } },
): Promise<void> {
  const queue = upgrading.objectStore('queue')
  let order = 1
  const keep = (draft: Draft) => queue.add({ ...draft, order: order++, state: 'waiting', at: Date.now(), failures: 0 })
  if (upgrading.objectStoreNames.contains('outbox'))
    for (const { buildId, clientKey, device, base, who, patch, reason } of await upgrading
      .objectStore('outbox')
      .getAll()) {
      await keep({
        key: String(clientKey),
        kind: 'build',
        document: String(buildId),
        identity: String(device),
        label: t('keeper.keptByAnEarlierVersion'),
        url: `/api/builds/${String(buildId)}/entries`,
        body: { clientKey, device, base, who, patch, reason },
      })
    }
  if (upgrading.objectStoreNames.contains('runs'))
    for (const { runId, url, body } of await upgrading.objectStore('runs').getAll()) {
      await keep({
        key: (body as { clientKey?: string }).clientKey ?? uuid(),
        kind: 'run',
        document: String(runId),
        identity: '',
        label: t('keeper.keptByAnEarlierVersion'),
        url: String(url),
        body,
      })
    }
}
