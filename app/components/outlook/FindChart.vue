<script setup lang="ts">
import { whole } from '~/words/numbers'
import { t } from '~/words/of/outlook'
import type { ApexOptions } from 'apexcharts'
import ApexChart from 'vue3-apexcharts'
import type { Setup } from '#core/finder/types'
import { fromSI } from '#core/quantity/units'
import { chartLook, inkOf, wholeSteps } from '~/composables/chartLook'

/** Chance of meeting all targets against drive power: each set-up that nothing beats in both, the best of them filled. */
const { setups, best, wanted } = defineProps<{ setups: readonly Setup[]; best?: Setup; wanted: number }>()
const units = useUnits()
const person = usePerson()
const unit = computed(() => units.unit('power'))
const at = ({ power, probability }: Setup) => ({ x: fromSI(power, unit.value), y: 100 * probability })
const series = computed(() => [
  { name: 'set-up', data: setups.filter((setup) => setup !== best).map(at) },
  { name: 'best', data: best ? [at(best)] : [] },
])
/** Ends of the power's axis on whole steps. */
const run = computed(() => {
  const powers = setups.map((setup) => at(setup).x)
  const [low, high] = [Math.min(...powers), Math.max(...powers)]
  const { step } = wholeSteps(Math.max(high - low, 10), 8)
  const [min, max] = [step * Math.floor(low / step), step * Math.ceil(high / step)]
  return { min, max, tickAmount: Math.max(1, Math.round((max - min) / step)) }
})
const options = computed<ApexOptions>(() => {
  const look = chartLook(person.scheme)
  const petrol = inkOf('petrol')
  return {
    ...look.options,
    chart: { ...look.options.chart, type: 'scatter' },
    colors: [inkOf('sheet'), petrol],
    markers: { size: [6, 9], strokeColors: petrol, strokeWidth: 2 },
    xaxis: {
      type: 'numeric',
      ...run.value,
      title: look.title(t('findChart.drivePowerWorkingHot', { unit: unit.value.symbol })),
      labels: { style: look.type, formatter: (value) => whole(Number(value)) },
      tooltip: { enabled: false },
    },
    yaxis: {
      min: 0,
      max: 100,
      tickAmount: 4,
      title: look.title(t('findChart.allTargetsIn100')),
      labels: { style: look.type, formatter: (value) => String(Math.round(value)) },
    },
    annotations: {
      yaxis: [
        {
          y: wanted,
          borderColor: petrol,
          strokeDashArray: 6,
          label: {
            text: t('findChart.wanted', { wanted }),
            position: 'left',
            textAnchor: 'start',
            offsetX: 6,
            borderColor: 'transparent',
            style: { background: 'transparent', color: petrol, fontSize: '15px' },
          },
        },
      ],
    },
    tooltip: { y: { formatter: (value) => t('findChart.in100', { value: Math.round(value) }) } },
  }
})
</script>

<template>
  <div role="img" :aria-label="t('findChart.chanceOfMeetingAllTargets')">
    <ApexChart type="scatter" height="220" :options="options" :series="series" />
  </div>
</template>
