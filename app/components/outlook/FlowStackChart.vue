<script setup lang="ts">
import { short, whole } from '~/words/numbers'
import { t } from '~/words/of/outlook'
import type { ApexOptions } from 'apexcharts'
import ApexChart from 'vue3-apexcharts'
import { fromSI } from '#core/quantity/units'
import { chartLook, inkOf, wholeSteps } from '~/composables/chartLook'
import { keptApart } from '~/composables/plot'

/** Where the oil goes over crank speed: what each kind passes, stacked to all that the pump gives, each named at its end. SI. */
const { kinds, speeds } = defineProps<{
  kinds: readonly { kind: string; words: string; shade: string; flows: readonly number[] }[]
  speeds: readonly number[]
}>()
const HEIGHT = 300
/** What title, ticks and margins take of the height, px. */
const AROUND = 78
const units = useUnits()
const person = usePerson()
const unit = computed(() => units.unit('flow'))
const rpm = (speed: number) => Math.round(60 * speed)
const last = computed(() => kinds.map(({ flows }) => fromSI(flows.at(-1)!, unit.value)))
const rise = computed(() =>
  wholeSteps(
    Math.max(...speeds.map((_, i) => kinds.reduce((sum, { flows }) => sum + fromSI(flows[i], unit.value), 0))),
    5,
  ),
)
const run = computed(() => wholeSteps(rpm(speeds.at(-1)!), 7))
/** Where each name stands: the middle of its band at the last speed, moved up off the one below. */
const names = computed(() => {
  const perPx = rise.value.top / (HEIGHT - AROUND)
  let below = 0
  const middles = last.value.map((flow) => (below += flow) - 0.5 * flow)
  return keptApart(middles, 17 * perPx)
})
const series = computed(() =>
  kinds.map(({ words, flows }) => ({
    name: words,
    data: speeds.map((speed, i) => ({ x: rpm(speed), y: fromSI(flows[i], unit.value) })),
  })),
)
const options = computed<ApexOptions>(() => {
  const look = chartLook(person.scheme)
  const say = (value: number) => short(value, rise.value.step < 1 ? 2 : 1)
  return {
    ...look.options,
    chart: { ...look.options.chart, type: 'area', stacked: true },
    colors: kinds.map(({ shade }) => shade),
    fill: { type: 'solid', opacity: 1 },
    stroke: { width: 1, curve: 'straight', colors: [inkOf('sheet')] },
    dataLabels: { enabled: false },
    markers: { size: 0 },
    xaxis: look.speedAxis(run.value),
    yaxis: {
      min: 0,
      max: rise.value.top,
      tickAmount: rise.value.ticks,
      title: look.title(t('flowStackChart.flow', { unit: unit.value.symbol })),
      labels: { style: look.type, formatter: say },
    },
    annotations: {
      points: kinds.map(({ words }, i) => ({
        x: rpm(speeds.at(-1)!),
        y: Math.min(names.value[i], rise.value.top),
        marker: { size: 0 },
        label: {
          text: words,
          textAnchor: 'start',
          offsetX: 6,
          offsetY: 15,
          borderColor: 'transparent',
          style: { background: 'transparent', color: inkOf('ink'), fontSize: '15px' },
        },
      })),
    },
    tooltip: {
      shared: true,
      intersect: false,
      x: { formatter: (value) => t('flowStackChart.rpm', { value: whole(value) }) },
      y: { formatter: (value) => (typeof value === 'number' ? `${say(value)} ${unit.value.symbol}` : '') },
    },
  }
})
</script>

<template>
  <div role="img" class="predicted" :aria-label="t('flowStackChart.flowByKindOverSpeedHot')">
    <ApexChart type="area" :height="HEIGHT" :options="options" :series="series" />
  </div>
</template>
