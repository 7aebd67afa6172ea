import type { H3Event } from 'h3'
import { z } from 'zod'
import type { ChannelSample } from '#core/run/channels'
import type { Run } from '#core/run/run'
import { SampleBody } from '#core/run/schema'
import { getRun, getRunHead } from '../data/runs'

/** The run named in the address; 404 when there is none. */
export const requireRun = (event: H3Event): Promise<Run> => required(event, getRun)
/** The same without its events. */
export const requireRunHead = (event: H3Event) => required(event, getRunHead)

async function required<T>(
  event: H3Event,
  get: (db: ReturnType<typeof requireDatabase>, id: string) => Promise<T | undefined>,
): Promise<T> {
  const id = getRouterParam(event, 'run') ?? ''
  const run = z.uuid().safeParse(id).success ? await get(requireDatabase(), id) : undefined
  if (!run)
    throw refusal(404, 'unknown-run', `There is no run ${id}.`, {
      problems: [{ path: 'run', message: 'names no run' }],
    })
  return run
}

/** Seconds since a run began, by the server's clock. */
export function secondsInto(run: Pick<Run, 'startedAt'>): number {
  return Math.max(0, (Date.now() - Date.parse(run.startedAt)) / 1000)
}

/** Samples as they were sent; those that cannot be kept by their place. A sample without a time is taken as of now. */
export function takeSamples(
  values: unknown[],
  now: number,
): { samples: ChannelSample[]; refused: { index: number; path: string; message: string }[] } {
  const whole = z.array(SampleBody).safeParse(values)
  if (
    whole.success &&
    whole.data.every(({ time, ...channels }) => time !== undefined && Object.keys(channels).length > 0)
  )
    return { samples: whole.data as ChannelSample[], refused: [] }
  const samples: ChannelSample[] = []
  const refused: { index: number; path: string; message: string }[] = []
  values.forEach((value, index) => {
    const parsed = SampleBody.safeParse(value)
    if (parsed.success) {
      if (Object.keys(parsed.data).some((key) => key !== 'time'))
        samples.push({ ...parsed.data, time: parsed.data.time ?? now + index * 1e-3 })
      else refused.push({ index, path: '', message: 'holds no reading' })
    } else refused.push({ index, path: parsed.error.issues[0].path.join('.'), message: parsed.error.issues[0].message })
  })
  return { samples, refused }
}

/** A run as it may be seen: what a rig hides stays hidden until the run is over. */
export function shown(run: Run): Run {
  const { rig } = run.setup
  if (!rig?.hidden || run.endedAt) return run
  return {
    ...run,
    setup: {
      ...run.setup,
      rig: { seed: 0, pace: rig.pace, hidden: true, mechanicalGauge: rig.mechanicalGauge, stood: rig.stood },
    },
  }
}

const After = z.coerce.number().int().min(-1).max(2_147_483_647).default(-1)

/** The millisecond of a run that a listener has already. */
export function requireAfter(value: unknown): number {
  return requireValid(After, value ?? undefined, 'after')
}
