import { t } from '~/words/of/frame'
import type { Draft, Kept, Refusal } from './kept'
import { CannotKeep, type Keeper, memoryKeeper, type NotKept } from './keeper'

/** What became of a change that was sent. */
export type Outcome =
  | { kind: 'done'; answer: unknown }
  | { kind: 'refused' | 'conflict'; refusal: Refusal }
  | { kind: 'failed' }
  | { kind: 'unreachable'; why?: string }

export interface QueueParts {
  /** The browser's disk; fails with CannotKeep. */
  open: () => Promise<Keeper>
  post: (item: Kept) => Promise<Outcome>
  /** Runs work in one tab at a time. */
  alone: (work: () => Promise<void>) => Promise<void>
  /** Tells the other tabs that something changed. */
  tell: (news: News) => void
  /** Called with each answer, in whichever tab it came. */
  answered: (item: Pick<Kept, 'key' | 'kind' | 'document'>, answer: unknown) => void
  changed: () => void
  now: () => number
  later: (work: () => void, ms: number) => void
}

/** What tabs tell each other. */
export type News =
  { kind: 'changed' } | { kind: 'answered'; item: Pick<Kept, 'key' | 'kind' | 'document'>; answer: unknown }

/** Pause before the server is tried again, ms, and failures of the server itself after which a change no longer holds up the others. */
const RETRY = 2000
const FAILURES = 4

/**
 * The one way in which this browser writes: each change is kept before it counts as kept, is sent in its order over all tabs, and is taken out when the server has
 * answered. What the server refuses, or finds written by another hand, stands apart until somebody has dealt with it, and holds up nothing.
 */
export function makeQueue(parts: QueueParts) {
  /** Takes what the disk cannot. */
  const memory = memoryKeeper()
  let disk: Keeper | undefined
  let items: Kept[] = []
  let reachable = true
  /** What the server itself said to why it takes nothing just now. */
  let why: string | undefined
  let notKept: NotKept | undefined
  let lastOrder = 0
  let sending: Promise<void> | undefined
  let again = false
  const opening = (async () => {
    try {
      disk = await parts.open()
    } catch (error) {
      notKept = error instanceof CannotKeep ? error.reason : 'denied'
    }
    await reread()
  })()

  const all = async () =>
    [...((await disk?.all().catch(() => undefined)) ?? []), ...(await memory.all())].sort((a, b) => a.order - b.order)

  async function first(): Promise<Kept | undefined> {
    const [kept, own] = await Promise.all([disk?.first().catch(() => undefined), memory.first()])
    return kept && own ? (kept.order <= own.order ? kept : own) : (kept ?? own)
  }

  async function reread() {
    const fresh = await all()
    // What is being kept at this moment is not on the disk yet and stays in sight.
    const keeping = items.filter((item) => held.has(item.key) && !fresh.some(({ key }) => key === item.key))
    items = [...fresh, ...keeping]
    lastOrder = Math.max(lastOrder, ...items.map(({ order }) => order))
    parts.changed()
  }

  const nextOrder = () => (lastOrder = Math.max(lastOrder + 1, Math.floor(parts.now() * 1000)))
  const held = new Set<string>()
  /** Keeps a change and sends it; resolves once it is kept. */
  async function enter(draft: Draft): Promise<Kept> {
    const item: Kept = { ...draft, order: nextOrder(), state: 'waiting', at: parts.now(), failures: 0 }
    held.add(item.key)
    items = [...items, item]
    parts.changed()
    await opening
    // Behind what an earlier page of this browser kept, however shortly before.
    item.order = nextOrder()
    await keep(item)
    held.delete(item.key)
    parts.changed()
    parts.tell({ kind: 'changed' })
    void send()
    return item
  }

  async function keep(item: Kept): Promise<void> {
    if (disk) {
      try {
        return await disk.add(item)
      } catch (error) {
        notKept = error instanceof CannotKeep ? error.reason : 'denied'
      }
    }
    await memory.add(item)
  }

  async function write(item: Kept, change: Partial<Kept>): Promise<void> {
    const next = { ...item, ...change }
    items = items.map((each) => (each.key === item.key ? next : each))
    await Promise.all([memory.put(next), disk?.put(next).catch(() => undefined)])
    parts.changed()
    parts.tell({ kind: 'changed' })
  }

  async function drop(key: string): Promise<void> {
    await Promise.all([memory.drop(key), disk?.drop(key).catch(() => undefined)])
    items = items.filter((item) => item.key !== key)
    parts.changed()
  }

  /** Sends what waits, oldest first, until nothing waits or the server is not to be reached. */
  function send(): Promise<void> {
    again = true
    sending ??= (async () => {
      try {
        await opening
        while (again) {
          again = false
          await parts.alone(sendAll)
        }
      } finally {
        sending = undefined
      }
    })()
    return sending
  }

  async function sendAll(): Promise<void> {
    for (;;) {
      const next = await first()
      // Another tab may have sent what could not be sent from here: with nothing to send, nothing tells that the server is away.
      if (!next) return setReachable(true)
      const outcome = await parts.post(next)
      if (outcome.kind === 'done') {
        const { key, kind, document } = next
        // The answer first: what it brings is there before what waited is gone.
        parts.answered({ key, kind, document }, outcome.answer)
        await drop(key)
        parts.tell({ kind: 'answered', item: { key, kind, document }, answer: outcome.answer })
      } else if (outcome.kind === 'refused' || outcome.kind === 'conflict')
        await write(next, { state: outcome.kind, refusal: outcome.refusal })
      else {
        if (outcome.kind === 'failed') {
          const failures = next.failures + 1
          await write(
            next,
            failures < FAILURES
              ? { failures }
              : {
                  failures,
                  state: 'refused',
                  refusal: {
                    status: 500,
                    code: 'failed',
                    message: t('queue.theServerFailsOnThisChange'),
                    problems: [],
                  },
                },
          )
          if (failures >= FAILURES) continue
        }
        setReachable(false, outcome.kind === 'unreachable' ? outcome.why : undefined)
        parts.later(() => void send(), RETRY)
        return
      }
      setReachable(true)
    }
  }

  function setReachable(now: boolean, reason?: string) {
    if (reachable === now && why === reason) return
    reachable = now
    why = reason
    parts.changed()
  }

  /** Takes in what another tab says. */
  function hear(news: News) {
    if (news.kind === 'answered') {
      items = items.filter(({ key }) => key !== news.item.key)
      parts.answered(news.item, news.answer)
    }
    void reread()
  }

  return {
    opening,
    enter,
    send,
    hear,
    /** Everything that is on its way or stands apart, oldest first. */
    items: () => items,
    /** How many of them are being written to the disk at this moment: they do not count as kept yet. */
    keeping: () => held.size,
    reachable: () => reachable,
    why: () => why,
    /** Why this browser keeps nothing beyond the page; undefined when it does. */
    notKept: () => notKept,
    /** The disk was given up to a newer version in another tab: what comes now is kept in this page alone. */
    giveUpDisk: () => {
      disk = undefined
      notKept = 'held'
      parts.changed()
    },
    /** Sends something that stands apart once more. */
    retry: async (key: string) => {
      const item = items.find((each) => each.key === key)
      if (!item) return
      await write(item, { state: 'waiting', refusal: undefined, failures: 0 })
      void send()
    },
    /** Takes something that stands apart out for good. */
    forget: async (key: string) => {
      await drop(key)
      parts.tell({ kind: 'changed' })
    },
  }
}
export type Queue = ReturnType<typeof makeQueue>
