<script setup lang="ts">
import { whole } from '~/words/numbers'
import { t } from '~/words/of/brief'
import type { ApexOptions } from 'apexcharts'
import ApexChart from 'vue3-apexcharts'
import { type Oil, oilAt } from '#core/oil/oil'
import { fromSI } from '#core/quantity/units'
import { chartLook, inkOf } from '~/composables/chartLook'

/** Dynamic viscosity over temperature, pipes and films, on a logarithmic scale, with the coldest start, hot oil and the pumping limit. */
const { oil, cold, hot } = defineProps<{ oil: Oil; cold: number; hot: number }>()
const units = useUnits()
const person = usePerson()
const unit = computed(() => units.unit('temperature'))
const from = computed(() => Math.min(-30, Math.floor(cold / 10) * 10))
const temperatures = computed(() => Array.from({ length: 40 }, (_, i) => from.value + ((150 - from.value) * i) / 39))
/** Decades, so that the axis stands on whole ones. */
const of = (pick: 'viscosity' | 'filmViscosity') =>
  temperatures.value.map((t) => ({
    x: Math.round(fromSI(t, unit.value) * 10) / 10,
    y: Math.log10(1e3 * oilAt(oil, t)[pick]),
  }))
const series = computed(() => [
  { name: 'in pipes and gaps', data: of('viscosity') },
  { name: 'in the films', data: of('filmViscosity') },
])
const thickest = computed(() => Math.ceil(series.value[0].data[0].y))
const options = computed<ApexOptions>(() => {
  const look = chartLook(person.scheme)
  const mark = (temperature: number, text: string, ink: string, dash = 0) => ({
    x: fromSI(temperature, unit.value),
    borderColor: ink,
    strokeDashArray: dash,
    label: {
      text,
      orientation: 'vertical' as const,
      offsetX: temperature < 40 ? 18 : 0,
      borderColor: 'transparent',
      style: { background: 'transparent', color: ink, fontSize: '15px' },
    },
  })
  return {
    ...look.options,
    colors: [inkOf('oil'), inkOf('petrol')],
    stroke: { width: [2.5, 2], dashArray: [0, 5], curve: 'straight' },
    xaxis: {
      type: 'numeric',
      tickAmount: 6,
      decimalsInFloat: 0,
      title: look.title(t('viscosityChart.oilTemperature', { unit: unit.value.symbol })),
      labels: { style: look.type, formatter: (value) => String(Math.round(Number(value))) },
      tooltip: { enabled: false },
    },
    yaxis: {
      min: 0,
      max: thickest.value,
      tickAmount: thickest.value,
      title: look.title(t('viscosityChart.viscosityMpaS')),
      labels: { style: look.type, formatter: (value) => whole(10 ** value) },
    },
    annotations: {
      xaxis: [
        mark(cold, t('viscosityChart.coldestStart'), inkOf('petrol')),
        mark(hot, t('viscosityChart.hotOil'), inkOf('oil')),
        ...(oil.pumpingLimit > from.value
          ? [mark(oil.pumpingLimit, t('viscosityChart.pumpingLimit'), inkOf('stop'), 4)]
          : []),
      ],
    },
    tooltip: {
      x: { formatter: (value) => `${Math.round(value)} ${unit.value.symbol}` },
      y: { formatter: (value) => `${(10 ** value).toPrecision(3)} mPa·s` },
    },
  }
})
</script>

<template>
  <div>
    <ul class="legend">
      <li><span />{{ t('viscosityChart.inPipesAndGaps') }}</li>
      <li><span class="films" />{{ t('viscosityChart.inTheFilmsUnderShear') }}</li>
    </ul>
    <ApexChart type="line" height="280" :options="options" :series="series" />
  </div>
</template>

<style scoped>
.legend {
  list-style: none;
  display: flex;
  gap: 4px 20px;
  margin: 0;
  padding: 0;
  flex-wrap: wrap;
}
.legend li {
  display: flex;
  align-items: center;
  gap: 8px;
}
.legend span {
  width: 22px;
  height: 4px;
  background: var(--oil);
}
.legend .films {
  height: 0;
  background: none;
  border-top: 2px dashed var(--petrol);
}
</style>
