import { v4 as uuid } from 'uuid'
import type { Operation } from 'fast-json-patch'
import { existsIn, getIn, immutableJSONPatch, type JSONPatchDocument, parseJSONPointer, revertJSONPatch } from 'immutable-json-patch'
import { houseRules } from '#core/house/limits'
import type { Entry } from '#core/build/entry'
import { NOT_LOOKED_AT } from '#core/build/words'
import type { Inspection, Reading, Sheet } from '#core/build/schema'
import { oneAtATime } from '~/composables/oneAtATime'
import { allWaiting, dropWaiting, firstWaiting, keepWaiting, type Waiting } from '~/composables/outbox'

/** Somebody else wrote to the same place first: what is there, what was to be written. */
export interface Conflict {
  waiting: Waiting
  path: string
  now: { value?: number } | null
  who: string
  at: string
  revision: number
}

/** A change of this browser, to be taken back: the way back, and what the change left at each path. */
interface Step {
  label: string
  back: Operation[]
  left: { path: string; value: unknown }[]
}

export type Saving = 'saved' | 'saving' | 'offline'

const RETRY = 2000

/**
 * The open build: the sheet as the server has it, with this browser's unsent changes on top. Every change is kept on disk
 * here before it is sent, is sent in order, and is taken out only when the server has answered.
 */
