<script setup lang="ts">
import { recorded } from '#core/engine/values'
import { START_POINTS } from '#core/parts/firstStart'
import { pointMoment } from '#core/start/verdict'
import type { StateOutlook } from '#core/outlook/outlook'
import { pointReason } from '~/words/start'

/** Pressure over speed at three temperatures, and each state in a sentence. */
const PressureChart = defineAsyncComponent(() => import('~/components/outlook/PressureChart.vue'))
const build = useBuild()
const units = useUnits()
const outlook = useOutlook()
const { value: curves } = useAnswer(
  (model) => (build.sheet ? model.curves(build.sheet) : undefined),
  () => build.sheet,
)
const points = computed(() =>
  START_POINTS.flatMap(([name, label]) => {
    const reading = recorded(build.sheet!, `start.${name}.pressure`)
    return reading ? [{ label, pressure: reading.value, speed: pointMoment(build.sheet!, name).speed }] : []
  }),
)
function sentence(state: StateOutlook): string {
  if (state.measured) return pointReason(state.measured, (pressure) => units.say(pressure, 'pressure', units.fine))
  if (state.verdict === 'void') return `Void until mended: ${outlook.now!.voids.map(({ about }) => about).join('; ')}.`
  const short = state.target.least - state.pressure
  const over = state.pressure - state.target.most
  if (state.verdict === 'assumed')
    return `By layout values alone, ${units.show(state.low, 'pressure')} to ${units.say(state.high, 'pressure')}: not passed. Measure ${state.missing.map(({ label }) => label.replace(/^./, (letter) => letter.toLowerCase())).join(', ')}.`
  if (state.starves) return 'The pump starves here: the suction asks for more than oil follows.'
  if (!state.pumpable)
    return `The oil is below its pumping limit at ${units.say(state.temperature, 'temperature')}. Take a thinner winter grade.`
  if (short > 0)
    return `${units.say(short, 'pressure', units.fine)} short of ${units.say(state.target.least, 'pressure', units.fine)}, ${state.target.reason}.`
  if (over > 0)
    return `${units.say(over, 'pressure', units.fine)} over ${units.say(state.target.most, 'pressure', units.fine)}, which filter and seals should not see.`
  if (state.doubted && state.predicted === 'pass')
    return 'In its target by a record that the gauge departs from elsewhere: find out why before it is trusted.'
  return state.verdict === 'watch'
    ? `In its target, but the band reaches past its edge (${units.say(state.low, 'pressure', units.fine)} to ${units.say(state.high, 'pressure', units.fine)}). Measure what is still assumed.`
    : `In its target of ${units.show(state.target.least, 'pressure')} to ${units.say(state.target.most, 'pressure')}: ${state.target.reason}.`
}
</script>

<template>
  <div>
    <div class="chart predicted"><PressureChart v-if="curves" :curves="curves" :points="points" /></div>
    <section aria-label="Judgement">
      <JudgementLine v-for="state in outlook.now?.states ?? []" :key="state.name" :verdict="state.verdict"
        ><b
          >{{ state.label }},
          {{
            state.measured
              ? `${units.say(state.measured.reading, 'pressure', units.fine)} read`
              : units.say(state.pressure, 'pressure')
          }}.</b
        >
        {{ sentence(state) }}</JudgementLine
      >
    </section>
  </div>
</template>

<style scoped>
.chart {
  min-height: 416px;
}
</style>
