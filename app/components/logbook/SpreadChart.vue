<script setup lang="ts">
import { t } from '~/words/of/logbook'
import type { ApexOptions } from 'apexcharts'
import ApexChart from 'vue3-apexcharts'
import type { Spread } from '#core/logbook/sisters'
import { chartLook, inkOf } from '~/composables/chartLook'
import { figure } from '~/words/numbers'
import { inSentence } from '~/words/speak'

/** The measurements that lie furthest out, each in its sisters' standard deviations: sisters open, this engine filled. */
const { spreads } = defineProps<{ spreads: readonly Spread[] }>()
const person = usePerson()
const MOST = 10
const FAR = 5
const shown = computed(() => spreads.filter(({ deviation }) => deviation > 0).slice(0, MOST))
/** Further out than the chart is wide stands at its edge. */
const place = (value: number, { mean, deviation }: Spread) => Math.max(-FAR, Math.min(FAR, (value - mean) / deviation))
const series = computed(() => [
  {
    name: t('sisters.sisters'),
    data: shown.value.flatMap((spread, i) =>
      spread.others.map(({ value }) => ({ x: place(value, spread), y: shown.value.length - i })),
    ),
  },
  {
    name: t('sisters.here'),
    data: shown.value.map((spread, i) => ({ x: place(spread.value, spread), y: shown.value.length - i })),
  },
])
const options = computed<ApexOptions>(() => {
  const look = chartLook(person.scheme)
  return {
    ...look.options,
    chart: { ...look.options.chart, type: 'scatter' },
    colors: [inkOf('sheet'), inkOf('petrol')],
    markers: { size: [6, 9], strokeColors: inkOf('petrol'), strokeWidth: 2 },
    xaxis: {
      type: 'numeric',
      min: -FAR,
      max: FAR,
      tickAmount: 10,
      title: look.title(t('sisters.inStandardDeviations')),
      labels: { style: look.type, formatter: (value) => figure(Number(value), 0) },
      tooltip: { enabled: false },
    },
    yaxis: {
      min: 0,
      max: shown.value.length + 1,
      tickAmount: shown.value.length + 1,
      labels: {
        style: look.type,
        maxWidth: 260,
        formatter: (value) => {
          const label = shown.value[shown.value.length - Math.round(value)]?.label
          return label ? inSentence(label) : ''
        },
      },
    },
    tooltip: { x: { formatter: (value) => figure(Number(value), 1) } },
  }
})
</script>

<template>
  <div role="img" :aria-label="t('sisters.chartOfSpreads')">
    <ApexChart type="scatter" :height="90 + 34 * shown.length" :options="options" :series="series" />
  </div>
</template>
