import { v4 as uuid } from 'uuid'
import type { BadRow } from '#core/shelf/csv'
import { numberOf, type ShelfKind } from '#core/shelf/fields'
import type { Hold, ShelfEntry, ShelfItem } from '#core/shelf/schema'
import type { Move } from '#core/shelf/stock'

/** A move that is wanted of the shelf for a build. */
export interface Wanted {
  item: string
  move: Move
  count: number
}

/** An item without what the server keeps of it. */
const entryOf = ({ kind, label, engine, count, place, note, price, photo, properties }: ShelfItem): ShelfEntry => ({ kind, label, engine, count, place, note, price, photo, properties })
const NO_ANSWER = 'The server does not answer: the shelf is as it was. Try again when it does.'

/** `$fetch`, free of the routes' types: there are more of them than the compiler follows. */
const request = <T = unknown>(address: string, options: { method?: 'POST' | 'PUT' | 'DELETE'; body?: unknown; headers?: Record<string, string> } = {}): Promise<T> => ($fetch as (url: string, given: object) => Promise<T>)(address, options)

/** What lies on the shelf, as the server has it: others draw on it too, so nothing is moved before it has answered. */
export const useShelf = defineStore('shelf', () => {
  const items = shallowRef<ShelfItem[]>([])
  const holds = shallowRef<(Hold & { name: string })[]>([])
  const loaded = ref(false)
  const problem = ref('')

  async function load() {
    try {
      const found = await $fetch<{ items: ShelfItem[]; holds: (Hold & { name: string })[] }>('/api/shelf')
      items.value = found.items
      holds.value = found.holds
      loaded.value = true
      problem.value = ''
    } catch {
      problem.value = loaded.value ? '' : 'The shelf is not to be had without the server.'
    }
  }

  /** Asks the server; its refusal in words is the problem, but for one that is to be tried again. */
  async function ask<T>(work: () => Promise<T>, retried?: string): Promise<T | 'again' | undefined> {
    problem.value = ''
    try {
      const answer = await work()
      await load()
      return answer
    } catch (error) {
      const { data } = error as { data?: { error?: { code: string; message: string } } }
      if (data?.error) await load()
      if (retried && data?.error?.code === retried) return 'again'
      problem.value = data?.error?.message ?? NO_ANSWER
      return undefined
    }
  }

  const add = (entry: ShelfEntry) => ask(() => request<ShelfItem>('/api/shelf/items', { method: 'POST', body: entry }))
  let queue: Promise<unknown> = Promise.resolve()
  /** Writes one figure of an item, or some: each write waits for those before it and is made on the item as it is then; what is not named stays. */
  function write(item: ShelfItem, change: Partial<ShelfEntry> | ((now: ShelfItem) => Partial<ShelfEntry>)): Promise<unknown> {
    const sent = queue.then(async () => {
      for (let tries = 0; tries < 3; tries++) {
        const now = items.value.find(({ id }) => id === item.id) ?? item
        const changed = typeof change === 'function' ? change(now) : change
        // A count was made looking at what lay there: when somebody moved it since, it is made again by hand.
        const last = tries === 2 || 'count' in changed
        const answer = await ask(() => request<ShelfItem>(`/api/shelf/items/${item.id}`, { method: 'PUT', body: { base: now.revision, entry: { ...entryOf(now), ...changed } } }), last ? undefined : 'conflict')
        if (answer !== 'again') return answer
      }
    })
    queue = sent
    return sent
  }
  const remove = (item: ShelfItem) => ask(() => request(`/api/shelf/items/${item.id}`, { method: 'DELETE' }))
  /** All moves or none, for a build. True when they were made. */
  const move = async (build: string, wanted: Wanted[]) => {
    const orders = wanted.map((each) => ({ clientKey: uuid(), ...each }))
    return (await useBuild().during(ask(() => request(`/api/builds/${build}/shelf`, { method: 'POST', body: { who: useHouse().who || 'Someone', orders } })))) !== undefined
  }
  const importCsv = async (text: string) => {
    const answer = await ask(() => request<{ added: number; changed: number; bad: BadRow[] }>('/api/shelf/csv', { method: 'POST', body: text, headers: { 'content-type': 'text/csv' } }))
    return answer === 'again' ? undefined : answer
  }

  /** Of a kind, what fits an engine: its own and what fits all, its own first. */
  function fitting(kind: ShelfKind, engine: string): ShelfItem[] {
    const own = engine.toLowerCase()
    return items.value.filter((item) => item.kind === kind && (!item.engine || item.engine.toLowerCase() === own)).sort((a, b) => Number(!a.engine) - Number(!b.engine))
  }
  const heldBy = (build: string | undefined, item: string): Hold => holds.value.find((hold) => hold.build === build && hold.item === item) ?? { item, build: build ?? '', reserved: 0, taken: 0 }
  const figure = (item: ShelfItem, key: string) => numberOf(item.properties, key)
  return { items, holds, loaded, problem, load, add, write, remove, move, importCsv, fitting, heldBy, figure }
})
