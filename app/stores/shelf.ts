import { t } from '~/words/of/frame'
import { ask, refusedWords } from '~/sync/ask'
import { askOrSeen, SEEN_AGAIN } from '~/sync/lastSeen'
import { v4 as uuid } from 'uuid'
import { numberOf, type ShelfKind } from '#core/shelf/fields'
import type { Hold, ShelfEntry, ShelfItem } from '#core/shelf/schema'
import { moved, type Move } from '#core/shelf/stock'
import type { BuildChange, Kept } from '~/sync/kept'
import { useSync } from '~/sync/useSync'
import { useNews } from './news'

/** A move that is wanted of the shelf for a build. */
export interface Wanted {
  item: string
  move: Move
  count: number
}

type Named = Hold & { name: string }
type Figures = Record<string, string | number | null>
type ShelfBody =
  | { kind: 'add'; item: string; entry: ShelfEntry }
  | { kind: 'set'; item: string; was: Figures; set: Figures }
  | { kind: 'remove'; item: string }
  | { orders: Wanted[] }

/** An item whose last change is still on its way. */
export type ShownItem = ShelfItem & { onItsWay?: boolean }

/** What lies on the shelf, as the server has it, with what is on its way on top: marked, since another build may take it first. */
export const useShelf = defineStore('shelf', () => {
  const sync = useSync()
  const confirmed = shallowRef<ShelfItem[]>([])
  const confirmedHolds = shallowRef<Named[]>([])
  const loaded = ref(false)
  const failure = ref('')

  /** Changes on their way that touch the shelf: its own, and moves that go with a change of a record. */
  const waiting = computed(() =>
    sync.waiting.flatMap((item): { body: ShelfBody; document: string }[] => {
      if (item.kind === 'shelf') return [{ body: item.body as ShelfBody, document: item.document }]
      const orders = item.kind === 'build' ? (item.body as BuildChange).orders : undefined
      return orders ? [{ body: { orders: orders as Wanted[] }, document: item.document }] : []
    }),
  )
  const shown = computed(() =>
    waiting.value.reduce(withChange, { items: confirmed.value as ShownItem[], holds: confirmedHolds.value }),
  )
  const items = computed(() => shown.value.items)
  const holds = computed(() => shown.value.holds)
  const problem = computed(
    () => sync.of('shelf').find(({ state }) => state !== 'waiting')?.refusal?.message ?? failure.value,
  )

  async function load() {
    try {
      const { answer, fresh } = await askOrSeen('GET /api/shelf')
      confirmed.value = answer.items
      confirmedHolds.value = answer.holds
      loaded.value = true
      failure.value = fresh ? '' : t('shelf.serverOfflineTheShelfStandsAs')
      if (!fresh) setTimeout(() => void load(), SEEN_AGAIN)
    } catch {
      failure.value = loaded.value ? '' : t('shelf.serverOfflineTheShelfIsNot')
    }
  }
  sync.onAnswer((item) => (item.kind === 'shelf' || item.kind === 'build') && loaded.value && void load())
  useNews().onNews((news) => news.kind === 'shelf' && loaded.value && void load())

  function enter(label: string, body: Record<string, unknown> & { item: string }) {
    const key = uuid()
    return sync.enter({
      key,
      kind: 'shelf',
      document: 'shelf',
      label,
      url: '/api/shelf/changes',
      body: { clientKey: key, who: usePerson().who || 'Someone', ...(JSON.parse(JSON.stringify(body)) as object) },
    })
  }

  const add = (entry: ShelfEntry) => enter(entry.label, { kind: 'add', item: uuid(), entry })
  /** Writes some figures of an item over what they are now; what is not named stays. */
  function write(item: ShelfItem, change: Partial<ShelfEntry>) {
    const now = items.value.find(({ id }) => id === item.id) ?? item
    const [was, set] = [flat(now), flat(change)]
    if (change.properties)
      for (const key of Object.keys(now.properties)) if (!(key in change.properties)) set[`properties.${key}`] = null
    const fields = Object.keys(set).filter((field) => set[field] !== (was[field] ?? null))
    if (fields.length === 0) return Promise.resolve(undefined)
    const pick = (of: Figures) => Object.fromEntries(fields.map((field) => [field, of[field] ?? null]))
    return enter(item.label, { kind: 'set', item: item.id, was: pick(was), set: pick(set) })
  }
  const remove = (item: ShelfItem) => enter(item.label, { kind: 'remove', item: item.id })
  /** Moves for a build that belong to no change of its record: all or none. */
  async function move(build: string, wanted: Wanted[], label = t('shelf.shelf')) {
    const key = uuid()
    await sync.enter({
      key,
      kind: 'shelf',
      document: build,
      label,
      url: `/api/builds/${build}/shelf`,
      body: { who: usePerson().who || 'Someone', orders: wanted.map((each) => ({ clientKey: uuid(), ...each })) },
    })
  }
  async function importCsv(text: string) {
    failure.value = ''
    try {
      const read = await ask('POST /api/shelf/csv', { query: { who: usePerson().who || 'Someone' }, body: text })
      void load()
      return read
    } catch (error) {
      failure.value = refusedWords(error, t('shelf.theServerDoesNotAnswerThe'))
      return undefined
    }
  }
  /** Puts ours over what somebody wrote since, or leaves theirs. */
  async function settle(conflict: Kept, ours: boolean) {
    const body = conflict.body as { item: string; set: Figures }
    if (ours) {
      await load()
      const now = confirmed.value.find(({ id }) => id === body.item)
      if (now)
        await enter(conflict.label, {
          kind: 'set',
          item: body.item,
          was: Object.fromEntries(Object.keys(body.set).map((field) => [field, flat(now)[field] ?? null])),
          set: body.set,
        })
    }
    await sync.forget(conflict.key)
  }

  /** Of a kind, what fits an engine: its own and what fits all, its own first. */
  function fitting(kind: ShelfKind, engine: string): ShownItem[] {
    const own = engine.toLowerCase()
    return items.value
      .filter((item) => item.kind === kind && (!item.engine || item.engine.toLowerCase() === own))
      .sort((a, b) => Number(!a.engine) - Number(!b.engine))
  }
  const shareOf = (build: string | undefined, item: string): Hold =>
    holds.value.find((hold) => hold.build === build && hold.item === item) ?? {
      item,
      build: build ?? '',
      reserved: 0,
      taken: 0,
    }
  const figure = (item: ShelfItem, key: string) => numberOf(item.properties, key)
  return { items, holds, loaded, problem, load, add, write, remove, move, importCsv, settle, fitting, shareOf, figure }
})

