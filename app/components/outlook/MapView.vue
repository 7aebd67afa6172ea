<script setup lang="ts">
import { requireValue } from '#core/build/values'
import { FLOW_KINDS, type FlowKind } from '#core/outlook/map'
import { targetAt } from '#core/outlook/outlook'
import { oilOf } from '#core/oil/sheet'
import { linePath } from '~/composables/plot'

/** Pressure over speed and temperature with the edge of its target, where the oil goes over speed, and what the drive takes. */
const build = useBuild()
const house = useHouse()
const map = useAnswer((model) => (build.sheet ? model.map(build.sheet) : undefined), () => build.sheet)
const WORDS: Record<FlowKind, string> = { mains: 'mains', rods: 'rods', cam: 'cam', lifters: 'lifters', rockers: 'rockers', jets: 'jets', turbo: 'turbo', relief: 'relief', lost: 'lost' }
const SHADES: Record<FlowKind, string> = { mains: '#0b5a68', rods: '#3f8796', cam: '#85b4bd', lifters: '#8d938f', rockers: '#b9bfb6', jets: '#d9d3c6', turbo: '#6d6a5c', relief: '#b4690e', lost: '#a02c26' }
const bar = computed(() => (house.unit('pressure').symbol === 'bar' ? 1 : undefined))
const LEFT = 62
const WIDTH = 590
const HEIGHT = 210

const cells = computed(() => {
  const found = map.value
  if (!found) return undefined
  const { speeds, temperatures, pressure } = found
  const sheet = build.sheet!
  const oil = oilOf(sheet)
  const idle = requireValue(sheet, 'brief.idleSpeed').value
  const most = Math.max(...pressure)
  const [w, h] = [WIDTH / speeds.length, HEIGHT / temperatures.length]
  const list = temperatures.flatMap((temperature, row) => speeds.map((speed, column) => {
    const value = pressure[row * speeds.length + column]
    const { least, most: ceiling } = targetAt(sheet, oil, { name: speed <= idle ? 'idleHot' : 'workingHot', speed, temperature })
    return { x: LEFT + column * w, y: 8 + HEIGHT - (row + 1) * h, value, share: value / most, under: value < least, over: value > ceiling }
  }))
  /** Edge of the target, cell by cell: where a cell that is short meets one that is not. */
  const at = (row: number, column: number) => list[row * speeds.length + column]
  const edges = temperatures.flatMap((_, row) => speeds.flatMap((__, column) => {
    const own = at(row, column)
    const right = column + 1 < speeds.length ? at(row, column + 1) : undefined
    const up = row + 1 < temperatures.length ? at(row + 1, column) : undefined
    return [
      ...(right && right.under !== own.under ? [`M ${right.x.toFixed(1)} ${own.y.toFixed(1)} v ${h.toFixed(2)}`] : []), ...(up && up.under !== own.under ? [`M ${own.x.toFixed(1)} ${own.y.toFixed(1)} h ${w.toFixed(2)}`] : []),
    ]
  })).join(' ')
  return { list, edges, w, h, most, speeds, temperatures, short: list.filter(({ under }) => under).length }
})
/** The row of the map nearest the brief's hot oil. */
const hotRow = computed(() => {
  const hot = requireValue(build.sheet!, 'brief.hotOil').value
  return map.value ? map.value.temperatures.reduce((best, temperature, i, all) => (Math.abs(temperature - hot) < Math.abs(all[best] - hot) ? i : best), 0) : 0
})
const stack = computed(() => {
  const found = map.value
  if (!found) return undefined
  const { speeds, flows, power } = found
  const across = speeds.length
  const x = (i: number) => LEFT + (i / (across - 1)) * WIDTH
  const kinds = FLOW_KINDS.filter((kind) => flows[kind].subarray(hotRow.value * across, (hotRow.value + 1) * across).some((flow) => flow > 1e-8))
  const sums = speeds.map((_, i) => kinds.reduce((sum, kind) => sum + Math.max(0, flows[kind][hotRow.value * across + i]), 0))
  const most = Math.max(...sums)
  const y = (flow: number) => 150 - (flow / most) * 140
  const below = speeds.map(() => 0)
  const bands = kinds.map((kind) => {
    const lower = below.map((flow, i) => `${x(i).toFixed(1)} ${y(flow).toFixed(1)}`).reverse()
    speeds.forEach((_, i) => (below[i] += Math.max(0, flows[kind][hotRow.value * across + i])))
    const last = Math.max(0, flows[kind][hotRow.value * across + across - 1])
    return { kind, d: `M ${below.map((flow, i) => `${x(i).toFixed(1)} ${y(flow).toFixed(1)}`).join(' L ')} L ${lower.join(' L ')} Z`, middle: y(below[across - 1] - 0.5 * last), last }
  })
  // Names at the right edge keep off each other, the widest bands first served.
  const names = bands.map(({ kind, middle }) => ({ kind, y: middle })).sort((a, b) => a.y - b.y)
  for (let k = 1; k < names.length; k++) names[k].y = Math.max(names[k].y, names[k - 1].y + 15)
  // And none under the foot of the chart.
  for (let k = names.length - 1, foot = 152; k >= 0; k--, foot -= 15) names[k].y = Math.min(names[k].y, foot)
  const row = power.subarray(hotRow.value * across, (hotRow.value + 1) * across)
  const watts = Math.max(...row)
  return { bands, names, most, watts, power: linePath([...row].map((value, i) => [x(i), 110 - (value / watts) * 100] as const)) }
})
</script>

