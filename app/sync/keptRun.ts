import { t } from '~/words/of/frame'
import type { ChannelSample } from '#core/run/channels'
import { begunRun, type KeptEvent, type Run } from '#core/run/run'
import type { RunEvent, RunSetUp } from '#core/run/schema'
import type { Kept } from './kept'
import { keepUnder, seenUnder } from './lastSeen'

/** Readings of a wire are kept at most so often, ms. */
const OFTEN = 3000

/** A run under way as this browser has it, for a page that is loaded again without the server. */
export interface KeptRun {
  run: Run
  samples: ChannelSample[]
  events: KeptEvent[]
  /** When it began, ms since 1970 by this browser's clock, which alone judges how long ago that is. */
  beganAt: number
}

const nameOf = (buildId: string, kind: Run['kind']) => t('keptRun.runUnderWayOf', { kind, buildId })
export const keepRun = (kept: KeptRun) => keepUnder(nameOf(kept.run.buildId, kept.run.kind), kept)
/** Lets go of what is kept; only of one run, where it is named: another that was looked at meanwhile goes on. */
export async function dropRun({ buildId, kind }: Pick<Run, 'buildId' | 'kind'>, id?: string): Promise<void> {
  const name = nameOf(buildId, kind)
  if (id === undefined || ((await seenUnder(name)) as KeptRun | undefined)?.run.id === id)
    await keepUnder(name, undefined)
}

/** Keeps the run that is under way: a hand's taps at once, the many readings of a wire a moment later, and what is left when the page goes. */
export function runKeeper(current: () => KeptRun | undefined) {
  let timer: ReturnType<typeof setTimeout> | undefined
  function keep() {
    clearTimeout(timer)
    timer = undefined
    const kept = current()
    if (!kept) return
    // Plain, as a disk takes it.
    if (kept.run.endedAt) void dropRun(kept.run, kept.run.id)
    else void keepRun({ ...kept, run: JSON.parse(JSON.stringify(kept.run)) as Run })
  }
  const flush = () => void (timer && keep())
  addEventListener('pagehide', flush)
  return {
    soon: () => (current()?.run.setup.source === 'hand' ? keep() : void (timer ??= setTimeout(keep, OFTEN))),
    flush,
  }
}

/**
 * The run of a build that nobody has ended, as far as this browser knows: what was seen of it, and on top what still
 * waits to be sent. One that was begun without the server is in what waits alone. Undefined when there is none.
 */
export async function runUnderWay(
  buildId: string,
  kind: Run['kind'],
  waiting: readonly Kept[],
): Promise<KeptRun | undefined> {
  const begun = waiting.findLast(
    (item) =>
      item.kind === 'run' &&
      item.url === `/api/builds/${buildId}/runs` &&
      (item.body as { kind: Run['kind'] }).kind === kind,
  )
  const seen = (await seenUnder(nameOf(buildId, kind))) as KeptRun | undefined
  const base = begun && seen?.run.id !== begun.document ? runBegun(buildId, kind, begun) : seen
  if (!base) return undefined
  const own = waiting.filter((item) => item.kind === 'run' && item.document === base.run.id)
  const events = [
    ...base.events,
    ...own
      .filter(({ url }) => url.endsWith('/events'))
      .map(({ body, at }): KeptEvent => ({
        ...(body as RunEvent),
        number: Number.MAX_SAFE_INTEGER,
        at: new Date(at).toISOString(),
      })),
  ]
  if (base.run.endedAt || events.some((event) => event.kind === 'end')) return undefined
  const samples = own.filter(({ url }) => url.endsWith('/samples')).flatMap(({ body }) => body as ChannelSample[])
  return { ...base, events, samples: [...base.samples, ...samples] }
}

function runBegun(buildId: string, kind: Run['kind'], { document: id, body, at }: Kept): KeptRun {
  const { setup, who } = body as { setup: RunSetUp; who: string }
  const startedAt = new Date(at).toISOString()
  return { run: begunRun({ id, buildId, kind, setup, who, startedAt }), samples: [], events: [], beganAt: at }
}
