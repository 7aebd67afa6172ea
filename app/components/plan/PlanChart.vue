<script setup lang="ts">
import type { ApexOptions } from 'apexcharts'
import ApexChart from 'vue3-apexcharts'
import { t } from '~/words/of/plan'
import { chartLook, inkOf } from '~/composables/chartLook'
import { PAGES } from '~/composables/stations'
import { DAYS } from '~/stores/plan'
import { wallMoment, wallShortDay } from '~/words/dates'
import { DAY } from '#core/plan/present'

/** Every engine over the fortnight: its work as bars, what was promised as a mark. */
const plan = usePlan()
const person = usePerson()
const planned = computed(() => plan.planned!)
const titleOf = (station: string) => PAGES.find(({ page }) => page === station)!.title
const from = computed(() => Math.floor(planned.value.now / DAY) * DAY)
/** The hours in which anybody is ever here, as shares of a day: the nights between are not drawn. */
const open = computed(() => {
  const hours = planned.value.hands.flatMap(({ present }) =>
    present.flatMap(({ from: a, to: b }) => [a % DAY, b % DAY]),
  )
  return hours.length > 0 ? { from: Math.min(...hours), to: Math.max(...hours) } : { from: 0, to: DAY }
})
/** A moment as days since the first, each as wide as its hours. */
const x = (at: number) => {
  const { from: first, to: last } = open.value
  return Math.floor(at / DAY) - from.value / DAY + Math.min(1, Math.max(0, ((at % DAY) - first) / (last - first)))
}
/** Bars shorter than this are drawn so long: seen, at this width. */
const LEAST = 0.03
const series = computed(() => [
  {
    name: t('plan.plan'),
    data: planned.value.order.flatMap((id) => {
      const engine = planned.value.engines.find(({ build }) => build === id)!
      const turns = planned.value.turns.filter(({ build }) => build === id)
      const mark = engine.promised
        ? [{ name: t('chart.promised'), value: x(engine.promised), strokeColor: inkOf('ink'), strokeWidth: 4 }]
        : []
      const bars = turns.map((turn) => ({
        x: engine.name,
        y: [x(turn.from), Math.max(x(turn.to), x(turn.from) + LEAST)],
        fillColor: inkOf(engine.promised !== undefined && turn.to > engine.promised ? 'stop' : 'petrol'),
        meta: `${titleOf(turn.station)}, ${turn.hand}, ${wallMoment(turn.from)}`,
        goals: mark,
      }))
      return bars.length > 0 ? bars : [{ x: engine.name, y: [0, 0], fillColor: 'transparent', meta: '', goals: mark }]
    }),
  },
])
const options = computed<ApexOptions>(() => {
  const look = chartLook(person.scheme)
  return {
    ...look.options,
    chart: { ...look.options.chart, type: 'rangeBar' },
    plotOptions: { bar: { horizontal: true, rangeBarGroupRows: true, barHeight: '52%' } },
    grid: { ...look.options.grid, xaxis: { lines: { show: true } } },
    xaxis: {
      type: 'numeric',
      min: 0,
      max: DAYS,
      tickAmount: DAYS,
      labels: {
        style: look.type,
        rotate: 0,
        hideOverlappingLabels: false,
        formatter: (value) => (Number(value) < DAYS ? wallShortDay(from.value + Number(value) * DAY) : ''),
      },
    },
    yaxis: { labels: { style: look.type, maxWidth: 220 } },
    tooltip: {
      custom: ({ seriesIndex, dataPointIndex }: { seriesIndex: number; dataPointIndex: number }) => {
        const words = document.createElement('span')
        words.textContent = series.value[seriesIndex]?.data[dataPointIndex]?.meta ?? ''
        return `<div style="padding:6px 10px">${words.innerHTML}</div>`
      },
    },
  }
})
const height = computed(() => 120 + 46 * planned.value.order.length)
</script>

<template>
  <div role="img" :aria-label="t('chart.engines')">
    <ApexChart type="rangeBar" :height="height" :options="options" :series="series" />
  </div>
</template>
