import type { Band } from '#core/outlook/band'
import { requireValue } from '#core/build/values'
import { type Assessment, type Monitor, type MonitorRules, monitorRules, prepareMonitor, type RunSample } from '#core/start/monitor'
import { prepareCapture, type SteadyPoint } from '#core/start/points'
import type { RigAction } from '#core/rig/engine'

/** Points of the band kept for the chart, one for each so many seconds. */
const EVERY = 0.5
/** A wired source that says nothing for so long is silent, s. */
const SILENT = 1.5

/**
 * The open run under the monitor: every reading of it, from its first, goes through the rules once; what is not wired is taken from what the hand
 * said (the speed by the throttle's name, the oil as it was typed in). Made anew when the run, its rules or the expectation change.
 */
export function useStartMonitor(oilTemperature: () => number | undefined) {
  const build = useBuild()
  const run = useRun()
  const clock = useClock(250)
  const expectation = useAnswer((_model, films) => (build.sheet ? films().expectation(build.sheet) : undefined), () => [build.sheet?.layout, JSON.stringify(Object.entries(build.sheet?.readings ?? {}).filter(([key]) => !/^(start|prime)\./.test(key)))])
  const seen = shallowRef<Assessment>()
  const band = shallowRef<(Band & { time: number })[]>([])
  const points = shallowRef<SteadyPoint[]>([])
  let monitor: Monitor | undefined
  let capture: ReturnType<typeof prepareCapture> | undefined
  let next = 0
  let history: (Band & { time: number })[] = []

  /** The same object while nothing in it has changed: a reading that is written down begins nothing anew. */
  const rules = computed<MonitorRules | undefined>((before) => {
    if (!expectation.value || !build.sheet) return undefined
    const now = monitorRules(build.sheet, expectation.value)
    return before && (Object.keys(now) as (keyof MonitorRules)[]).every((key) => now[key] === before[key]) ? before : now
  })
  const speeds = computed<Record<string, number>>(() => {
    const of = (key: string) => requireValue(build.sheet!, `brief.${key}`).value
    return { crank: of('crankingSpeed'), fire: of('coldIdleSpeed'), 'cold-idle': of('coldIdleSpeed'), 'fast-idle': 0.5 * (of('coldIdleSpeed') + of('workingSpeed')), idle: of('idleSpeed'), working: of('workingSpeed'), stop: 0 } satisfies Record<RigAction, number>
  })
  /** Speed that the throttle's last word stands for at a time. */
  function saidSpeed(time: number): number | undefined {
    const last = run.events.filter((event) => event.kind === 'act' && event.time <= time + 1e-6).at(-1)
    return last && speeds.value[String(last.data.action)]
  }
  const byHand = computed(() => run.run?.setup.source === 'hand')
  /** Fed by the world as it goes, rather than by a rig with its own time or a file afterwards. */
  const live = computed(() => ['hand', 'logger', 'serial'].includes(run.run?.setup.source ?? ''))
  /** By the wall, ms: when a reading last came. */
  let cameAt = Date.now()
  /** s without a reading from what is wired; nothing while they come, or by hand. */
  const silent = ref(0)

  function feed(sample: RunSample) {
    seen.value = monitor!.take(sample)
    const { expected, time, phase } = seen.value
    // At rest nothing is expected.
    if (phase !== 'rest' && (history.length === 0 || time - history[history.length - 1].time >= EVERY)) history.push({ time, ...expected })
    if (capture!.take(sample)) points.value = [...capture!.points.values()]
  }
  function whole(sample: RunSample): RunSample {
    return { ...sample, speed: sample.speed ?? saidSpeed(sample.time), temperature: sample.temperature ?? oilTemperature(), ...(byHand.value ? { whole: true } : {}) }
  }
  /** Feeds what is new; from the start where something was put in before. */
  function follow() {
    if (!rules.value || !run.run) return
    const { samples } = run
    if (!monitor || next > samples.length) restart()
    for (const event of run.events) if (event.kind === 'fired' || (event.kind === 'act' && event.data.action === 'fire' && live.value)) monitor!.fired(event.time)
    if (next < samples.length) cameAt = Date.now()
    for (; next < samples.length; next++) feed(whole(samples[next]))
    band.value = [...history]
  }
  function restart() {
    monitor = prepareMonitor(rules.value!)
    capture = prepareCapture(build.sheet!)
    history = []
    points.value = []
    seen.value = undefined
    next = 0
  }
  watch(() => [run.run?.id, rules.value], () => {
    monitor = undefined
    follow()
  })
  watch(() => [run.samples, run.events], follow, { immediate: true })
  // Between two readings by hand, or with a logger that says nothing, time goes on: the deadline does not wait for the next.
  watch(clock, (now) => {
    if (!live.value || !monitor || run.ended) return
    const waited = (now - cameAt) / 1000
    silent.value = byHand.value || waited < SILENT ? 0 : waited
    if (!byHand.value && waited < SILENT) return
    const time = run.now()
    if (run.events.some(({ kind }) => kind === 'act') && (seen.value === undefined || time > seen.value.time)) feed({ time, speed: saidSpeed(time), temperature: oilTemperature() })
  })
  return { seen, band, points, rules, saidSpeed, silent }
}
