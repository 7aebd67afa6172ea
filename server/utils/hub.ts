import { EventEmitter } from 'node:events'
import type { Entry } from '#core/build/entry'

const hub = new EventEmitter()
hub.setMaxListeners(0)

/** Tells everyone who watches a build that an entry was made. */
export function announceEntry(id: string, entry: Entry): void {
  hub.emit(id, entry)
}

/** Hears of every entry of a build until the returned function is called. */
export function hearEntries(id: string, hear: (entry: Entry) => void): () => void {
  hub.on(id, hear)
  return () => hub.off(id, hear)
}
