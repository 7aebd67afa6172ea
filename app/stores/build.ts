import { ask, type Refused } from '~/sync/ask'
import { v4 as uuid } from 'uuid'
import type { Operation } from 'fast-json-patch'
import { houseRules } from '#core/house/limits'
import type { Entry } from '#core/record/entry'
import type { Proposal } from '#core/house/people'
import type { Sheet } from '#core/record/schema'
import { afterEntry, appliedOver } from '~/sync/patches'
import { type BuildChange, type Kept, overlap, patchOf } from '~/sync/kept'
import { IDENTITY, useSync } from '~/sync/useSync'
import { makeRecording } from './recording'
import { makeSteps } from './steps'
import { type ShopNews, useNews } from './news'
import type { Wanted } from './shelf'

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
    forget()
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
    return note(patch, label) ? enter(patch, label, reason, moves) : undefined
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

  const { note, forget, ...stepping } = makeSteps({
    sheet: () => (id.value ? sheet.value : undefined),
    proposals: () => proposals.value,
    enter,
  })

  const recording = makeRecording(sheet, change)

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
    proposals,
    loadProposals,
    open,
    close,
    during,
    change,
    ...recording,
    ...stepping,
    settle,
  }
})
