import { EventEmitter } from 'node:events'
import type { Entry } from '#core/record/entry'
import { sequenceOf } from '#core/run/channels'
import type { RunNews } from '#core/run/run'
import type { CatchUp } from '../many/catchUp'
import type { Notice } from '../many/notice'
import type { Alarm } from '../watch/clock'

/** Tells those who listen under a name, in this process; called once what it tells is committed. */
function makeHub<T>() {
  const emitter = new EventEmitter()
  emitter.setMaxListeners(0)
  return {
    tell: (id: string, news: T) => void emitter.emit(id, news),
    /** Until the returned function is called. */
    hear: (id: string, hear: (news: T) => void) => {
      emitter.on(id, hear)
      return () => void emitter.off(id, hear)
    },
    /** Under which names somebody listens. */
    heard: () => emitter.eventNames() as string[],
  }
}

/** What is told to everybody: that the house or the shelf is another. */
export type ShopNews =
  | { kind: 'house'; revision: number }
  | { kind: 'shelf' }
  | { kind: 'people' }
  | { kind: 'proposals'; build: string }
  | Alarm

/** Every entry of a build; readings and events of a run; what everybody is told; a session that has ended, by its id. */
const entries = makeHub<Entry>()
const runs = makeHub<RunNews>()
const shop = makeHub<ShopNews>()
const endings = makeHub<true>()

/** Other servers on the same database, where there are any: they are told too, and what they told is not told twice. */
let others: { tell: (notice: Notice) => void; own: CatchUp['own'] } | undefined
export const provideOthers = (provided: typeof others) => void (others = provided)

/** Those who listen in this process alone. */
export const tellHere = { entry: entries.tell, run: runs.tell, shop: (news: ShopNews) => shop.tell('shop', news) }
export const heardHere = { builds: entries.heard, runs: runs.heard }

export function announceEntry(build: string, entry: Entry): void {
  if (others?.own.entry(build, entry.revision) ?? true) entries.tell(build, entry)
  others?.tell({ kind: 'entry', id: build, number: entry.revision })
}

export function announceRun(run: string, news: RunNews): void {
  others?.own.run(run, news)
  runs.tell(run, news)
  // An event that is told before it is kept has no number yet: it is told to the others once it has.
  if (news.kind === 'event' && news.event.number < Number.MAX_SAFE_INTEGER)
    others?.tell({ kind: 'event', id: run, number: news.event.number })
  if (news.kind === 'samples')
    others?.tell({ kind: 'samples', id: run, number: Math.min(...news.samples.map(sequenceOf)) - 1 })
  if (news.kind === 'end') others?.tell({ kind: 'end', id: run })
}

/** A run that another server is to take up has begun. */
export const announceBegun = (run: string) => others?.tell({ kind: 'begun', id: run })

/** A call of the watch that was told here before it was kept is in the records now, where the others read it. */
export function announceCall(run: string, number: number): void {
  others?.tell({ kind: 'event', id: run, number })
  others?.tell({ kind: 'alarm', id: run, on: true })
}

export function announceShop(news: ShopNews): void {
  shop.tell('shop', news)
  others?.tell(shopNotice(news))
}

function shopNotice(news: ShopNews): Notice {
  switch (news.kind) {
    case 'house':
      return { kind: 'house', number: news.revision }
    case 'proposals':
      return { kind: 'proposals', id: news.build }
    case 'alarm':
      return { kind: 'alarm', id: news.run, on: news.on }
    default:
      return { kind: news.kind }
  }
}

/** A session has ended: what it listens to ends with it. */
export function announceEnded(session: string): void {
  endings.tell(session, true)
  others?.tell({ kind: 'session-ended', id: session })
}
export const tellEndedHere = (session: string) => endings.tell(session, true)

export const hearEntries = entries.hear
export const hearRun = runs.hear
export const hearShop = (hear: (news: ShopNews) => void) => shop.hear('shop', hear)
export const hearEnded = (session: string, hear: () => void) => endings.hear(session, hear)
