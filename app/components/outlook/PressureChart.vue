<script setup lang="ts">
import { figure, whole } from '~/words/numbers'
import { t } from '~/words/of/outlook'
import type { ApexOptions } from 'apexcharts'
import ApexChart from 'vue3-apexcharts'
import type { PressureCurves } from '#core/outlook/curves'
import { fromSI } from '#core/quantity/units'
import { chartLook, inkOf } from '~/composables/chartLook'

/** Gauge pressure over speed at three oil temperatures, with the least that is wanted and where the relief valve opens. */
const { curves, points } = defineProps<{
  curves: PressureCurves
  points: { speed: number; pressure: number; label: string }[]
}>()
const units = useUnits()
const person = usePerson()
const pressure = computed(() => units.unit('pressure'))
const decimals = computed(() => (pressure.value.symbol === 'bar' ? 2 : 0))
const COLD_TO_HOT = ['petrol', 'quiet', 'oil'] as const

const at = (speed: number, value: number) => ({ x: Math.round(speed * 60), y: fromSI(value, pressure.value) })
/** Band under each curve: low and high in one series each. */
const bands = computed(() =>
  curves.curves.map((curve) => ({
    name: `band at ${units.say(curve.temperature, 'temperature')}`,
    type: 'rangeArea',
    data: curve.band.map(({ speed, low, high }) => ({
      x: Math.round(speed * 60),
      y: [fromSI(low, pressure.value), fromSI(high, pressure.value)],
    })),
  })),
)
const series = computed(() => [
  ...bands.value,
  ...curves.curves.map((curve) => ({
    name: `oil at ${units.say(curve.temperature, 'temperature')}`,
    type: 'line',
    data: curves.speeds.map((speed, i) => at(speed, curve.pressures[i])),
  })),
  // Under the least that is wanted with hot oil, shaded down to nothing.
  {
    name: 'short of its target, hot',
    type: 'rangeArea',
    data: curves.speeds.map((speed, i) => ({
      x: Math.round(speed * 60),
      y: [0, fromSI(curves.least[i], pressure.value)],
    })),
  },
  { name: 'minimum, hot oil', type: 'line', data: curves.speeds.map((speed, i) => at(speed, curves.least[i])) },
  ...(points.length > 0
    ? [{ name: 'measured', type: 'scatter', data: points.map((point) => at(point.speed, point.pressure)) }]
    : []),
])
/** Ticks at whole 500 rpm, or 1,000 on a long axis, and the axis ends on one. */
const fastest = computed(() => 60 * curves.speeds[curves.speeds.length - 1])
const step = computed(() => (fastest.value > 4500 ? 1000 : 500))
const top = computed(() => step.value * Math.ceil(fastest.value / step.value))
/** Ticks of pressure at whole steps, and the axis ends on one above everything that is drawn. */
const rise = computed(() => {
  const most = fromSI(
    1.06 * Math.max(curves.most, ...curves.curves.flatMap(({ pressures }) => pressures)),
    pressure.value,
  )
  const whole = [0.5, 1, 2, 5, 10, 20, 50, 100, 200].find((each) => most / each <= 8) ?? most
  return { step: whole, top: whole * Math.ceil(most / whole) }
})
const options = computed<ApexOptions>(() => {
  const look = chartLook(person.scheme)
  const ink = inkOf('ink')
  const quiet = inkOf('quiet')
  return {
    ...look.options,
    colors: [...COLD_TO_HOT.map(inkOf), ...COLD_TO_HOT.map(inkOf), inkOf('stop'), inkOf('stop'), ink],
    fill: { opacity: [0.13, 0.13, 0.2, 1, 1, 1, 0.1, 1, 1] },
    stroke: { width: [0, 0, 0, 2.5, 2.5, 3.5, 0, 1.5, 0], dashArray: [0, 0, 0, 0, 0, 0, 0, 6, 0], curve: 'straight' },
    markers: { size: [0, 0, 0, 0, 0, 0, 0, 0, 7], shape: 'diamond', strokeWidth: 0 },
    xaxis: look.speedAxis({ top: top.value, ticks: top.value / step.value }),
    yaxis: {
      min: 0,
      max: rise.value.top,
      tickAmount: Math.round(rise.value.top / rise.value.step),
      title: look.title(t('pressureChart.pressureAtTheGauge', { unit: pressure.value.symbol })),
      labels: { style: look.type, formatter: (value) => figure(value, pressure.value.symbol === 'bar' ? 1 : 0) },
    },
    annotations: {
      yaxis: [
        // What is over the relief's opening, and what filter and seals should not see.
        {
          y: fromSI(curves.reliefOpens, pressure.value),
          y2: fromSI(curves.most, pressure.value),
          fillColor: inkOf('oil'),
          opacity: 0.07,
          borderColor: 'transparent',
        },
        {
          y: fromSI(curves.most, pressure.value),
          y2: fromSI(2 * curves.most, pressure.value),
          fillColor: inkOf('stop'),
          opacity: 0.12,
          borderColor: inkOf('stop'),
          label: {
            text: t('pressureChart.aboveMaximum', { most: units.say(curves.most, 'pressure') }),
            position: 'left',
            textAnchor: 'start',
            offsetX: 6,
            offsetY: -3,
            borderColor: 'transparent',
            style: { background: 'transparent', color: inkOf('stop'), fontSize: '15px' },
          },
        },
        {
          y: fromSI(curves.reliefOpens, pressure.value),
          borderColor: quiet,
          strokeDashArray: 2,
          label: {
            text: t('pressureChart.reliefOpens', {
              reliefOpens: units.say(curves.reliefOpens, 'pressure', decimals.value),
            }),
            position: 'right',
            textAnchor: 'end',
            offsetX: -4,
            offsetY: 20,
            borderColor: 'transparent',
            style: { background: 'transparent', color: quiet, fontSize: '15px' },
          },
        },
      ],
    },
    tooltip: {
      shared: true,
      intersect: false,
      x: { formatter: (value) => t('pressureChart.rpm', { value: whole(value) }) },
      y: {
        formatter: (value) =>
          value === undefined || value === null ? '' : `${figure(value, decimals.value)} ${pressure.value.symbol}`,
      },
    },
  }
})
</script>

<template>
  <div>
    <ul class="legend">
      <li v-for="(curve, i) in curves.curves" :key="curve.temperature">
        <span :style="{ background: `var(--${COLD_TO_HOT[i]})` }" />{{
          t('pressureChart.oilAtWithItsBand', { temperature: units.say(curve.temperature, 'temperature') })
        }}
      </li>
      <li><span class="least" />{{ t('pressureChart.minimumHotOil') }}</li>
      <li v-if="points.length > 0"><span class="point" />{{ t('pressureChart.measured') }}</li>
    </ul>
    <ApexChart type="line" height="380" :options="options" :series="series" />
  </div>
</template>

<style scoped>
.legend {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  margin: 0;
  padding: 0;
}
.legend li {
  display: flex;
  align-items: center;
  gap: 8px;
}
.legend span {
  width: 22px;
  height: 4px;
}
.legend .least {
  height: 0;
  border-top: 2px dashed var(--stop);
}
.legend .point {
  width: 10px;
  height: 10px;
  background: var(--ink);
  transform: rotate(45deg);
}
</style>
