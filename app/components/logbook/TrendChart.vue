<script setup lang="ts">
import { t } from '~/words/of/logbook'
import type { ApexOptions } from 'apexcharts'
import ApexChart from 'vue3-apexcharts'
import type { Trend } from '#core/logbook/trend'
import { fromSI, type Dimension } from '#core/quantity/units'
import { chartLook, inkOf, wholeSteps } from '~/composables/chartLook'
import { monthOf } from '~/words/dates'
import { figure, whole } from '~/words/numbers'

/** Hot idle over the engine's age: each reading as it stands for hot idle, the line with its band, and the floor that it is to stay over. */
const { trend } = defineProps<{ trend: Trend }>()
const units = useUnits()
const person = usePerson()
const pressure = computed(() => units.unit('pressure'))
const decimals = computed(() => (pressure.value.symbol === 'bar' ? 2 : 0))
const p = (value: number) => fromSI(value, pressure.value)
const age = computed<Dimension | undefined>(() =>
  trend.by === 'hours' ? 'span' : trend.by === 'distance' ? 'distance' : undefined,
)
const YEAR = 365.25 * 86400
const x = (run: number) => (age.value ? fromSI(run, units.unit(age.value)) : run / YEAR)
const series = computed(() => [
  {
    name: t('years.band'),
    type: 'rangeArea',
    data: trend.curve.map(({ run, low, high }) => ({ x: x(run), y: [p(low), p(high)] })),
  },
  { name: t('years.trend'), type: 'line', data: trend.curve.map((each) => ({ x: x(each.run), y: p(each.pressure) })) },
  {
    name: t('years.readings'),
    type: 'scatter',
    data: trend.points.map(({ run, standard }) => ({ x: x(run), y: p(standard) })),
  },
])
const rise = computed(() =>
  wholeSteps(
    1.08 *
      p(Math.max(trend.floor, ...trend.curve.map(({ high }) => high), ...trend.points.map(({ standard }) => standard))),
    5,
  ),
)
const along = computed(() => wholeSteps(x(trend.curve.at(-1)!.run), 6))
const options = computed<ApexOptions>(() => {
  const look = chartLook(person.scheme)
  return {
    ...look.options,
    colors: [inkOf('petrol'), inkOf('petrol'), inkOf('ink')],
    fill: { opacity: [0.14, 1, 1], type: 'solid' },
    stroke: { width: [0, 2.5, 0] },
    markers: { size: [0, 0, 7], strokeWidth: 0, hover: { sizeOffset: 2 } },
    xaxis: {
      type: 'numeric',
      min: 0,
      max: along.value.top,
      tickAmount: along.value.ticks,
      title: look.title(
        age.value
          ? t('years.sinceFirstStart', { unit: units.unit(age.value).symbol })
          : t('years.yearsSinceFirstStart'),
      ),
      labels: { style: look.type, formatter: (value) => figure(Number(value), along.value.step < 1 ? 1 : 0) },
      tooltip: { enabled: false },
    },
    yaxis: {
      min: 0,
      max: rise.value.top,
      tickAmount: rise.value.ticks,
      title: look.title(t('years.hotIdleIn', { unit: pressure.value.symbol })),
      labels: { style: look.type, formatter: (value) => figure(value, decimals.value === 2 ? 1 : 0) },
    },
    annotations: {
      yaxis: [
        {
          y: p(trend.floor),
          borderColor: inkOf('stop'),
          strokeDashArray: 5,
          label: {
            text: t('years.floorIs', { pressure: units.say(trend.floor, 'pressure', units.fine) }),
            position: 'left',
            textAnchor: 'start',
            borderColor: 'transparent',
            style: { ...look.type, color: inkOf('stop'), background: inkOf('sheet') },
          },
        },
      ],
      xaxis: (trend.meets.expected && trend.meets.expected.run > trend.points.at(-1)!.run
        ? [trend.meets.expected]
        : []
      ).map(({ run, at }) => ({
        x: x(run),
        borderColor: inkOf('quiet'),
        strokeDashArray: 3,
        label: {
          text: monthOf(at),
          orientation: 'horizontal',
          borderColor: 'transparent',
          style: { ...look.type, color: inkOf('quiet'), background: inkOf('sheet') },
        },
      })),
    },
    tooltip: {
      shared: false,
      intersect: true,
      x: { formatter: (at) => (age.value ? `${whole(at)} ${units.unit(age.value).symbol}` : figure(at, 1)) },
      y: { formatter: (value) => `${figure(value, decimals.value)} ${pressure.value.symbol}` },
    },
  }
})
</script>

<template>
  <div role="img" :aria-label="t('years.chart')">
    <ApexChart type="line" height="320" :options="options" :series="series" />
  </div>
</template>
