import type { Entry } from '#core/record/entry'
import { openServerStream } from '~/sync/serverStream'
import type { ShopNews } from './news'

/** Somebody who has the build open in another tab, and at which page of it. */
export interface Present {
  device: string
  who: string
  page: string
}

interface Heard {
  build: string
  /** This tab. */
  device: string
  /** Revision that is here, asked anew at each opening. */
  after: () => number
  entry: (entry: Entry) => void
  shop: (news: ShopNews) => void
  present: (present: Present[]) => void
  /** Whether the server speaks. */
  speaks: (yes: boolean) => void
  /** The server has ended it with an error: perhaps nobody is signed in any more. */
  ended: () => void
}

/** What the server tells of a build as it happens, until the returned function is called. */
export const openBuildStream = ({ build, device, after, entry, shop, present, speaks, ended }: Heard): (() => void) =>
  openServerStream({
    url: () => `/api/builds/${build}/events?after=${after()}&device=${encodeURIComponent(device)}`,
    beat: 5,
    tells: {
      entry: (news) => entry(news as Entry),
      shop: (news) => shop(news as ShopNews),
      present: (news) => present(news as Present[]),
    },
    speaks,
    ended,
  })
