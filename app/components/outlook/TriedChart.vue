<script setup lang="ts">
import type { TriedOutlook } from '#core/outlook/tried'
import { keptApart, linePath } from '~/composables/plot'
import { TRIED_COLOURS } from '~/composables/useTried'

/** Pressure over speed with hot oil, a line for each set-up, named at its end. */
const { columns } = defineProps<{ columns: { name: string; found: TriedOutlook }[] }>()
const units = useUnits()
const DASHES = ['', '', '8 4', '3 3', '10 3 2 3']
const plot = computed(() => {
  const all = columns.map(({ found }) => found)
  if (all.length === 0) return undefined
  const most = 1.08 * Math.max(...all.flatMap(({ pressures }) => pressures))
  const { speeds } = all[0]
  const [from, to] = [speeds[0], speeds.at(-1)!]
  const x = (speed: number) => 46 + ((speed - from) / (to - from)) * 590
  const y = (pressure: number) => 150 - (pressure / most) * 140
  const ends = keptApart(
    all.map(({ pressures }) => y(pressures.at(-1)!)),
    14,
  )
  return {
    lines: all.map(({ pressures }) => linePath(pressures.map((pressure, i) => [x(speeds[i]), y(pressure)] as const))),
    ends,
    from,
    to,
    most,
  }
})
</script>

<template>
  <div v-if="plot" class="drawing-scroll">
    <svg class="drawing" viewBox="0 0 732 182" role="img" aria-label="Pressure over speed with hot oil, each set-up">
      <path class="thin" d="M 46 8 V 150 H 640" />
      <text x="40" y="16" text-anchor="end" class="quiet-text">{{ units.show(plot.most, 'pressure') }}</text>
      <text x="40" y="154" text-anchor="end" class="quiet-text">0</text>
      <text x="46" y="170" class="quiet-text">{{ units.show(plot.from, 'speed') }}</text>
      <text x="636" y="170" text-anchor="end" class="quiet-text">{{ units.say(plot.to, 'speed') }}</text>
      <text x="340" y="170" text-anchor="middle" class="quiet-text">
        hot oil; {{ units.unit('pressure').symbol }} over speed
      </text>
      <path
        v-for="(d, i) in plot.lines"
        :key="i"
        :d="d"
        fill="none"
        :stroke="TRIED_COLOURS[i]"
        stroke-width="2.4"
        :stroke-dasharray="DASHES[i]"
      />
      <text v-for="(column, i) in columns" :key="column.name" x="646" :y="plot.ends[i] + 4">{{ column.name }}</text>
    </svg>
  </div>
</template>
