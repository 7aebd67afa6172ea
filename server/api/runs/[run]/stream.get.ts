import { setImmediate } from 'node:timers/promises'
import pLimit from 'p-limit'
import { z } from 'zod'
import { type ChannelSample, sequenceOf } from '#core/run/channels'
import type { RunNews } from '#core/run/run'
import { eventsOf, samplesAfter } from '../../../data/runs'

/** Readings that one message tells, and those that are read at a time: many who open a long run hold nobody up who waits for the records. */
const MESSAGE = 3000
const PIECE = 300
const inTurn = pLimit(1)
/** ms: somebody acts on whether the server watches, so that it is known at each second. */
const BEAT = 1000

/** The next readings of a run for one message, each piece of them in turn with those of other listeners. */
async function nextSamples(run: string, after: number): Promise<ChannelSample[]> {
  const samples: ChannelSample[] = []
  for (let more = true; more && samples.length < MESSAGE;) {
    const last = samples.at(-1)
    const piece = await inTurn(async () => {
      await setImmediate()
      return samplesAfter(requireDatabase(), run, last ? sequenceOf(last) : after, PIECE)
    })
    samples.push(...piece)
    more = piece.length === PIECE
  }
  return samples
}

export default describedHandler(
  {
    about:
      'Readings and events of a run as they are committed (server-sent events), from the millisecond that the listener has: first what is kept, then what comes, without a gap and without anything twice.',
    query: z.object({ after: z.number() }),
    gives: 'text/event-stream',
  },
  async (event) => {
    const run = await requireRun(event)
    let sent = requireAfter(getRequestHeader(event, 'last-event-id') ?? getQuery(event).after)
    const stream = openListener(event, { beat: BEAT })
    const held: RunNews[] = []
    let caughtUp = false
    const tell = (news: RunNews) => {
      if (news.kind !== 'samples')
        return stream.push({
          event: news.kind,
          data: JSON.stringify(news.kind === 'event' ? news.event : { outcome: news.outcome }),
        })
      const fresh = news.samples.filter((sample: ChannelSample) => sequenceOf(sample) > sent)
      if (fresh.length === 0) return undefined
      sent = Math.max(...fresh.map(sequenceOf))
      return stream.push({ id: String(sent), event: 'samples', data: JSON.stringify(fresh) })
    }
    const unhear = hearRun(run.id, (news) => (caughtUp ? void tell(news) : void held.push(news)))
    stream.onClosed(unhear)
    void (async () => {
      for (let pieces = true; pieces;) {
        const samples = await nextSamples(run.id, sent)
        // Events first, and fresh: readings are judged by what was done and seen before them. The end comes last.
        for (const known of await eventsOf(requireDatabase(), run.id))
          if (known.kind !== 'end') await tell({ kind: 'event', event: known })
        if (samples.length > 0) await tell({ kind: 'samples', samples })
        pieces = samples.length >= MESSAGE
      }
      for (const known of run.events) if (known.kind === 'end') await tell({ kind: 'event', event: known })
      if (run.endedAt) await tell({ kind: 'end', outcome: run.outcome ?? 'ended' })
      caughtUp = true
      await stream.push({ event: 'ready', data: JSON.stringify({ time: secondsInto(run) }) })
      for (const news of held.splice(0)) await tell(news)
    })().catch((error: Error) => console.error(`Run ${run.id} could not be told: ${error.message}`))
    return stream.send()
  },
)
