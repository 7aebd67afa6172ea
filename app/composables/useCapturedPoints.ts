import { t } from '~/words/of/frame'
import { recorded } from '#core/engine/values'
import { oilFor } from '#core/record/fill'
import { START_POINTS } from '#core/parts/firstStart'
import type { PointName, SteadyPoint } from '#core/start/points'

export const POINT_LABELS = Object.fromEntries(START_POINTS) as Record<PointName, string>

/**
 * Keeps the steady points of the open run, and the seconds to first pressure: each an event of the run, and unless the engine is simulated a reading of
 * this build.
 */
export function useCapturedPoints(points: Ref<readonly SteadyPoint[]>, firstPressure: () => number | undefined) {
  const build = useBuild()
  const person = usePerson()
  const run = useRun()
  const simulated = computed(() => run.run?.setup.source === 'rig')
  watch(points, (now, before) => {
    for (const point of now) {
      const same = before?.find(({ name }) => name === point.name)
      if (same && same.time === point.time) continue
      if (
        run.events.some(
          ({ kind, time, data }) => kind === 'point' && data.name === point.name && Math.abs(time - point.time) < 0.5,
        )
      )
        continue
      void keep(point.name, point.pressure, point.speed, point.temperature, point.time, false)
    }
  })
  async function keep(name: PointName, pressure: number, at: number, warm: number, time: number, marked: boolean) {
    await run.event('point', POINT_LABELS[name], { name, pressure, speed: at, temperature: warm, marked }, time)
    if (simulated.value) return
    const seen = run.run?.setup.source === 'camera' && run.own ? useGaugeCamera() : undefined
    const sigma = seen?.read?.sigma
    const by = { by: person.who || 'Someone', at: new Date().toISOString(), source: 'measured' as const }
    await build.change(
      (['pressure', 'speed', 'temperature'] as const).map((field) => ({
        op: 'add' as const,
        path: `/readings/start.${name}.${field}`,
        value: {
          value: { pressure, speed: at, temperature: warm }[field],
          ...by,
          ...(field === 'pressure' && seen
            ? { instrument: t('useCapturedPoints.gaugeByCamera'), ...(sigma ? { uncertainty: sigma } : {}) }
            : {}),
          ...(field === 'pressure' ? { oil: run.run?.setup.oil ?? oilFor(build.sheet!, 'start') } : {}),
        },
      })),
      t('useCapturedPoints.captured', { pointLabels: POINT_LABELS[name] }),
    )
    // The reading does not wait for its picture.
    void seen?.photo(build.id!, person.who).then((photo) => {
      if (photo)
        void build.change(
          [{ op: 'add', path: `/readings/start.${name}.pressure/photos`, value: [photo] }],
          t('useCapturedPoints.captured', { pointLabels: POINT_LABELS[name] }),
        )
    })
  }
  const kept = computed(
    () => new Map(run.events.filter(({ kind }) => kind === 'point').map((event) => [String(event.data.name), event])),
  )
  watch(firstPressure, (seconds) => {
    if (seconds === undefined || simulated.value || run.ended || recorded(build.sheet!, 'start.firstPressure')) return
    void build.record(
      'start.firstPressure',
      { value: seconds, source: 'measured' },
      t('useCapturedPoints.secondsToFirstPressure'),
    )
  })
  return { kept, keep }
}
