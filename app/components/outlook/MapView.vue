<script setup lang="ts">
import { FLOW_KINDS, type FlowKind } from '#core/parts/circuitBuilder'
import { requireValue } from '#core/engine/values'
import { namedStates, STATE_LABELS } from '#core/outlook/states'
import { keptApart, linePath } from '~/composables/plot'

/** Pressure over speed and temperature with the edge of its target, where the oil goes over speed, and what the drive takes. */
const build = useBuild()
const units = useUnits()
const { value: map } = useAnswer(
  (model) => (build.sheet ? model.map(build.sheet) : undefined),
  () => build.sheet,
)
const WORDS: Record<FlowKind, string> = {
  mains: 'mains',
  rods: 'rods',
  cam: 'cam',
  lifters: 'lifters',
  rockers: 'rockers',
  jets: 'jets',
  turbo: 'turbo',
  relief: 'relief',
  lost: 'lost',
}
const SHADES: Record<FlowKind, string> = {
  mains: '#0b5a68',
  rods: '#3f8796',
  cam: '#85b4bd',
  lifters: '#8d938f',
  rockers: '#b9bfb6',
  jets: '#d9d3c6',
  turbo: '#6d6a5c',
  relief: '#b4690e',
  lost: '#a02c26',
}
const LEFT = 62
const WIDTH = 590

/** The row of the map nearest the brief's hot oil. */
const hotRow = computed(() => {
  const hot = requireValue(build.sheet!, 'brief.hotOil').value
  return map.value
    ? map.value.temperatures.reduce(
        (best, temperature, i, all) => (Math.abs(temperature - hot) < Math.abs(all[best] - hot) ? i : best),
        0,
      )
    : 0
})
const stack = computed(() => {
  const found = map.value
  if (!found) return undefined
  const { speeds, flows, power } = found
  const across = speeds.length
  const x = (i: number) => LEFT + (i / (across - 1)) * WIDTH
  const kinds = FLOW_KINDS.filter((kind) =>
    flows[kind].subarray(hotRow.value * across, (hotRow.value + 1) * across).some((flow) => flow > 1e-8),
  )
  const sums = speeds.map((_, i) =>
    kinds.reduce((sum, kind) => sum + Math.max(0, flows[kind][hotRow.value * across + i]), 0),
  )
  const most = Math.max(...sums)
  const y = (flow: number) => 150 - (flow / most) * 140
  const below = speeds.map(() => 0)
  const bands = kinds.map((kind) => {
    const lower = below.map((flow, i) => `${x(i).toFixed(1)} ${y(flow).toFixed(1)}`).reverse()
    speeds.forEach((_, i) => (below[i] += Math.max(0, flows[kind][hotRow.value * across + i])))
    const last = Math.max(0, flows[kind][hotRow.value * across + across - 1])
    return {
      kind,
      d: `M ${below.map((flow, i) => `${x(i).toFixed(1)} ${y(flow).toFixed(1)}`).join(' L ')} L ${lower.join(' L ')} Z`,
      middle: y(below[across - 1] - 0.5 * last),
      last,
    }
  })
  // Names at the right edge keep off each other.
  const heights = keptApart(
    bands.map(({ middle }) => middle),
    15,
  )
  const names = bands.map(({ kind }, i) => ({ kind, y: heights[i] })).sort((one, other) => one.y - other.y)
  // And none under the foot of the chart.
  for (let k = names.length - 1, foot = 152; k >= 0; k--, foot -= 15) names[k].y = Math.min(names[k].y, foot)
  const row = power.subarray(hotRow.value * across, (hotRow.value + 1) * across)
  const watts = Math.max(...row)
  return {
    bands,
    names,
    most,
    watts,
    first: speeds[0],
    fast: speeds.at(-1)!,
    power: linePath([...row].map((value, i) => [x(i), 110 - (value / watts) * 100] as const)),
  }
})
const { value: atStates } = useAnswer(
  (_, slow) => (build.sheet ? slow().pumpAtStates(build.sheet) : undefined),
  () => map.value,
)
/** What the drive takes at the two hot states, with its band. */
const taken = computed(() => {
  const chart = stack.value
  if (!chart || !atStates.value) return []
  const y = (watts: number) => 110 - (watts / chart.watts) * 100
  return namedStates(build.sheet!).flatMap(({ name, speed }) => {
    const power = atStates.value!.find((each) => each.name === name)!.power
    if (name !== 'idleHot' && name !== 'workingHot') return []
    const x = LEFT + ((speed - chart.first) / (chart.fast - chart.first)) * WIDTH
    return [
      {
        name,
        x,
        from: y(power.low),
        to: y(power.high),
        words: `${STATE_LABELS[name].toLowerCase()} ${units.say(power.best, 'power')} (${units.show(power.low, 'power')} to ${units.show(power.high, 'power')})`,
      },
    ]
  })
})
</script>

