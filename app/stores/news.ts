import type { StopCode } from '#core/start/watchTypes'

/** What the server tells every page: that what the shop keeps or the shelf is another, that a start was stopped or called off. */
export type ShopNews =
  | { kind: 'house'; revision: number }
  | { kind: 'shelf' }
  /** The server's watch has called a start off, or a hand has taken the call. Pa. */
  | { kind: 'alarm'; on: boolean; run: string; build: string; name: string; code: StopCode; reading: number; limit: number }

type Hear = (news: ShopNews) => void
const hearers = new Set<Hear>()

/** Passes on what a page's one stream brings. */
export function useNews() {
  return {
    hear: (news: ShopNews) => hearers.forEach((hear) => hear(news)),
    onNews: (hear: Hear) => void hearers.add(hear),
  }
}
