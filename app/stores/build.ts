import { ask, type Refused } from '~/sync/ask'
import { v4 as uuid } from 'uuid'
import type { Operation } from 'fast-json-patch'
import { houseRules } from '#core/house/limits'
import type { Entry } from '#core/record/entry'
import type { Proposal } from '#core/house/people'
import { NOT_LOOKED_AT } from '#core/record/words'
import type { Inspection, Reading, Sheet } from '#core/record/schema'
import { afterEntry, applied, appliedOver, sameValue, takenBack, valueAt } from '~/sync/patches'
import { type BuildChange, type Kept, overlap, patchOf } from '~/sync/kept'
import { IDENTITY, useSync } from '~/sync/useSync'
import { type ShopNews, useNews } from './news'
import type { Wanted } from './shelf'

/** A change of this page, to be taken back: the way back, what the change left at each path, and where it was made. */
export interface Step {
  label: string
  /** Page of the station it was made at. */
  page: string
  back: Operation[]
  left: { path: string; value: unknown }[]
}

/** What the last undo or redo did, or why it did nothing. */
export interface StepNews {
  words: string
  page: string
  /** The step lies at another station: it is done only when asked for once more. */
  ask?: 'undo' | 'redo'
}

export type Saving = 'saved' | 'saving' | 'offline' | 'apart' | 'unkept'

const RETRY = 2000

/**
 * The open build: the sheet as the server has it, with what is on its way on top. Every change goes through the one queue: it is kept before it counts as
 * kept, and is sent in order.
 */
