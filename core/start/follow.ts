import type { BriefField } from '../parts/list'
import type { Sheet } from '../record/schema'
import { requireValue } from '../engine/values'
import { usableSheet } from '../engine/usableSheet'
import type { RigAction } from '../run/actions'
import type { ChannelSample } from '../run/channels'
import type { RunEvent, RunSetUp } from '../run/schema'
import type { Expectation } from './expectation'
import { prepareWatch } from './watch'
import { watchRules, type WatchRules } from './watchRules'
import type { Assessment, RunSample } from './watchTypes'

/** An oil temperature that a hand typed stands for so long, s: then it has warmed by more than the band allows for. */
const TYPED_STANDS = 120
/** A speed that was heard stands for so long, s. */
const HEARD_STANDS = 1.5

type Happened = Pick<RunEvent, 'time' | 'kind' | 'data'>

/** A run's readings and events put before the watch, in the order of their time: the same in the page and on the server. */
export interface RunWatch {
  rules: WatchRules
  /** Takes what is new. What the hand said is heard before readings of its time. */
  feed: (
    samples: readonly ChannelSample[],
    events: readonly Happened[],
    each?: (seen: Assessment, sample: RunSample) => void,
  ) => Assessment | undefined
  /** Time goes on without a reading. */
  tick: (time: number) => Assessment | undefined
  expect: (expectation: Expectation | undefined) => void
  /** Speed as it was heard a moment ago or, failing that, as the throttle's last word stands for, rev/s; and the oil temperature as it was last typed, °C. */
  said: (time: number) => Said
}

export interface Said {
  speed?: number
  /** What the speed stands on. */
  by?: 'ear' | 'throttle'
  temperature?: number
}

/** What a hand at the throttle says while the engine fires. */
export const FIRES = new Set<RigAction>(['fire', 'cold-idle', 'fast-idle', 'idle', 'working'])

/** Speeds that a throttle's words stand for by the brief, rev/s. */
export function throttleSpeeds(recorded: Sheet): Record<RigAction, number> {
  const { sheet } = usableSheet(recorded)
  const of = (key: BriefField) => requireValue(sheet, `brief.${key}`).value
  return {
    crank: of('crankingSpeed'),
    fire: of('coldIdleSpeed'),
    'cold-idle': of('coldIdleSpeed'),
    'fast-idle': 0.5 * (of('coldIdleSpeed') + of('workingSpeed')),
    idle: of('idleSpeed'),
    working: of('workingSpeed'),
    stop: 0,
  }
}

/** Readings that come by themselves as long as all is well. */
const isWired = (source: RunSetUp['source']) => source === 'logger' || source === 'serial' || source === 'camera'
/** Fed by the world as it goes: there the hand's “fired” and “off” are the engine's own. */
export const isLive = (source: RunSetUp['source'] | undefined) =>
  source === 'hand' || (source !== undefined && isWired(source))

/** The watch over one run of a sheet. What is not wired is taken from what was heard, or else from what the hand said: by hand and by camera the speed by the throttle's word, the oil as it was typed. What is heard tells how fast an engine runs, never whether: that the hand says. `silent`: s without a reading after which this page knows that its source sees nothing. */
export function watchRun(
  sheet: Sheet,
  { source }: Pick<RunSetUp, 'source'>,
  expectation?: Expectation,
  silent?: number,
): RunWatch {
  const rules = watchRules(sheet)
  // What is wired should be heard from the beginning.
  const wired = isWired(source)
  const watch = prepareWatch(rules, expectation, wired, silent)
  let model = expectation
  const speeds = throttleSpeeds(sheet)
  const live = isLive(source)
  const byHand = source === 'hand'
  const acts: { time: number; action: RigAction }[] = []
  const typed: { time: number; temperature: number }[] = []
  let heard: { time: number; speed: number } | undefined
  let last: Assessment | undefined

  function said(time: number): Said {
    const act = acts.filter((each) => each.time <= time + 1e-6).at(-1)
    const oil = typed.filter((each) => each.time <= time + 1e-6 && time - each.time <= TYPED_STANDS).at(-1)
    return { ...saidSpeed(act, time), ...(oil ? { temperature: oil.temperature } : {}) }
  }
  function saidSpeed(act: (typeof acts)[number] | undefined, time: number): Said {
    if (!act) return {}
    const isHeard =
      heard && FIRES.has(act.action) && heard.time >= act.time && Math.abs(time - heard.time) <= HEARD_STANDS
    return isHeard ? { speed: heard!.speed, by: 'ear' } : { speed: speeds[act.action], by: 'throttle' }
  }

  function hear({ time, kind, data }: Happened): void {
    if (kind === 'fired') watch.fired(time)
    if (kind === 'oil') typed.push({ time, temperature: Number(data.temperature) })
    if (kind === 'stop' || kind === 'end') watch.off()
    if (kind !== 'act') return
    const action = String(data.action) as RigAction
    acts.push({ time, action })
    if (live && action === 'fire') watch.fired(time)
    if (live && action === 'stop') watch.off()
  }

  function whole(sample: ChannelSample): RunSample {
    // Slower than any engine fires is none.
    if (sample.heard !== undefined && sample.heard > 0.5 * rules.cranking)
      heard = { time: sample.time, speed: sample.heard }
    const { speed, temperature } = said(sample.time)
    return {
      ...sample,
      // A gauge tells no speed: the ear does, or the hand at the throttle; a logger without a tachometer neither, where somebody listens.
      ...(byHand || source === 'camera' || heard ? { speed: sample.speed ?? speed } : {}),
      ...(byHand ? { whole: true } : {}),
      temperature: sample.temperature ?? temperature,
    }
  }

  return {
    rules,
    said,
    expect: (now) => watch.expect((model = now)),
    feed: (samples, events, each) => {
      let next = 0
      for (const sample of samples) {
        while (next < events.length && events[next].time <= sample.time + 1e-6) hear(events[next++])
        const full = whole(sample)
        last = watch.take(full)
        each?.(last, full)
      }
      while (next < events.length) hear(events[next++])
      return last
    },
    tick: (time) => {
      if (!live || acts.at(-1)?.action === 'stop') return last
      // Before anything was heard, the clock of what will come is not known: it is only said that nothing comes. What was heard once and falls silent is said, whether or not anything was done.
      if (acts.length === 0 && !last) return wired ? prepareWatch(rules, model, true, silent).tick(time) : undefined
      if (acts.length === 0 && !wired) return last
      return (last = watch.tick(time))
    },
  }
}
