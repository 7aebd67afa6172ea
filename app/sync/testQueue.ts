import type { Draft, Kept, Refusal } from './kept'
import type { Keeper } from './keeper'
import { makeQueue, type News, type Outcome, type Queue } from './queue'

export const draft = (key: string, more: Partial<Draft> = {}): Draft => ({
  key,
  kind: 'build',
  document: 'ferry',
  identity: 'page 1',
  label: key,
  url: '/',
  body: { clientKey: key },
  ...more,
})
export const refusal = (code: string): Refusal => ({ status: 409, code, message: code, problems: [] })

/** A server that enters each key once and answers as it is told to. */
export function server() {
  const entered: string[] = []
  let way: (item: Kept) => Outcome | undefined = () => undefined
  return {
    entered,
    answer: (next: typeof way) => (way = next),
    post: async (item: Kept): Promise<Outcome> => {
      const told = way(item)
      if (told) return told
      if (!entered.includes(item.key)) entered.push(item.key)
      return { kind: 'done', answer: item.key }
    },
  }
}

/** One tab: its queue, what it was told, and its timer, run by hand. */
export function tab(
  open: () => Promise<Keeper>,
  post: (item: Kept) => Promise<Outcome>,
  tabs: Queue[] = [],
  lock = makeLock(),
  now = () => Date.now(),
) {
  const timers: (() => void)[] = []
  const answers: unknown[] = []
  const queue: Queue = makeQueue({
    open,
    post,
    alone: lock,
    now,
    changed: () => undefined,
    answered: (_, answer) => answers.push(answer),
    later: (work) => timers.push(work),
    tell: (news: News) => tabs.filter((each) => each !== queue).forEach((each) => each.hear(news)),
  })
  tabs.push(queue)
  return { queue, answers, tick: () => timers.splice(0).forEach((work) => work()) }
}

export function makeLock() {
  let last: Promise<void> = Promise.resolve()
  return (work: () => Promise<void>) => {
    const next = last.then(work, work)
    last = next.catch(() => undefined)
    return next
  }
}