export const useBuild = defineStore('build', () => {
  const id = ref<string>()
  const revision = ref(0)
  const confirmed = shallowRef<Sheet>()
  const waiting = shallowRef<Waiting[]>([])
  const conflicts = shallowRef<Conflict[]>([])
  const refused = ref<string>()
  const online = ref(true)
  const missing = ref(false)
  const lastLabel = ref('')
  const device = sessionId()
  const undoable = shallowRef<Step[]>([])
  const redoable = shallowRef<Step[]>([])
  /** Why the last undo or redo was not done; nothing when it was. */
  const held = ref<string>()
  let events: EventSource | undefined

  const shop = useShop()
  const rules = computed(() => houseRules(shop.house))
  const recorded = computed(() => waiting.value.reduce<Sheet | undefined>((now, change) => (now ? applied(now, change.patch) : now), confirmed.value))
  /** As it is recorded, judged by this house's rules. */
  const sheet = computed<Sheet | undefined>(() => recorded.value && { ...recorded.value, house: rules.value })
  /** Things beside the record that are on their way to the server for this build: parts moved on the shelf, photos. */
  const asking = ref(0)
  const saving = computed<Saving>(() => (!online.value ? 'offline' : waiting.value.length > 0 || asking.value > 0 ? 'saving' : 'saved'))

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
    waiting.value = (await allWaiting()).filter((change) => change.buildId === wanted)
    await refresh()
    listen()
    void send()
  }

  function close() {
    events?.close()
    id.value = undefined
    confirmed.value = undefined
    conflicts.value = []
    refused.value = undefined
    missing.value = false
    undoable.value = []
    redoable.value = []
    held.value = undefined
  }

  /** The whole sheet from the server; kept from the last visit when the network is gone. */
  async function refresh() {
    const wanted = id.value
    if (!wanted) return
    try {
      const response = await fetch(`/api/builds/${wanted}`)
      if (response.status === 404) {
        missing.value = true
        return
      }
      if (!response.ok) throw new Error(String(response.status))
      const found = (await response.json()) as { revision: number; sheet: Sheet }
      if (id.value !== wanted) return
      online.value = true
      revision.value = found.revision
      confirmed.value = found.sheet
    } catch {
      online.value = false
      setTimeout(refresh, RETRY)
    }
  }

  function listen() {
    events = new EventSource(`/api/builds/${id.value}/events?after=${revision.value}`)
    events.addEventListener('entry', (event) => receive(JSON.parse((event as MessageEvent<string>).data) as Entry))
    events.onopen = () => {
      online.value = true
      void send()
    }
    events.onerror = () => {
      online.value = false
    }
  }

  /** Takes an entry in: next in line it is applied, further on the sheet is fetched anew, already had it is passed over. */
  function receive(entry: Entry) {
    if (entry.revision === revision.value + 1 && confirmed.value) {
      confirmed.value = applied(confirmed.value, entry.patch)
      revision.value = entry.revision
    } else if (entry.revision > revision.value) void refresh()
    waiting.value = waiting.value.filter((change) => change.clientKey !== entry.clientKey)
  }

  /** Enters a change: shown at once, kept in this browser, then sent. */
  async function change(patch: Operation[], label: string, reason = '') {
    const step = stepOf(patch, label)
    if (!step) return
    undoable.value = [...undoable.value, step]
    redoable.value = []
    held.value = undefined
    await enter(patch, label, reason)
  }

  async function enter(wanted: Operation[], label: string, reason: string) {
    if (!id.value || !sheet.value) return
    lastLabel.value = label
    // A plain copy: what a page is still watching could not be kept on disk.
    const patch = JSON.parse(JSON.stringify(wanted)) as Operation[]
    const kept: Waiting = { buildId: id.value, clientKey: uuid(), device, base: revision.value, who: useHouse().who || 'Someone', patch, reason }
    waiting.value = [...waiting.value, kept]
    kept.order = await keepWaiting(kept)
    void send()
  }

  /** What a patch does to the sheet and what would take it back, with the values that it leaves behind. */
  function stepOf(patch: Operation[], label: string): Step | undefined {
    const before = sheet.value
    if (!id.value || !before) return undefined
    const after = applied(before, patch)
    const back = revertJSONPatch(before, patch as JSONPatchDocument) as Operation[]
    return { label, back, left: back.map(({ path }) => ({ path, value: valueAt(after, path) })) }
  }

  function record(key: string, reading: Omit<Reading, 'by' | 'at'>, label: string) {
    const value: Reading = { ...reading, by: useHouse().who || 'Someone', at: new Date().toISOString() }
    return change([{ op: 'add', path: `/readings/${key}`, value }], label)
  }
  function clear(key: string, label: string) {
    if (sheet.value && key in sheet.value.readings) return change([{ op: 'remove', path: `/readings/${key}` }], label)
  }
  /** What was found at a place, in a word; its note and photos stay with it. */
  function inspect(key: string, found: Partial<Inspection> | undefined, label: string) {
    const before = sheet.value?.inspections[key]
    if (!found) return before && change([{ op: 'remove', path: `/inspections/${key}` }], label)
    const value = { finding: NOT_LOOKED_AT, ...before, ...found, by: useHouse().who || 'Someone', at: new Date().toISOString() }
    return change([{ op: 'add', path: `/inspections/${key}`, value }], label)
  }
  /** A decision in a word; nothing takes it back. */
  function choose(key: string, value: string | undefined, label: string) {
    if (value) return change([{ op: 'add', path: `/choices/${key}`, value }], label)
    if (sheet.value && key in sheet.value.choices) return change([{ op: 'remove', path: `/choices/${key}` }], label)
  }
  function check(key: string, state: 'done' | 'fault' | undefined, label: string) {
    const at = new Date().toISOString()
    if (state) return change([{ op: 'add', path: `/checks/${key}`, value: { state, by: useHouse().who || 'Someone', at } }], label)
    if (sheet.value && key in sheet.value.checks) return change([{ op: 'remove', path: `/checks/${key}` }], label)
  }

  /** Takes back this browser's last change, as a change of its own. What somebody else has written there since is left alone. */
  const undo = () => stepThrough(undoable, redoable, 'undo')
  const redo = () => stepThrough(redoable, undoable, 'redo')

  async function stepThrough(from: Ref<Step[]>, to: Ref<Step[]>, word: 'undo' | 'redo') {
    const step = from.value[from.value.length - 1]
    const now = sheet.value
    if (!step || !now) return
    from.value = from.value.slice(0, -1)
    const changed = step.left.find(({ path, value }) => JSON.stringify(valueAt(now, path)) !== JSON.stringify(value))
    if (changed) {
      held.value = `${step.label} was changed by somebody else since: not ${word === 'undo' ? 'undone' : 'redone'}.`
      return
    }
    const reverse = stepOf(step.back, step.label)
    if (reverse) to.value = [...to.value, reverse]
    held.value = undefined
    await enter(step.back, word, word)
  }

  /** Sends what waits, oldest first, one at a time over all tabs of this browser. */
  const send = oneAtATime(async () => {
    try {
      await withSendingLock(async () => {
        for (let next = await firstWaiting(); next; next = await firstWaiting()) await sendOne(next)
      })
      online.value = true
    } catch {
      online.value = false
      setTimeout(send, RETRY)
    }
  })

  async function sendOne(next: Waiting) {
    const { order, buildId, ...body } = next
    const response = await fetch(`/api/builds/${buildId}/entries`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) })
    if (response.status >= 500) throw new Error(String(response.status))
    const answer = await response.json()
    await dropWaiting(order!)
    if (buildId !== id.value) return
    if (response.ok) return receive(answer as Entry)
    waiting.value = waiting.value.filter((change) => change.clientKey !== next.clientKey)
    if (response.status === 409) conflicts.value = [...conflicts.value, { waiting: next, ...answer.error.conflict }]
    else refused.value = `Not saved: ${answer.error.message}`
  }

  /** Settles a conflict: keep what is there, or put ours over it, now that we have seen it. */
  async function settle(conflict: Conflict, ours: boolean) {
    conflicts.value = conflicts.value.filter((each) => each !== conflict)
    if (!ours) return
    await refresh()
    await change(conflict.waiting.patch, lastLabel.value, `over ${conflict.who}’s value`)
  }

  return {
    id, revision, sheet, saving, waiting, conflicts, refused, online, missing, lastLabel, held, undoable, redoable,
    open, close, during, change, record, clear, check, inspect, choose, undo, redo, settle,
  }
})

/** One name for this tab, through reloads. */
function sessionId(): string {
  const kept = sessionStorage.getItem('uldo.device') ?? uuid()
  sessionStorage.setItem('uldo.device', kept)
  return kept
}

/** The sheet with a patch applied: what the patch does not touch is shared with the sheet before. */
function applied(sheet: Sheet, patch: Operation[]): Sheet {
  try {
    return immutableJSONPatch(sheet, patch as JSONPatchDocument) as Sheet
  } catch {
    return sheet
  }
}

function valueAt(sheet: Sheet, pointer: string): unknown {
  const path = parseJSONPointer(pointer)
  return existsIn(sheet, path) ? getIn(sheet, path) : undefined
}

async function withSendingLock(work: () => Promise<void>): Promise<void> {
  if (navigator.locks) await navigator.locks.request('uldo-outbox', work)
  else await work()
}
