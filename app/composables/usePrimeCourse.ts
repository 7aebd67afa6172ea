import { t } from '~/words/of/frame'
import { clockOf } from '~/composables/usePrime'
import type { PrimeLive } from '~/composables/usePrimeLive'

/** How a prime should go on the chart and through the circuit: the band by the run's own clock, and how full every node is. */
export function usePrimeCourse({ timeline, expected, seen, spans }: PrimeLive) {
  const run = useRun()
  /** How full every node is: seen by somebody or the rig, else by the model for so many seconds of turning. */
  const full = computed(() => {
    const map = new Map<string, number>()
    const model = timeline.value?.run
    if (model) {
      const moment = model.moments.filter(({ time }) => time <= seen.value.turned).at(-1)
      model.nodes.forEach((node, i) => map.set(node, moment?.full[i] ?? 0))
    }
    if (run.run?.setup.source === 'rig') for (const node of map.keys()) map.set(node, 0)
    for (const { kind, data } of run.events)
      if (kind === 'seen' && typeof data.place === 'string')
        map.set(
          data.place === 'pad'
            ? model?.nodes.includes('cooler outlet')
              ? t('usePrimeCourse.coolerOutlet')
              : t('usePrimeCourse.pumpOutlet')
            : data.place,
          1,
        )
    return map
  })
  const band = computed(() => {
    const model = timeline.value?.run
    const limits = expected.value
    if (!model || !limits || spans.value.length === 0) return []
    const share = (time: number) =>
      Math.min(
        1,
        (model.moments.filter((moment) => moment.time <= time).at(-1)?.gauge ?? 0) / Math.max(1, model.pressure),
      )
    // The rise comes as early and as late as the times' bands say.
    const early = timeline.value?.pressure
      ? timeline.value.pressure.best / Math.max(0.5, timeline.value.pressure.low)
      : 1
    const late = timeline.value?.pressure ? timeline.value.pressure.best / timeline.value.pressure.high : 1
    const done = spans.value.reduce((sum, [from, to]) => sum + to - from, 0)
    const end = Math.max(done, 30)
    return Array.from({ length: 90 }, (_, i) => {
      const turned = (i / 89) * end
      return {
        time: clockOf(spans.value, turned),
        pressure: share(turned) * limits.pressure,
        low: share(turned * late) * limits.low,
        high: share(turned * early) * limits.high,
      }
    })
  })
  const top = computed(() => 1.25 * Math.max(expected.value?.high ?? 4e5, seen.value.gauge, 1e5))
  return { full, band, top }
}
