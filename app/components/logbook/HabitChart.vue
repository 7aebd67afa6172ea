<script setup lang="ts">
import { t } from '~/words/of/logbook'
import type { ApexOptions } from 'apexcharts'
import ApexChart from 'vue3-apexcharts'
import type { StartedEngine } from '#core/logbook/habit'
import type { Experience } from '#core/record/experience'
import { chartLook, inkOf } from '~/composables/chartLook'
import { figure } from '~/words/numbers'

/** How each engine's gauge read at hot idle beside its prediction, the oldest first, with what lies too far off apart; the mean of those that count and their spread shaded. */
const { engines, experience } = defineProps<{ engines: readonly StartedEngine[]; experience?: Experience }>()
const person = usePerson()
const read = computed(() =>
  [...engines].reverse().flatMap((engine) => {
    const hot = engine.readings.find(({ state }) => state === 'idleHot')
    return hot ? [{ ...engine, off: 100 * (hot.read / hot.predicted - 1) }] : []
  }),
)
/** As wide as those that count lie; what lies further off stands at the edge. */
const most = computed(() =>
  Math.max(
    10,
    5 * Math.ceil(Math.max(0, ...read.value.filter(({ counts }) => counts).map(({ off }) => 1.2 * Math.abs(off))) / 5),
  ),
)
const series = computed(() =>
  [
    { name: t('sisters.counts'), counts: true },
    { name: t('sisters.leftOut'), counts: false },
  ].map(({ name, counts }) => ({
    name,
    data: read.value.flatMap((engine, i) =>
      engine.counts === counts ? [{ x: i + 1, y: Math.max(-most.value, Math.min(most.value, engine.off)) }] : [],
    ),
  })),
)
const options = computed<ApexOptions>(() => {
  const look = chartLook(person.scheme)
  const line = (y: number, color: string) => ({ y, borderColor: color, strokeDashArray: 0 })
  return {
    ...look.options,
    chart: { ...look.options.chart, type: 'scatter' },
    colors: [inkOf('petrol'), inkOf('sheet')],
    markers: { size: [8, 8], strokeColors: inkOf('petrol'), strokeWidth: 2 },
    xaxis: {
      type: 'numeric',
      min: 0.5,
      max: read.value.length + 0.5,
      tickAmount: read.value.length,
      title: look.title(t('sisters.enginesInTheirOrder')),
      labels: { show: false },
      axisTicks: { show: false },
      tooltip: { enabled: false },
    },
    yaxis: {
      min: -most.value,
      max: most.value,
      tickAmount: 4,
      title: look.title(t('sisters.readOverPredicted')),
      labels: { style: look.type, formatter: (value) => figure(value, most.value > 10 ? 0 : 1) },
    },
    annotations: {
      yaxis: [
        line(0, inkOf('ink')),
        ...(experience
          ? [
              {
                y: 100 * (experience.mean - experience.spread),
                y2: 100 * (experience.mean + experience.spread),
                fillColor: inkOf('petrol'),
                opacity: 0.12,
                borderColor: 'transparent',
              },
            ]
          : []),
      ],
    },
    tooltip: {
      x: { formatter: (at) => read.value[Math.round(Number(at)) - 1]?.name ?? '' },
      y: {
        formatter: (value, { seriesIndex, dataPointIndex } = {}) => {
          const of = read.value.filter(({ counts }) => counts === (seriesIndex === 0))[dataPointIndex as number]
          return `${figure(of?.off ?? value, 1)} %`
        },
      },
    },
  }
})
</script>

<template>
  <div role="img" :aria-label="t('sisters.chartOfGauges')">
    <ApexChart type="scatter" height="240" :options="options" :series="series" />
  </div>
</template>
