import { prepareWatch } from '../../../core/start/watch'
import { watchRules, type WatchRules } from '../../../core/start/watchRules'
import type { Stop } from '../../../core/start/watchTypes'
import { type BuildCase, drawEngine, seeded } from './engine'
import { drawManner, makeStart, type MadeStart, type Manner, type Wrong } from './hand'

export interface Judged {
  made: MadeStart
  manner: Manner
  wrong: Wrong
  stop?: Stop
  /** Why a faulty start counts as missed or late; undefined when it was called in time. */
  fault?: string
}

/** Puts a made start before the watch, up to its stop or the switch. */
function watched(rules: WatchRules, { expectation }: BuildCase, { samples, fired, off }: MadeStart): Stop | undefined {
  const watch = prepareWatch(rules, expectation)
  for (const sample of samples) {
    if (fired !== undefined && sample.time >= fired) watch.fired(fired)
    // Where no speed is wired the hand says that it is off.
    if (fired !== undefined && sample.time > off) return undefined
    const { stop } = watch.take(sample)
    if (stop) return stop
  }
  return undefined
}

const WRONGS: Wrong['kind'][] = ['no-pressure', 'total-loss', 'slow-loss', 'over']

/** One start of a seed: healthy, or with something that goes wrong some time after the circuit has filled. */
export function judgeStart(builds: BuildCase[], seed: number, faulty: boolean): Judged {
  const random = seeded(7_000_003 + 977 * seed + (faulty ? 1 : 0))
  const build = builds[seed % builds.length]
  const engine = drawEngine(build, random)
  const manner = drawManner(random, engine)
  const wrong: Wrong = faulty
    ? { kind: WRONGS[seed % WRONGS.length], after: seed % WRONGS.length === 0 ? 0 : 12 + 40 * random() }
    : { kind: 'none', after: Infinity }
  // A slow loss hides behind a hunting, unknown engine until it is large; a stall in its middle would start it anew.
  if (faulty) manner.restarts = 0
  const rules = watchRules(build.sheet)
  const made = makeStart(engine, manner, wrong, random)
  const stop = watched(rules, build, made)
  return { made, manner, wrong, stop, ...(faulty ? { fault: lateness(rules, build, made, manner, wrong, stop) } : {}) }
}

/** Held against what the readings showed: by the clock of the reading, not of the engine behind it. */
function lateness(
  rules: WatchRules,
  { expectation }: BuildCase,
  { samples, firedAt }: MadeStart,
  manner: Manner,
  wrong: Wrong,
  stop: Stop | undefined,
): string | undefined {
  const readings = samples.filter(({ time }) => time >= firedAt)
  const slow = manner.rate < 5
  const allowed = (from: number, seconds: number, count: number) =>
    slow ? (readings.filter(({ time }) => time >= from - 1e-9)[count - 1]?.time ?? Infinity) : from + seconds
  if (wrong.kind === 'no-pressure')
    return !stop
      ? 'missed'
      : stop.time > Math.max(allowed(firedAt + rules.deadline, 1, 3), firedAt + 10)
        ? `late at ${(stop.time - firedAt).toFixed(1)} s`
        : undefined
  const begins = firedAt + wrong.after
  if (stop && stop.time < begins) return `before it went wrong: ${stop.code}`
  // The reading from which the rule's threshold stays passed.
  const passes =
    wrong.kind === 'over'
      ? (p: number) => p > rules.ceilingCold
      : wrong.kind === 'total-loss'
        ? (p: number) => p < rules.loss
        : (p: number) => p < halfOfEdge(expectation, rules.speeds[0])
  if (wrong.kind === 'slow-loss') {
    const from = underFor(
      readings.filter(({ time }) => time >= begins),
      passes,
      10,
    )
    const until = from === undefined ? Infinity : from + 10 + 4 / manner.rate
    return until > samples[samples.length - 1].time - 1 || (stop && stop.time <= until)
      ? undefined
      : stop
        ? `late by ${(stop.time - until).toFixed(1)} s (${stop.code})`
        : 'missed'
  }
  const from = readings.find(
    (each, i) =>
      each.time >= begins &&
      passes(each.pressure!) &&
      readings.slice(i, i + 4).filter((next) => passes(next.pressure!)).length >= Math.min(4, readings.length - i) - 1,
  )
  if (!from) return undefined
  const until = allowed(from.time, 3, 4)
  if (until > samples[samples.length - 1].time - 1) return undefined
  return !stop
    ? 'missed'
    : stop.time > until + 0.2
      ? `late by ${(stop.time - until).toFixed(1)} s (${stop.code})`
      : undefined
}

/** When the first stretch of so many seconds began in which no two readings in a row were otherwise; undefined where there is none. */
function underFor(
  readings: MadeStart['samples'],
  passes: (pressure: number) => boolean,
  seconds: number,
): number | undefined {
  let from: number | undefined
  let against = 0
  for (const { time, pressure } of readings) {
    against = passes(pressure!) ? 0 : against + 1
    if (against >= 2) from = undefined
    else if (against === 0) from ??= time
    if (from !== undefined && time - from >= seconds) return from
  }
  return undefined
}

/** Half of the lowest edge that the band has at any speed that an idle may hunt to and any temperature that the oil may have: under it a reading is too low whatever is not known. */
function halfOfEdge({ speeds, temperatures, low }: BuildCase['expectation'], slowest: number): number {
  const column = Math.max(0, speeds.findIndex((speed) => speed > slowest) - 1)
  return 0.5 * Math.min(...temperatures.map((_, row) => low[row * speeds.length + column]))
}
