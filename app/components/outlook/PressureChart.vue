<script setup lang="ts">
import type { ApexOptions } from 'apexcharts'
import ApexChart from 'vue3-apexcharts'
import type { PressureCurves } from '#core/outlook/curves'
import { fromSI } from '#core/units/units'

/** Gauge pressure over speed at three oil temperatures, with the least that is wanted and where the relief valve opens. */
const { curves, points } = defineProps<{ curves: PressureCurves; points: { speed: number; pressure: number; label: string }[] }>()
const house = useHouse()
const pressure = computed(() => house.unit('pressure'))
const decimals = computed(() => (pressure.value.symbol === 'bar' ? 2 : 0))
const colour = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()
const COLD_TO_HOT = ['--petrol', '--quiet', '--oil'] as const

const at = (speed: number, value: number) => ({ x: Math.round(speed * 60), y: fromSI(value, pressure.value) })
const series = computed(() => [
  ...curves.curves.map((curve) => ({ name: `oil at ${house.say(curve.temperature, 'temperature')}`, type: 'line', data: curves.speeds.map((speed, i) => at(speed, curve.pressures[i])) })),
  { name: 'least wanted, hot', type: 'line', data: curves.speeds.map((speed, i) => at(speed, curves.least[i])) },
  ...(points.length > 0 ? [{ name: 'measured', type: 'scatter', data: points.map((point) => at(point.speed, point.pressure)) }] : []),
])
const options = computed<ApexOptions>(() => {
  void house.scheme
  const ink = colour('--ink')
  const quiet = colour('--quiet')
  const type = { fontFamily: colour('--type'), fontSize: '14px' }
  return {
    chart: { type: 'line', toolbar: { show: false }, zoom: { enabled: false }, animations: { enabled: false }, background: 'transparent', fontFamily: colour('--type'), foreColor: ink },
    theme: { mode: house.scheme },
    colors: [...COLD_TO_HOT.map(colour), colour('--stop'), ink],
    stroke: { width: [2.5, 2.5, 3.5, 1.5, 0], dashArray: [0, 0, 0, 6, 0], curve: 'straight' },
    markers: { size: [0, 0, 0, 0, 7], shape: 'diamond', strokeWidth: 0 },
    xaxis: { type: 'numeric', title: { text: 'crank speed, rpm', style: { ...type, fontWeight: 400, color: quiet } }, labels: { style: type, formatter: (value) => Math.round(Number(value)).toLocaleString('en') }, tickAmount: 8, tooltip: { enabled: false } },
    yaxis: { min: 0, forceNiceScale: true, title: { text: `pressure at the gauge, ${pressure.value.symbol}`, style: { ...type, fontWeight: 400, color: quiet } }, labels: { style: type, formatter: (value) => value.toFixed(pressure.value.symbol === 'bar' ? 1 : 0) } },
    grid: { borderColor: colour('--rule') },
    annotations: { yaxis: [{ y: fromSI(curves.reliefOpens, pressure.value), borderColor: quiet, strokeDashArray: 2, label: { text: `relief opens ${house.say(curves.reliefOpens, 'pressure', decimals.value)}`, position: 'left', textAnchor: 'start', offsetX: 6, borderColor: 'transparent', style: { background: 'transparent', color: quiet, fontSize: '14px' } } }] },
    legend: { show: true, position: 'top', horizontalAlign: 'left', fontSize: '15px', labels: { colors: ink }, markers: { size: 7 }, itemMargin: { horizontal: 12 } },
    tooltip: { shared: true, intersect: false, x: { formatter: (value) => `${Math.round(value).toLocaleString('en')} rpm` }, y: { formatter: (value) => (value === undefined || value === null ? '' : `${value.toFixed(decimals.value)} ${pressure.value.symbol}`) } },
  }
})
</script>

<template>
  <ApexChart type="line" height="400" :options="options" :series="series" />
</template>
