import { AT_PAD } from '#core/prime/run'
import { primeSetUpOf } from '#core/prime/setUp'
import type { PrimeSeen } from '#core/prime/watch'
import { flickerOf, mean, median, scatterAboutRise } from '#core/quantity/mean'
import type { ChannelSample } from '#core/run/channels'
import type { KeptEvent } from '#core/run/run'

/** How the open build is to be primed. */
export function usePrimeSetUp() {
  const build = useBuild()
  return computed(() => primeSetUpOf(build.sheet!))
}

/** Sender noise that is taken off a gauge's scatter, Pa. */
const NOISE = 4e3
const WINDOW = 2
/** s without a reading after which a logger is silent while it turns, at least and in so many of its own intervals; and after which a hand has not looked for too long. */
const UNREAD = { wired: 3, intervals: 3, hand: 30 }

/** Seconds between which the pump was turned or the tank pushed, by the run's actions; the last one open while it goes on. */
export function turnedSpans(events: readonly KeptEvent[], now: number): [number, number][] {
  const spans: [number, number][] = []
  for (const { kind, time, data } of events) {
    const open = spans.length > 0 && spans[spans.length - 1][1] === Infinity
    if (kind !== 'act') continue
    if (data.action === 'start' && !open) spans.push([time, Infinity])
    else if (data.action === 'stop' && open) spans[spans.length - 1][1] = time
  }
  return spans.map(([from, to]) => [from, Math.min(to, Math.max(now, from))])
}

/** When by the run's clock so many seconds had been turned: what is expected waits while nothing turns. */
export function clockOf(spans: [number, number][], turned: number): number {
  let left = turned
  for (const [i, [from, to]] of spans.entries()) {
    if (left <= to - from || i === spans.length - 1) return from + left
    left -= to - from
  }
  return turned
}

/**
 * What has been seen of a prime: how long it turned, when oil ran at the pad, and what the gauge does.
 *
 * @param by a hand that looks now and then, or the s after which its source is known to see nothing; else its own interval tells
 */
export function primeSeen(
  samples: readonly ChannelSample[],
  events: readonly KeptEvent[],
  now: number,
  by?: 'hand' | number,
): PrimeSeen {
  const spans = turnedSpans(events, now)
  const turnedBy = (time: number) => spans.reduce((sum, [from, to]) => sum + Math.max(0, Math.min(to, time) - from), 0)
  const reading = (sample: ChannelSample) => sample.gauge ?? sample.pressure
  const recent: number[] = []
  const senders: number[] = []
  for (let i = samples.length - 1; i >= 0 && samples[i].time > now - WINDOW; i--) {
    const own = reading(samples[i])
    if (own !== undefined) recent.push(own)
    if (samples[i].gauge !== undefined && samples[i].pressure !== undefined) senders.push(samples[i].pressure!)
  }
  // By hand the last reading stands until the next.
  if (recent.length === 0)
    for (let i = samples.length - 1; i >= 0 && recent.length === 0; i--)
      if (reading(samples[i]) !== undefined) recent.push(reading(samples[i])!)
  const gauge = mean(recent)
  const lately = samples
    .slice(-20)
    .filter((sample) => reading(sample) !== undefined)
    .slice(-4)
  const lastRead = lately.at(-1)?.time
  const interval = lately.length > 1 ? (lately.at(-1)!.time - lately[0].time) / (lately.length - 1) : 0
  const turning = spans.length > 0 && spans[spans.length - 1][1] >= now
  // A hand need not have looked before oil could be there.
  const unreadAfter = by === 'hand' ? UNREAD.hand : (by ?? Math.max(UNREAD.wired, UNREAD.intervals * interval))
  const unread = turning ? now - Math.max(lastRead ?? spans[0][0], spans[spans.length - 1][0]) : 0
  // From the first reading that was as the last one is to that last one: a single reading has not stood yet.
  const latest = samples[samples.length - 1]?.time ?? now
  let since = latest
  for (let i = samples.length - 1; i >= 0; i -= samples.length > 400 ? 3 : 1) {
    const own = reading(samples[i])
    if (own !== undefined && Math.abs(own - gauge) > 0.1 * Math.max(gauge, 20e3) + 3 * NOISE) break
    since = samples[i].time
  }
  const pad = events.find(({ kind, data }) => kind === 'seen' && data.place === 'pad')
  const fitted = events.find(({ kind, data }) => kind === 'act' && data.action === 'fit-filter')
  // Turning that only ran oil out at the open pad fills nothing behind it.
  const idle = pad ? Math.max(0, turnedBy(fitted?.time ?? now) - turnedBy(pad.time) - AT_PAD) : 0
  return {
    turned: turnedBy(now) - idle,
    pad: pad && turnedBy(pad.time),
    gauge,
    // A gauge that comes up does not flicker.
    flicker: flickerOf(recent, scatterAboutRise(recent)),
    still: Math.max(0, turnedBy(latest) - turnedBy(since)),
    ...(recent.length >= 3 ? { latest: median(recent.slice(0, 3)) } : {}),
    ...(unread > unreadAfter ? { unread } : {}),
    ...(senders.length > 0 ? { sender: mean(senders) } : {}),
  }
}
