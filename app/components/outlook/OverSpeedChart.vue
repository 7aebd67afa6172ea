<script setup lang="ts">
import { figure, whole } from '~/words/numbers'
import { t } from '~/words/of/outlook'
import type { ApexOptions } from 'apexcharts'
import ApexChart from 'vue3-apexcharts'
import { fromSI, type Dimension } from '#core/quantity/units'
import { chartLook, inkOf, wholeSteps } from '~/composables/chartLook'

/** Lines over crank speed, each named where it ends, with its band where it was sampled: an area, or a bar at the speed that matters. SI. */
const {
  lines,
  speeds,
  dimension,
  words,
  label,
  most,
  limit,
  marks = [],
  height = 240,
} = defineProps<{
  lines: readonly {
    name: string
    /** Colour by its role in the scheme. */
    ink: string
    dash?: number
    width?: number
    values: readonly number[]
    band?: readonly { speed: number; low: number; high: number }[]
  }[]
  speeds: readonly number[]
  dimension: Dimension
  /** What is drawn upward. */
  words: string
  label: string
  /** Top of the chart, where lines may leave it. */
  most?: number
  /** A level that must not be passed. */
  limit?: { value: number; words: string }
  /** Bands at single speeds, each with its name at the mark, unless that would lie over the lines' own, and its words under the chart. */
  marks?: readonly { speed: number; low: number; high: number; name: string; words: string; unnamed?: boolean }[]
  height?: number
}>()
const units = useUnits()
const person = usePerson()
const unit = computed(() => units.unit(dimension))
const rpm = (speed: number) => Math.round(60 * speed)
const at = (speed: number, value: number) => ({ x: rpm(speed), y: fromSI(value, unit.value) })
const top = computed(
  () =>
    most ??
    1.04 *
      Math.max(
        limit?.value ?? 0,
        ...marks.map(({ high }) => high),
        ...lines.flatMap(({ values, band }) => [...values, ...(band ?? []).map(({ high }) => high)]),
      ),
)
const least = computed(() => Math.min(0, ...lines.flatMap(({ values }) => values)))
const rise = computed(() => wholeSteps(fromSI(top.value, unit.value), 6))
const run = computed(() => wholeSteps(rpm(speeds.at(-1)!), 7))
interface Drawn {
  series: { name: string; type: string; data: { x: number; y: number | number[] }[] }
  ink: string
  width: number
  dash: number
  opacity: number
}
/** What is drawn in turn: bands first, so that the lines lie on them. */
const drawn = computed((): Drawn[] => [
  ...lines.flatMap(({ name, ink, band = [] }): Drawn[] =>
    band.length > 1
      ? [
          {
            series: {
              name: `band of ${name}`,
              type: 'rangeArea',
              data: band.map(({ speed, low, high }) => ({
                x: rpm(speed),
                y: [fromSI(low, unit.value), fromSI(high, unit.value)],
              })),
            },
            ink,
            width: 0,
            dash: 0,
            opacity: 0.12,
          },
        ]
      : band.map(({ speed, low, high }) => ({
          series: { name: `band of ${name}`, type: 'line', data: [at(speed, low), at(speed, high)] },
          ink,
          width: 5,
          dash: 0,
          opacity: 1,
        })),
  ),
  ...marks.map(({ speed, low, high, name }): Drawn => ({
    series: { name, type: 'line', data: [at(speed, low), at(speed, high)] },
    ink: 'ink',
    width: 5,
    dash: 0,
    opacity: 1,
  })),
  ...lines.map(({ name, ink, values, width = 2.5, dash = 0 }): Drawn => ({
    series: {
      name,
      type: 'line',
      data: speeds.map((speed, i) => at(speed, values[i])).filter(({ y }) => y <= rise.value.top),
    },
    ink,
    width,
    dash,
    opacity: 1,
  })),
])
const ends = computed(() =>
  lines.flatMap(({ name, ink }) => {
    const last = drawn.value.find(({ series }) => series.name === name)!.series.data.at(-1)
    return last ? [{ name, ink, x: last.x, y: last.y as number }] : []
  }),
)
const options = computed<ApexOptions>(() => {
  const look = chartLook(person.scheme)
  const decimals = rise.value.step < 0.1 ? 2 : rise.value.step < 1 ? 1 : 0
  // Names that would lie on each other are moved apart.
  const room = (17 * rise.value.top) / (height - 84)
  /** Room to the right of the lines, where their names stand; else over their ends. */
  const beside = run.value.top > 1.12 * rpm(speeds.at(-1)!)
  const order = ends.value.map((_, i) => i).sort((a, b) => ends.value[a].y - ends.value[b].y)
  const lifts = ends.value.map(() => 0)
  order.forEach((i, k) => {
    const below = k > 0 ? ends.value[order[k - 1]].y + lifts[order[k - 1]] : -Infinity
    lifts[i] = Math.max(0, below + room - ends.value[i].y)
  })
  return {
    ...look.options,
    colors: drawn.value.map(({ ink }) => inkOf(ink)),
    fill: { opacity: drawn.value.map(({ opacity }) => opacity) },
    stroke: {
      width: drawn.value.map(({ width }) => width),
      dashArray: drawn.value.map(({ dash }) => dash),
      curve: 'straight',
    },
    markers: { size: 0 },
    xaxis: look.speedAxis(run.value),
    yaxis: {
      min: least.value < 0 ? fromSI(least.value, unit.value) : 0,
      max: rise.value.top,
      tickAmount: rise.value.ticks,
      title: look.title(`${words}, ${unit.value.symbol}`),
      labels: { style: look.type, formatter: (value) => figure(value, decimals) },
    },
    annotations: {
      yaxis: limit
        ? [
            {
              y: fromSI(limit.value, unit.value),
              borderColor: inkOf('stop'),
              strokeDashArray: 6,
              label: {
                text: limit.words,
                position: 'left',
                textAnchor: 'start',
                offsetX: 6,
                borderColor: 'transparent',
                style: { background: 'transparent', color: inkOf('stop'), fontSize: '15px' },
              },
            },
          ]
        : [],
      points: [
        ...marks
          .filter(({ unnamed }) => !unnamed)
          .map(({ speed, low, high, name: text }) => ({
            x: rpm(speed),
            y: fromSI(0.5 * (low + high), unit.value),
            marker: { size: 0 },
            label: {
              text,
              // To the side that has room.
              textAnchor: rpm(speed) > 0.55 * run.value.top ? 'end' : 'start',
              offsetX: rpm(speed) > 0.55 * run.value.top ? -9 : 9,
              // Clear over the line, which may rise steeply from here.
              offsetY: rpm(speed) > 0.55 * run.value.top ? -4 : -22,
              borderColor: 'transparent',
              style: { background: 'transparent', color: inkOf('ink'), fontSize: '15px' },
            },
          })),
        ...ends.value.map(({ name, ink, x, y }, i) => ({
          x,
          y: Math.min(y + lifts[i], rise.value.top),
          marker: { size: 0 },
          label: {
            text: name,
            textAnchor: beside ? 'start' : 'end',
            offsetX: beside ? 6 : 0,
            offsetY: beside ? 15 : 4,
            borderColor: 'transparent',
            style: { background: 'transparent', color: inkOf(ink), fontSize: '15px', fontWeight: 600 },
          },
        })),
      ],
    },
    tooltip: {
      shared: false,
      x: { formatter: (value) => t('overSpeedChart.rpm', { value: whole(value) }) },
      y: {
        formatter: (value) => (typeof value === 'number' ? `${figure(value, decimals + 1)} ${unit.value.symbol}` : ''),
      },
    },
  }
})
</script>

<template>
  <div role="img" class="predicted" :aria-label="label">
    <ApexChart type="line" :height="height" :options="options" :series="drawn.map(({ series }) => series)" />
  </div>
  <p v-if="marks.length > 0" class="quiet">{{ marks.map(({ words }) => words).join('; ') }}</p>
</template>
