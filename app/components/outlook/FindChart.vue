<script setup lang="ts">
import type { Setup } from '#core/finder/types'

/** Chance of meeting all targets against drive power: each set-up that nothing beats in both, the best of them filled. */
const { setups, best, wanted } = defineProps<{ setups: readonly Setup[]; best?: Setup; wanted: number }>()
const units = useUnits()
const plot = computed(() => {
  const powers = setups.map(({ power }) => power)
  const [low, high] = [Math.min(...powers), Math.max(...powers)]
  const span = Math.max(high - low, 10)
  return setups.map((setup) => ({
    setup,
    x: 60 + ((setup.power - low + 0.05 * span) / (1.1 * span)) * 600,
    y: 12 + (1 - setup.probability) * 130,
    power: setup.power,
  }))
})
</script>

<template>
  <div class="drawing-scroll">
    <svg
      class="drawing"
      viewBox="0 0 700 186"
      role="img"
      aria-label="Chance of meeting all targets against drive power"
    >
      <path class="thin" d="M 52 12 V 142 H 676" />
      <path :d="`M 52 ${12 + (1 - wanted / 100) * 130} H 676`" stroke="var(--petrol)" stroke-dasharray="6 4" />
      <text x="46" y="17" text-anchor="end" class="quiet-text">100</text>
      <text x="46" y="147" text-anchor="end" class="quiet-text">0</text>
      <text x="676" y="178" text-anchor="end" class="quiet-text">
        drive power, working hot; chance of all targets upward, in 100
      </text>
      <g v-for="(each, i) in plot" :key="i">
        <circle
          :cx="each.x"
          :cy="each.y"
          :r="each.setup === best ? 9 : 5.5"
          :fill="each.setup === best ? 'var(--petrol)' : 'var(--sheet)'"
          stroke="var(--petrol)"
          stroke-width="2"
        />
        <text v-if="each.setup === best" :x="each.x" y="160" text-anchor="middle" class="figure-text">
          {{ units.say(each.power, 'power') }}
        </text>
      </g>
    </svg>
  </div>
</template>
