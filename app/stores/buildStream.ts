import type { Entry } from '#core/record/entry'
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
  /** The server has ended it for good: it is opened again after a while, where it is still wanted. */
  ended: () => void
}

/** What the server tells of a build as it happens. */
export function openBuildStream({ build, device, after, entry, shop, present, speaks, ended }: Heard): EventSource {
  const stream = new EventSource(`/api/builds/${build}/events?after=${after()}&device=${encodeURIComponent(device)}`)
  const told = <T>(name: string, hear: (news: T) => void) =>
    stream.addEventListener(name, (event) => hear(JSON.parse((event as MessageEvent<string>).data) as T))
  told('entry', entry)
  told('shop', shop)
  told('present', present)
  stream.onopen = () => speaks(true)
  stream.onerror = () => {
    speaks(false)
    // A server that answers with an error closes the stream for good.
    if (stream.readyState === EventSource.CLOSED) ended()
  }
  return stream
}
