import type { Band } from '#core/outlook/band'
import { SIGHT_LOST } from '~/composables/gaugeSeen'
import { isLive, type RunWatch, watchRun } from '#core/start/follow'
import { prepareCapture, type SteadyPoint } from '#core/start/points'
import type { Assessment, Stop, StopCode } from '#core/start/watchTypes'

/** Points of the band kept for the chart, one for each so many seconds. */
const EVERY = 0.5

/**
 * The open run under the watch: every reading of it, from its first, goes through the rules once. It begins without a model and takes the model's expectation as soon
 * as there is one; where the server's own watch says STOP first, that counts too.
 */
export function useStartWatch() {
  const build = useBuild()
  const run = useRun()
  const clock = useClock(50)
  const outlook = useOutlook()
  /** The record with the oil that this run was made with. */
  const sheet = useRunSheet()
  const recorded = () => [
    build.sheet?.layout,
    JSON.stringify(Object.entries(build.sheet?.readings ?? {}).filter(([key]) => !/^(start|prime)\./.test(key))),
    JSON.stringify(sheet.value && [sheet.value.oil, sheet.value.oils, sheet.value.fill]),
  ]
  /** A void record has no expectation: it would be one of a different engine. */
  const voided = computed(() => (outlook.now?.voids.length ?? 0) > 0)
  const { value: expectation } = useAnswer(
    (_model, slow) => (sheet.value && !voided.value ? slow().expectation(sheet.value) : undefined),
    () => [...recorded(), voided.value],
  )
  const seen = shallowRef<Assessment>()
  const band = shallowRef<(Band & { time: number })[]>([])
  const points = shallowRef<SteadyPoint[]>([])
  let watching: RunWatch | undefined
  let capture: ReturnType<typeof prepareCapture> | undefined
  let takenSamples = 0
  let heard = new Set<string>()
  let ticked = 0
  let history: (Band & { time: number })[] = []

  const rules = shallowRef<RunWatch['rules']>()
  const byHand = computed(() => run.run?.setup.source === 'hand')
  const live = computed(() => isLive(run.run?.setup.source))
  /** The camera of this very tab says at once when it sees nothing; elsewhere its readings come in pieces. */
  const silent = computed(() => (run.run?.setup.source === 'camera' && run.own ? SIGHT_LOST : undefined))

  /** What the server's watch has called, told as an event of the run. */
  const called = computed<Stop | undefined>(() => {
    const event = run.events.find(({ kind, data }) => kind === 'word' && data.watch === 'server')
    if (!event) return undefined
    const of = (key: string) => Number(event.data[key] ?? 0)
    return {
      code: String(event.data.code) as StopCode,
      time: event.time,
      reading: of('reading'),
      limit: of('limit'),
      speed: of('speed'),
      temperature: of('temperature'),
    }
  })
  const stop = computed(() => seen.value?.stop ?? called.value)

  function begin() {
    watching = watchRun(sheet.value!, run.run!.setup, expectation.value, silent.value)
    rules.value = watching.rules
    capture = prepareCapture(build.sheet!)
    history = []
    points.value = []
    seen.value = undefined
    takenSamples = 0
    heard = new Set()
  }

  /** Feeds what is new; from the start where something was put in before. */
  function follow() {
    if (!build.sheet || !run.run) return
    const { samples } = run
    if (!watching || takenSamples > samples.length) begin()
    const events = run.events.filter(({ clientKey }) => !heard.has(clientKey))
    for (const { clientKey } of events) heard.add(clientKey)
    const fresh = samples.slice(takenSamples)
    takenSamples = samples.length
    const last = watching!.feed(fresh, events, (each, sample) => {
      // At rest nothing is expected; after a stop nothing is steady any more.
      if (
        each.phase !== 'rest' &&
        each.expected &&
        (history.length === 0 || each.time - history[history.length - 1].time >= EVERY)
      )
        history.push({ time: each.time, ...each.expected })
      if (!each.stop && capture!.take(sample)) points.value = [...capture!.points.values()]
    })
    if (last) seen.value = { ...last }
    band.value = [...history]
  }
  watch(
    () => [run.run?.id, build.id],
    () => {
      watching = undefined
      follow()
    },
  )
  // A changed record is judged anew from the first reading; an expectation that has come is taken up as it is.
  watch(recorded, (now, before) => {
    if (JSON.stringify(now) === JSON.stringify(before)) return
    watching = undefined
    follow()
  })
  watch(expectation, (now) => {
    if (now) {
      // What was read before it came is judged by it too.
      watching = undefined
      follow()
    } else watching?.expect(undefined)
  })
  watch(() => [run.samples, run.events], follow, { immediate: true })
  // Between two readings by hand, or with a logger that says nothing, time goes on: the deadline does not wait for the next.
  watch(clock, () => {
    if (!live.value || !watching || run.ended || !run.ready) return
    const time = run.now()
    if (seen.value && time <= seen.value.time + (silent.value ?? 0.2)) return
    // So often it counts for a camera alone.
    if (silent.value === undefined && clock.value - ticked < 240) return
    ticked = clock.value
    const last = watching.tick(time)
    if (last) seen.value = { ...last }
  })
  const said = (time: number) => watching?.said(time) ?? {}
  /** Whether there is a model to watch by. */
  const modelled = computed(() => expectation.value !== undefined)
  return { seen, stop, called, band, points, rules, byHand, said, voided, modelled }
}