export const useBuild = defineStore('build', () => {
  const sync = useSync()
  const shop = useShop()
  const id = ref<string>()
  const revision = ref(0)
  const confirmed = shallowRef<Sheet>()
  const heard = ref(true)
  const missing = ref(false)
  const failing = ref<string>()
  const lastLabel = ref('')
  const undoable = shallowRef<Step[]>([])
  const redoable = shallowRef<Step[]>([])
  const stepNews = ref<StepNews>()
  const proposed = shallowRef<Proposal[]>([])
  /** Changes of apprentices that wait for a sign-off: not in the sheet. What is still on its way from here has no number yet. */
  const proposals = computed(() => [
    ...proposed.value,
    ...(waitsHere.value
      ? waiting.value
          .filter(({ key }) => !proposed.value.some(({ clientKey }) => clientKey === key))
          .map(({ key, at, body }): Proposal => ({
            number: 0,
            clientKey: key,
            who: (body as BuildChange).who,
            at: new Date(at).toISOString(),
            patch: patchOf({ body }) as Proposal['patch'],
            reason: '',
          }))
      : []),
  ])
  let events: EventSource | undefined

  const rules = computed(() => houseRules(shop.house))
  const waiting = computed(() =>
    id.value ? sync.of('build', id.value).filter(({ state }) => state === 'waiting') : [],
  )
  const access = useAccess()
  /** Whether what is written here waits for a sign-off: then it is not in the sheet, not for the moment until the server has said so either. */
  const waitsHere = computed(
    () =>
      shop.house.signOff &&
      (access.person?.role ?? access.people.find(({ name }) => name === usePerson().who)?.role) === 'apprentice',
  )
  const recorded = computed(
    () =>
      confirmed.value && (waitsHere.value ? confirmed.value : appliedOver(confirmed.value, waiting.value.map(patchOf))),
  )
  /** As it is recorded, judged by this house's rules. */
  const sheet = computed<Sheet | undefined>(() => recorded.value && { ...recorded.value, house: rules.value })
  const online = computed(() => heard.value && sync.reachable)
  /** Things beside the queue that are on their way to the server: photos. */
  const asking = ref(0)
  const saving = computed<Saving>(() =>
    sync.apart.length > 0
      ? 'apart'
      : sync.notKept
        ? 'unkept'
        : !online.value
          ? 'offline'
          : sync.waiting.length > 0 || asking.value > 0
            ? 'saving'
            : 'saved',
  )

  /** Nothing counts as saved before this is answered. */
  async function during<T>(work: Promise<T>): Promise<T> {
    asking.value++
    try {
      return await work
    } finally {
      asking.value--
    }
  }

  async function open(wanted: string) {
    if (id.value === wanted && confirmed.value) return
    close()
    id.value = wanted
    await sync.opening
    await refresh()
    void loadProposals()
    listen()
    void sync.send()
  }

  function close() {
    events?.close()
    events = undefined
    id.value = undefined
    confirmed.value = undefined
    proposed.value = []
    heard.value = true
    missing.value = false
    failing.value = undefined
    undoable.value = []
    redoable.value = []
    stepNews.value = undefined
  }

  /** What waits for a sign-off, fetched anew. */
  async function loadProposals() {
    const wanted = id.value
    const found =
      wanted && (await ask('GET /api/builds/:build/proposals', { at: { build: wanted } }).catch(() => undefined))
    if (found && id.value === wanted) proposed.value = found
  }
  useNews().onNews((news) => news.kind === 'proposals' && news.build === id.value && void loadProposals())

  /** The whole sheet from the server; tried again while it does not answer. */
  async function refresh() {
    const wanted = id.value
    if (!wanted) return
    try {
      const found = await ask('GET /api/builds/:build', { at: { build: wanted } })
      if (id.value !== wanted) return
      heard.value = true
      failing.value = undefined
      revision.value = found.revision
      confirmed.value = found.sheet
    } catch (error) {
      if (id.value !== wanted) return
      const { refusal, reached } = error as Refused
      if (refusal.status === 404) return void (missing.value = true)
      if (reached) failing.value = refusal.message
      heard.value = false
      setTimeout(() => id.value === wanted && void refresh(), RETRY)
    }
  }

  function listen() {
    const wanted = id.value
    if (!wanted || events) return
    const stream = new EventSource(`/api/builds/${wanted}/events?after=${revision.value}`)
    events = stream
    stream.addEventListener('entry', (event) => receive(JSON.parse((event as MessageEvent<string>).data) as Entry))
    stream.addEventListener('shop', (event) =>
      useNews().hear(JSON.parse((event as MessageEvent<string>).data) as ShopNews),
    )
    stream.onopen = () => {
      heard.value = true
      void sync.send()
    }
    stream.onerror = () => {
      heard.value = false
      // A server that answers with an error closes the stream for good: it is opened again from what is here.
      if (stream.readyState !== EventSource.CLOSED) return
      void useAccess().check()
      events = undefined
      setTimeout(() => id.value === wanted && listen(), RETRY)
    }
  }

  /** Takes an entry in: next in line it is applied; where it does not apply, or lies further on, the sheet is fetched anew; already had it is passed over. */
  function receive(entry: Entry) {
    if (entry.revision <= revision.value) return
    const next = afterEntry(confirmed.value, revision.value, entry)
    if (!next) return void refresh()
    confirmed.value = next
    revision.value = entry.revision
  }
  sync.onAnswer((item, answer) => {
    if (item.kind !== 'build' || item.document !== id.value) return
    const { proposal } = answer as { proposal?: Proposal }
    if (!proposal) return receive(answer as Entry)
    if (!proposed.value.some(({ number }) => number === proposal.number)) proposed.value = [...proposed.value, proposal]
  })

  /** Enters a change: shown at once, kept in this browser, then sent; the shelf's moves that belong to it go with it. */
  async function change(
    patch: Operation[],
    label: string,
    reason = '',
    moves: Wanted[] = [],
  ): Promise<string | undefined> {
    const step = stepOf(patch, label)
    if (!step) return undefined
    undoable.value = [...undoable.value, step]
    redoable.value = []
    stepNews.value = undefined
    return enter(patch, label, reason, moves)
  }

  async function enter(
    wanted: Operation[],
    label: string,
    reason: string,
    moves: Wanted[] = [],
  ): Promise<string | undefined> {
    if (!id.value || !sheet.value) return undefined
    lastLabel.value = label
    const key = uuid()
    // A plain copy: what a page is still watching could not be kept on disk.
    const patch = JSON.parse(JSON.stringify(wanted)) as Operation[]
    const knows = waiting.value
      .filter(
        (item) =>
          item.identity !== IDENTITY && patchOf(item).some(({ path }) => patch.some((own) => overlap(own.path, path))),
      )
      .map((item) => item.key)
    const body: BuildChange = {
      clientKey: key,
      device: IDENTITY,
      base: revision.value,
      who: usePerson().who || 'Someone',
      patch,
      reason,
      ...(knows.length > 0 ? { knows } : {}),
      ...(moves.length > 0 ? { orders: moves.map((move) => ({ clientKey: uuid(), ...move })) } : {}),
    }
    await sync.enter({ key, kind: 'build', document: id.value, label, url: `/api/builds/${id.value}/entries`, body })
    return key
  }

  /** What a patch does to the sheet and what would take it back, with the values that it leaves behind. */
  function stepOf(patch: Operation[], label: string): Step | undefined {
    const before = sheet.value
    if (!id.value || !before) return undefined
    const after = applied(before, patch)
    if (!after) return undefined
    const back = takenBack(before, patch)
    return { label, page: pageNow(), back, left: back.map(({ path }) => ({ path, value: valueAt(after, path) })) }
  }

  function record(key: string, reading: Omit<Reading, 'by' | 'at'>, label: string) {
    const value: Reading = { ...reading, by: usePerson().who || 'Someone', at: new Date().toISOString() }
    return change([{ op: 'add', path: `/readings/${key}`, value }], label)
  }
  function clear(key: string, label: string) {
    if (sheet.value && key in sheet.value.readings) return change([{ op: 'remove', path: `/readings/${key}` }], label)
  }
  /** What was found at a place, in a word; its note and photos stay with it. */
  function inspect(key: string, found: Partial<Inspection> | undefined, label: string) {
    const before = sheet.value?.inspections[key]
    if (!found) return before && change([{ op: 'remove', path: `/inspections/${key}` }], label)
    const value = {
      finding: NOT_LOOKED_AT,
      ...before,
      ...found,
      by: usePerson().who || 'Someone',
      at: new Date().toISOString(),
    }
    return change([{ op: 'add', path: `/inspections/${key}`, value }], label)
  }
  /** A decision in a word; nothing takes it back. */
  function choose(key: string, value: string | undefined, label: string) {
    if (value) return change([{ op: 'add', path: `/choices/${key}`, value }], label)
    if (sheet.value && key in sheet.value.choices) return change([{ op: 'remove', path: `/choices/${key}` }], label)
  }
  function check(key: string, state: 'done' | 'fault' | undefined, label: string, note?: string) {
    const at = new Date().toISOString()
    if (state)
      return change(
        [
          {
            op: 'add',
            path: `/checks/${key}`,
            value: { state, by: usePerson().who || 'Someone', at, ...(note ? { note } : {}) },
          },
        ],
        label,
      )
    if (sheet.value && key in sheet.value.checks) return change([{ op: 'remove', path: `/checks/${key}` }], label)
  }

  /**
   * Takes back this page's last change, as a change of its own. A step made at a station that is not on the screen is done only when asked for once more; what
   * somebody else has written there since is left alone.
   */
  const undo = (sure = false) => stepThrough(undoable, redoable, 'undo', sure)
  const redo = (sure = false) => stepThrough(redoable, undoable, 'redo', sure)

  async function stepThrough(from: Ref<Step[]>, to: Ref<Step[]>, word: 'undo' | 'redo', sure: boolean) {
    const step = from.value[from.value.length - 1]
    const now = sheet.value
    if (!step || !now) return
    const done = word === 'undo' ? 'Undone' : 'Redone'
    if (step.page !== pageNow() && !sure) {
      stepNews.value = { words: `${step.label} was written at another station.`, page: step.page, ask: word }
      return
    }
    from.value = from.value.slice(0, -1)
    const changed = step.left.find(({ path, value }) => !sameValue(valueAt(now, path), value))
    if (changed && proposals.value.some(({ patch }) => patch.some(({ path }) => overlap(path, changed.path)))) {
      stepNews.value = { words: `${step.label} waits for a sign-off: take it back there.`, page: step.page }
      return
    }
    if (changed) {
      stepNews.value = {
        words: `${step.label} was changed by somebody else since: not ${done.toLowerCase()}.`,
        page: step.page,
      }
      return
    }
    const reverse = stepOf(step.back, step.label)
    if (reverse) to.value = [...to.value, { ...reverse, page: step.page }]
    stepNews.value = { words: `${done}: ${step.label}.`, page: step.page }
    await enter(step.back, word, word)
  }

  /** Settles a conflict, of whichever build: keep what is there, or put ours over it, now that it has been seen. */
  async function settle(conflict: Kept, ours: boolean) {
    const { document, label, url, body } = conflict
    if (ours) {
      const there = conflict.refusal?.conflict
      const found = await ask('GET /api/builds/:build', { at: { build: document } }).catch(() => undefined)
      if (!found) return
      const key = uuid()
      await sync.enter({
        key,
        kind: 'build',
        document,
        label,
        url,
        body: {
          ...(body as BuildChange),
          clientKey: key,
          device: IDENTITY,
          base: found.revision,
          reason: `over ${there?.who ?? 'another'}’s value`,
        },
      })
    }
    await sync.forget(conflict.key)
  }

  return {
    id,
    revision,
    sheet,
    saving,
    waiting,
    online,
    missing,
    failing,
    lastLabel,
    stepNews,
    undoable,
    redoable,
    proposals,
    loadProposals,
    open,
    close,
    during,
    change,
    record,
    clear,
    check,
    inspect,
    choose,
    undo,
    redo,
    settle,
  }
})

/** Page of the station on the screen. */
const pageNow = () => location.pathname.split('/')[3] ?? ''
