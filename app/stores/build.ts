import type { Refused } from '~/sync/ask'
import { askOrSeen } from '~/sync/lastSeen'
import equal from 'fast-deep-equal'
import { v4 as uuid } from 'uuid'
import type { Operation } from 'fast-json-patch'
import { withExperience } from '#core/engine/experience'
import { houseRules } from '#core/house/limits'
import { progressOf } from '#core/progress/progress'
import type { Entry } from '#core/record/entry'
import type { Proposal } from '#core/house/people'
import type { Sheet } from '#core/record/schema'
import { afterEntry, appliedOver } from '~/sync/patches'
import { type BuildChange, overlap, patchOf } from '~/sync/kept'
import { settleBuild } from '~/sync/settleBuild'
import { IDENTITY, useSync } from '~/sync/useSync'
import { keepWhatIsSeen } from './buildSeen'
import { makeRecording } from './recording'
import { makeSaving } from './saving'
import { makeSteps } from './steps'
import { taughtBy, useExperience } from './experience'
import { openBuildStream, type Present } from './buildStream'
import { useNews } from './news'
import type { Wanted } from './shelf'

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
  /** A build to learn on, that no list of the shop's engines shows. */
  const sandbox = ref(false)
  /** Who else has it open. */
  const others = ref<Present[]>([])
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
  let unlisten: (() => void) | undefined

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
  /** The same object while it says the same: that what was written has arrived moves nothing. */
  const recorded = computed<Sheet | undefined>((before) => {
    const now =
      confirmed.value && (waitsHere.value ? confirmed.value : appliedOver(confirmed.value, waiting.value.map(patchOf)))
    return equal(before, now) ? before : now
  })
  const experience = useExperience()
  watch(() => recorded.value && taughtBy(id.value, recorded.value), experience.again)
  /** As it is recorded, judged by this house's rules and with what the shop's other engines say of its model. */
  const sheet = computed<Sheet | undefined>(
    () => recorded.value && withExperience({ ...recorded.value, house: rules.value }, experience.of(id.value)),
  )
  /** How far each station is by it, for all who show that. */
  const progress = computed(() => (sheet.value ? progressOf(sheet.value) : []))
  keepWhatIsSeen({ id, revision, confirmed, sandbox, proposed })
  const online = computed(() => heard.value && sync.reachable && sync.streaming)
  const { saving, during } = makeSaving(online)

  let opening: Promise<void> | undefined
  /** Opens a build; asked again while that one is being opened or stands open, it is the same. */
  function open(wanted: string): Promise<void> {
    if (id.value !== wanted || !(opening || confirmed.value))
      opening = begin(wanted).finally(() => (opening = undefined))
    return opening ?? Promise.resolve()
  }
  async function begin(wanted: string) {
    close()
    id.value = wanted
    await sync.opening
    void experience.load(wanted)
    await refresh()
    void loadProposals()
    listen()
    void sync.send()
  }

  function close() {
    unlisten?.()
    unlisten = undefined
    id.value = undefined
    confirmed.value = undefined
    sandbox.value = false
    others.value = []
    proposed.value = []
    heard.value = true
    missing.value = false
    failing.value = undefined
    forget()
  }

  /** Shows a sheet that is not of this shop's own record: nothing of it is asked for, kept or written. */
  function stand(told: Sheet) {
    close()
    confirmed.value = told
  }

  /** What waits for a sign-off, fetched anew. */
  async function loadProposals() {
    const wanted = id.value
    const found =
      wanted && (await askOrSeen('GET /api/builds/:build/proposals', { at: { build: wanted } }).catch(() => undefined))
    if (found && id.value === wanted) proposed.value = found.answer
  }
  useNews().onNews((news) => news.kind === 'proposals' && news.build === id.value && void loadProposals())

  /** The whole sheet from the server; tried again while it does not answer. */
  async function refresh() {
    const wanted = id.value
    if (!wanted) return
    try {
      const { answer: found, fresh } = await askOrSeen('GET /api/builds/:build', { at: { build: wanted } })
      await experience.soon()
      if (id.value !== wanted) return
      failing.value = undefined
      // What was seen before never takes the place of what is here.
      if (fresh || !confirmed.value) {
        revision.value = found.revision
        confirmed.value = found.sheet
        sandbox.value = found.sandbox === true
      }
      heard.value = fresh
      if (!fresh) setTimeout(() => id.value === wanted && void refresh(), RETRY)
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
    if (!wanted || unlisten) return
    unlisten = openBuildStream({
      build: wanted,
      device: IDENTITY,
      after: () => revision.value,
      entry: receive,
      shop: (news) => useNews().hear(news),
      present: (present) => (others.value = present),
      speaks: (yes) => {
        heard.value = yes
        if (yes) void sync.send()
        else others.value = []
      },
      ended: () => void useAccess().check(),
    })
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

  return {
    id,
    revision,
    /** As the server has it, without what is on its way. */
    confirmed,
    sheet,
    progress,
    saving,
    waiting,
    online,
    sandbox,
    others,
    missing,
    failing,
    lastLabel,
    proposals,
    loadProposals,
    open,
    stand,
    close,
    during,
    change,
    ...recording,
    ...stepping,
    settle: settleBuild,
  }
})
