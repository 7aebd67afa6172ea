import { EventEmitter } from 'node:events'
import type { Entry } from '#core/record/entry'
import type { RunNews } from '#core/run/run'
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
  }
}

/** What is told to everybody: that the house or the shelf is another. */
export type ShopNews =
  | { kind: 'house'; revision: number }
  | { kind: 'shelf' }
  | { kind: 'people' }
  | { kind: 'proposals'; build: string }
  | Alarm

/** Every entry of a build; readings and events of a run. */
export const { tell: announceEntry, hear: hearEntries } = makeHub<Entry>()
const shop = makeHub<ShopNews>()
export const announceShop = (news: ShopNews) => shop.tell('shop', news)
export const hearShop = (hear: (news: ShopNews) => void) => shop.hear('shop', hear)
export const { tell: announceRun, hear: hearRun } = makeHub<RunNews>()

/** A session that has ended, by its id: what it listens to ends with it. */
const endings = makeHub<true>()
export const announceEnded = (session: string) => endings.tell(session, true)
export const hearEnded = (session: string, hear: () => void) => endings.hear(session, hear)