/** Figures of an item by field, its properties as `properties.thickness`. */
function flat({ properties, ...rest }: Partial<ShelfEntry>): Figures {
  const own = Object.entries(rest)
    .filter(([field]) => !['id', 'revision', 'reserved', 'onItsWay'].includes(field))
    .map(([field, value]): [string, string | number | null] => [field, (value as string | number | undefined) ?? null])
  return Object.fromEntries([
    ...own,
    ...Object.entries(properties ?? {}).map(([key, value]): [string, string | number] => [`properties.${key}`, value]),
  ])
}

interface Shown {
  items: ShownItem[]
  holds: Named[]
}

/** The shelf as it will be once a change is entered; one that cannot be made shows nothing. */
function withChange(shown: Shown, { body, document }: { body: ShelfBody; document: string }): Shown {
  if ('orders' in body) return body.orders.reduce((now, order) => withMove(now, order, document), shown)
  const { items, holds } = shown
  if (body.kind === 'remove') return { items: items.filter(({ id }) => id !== body.item), holds }
  if (body.kind === 'add')
    return { items: [...items, { ...body.entry, id: body.item, revision: 0, reserved: 0, onItsWay: true }], holds }
  return { items: items.map((item) => (item.id === body.item ? withFigures(item, body.set) : item)), holds }
}

function withFigures(item: ShownItem, set: Figures): ShownItem {
  const next = { ...item, properties: { ...item.properties }, onItsWay: true }
  for (const [field, value] of Object.entries(set)) {
    const place = (field.startsWith('properties.') ? next.properties : next) as Record<string, unknown>
    const key = field.replace('properties.', '')
    if (value === null) Reflect.deleteProperty(place, key)
    else place[key] = value
  }
  return next
}

function withMove({ items, holds }: Shown, { item: id, move, count }: Wanted, build: string): Shown {
  const item = items.find((each) => each.id === id)
  if (!item) return { items, holds }
  const share = holds.find((hold) => hold.item === id && hold.build === build) ?? {
    item: id,
    build,
    reserved: 0,
    taken: 0,
    name: '',
  }
  try {
    const next = moved(item, share, move, count)
    return {
      items: items.map((each) => (each.id === id ? { ...each, ...next.stock, onItsWay: true } : each)),
      holds: [...holds.filter((hold) => hold !== share), { ...share, ...next.share }],
    }
  } catch {
    return { items, holds }
  }
}
