<script setup lang="ts">
import { START_POINTS } from '#core/build/quantities'
import { pointMoment } from '#core/start/verdict'
import type { StateOutlook } from '#core/outlook/outlook'

/** Pressure over speed at three temperatures, and each state in a sentence. */
const PressureChart = defineAsyncComponent(() => import('~/components/outlook/PressureChart.vue'))
const build = useBuild()
const house = useHouse()
const outlook = useOutlook()
const curves = useAnswer((model) => (build.sheet ? model.curves(build.sheet) : undefined), () => build.sheet)
const points = computed(() => START_POINTS.flatMap(([name, label]) => {
  const reading = build.sheet!.readings[`start.${name}.pressure`]
  return reading ? [{ label, pressure: reading.value, speed: pointMoment(build.sheet!, name).speed }] : []
}))
function sentence(state: StateOutlook): string {
  const short = state.target.least - state.pressure
  const over = state.pressure - state.target.most
  if (!state.pumpable) return `The oil is below its pumping limit at ${house.say(state.temperature, 'temperature')}. Take a thinner winter grade.`
  if (short > 0) return `${house.say(short, 'pressure', 2)} short of ${house.say(state.target.least, 'pressure', 2)}, ${state.target.reason}.`
  if (over > 0) return `${house.say(over, 'pressure', 2)} over ${house.say(state.target.most, 'pressure', 2)}, which filter and seals should not see.`
  return state.verdict === 'watch' ? `In its target, but the band reaches past its edge (${house.say(state.low, 'pressure', 2)} to ${house.say(state.high, 'pressure', 2)}). Measure what is still assumed.` : `In its target of ${house.show(state.target.least, 'pressure')} to ${house.say(state.target.most, 'pressure')}: ${state.target.reason}.`
}
</script>

<template>
  <div>
    <div class="chart"><PressureChart v-if="curves" :curves="curves" :points="points" /></div>
    <section aria-label="Judgement">
      <JudgementLine v-for="state in outlook.now?.states ?? []" :key="state.name" :verdict="state.verdict"><b>{{ state.label }}, {{ house.say(state.pressure, 'pressure') }}.</b> {{ sentence(state) }}</JudgementLine>
    </section>
  </div>
</template>

<style scoped>
.chart { min-height: 416px; }
</style>
