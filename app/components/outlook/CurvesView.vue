<script setup lang="ts">
import { inSentence, named } from '~/words/speak'
import { t } from '~/words/of/outlook'
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
  if (state.verdict === 'void')
    return t('curvesView.voidUntilMended', { voids: outlook.now!.voids.map(({ about }) => named(about)).join('; ') })
  const short = state.target.least - state.pressure
  const over = state.pressure - state.target.most
  if (state.verdict === 'assumed')
    return t('curvesView.byLayoutValuesAloneToNot', {
      low: units.show(state.low, 'pressure'),
      high: units.say(state.high, 'pressure'),
      missing: state.missing.map(({ label }) => inSentence(label)).join(', '),
    })
  if (state.starves) return t('curvesView.thePumpStarvesHereTheSuction')
  if (!state.pumpable)
    return t('curvesView.theOilIsBelowItsPumping', { temperature: units.say(state.temperature, 'temperature') })
  if (short > 0)
    return t('curvesView.shortOf', {
      short: units.say(short, 'pressure', units.fine),
      least: units.say(state.target.least, 'pressure', units.fine),
      reason: named(state.target.reason),
    })
  if (over > 0)
    return t('curvesView.overWhichFilterAndSealsShould', {
      over: units.say(over, 'pressure', units.fine),
      most: units.say(state.target.most, 'pressure', units.fine),
    })
  if (state.doubted && state.predicted === 'pass') return t('curvesView.inItsTargetByARecord')
  return state.verdict === 'watch'
    ? t('curvesView.inItsTargetButTheBand', {
        low: units.say(state.low, 'pressure', units.fine),
        high: units.say(state.high, 'pressure', units.fine),
      })
    : t('curvesView.inItsTargetOfTo', {
        least: units.show(state.target.least, 'pressure'),
        most: units.say(state.target.most, 'pressure'),
        reason: named(state.target.reason),
      })
}
</script>

<template>
  <div>
    <div class="chart predicted"><PressureChart v-if="curves" :curves="curves" :points="points" /></div>
    <section :aria-label="t('curvesView.judgement')">
      <JudgementLine v-for="state in outlook.now?.states ?? []" :key="state.name" :verdict="state.verdict"
        ><b
          >{{ named(state.label) }},
          {{
            state.measured
              ? t('curvesView.read', { reading: units.say(state.measured.reading, 'pressure', units.fine) })
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