<template>
  <div v-if="cells && stack">
    <h2>Pressure over speed and oil temperature</h2>
    <div class="drawing-scroll"><svg class="drawing" viewBox="0 0 732 262" role="img" :aria-label="`Pressure map: ${cells.short} of ${cells.list.length} places are under the target`">
      <rect v-for="(cell, i) in cells.list" :key="i" :x="cell.x" :y="cell.y" :width="cells.w + 0.4" :height="cells.h + 0.4" :style="{ fill: `color-mix(in srgb, var(--oil) ${Math.round(6 + 88 * cell.share)}%, var(--sheet))` }" />
      <path :d="cells.edges" stroke="var(--stop)" stroke-width="2.6" fill="none" data-testid="contour" />
      <text :x="LEFT - 8" y="18" text-anchor="end" class="quiet-text">{{ house.say(cells.temperatures.at(-1)!, 'temperature') }}</text><text :x="LEFT - 8" :y="HEIGHT + 8" text-anchor="end" class="quiet-text">{{ house.say(cells.temperatures[0], 'temperature') }}</text>
      <text :x="LEFT" :y="HEIGHT + 26" class="quiet-text">{{ house.show(cells.speeds[0], 'speed') }}</text><text :x="LEFT + WIDTH" :y="HEIGHT + 26" text-anchor="end" class="quiet-text">{{ house.say(cells.speeds.at(-1)!, 'speed') }}</text>
      <text :x="LEFT + WIDTH / 2" :y="HEIGHT + 26" text-anchor="middle" class="quiet-text">oil temperature upward, speed to the right; darkest {{ house.say(cells.most, 'pressure', bar) }}</text>
      <text :x="LEFT" :y="HEIGHT + 48" style="fill: var(--stop)">{{ cells.short === 0 ? 'nowhere under its target' : 'red line: the edge of its target' }}</text>
    </svg></div>
    <h2 class="next">Where the oil goes, hot</h2>
    <div class="drawing-scroll"><svg class="drawing" viewBox="0 0 732 176" role="img" aria-label="Flow by kind over speed, hot oil">
      <path v-for="band in stack.bands" :key="band.kind" :d="band.d" :fill="SHADES[band.kind]" stroke="var(--sheet)" stroke-width="0.8" :data-kind="band.kind" />
      <text v-for="name in stack.names" :key="name.kind" :x="LEFT + WIDTH + 8" :y="name.y + 4">{{ WORDS[name.kind] }}</text>
      <text :x="LEFT - 8" y="18" text-anchor="end" class="quiet-text">{{ house.show(stack.most, 'flow') }}</text><text :x="LEFT - 8" y="154" text-anchor="end" class="quiet-text">0</text><text :x="LEFT + WIDTH / 2" y="170" text-anchor="middle" class="quiet-text">{{ house.unit('flow').symbol }} over speed</text>
    </svg></div>
    <h2 class="next">What the drive takes, hot</h2>
    <div class="drawing-scroll"><svg class="drawing" viewBox="0 0 732 136" role="img" :aria-label="`Drive power over speed, up to ${house.say(stack.watts, 'power')}`">
      <path class="thin" :d="`M ${LEFT} 8 V 110 H ${LEFT + WIDTH}`" /><path :d="stack.power" fill="none" stroke="var(--petrol)" stroke-width="2.6" />
      <text :x="LEFT - 8" y="16" text-anchor="end" class="quiet-text">{{ house.show(stack.watts, 'power') }}</text><text :x="LEFT - 8" y="114" text-anchor="end" class="quiet-text">0</text><text :x="LEFT + WIDTH / 2" y="130" text-anchor="middle" class="quiet-text">{{ house.unit('power').symbol }} over speed</text>
    </svg></div>
  </div>
</template>

<style scoped>
.next { margin-top: 14px; }
</style>
