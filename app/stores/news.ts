import type { StopCode } from '#core/start/watchTypes'

/** What the server tells every page: that what the shop keeps or the shelf is another, that a start was stopped or called off. */
export type ShopNews =
  | { kind: 'house'; revision: number }
  | { kind: 'shelf' }
  /** Who works here is another, or what somebody may. */
  | { kind: 'people' }
  /** What waits for a sign-off in a build is another. */
  | { kind: 'proposals'; build: string }
  /** The server's watch has called a start off, or a hand has taken the call. Pa. */
  | {
      kind: 'alarm'
      on: boolean
      run: string
      build: string
      name: string
      code: StopCode
      reading: number
      limit: number
    }

type Hear = (news: ShopNews) => void
const hearers = new Set<Hear>()

/** Passes on what a page's one stream brings. */
export function useNews() {
  return {
    hear: (news: ShopNews) => hearers.forEach((hear) => hear(news)),
    onNews: (hear: Hear) => void hearers.add(hear),
  }
}
