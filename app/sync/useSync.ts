import { v4 as uuid } from 'uuid'
import type { Draft, Kept, Kind } from './kept'
import { diskKeeper, type NotKept } from './keeper'
import { post } from './post'
import { makeQueue, type News } from './queue'

/** The page's own identity, new at each load: a copied tab is another one. */
export const IDENTITY = uuid()

type Answered = (item: Pick<Kept, 'key' | 'kind' | 'document'>, answer: unknown) => void

/** The queue of this page, kept current over all tabs, as the stores and the top bar see it. */
export const useSync = defineStore('sync', () => {
  const items = shallowRef<readonly Kept[]>([])
  const reachable = ref(true)
  /** Whether the stream of a page that is no build's stands: without it nothing is known of the server. */
  const streaming = ref(true)
  /** Changes that are shown, and not on this browser's disk yet. */
  const keeping = ref(0)
  const notKept = ref<NotKept>()
  /** What the server said to why it takes nothing just now. */
  const why = ref<string>()
  const hearers = new Set<Answered>()
  const channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel('uldo-queue')

  const queue = makeQueue({
    open: () => diskKeeper('uldo', () => queue.giveUpDisk()),
    post,
    alone: async (work) => (navigator.locks ? void (await navigator.locks.request('uldo-queue', work)) : work()),
    tell: (news) => channel?.postMessage(news),
    answered: (item, answer) => hearers.forEach((hear) => hear(item, answer)),
    changed: () => {
      items.value = [...queue.items()]
      reachable.value = queue.reachable()
      keeping.value = queue.keeping()
      notKept.value = queue.notKept()
      why.value = queue.why()
    },
    now: () => Date.now(),
    later: (work, ms) => void setTimeout(work, ms),
  })
  channel?.addEventListener('message', ({ data }: MessageEvent<News>) => queue.hear(data))
  addEventListener('online', () => void queue.send())
  void queue.send()

  const of = (kind: Kind, document?: string) =>
    items.value.filter((item) => item.kind === kind && (document === undefined || item.document === document))
  /** What is on its way. */
  const waiting = computed(() => items.value.filter(({ state }) => state === 'waiting'))
  /** What stands apart until a hand has dealt with it. */
  const apart = computed(() => items.value.filter(({ state }) => state !== 'waiting'))

  return {
    items,
    waiting,
    apart,
    reachable,
    keeping,
    streaming,
    notKept,
    why,
    of,
    opening: queue.opening,
    send: queue.send,
    retry: queue.retry,
    forget: queue.forget,
    enter: (draft: Omit<Draft, 'identity'>) => queue.enter({ ...draft, identity: IDENTITY }),
    /** Calls back with every answer, in whichever tab it came, until the returned function is called. */
    onAnswer: (hear: Answered) => {
      hearers.add(hear)
      return () => void hearers.delete(hear)
    },
    /** Resolves with the answer to one change, or with what stands apart of it. */
    settled: (key: string) =>
      new Promise<{ answer?: unknown; apart?: Kept }>((done) => {
        const end = (found: { answer?: unknown; apart?: Kept }) => {
          unwatch()
          hearers.delete(hear)
          done(found)
        }
        const hear: Answered = (item, answer) => item.key === key && end({ answer })
        hearers.add(hear)
        const unwatch = watch(apart, (now) => {
          const found = now.find((item) => item.key === key)
          if (found) queueMicrotask(() => end({ apart: found }))
        })
      }),
  }
})