<template>
  <div v-if="map && stack">
    <h2>Pressure over speed and oil temperature</h2>
    <PressureMap :map="map" />
    <h2 class="next">Where the oil goes, hot <span class="quiet best">best values</span></h2>
    <div class="drawing-scroll">
      <svg class="drawing" viewBox="0 0 732 176" role="img" aria-label="Flow by kind over speed, hot oil">
        <path
          v-for="band in stack.bands"
          :key="band.kind"
          :d="band.d"
          :fill="SHADES[band.kind]"
          stroke="var(--sheet)"
          stroke-width="0.8"
          :data-kind="band.kind"
        />
        <text v-for="name in stack.names" :key="name.kind" :x="LEFT + WIDTH + 8" :y="name.y + 4">
          {{ WORDS[name.kind] }}
        </text>
        <text :x="LEFT - 8" y="18" text-anchor="end" class="quiet-text">{{ units.show(stack.most, 'flow') }}</text>
        <text :x="LEFT - 8" y="154" text-anchor="end" class="quiet-text">0</text>
        <text :x="LEFT + WIDTH / 2" y="170" text-anchor="middle" class="quiet-text">
          {{ units.unit('flow').symbol }} over speed
        </text>
      </svg>
    </div>
    <h2 class="next">What the drive takes, hot</h2>
    <div class="drawing-scroll">
      <svg
        class="drawing"
        viewBox="0 0 732 136"
        role="img"
        :aria-label="`Drive power over speed, up to ${units.say(stack.watts, 'power')}`"
      >
        <path class="thin" :d="`M ${LEFT} 8 V 110 H ${LEFT + WIDTH}`" />
        <path :d="stack.power" fill="none" stroke="var(--petrol)" stroke-width="2.6" />
        <g v-for="each in taken" :key="each.name" :data-drive="each.name">
          <path
            :d="`M ${each.x - 5} ${each.to} h 10 M ${each.x} ${each.to} V ${each.from} M ${each.x - 5} ${each.from} h 10`"
            fill="none"
            stroke="var(--ink)"
            stroke-width="1.6"
          />
          <text :x="each.x + 12" :y="each.name === 'idleHot' ? each.to - 22 : Math.min(106, each.from + 20)">
            {{ each.words }}
          </text>
        </g>
        <text :x="LEFT - 8" y="16" text-anchor="end" class="quiet-text">{{ units.show(stack.watts, 'power') }}</text>
        <text :x="LEFT - 8" y="114" text-anchor="end" class="quiet-text">0</text>
        <text :x="LEFT + WIDTH / 2" y="130" text-anchor="middle" class="quiet-text">
          {{ units.unit('power').symbol }} over speed
        </text>
      </svg>
    </div>
  </div>
</template>

<style scoped>
.next {
  margin-top: 14px;
}
.best {
  font-weight: 400;
  font-size: 15px;
}
</style>
