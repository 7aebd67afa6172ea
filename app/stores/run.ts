import { t } from '~/words/of/frame'
import { oilFor } from '#core/record/fill'
import { ask } from '~/sync/ask'
import { v4 as uuid } from 'uuid'
import { type ChannelSample, sequenceOf } from '#core/run/channels'
import { begunRun, type KeptEvent, type Run } from '#core/run/run'
import type { RunEvent, RunSetUp } from '#core/run/schema'
import { sessionRead, sessionWrite } from '~/sync/browserStorage'
import { dropRun, runKeeper, runUnderWay } from '~/sync/keptRun'
import { makePieces } from '~/sync/pieces'
import { openServerStream } from '~/sync/serverStream'
import { useSync } from '~/sync/useSync'

const RETRY = 1500

/**
 * The run that is open: its readings and events as the server has them, with what this browser has not sent yet on top. Everything that is
 * tapped in goes through the one queue.
 */
export const useRun = defineStore('run', () => {
  const list = shallowRef<Run[]>([])
  /** Starts and primes of this build that were stopped while nobody has written what was found and done, newest first. */
  const unanswered = shallowRef<Run[]>([])
  /** Whether the list is the build's own by now. */
  const listed = ref(false)
  const run = shallowRef<Run>()
  /** In order of time; grows in place and is told by `count`. */
  const samples = shallowRef<ChannelSample[]>([])
  const events = shallowRef<KeptEvent[]>([])
  const hears = ref(true)
  const sync = useSync()
  /** What could not be sent tells that the server is away too. */
  const online = computed(() => hears.value && sync.reachable)
  const ofRun = computed(() => (run.value ? sync.of('run', run.value.id) : []))
  const unsent = computed(() => ofRun.value.filter(({ state }) => state === 'waiting').length)
  const refused = computed(() => ofRun.value.find(({ state }) => state !== 'waiting')?.refusal?.message)
  /** Whether it was begun in this tab: only here does it take the screen. */
  const own = computed(() => run.value !== undefined && sessionRead('uldo.run') === run.value.id)
  const ended = computed(() => run.value?.endedAt != null)
  let unlisten: (() => void) | undefined
  let last = -1
  const known = new Set<number>()
  const keeper = runKeeper(
    () =>
      run.value && {
        run: run.value,
        samples: samples.value,
        events: events.value,
        beganAt: Date.now() - (performance.now() - began),
      },
  )
  /** When it began, by this page’s own steady clock, ms: set by the server’s word, which no wall clock here can put wrong. */
  let began = 0
  let wanted: { buildId: string; kind: Run['kind'] } | undefined
  /** Whether everything that was read before is here: until then nothing may be said of it. */
  const ready = ref(false)

  /** Runs of a build of one kind; the newest that nobody has ended is opened, else none. */
  async function open(buildId: string, kind: Run['kind']) {
    if (run.value?.buildId === buildId && run.value.kind === kind && !ended.value) return
    close()
    wanted = { buildId, kind }
    list.value = []
    unanswered.value = []
    listed.value = false
    await lookUp()
  }

  /** Asks for the runs of the build that is open, until they are here; what is under way is opened. */
  async function lookUp() {
    const of = wanted
    if (!of) return
    const here = () => wanted === of
    try {
      const all = await ask('GET /api/builds/:build/runs', {
        at: { build: of.buildId },
        query: { events: 'no' },
      })
      if (!here()) return
      list.value = all.filter((each) => each.kind === of.kind)
      unanswered.value = all.filter((each) => each.stopped && !each.found && each.setup.source !== 'rig')
      hears.value = true
      listed.value = true
    } catch {
      if (!here()) return
      hears.value = false
      await goOn(of)
      setTimeout(() => here() && void lookUp(), RETRY)
      return
    }
    const going = list.value.find(({ endedAt }) => endedAt === null)
    if (going && !run.value) show(going)
    if (!going && !run.value) {
      await goOn(of)
      if (!run.value) void dropRun(of)
    }
    void sync.send()
  }

  /** Goes on with the run under way as this browser has it, where the server does not tell of one. */
  async function goOn(of: { buildId: string; kind: Run['kind'] }) {
    if (run.value) return
    await sync.opening
    const kept = await runUnderWay(of.buildId, of.kind, sync.waiting)
    // A run that the server has ended meanwhile is none.
    if (!kept || run.value || wanted !== of || list.value.some(({ id }) => id === kept.run.id)) return
    run.value = kept.run
    began = performance.now() - (Date.now() - kept.beganAt)
    kept.events.forEach(hear)
    add(kept.samples)
    // All that a hand tapped in here is here; what a rig, a logger or another browser gave meanwhile is not.
    ready.value = kept.run.setup.source === 'hand' && own.value
    listen()
  }

  /** Opens a run, going or past. */
  function show(wanted: Run) {
    close()
    run.value = wanted
    began = performance.now()
    listen()
  }

  function close() {
    void pieces.send()
    keeper.flush()
    unlisten?.()
    unlisten = undefined
    run.value = undefined
    ready.value = false
    samples.value = []
    events.value = []
    last = -1
    known.clear()
  }

  function listen() {
    const id = run.value!.id
    unlisten?.()
    unlisten = openServerStream({
      url: () => `/api/runs/${id}/stream?after=${last}`,
      beat: 1,
      tells: {
        samples: (news) => add(news as ChannelSample[]),
        event: (news) => hear(news as KeptEvent),
        end: () => {
          if (run.value) run.value = { ...run.value, endedAt: run.value.endedAt ?? new Date().toISOString() }
          keeper.soon()
        },
        ready: (news) => {
          began = performance.now() - 1000 * (news as { time: number }).time
          ready.value = true
          keeper.soon()
        },
      },
      speaks: (yes) => {
        const back = yes && !hears.value
        hears.value = yes
        if (back) void sync.send()
      },
    })
  }

  /** Takes readings in that are not here yet: what this browser sent comes back to it. */
  function add(fresh: ChannelSample[]) {
    const news = fresh.filter((sample) => !known.has(sequenceOf(sample)))
    for (const sample of news) {
      known.add(sequenceOf(sample))
      last = Math.max(last, sequenceOf(sample))
    }
    if (news.length === 0) return
    const kept = samples.value
    const inOrder = kept.length === 0 || news[0].time > kept[kept.length - 1].time
    samples.value = inOrder ? kept.concat(news) : [...kept, ...news].sort((a, b) => a.time - b.time)
    keeper.soon()
  }

  function hear(event: KeptEvent) {
    const others = events.value.filter((each) => each.clientKey !== event.clientKey)
    events.value = [...others, event].sort((a, b) => a.time - b.time || a.number - b.number)
    if (event.kind === 'end' && run.value) run.value = { ...run.value, endedAt: event.at, outcome: event.words }
    keeper.soon()
  }

  /** Seconds into the run: the rig's own time where one feeds it, else by the clock. */
  function now(): number {
    if (run.value?.setup.source === 'rig') return samples.value[samples.value.length - 1]?.time ?? 0
    return Math.max(0, (performance.now() - began) / 1000)
  }

  const who = () => usePerson().who || 'Someone'

  async function begin(buildId: string, kind: Run['kind'], given: RunSetUp) {
    const { sheet } = useBuild()
    const setup: RunSetUp = sheet
      ? { ...given, oil: given.oil ?? oilFor(sheet, kind === 'prime' ? 'prime' : 'start') }
      : given
    close()
    const id = uuid()
    sessionWrite('uldo.run', id)
    began = performance.now()
    ready.value = true
    run.value = begunRun({ id, buildId, kind, setup, who: who(), startedAt: new Date().toISOString() })
    await post(id, t('run.runBegun'), `/api/builds/${buildId}/runs`, {
      id,
      kind,
      setup: JSON.parse(JSON.stringify(setup)) as RunSetUp,
      who: who(),
      begunAt: Date.now(),
    })
    await sync.send()
    if (run.value?.id === id) listen()
  }

  /** Writes readings in: by hand, from a port or a file. */
  async function take(fresh: ChannelSample[]) {
    if (!run.value || fresh.length === 0) return
    // A run is numbered by its milliseconds: what two sources read in the same one stands side by side.
    for (const sample of fresh) while (known.has(sequenceOf(sample))) sample.time += 0.001
    add(fresh)
    await pieces.push(run.value, fresh)
  }
  const pieces = makePieces((id, body) => {
    const label = t('run.readingsOfARun')
    return sync.enter({ key: uuid(), kind: 'run', document: id, label, url: `/api/runs/${id}/samples`, body })
  })

  async function event(kind: RunEvent['kind'], words = '', data: RunEvent['data'] = {}, time = now()) {
    // Who only looks writes nothing, what a page tells by itself neither.
    if (!run.value || useAccess().person?.role === 'reader') return
    const body: RunEvent = { clientKey: uuid(), time, kind, words, data, who: who() }
    // A rig acts when it hears of it, and says when that was: taken as done before, the readings on their way would be held against it.
    if (kind !== 'act' || run.value.setup.source !== 'rig')
      hear({ ...body, number: Number.MAX_SAFE_INTEGER, at: new Date().toISOString() })
    await post(body.clientKey, t('run.run', { words: words || kind }), `/api/runs/${run.value.id}/events`, body)
  }
  /** What was found and done after a start that was stopped: it opens the gate of the next. */
  async function found(stopped: Run, words: string) {
    const body: RunEvent = { clientKey: uuid(), time: 0, kind: 'found', words, data: {}, who: who() }
    list.value = list.value.map((each) => (each.id === stopped.id ? { ...each, found: words } : each))
    unanswered.value = unanswered.value.filter(({ id }) => id !== stopped.id)
    await sync.enter({
      key: body.clientKey,
      kind: 'run',
      document: stopped.id,
      label: t('run.whatWasFoundAndDone'),
      url: `/api/runs/${stopped.id}/events`,
      body,
    })
  }
  const act = (action: string) => event('act', action, { action })
  const end = (words: string) => event('end', words)

  async function post(key: string, label: string, url: string, body: unknown) {
    await pieces.send()
    await sync.enter({ key, kind: 'run', document: run.value!.id, label, url, body })
  }
  sync.onAnswer((item, answer) => {
    if (item.kind === 'run' && item.document === run.value?.id && (answer as Partial<KeptEvent>).clientKey)
      hear(answer as KeptEvent)
  })

  return {
    list,
    unanswered,
    listed,
    run,
    samples,
    events,
    online,
    ready,
    unsent,
    refused,
    ended,
    own,
    open,
    show,
    close,
    begin,
    take,
    event,
    found,
    act,
    end,
    now,
  }
})
