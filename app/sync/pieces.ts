import type { ChannelSample } from '#core/run/channels'
import type { Run } from '#core/run/run'

/** Sources that read ten times a second, and how long readings of theirs are gathered, ms. */
const BY_TENTHS = new Set<Run['setup']['source']>(['camera', 'serial'])
const PIECE = 250

/** Readings on their way to the queue: what a hand says goes at once, what comes by itself several times a second in pieces. */
export function makePieces(enter: (run: string, some: ChannelSample[]) => Promise<unknown>) {
  let of = ''
  let gathered: ChannelSample[] = []
  let sending: ReturnType<typeof setTimeout> | undefined

  /** Gives the queue what was gathered: before anything else is said of its run. */
  async function send() {
    clearTimeout(sending)
    sending = undefined
    const some = gathered
    gathered = []
    if (some.length > 0) await enter(of, some)
  }
  async function push({ id, setup }: Pick<Run, 'id' | 'setup'>, fresh: readonly ChannelSample[]) {
    if (of !== id) await send()
    of = id
    gathered.push(...fresh)
    const isHeard = fresh.every(({ heard }) => heard !== undefined)
    if (!BY_TENTHS.has(setup.source) && !isHeard) return send()
    sending ??= setTimeout(() => void send(), PIECE)
  }
  return { push, send }
}
