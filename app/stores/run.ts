import { v4 as uuid } from 'uuid'
import { type ChannelSample, sequenceOf } from '#core/run/channels'
import type { KeptEvent, Run } from '#core/run/run'
import type { RunEvent, RunSetUp } from '#core/run/schema'
import { oneAtATime } from '~/composables/oneAtATime'
import { countPosts, dropPost, firstPost, keepPost, type WaitingPost } from '~/composables/outbox'

const RETRY = 1500

/**
 * The run that is open: its readings and events as the server has them, with what this browser has not sent yet on top. Everything that is
 * tapped in is kept on disk here before it is sent, is sent in order, and is taken out only when the server has answered.
 */
export const useRun = defineStore('run', () => {
  const list = shallowRef<Run[]>([])
  const run = shallowRef<Run>()
  /** In order of time; grows in place and is told by `count`. */
  const samples = shallowRef<ChannelSample[]>([])
  const events = shallowRef<KeptEvent[]>([])
  const online = ref(true)
  const unsent = ref(0)
  const refused = ref<string>()
  /** Whether it was begun in this tab: only here does it take the screen. */
  const own = computed(() => run.value !== undefined && sessionStorage.getItem('uldo.run') === run.value.id)
  const ended = computed(() => run.value?.endedAt != null)
  let stream: EventSource | undefined
  let last = -1
  const known = new Set<number>()
  let began = 0

  /** Runs of a build of one kind; the newest that nobody has ended is opened, else none. */
  async function open(buildId: string, kind: Run['kind']) {
    if (run.value?.buildId === buildId && run.value.kind === kind && !ended.value) return
    close()
    list.value = []
    try {
      list.value = (await $fetch<Run[]>(`/api/builds/${buildId}/runs`)).filter((each) => each.kind === kind)
      online.value = true
    } catch {
      online.value = false
      setTimeout(() => !run.value && void open(buildId, kind), RETRY)
      return
    }
    const going = list.value.find(({ endedAt }) => endedAt === null)
    if (going) show(going)
    void send()
  }

  /** Opens a run, going or past. */
  function show(wanted: Run) {
    close()
    run.value = wanted
    began = Date.parse(wanted.startedAt)
    listen()
  }

  function close() {
    stream?.close()
    stream = undefined
    run.value = undefined
    samples.value = []
    events.value = []
    last = -1
    known.clear()
    refused.value = undefined
  }

  function listen() {
    const id = run.value!.id
    stream = new EventSource(`/api/runs/${id}/stream?after=${last}`)
    stream.addEventListener('samples', (message) => add(JSON.parse((message as MessageEvent<string>).data) as ChannelSample[]))
    stream.addEventListener('event', (message) => hear(JSON.parse((message as MessageEvent<string>).data) as KeptEvent))
    stream.addEventListener('end', () => run.value && (run.value = { ...run.value, endedAt: run.value.endedAt ?? new Date().toISOString() }))
    stream.onopen = () => {
      online.value = true
      void send()
    }
    stream.onerror = () => {
      online.value = false
      // A server that answers with an error closes the stream for good: it is opened again from what is here.
      if (stream?.readyState === EventSource.CLOSED && run.value?.id === id) {
        stream = undefined
        setTimeout(() => run.value?.id === id && !stream && listen(), RETRY)
      }
    }
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
  }

  function hear(event: KeptEvent) {
    const others = events.value.filter((each) => each.clientKey !== event.clientKey)
    events.value = [...others, event].sort((a, b) => a.time - b.time || a.number - b.number)
    if (event.kind === 'end' && run.value) run.value = { ...run.value, endedAt: event.at, outcome: event.words }
  }

  /** Seconds into the run: the rig's own time where one feeds it, else by the clock. */
  function now(): number {
    if (run.value?.setup.source === 'rig') return samples.value[samples.value.length - 1]?.time ?? 0
    return Math.max(0, (Date.now() - began) / 1000)
  }

  const who = () => useHouse().who || 'Someone'

  async function begin(buildId: string, kind: Run['kind'], setup: RunSetUp) {
    close()
    const id = uuid()
    sessionStorage.setItem('uldo.run', id)
    began = Date.now()
    const startedAt = new Date(began).toISOString()
    run.value = { id, buildId, kind, setup, who: who(), startedAt, endedAt: null, outcome: null, samples: 0, events: [] }
    await post({ runId: id, url: `/api/builds/${buildId}/runs`, body: { id, kind, setup: JSON.parse(JSON.stringify(setup)) as RunSetUp, who: who(), startedAt } })
    await send()
    if (run.value?.id === id) listen()
  }

  /** Writes readings in: by hand, from a port or a file. */
  async function take(fresh: ChannelSample[]) {
    if (!run.value || fresh.length === 0) return
    add(fresh)
    await post({ runId: run.value.id, url: `/api/runs/${run.value.id}/samples`, body: fresh })
    void send()
  }

  async function event(kind: RunEvent['kind'], words = '', data: RunEvent['data'] = {}, time = now()) {
    if (!run.value) return
    const body: RunEvent = { clientKey: uuid(), time, kind, words, data, who: who() }
    hear({ ...body, number: Number.MAX_SAFE_INTEGER, at: new Date().toISOString() })
    await post({ runId: run.value.id, url: `/api/runs/${run.value.id}/events`, body })
    void send()
  }
  const act = (action: string) => event('act', action, { action })
  const end = (words: string) => event('end', words)

  async function post(waiting: WaitingPost) {
    unsent.value++
    await keepPost(waiting)
  }

  /** Sends what waits, oldest first, one at a time; done when nothing waits any more, or the network is gone. */
  const send = oneAtATime(sendAll)

  async function sendAll() {
    try {
      for (let next = await firstPost(); next; next = await firstPost()) {
        const response = await fetch(next.url, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(next.body) })
        if (response.status >= 500) throw new Error(String(response.status))
        if (!response.ok) refused.value = ((await response.json()) as { error?: { message: string } }).error?.message ?? 'Not saved.'
        else if (next.url.endsWith('/events')) hear((await response.json()) as KeptEvent)
        await dropPost(next.order!)
      }
      online.value = true
    } catch {
      online.value = false
      setTimeout(send, RETRY)
    } finally {
      unsent.value = await countPosts()
    }
  }

  return { list, run, samples, events, online, unsent, refused, ended, own, open, show, close, begin, take, event, act, end, now, send }
})
