<script setup lang="ts">
import { checksOf } from '#core/build/checks'
import { bearingsOf } from '#core/build/clearances'
import { catalogueOf } from '#core/build/values'

const build = useBuild()
const house = useHouse()
const focused = useFocusedReading()
const turns = computed(() => checksOf(build.sheet!.layout).find((check) => check.key === 'bearings.turns')!)
const problems = useAnswer((model) => (build.sheet ? model.problems(build.sheet) : undefined), () => build.sheet)
const conflicts = computed(() => (['main', 'rod'] as const).flatMap((set) => bearingsOf(build.sheet!, set)).flatMap((record) => (record.conflict ? [record.conflict] : [])))
const origin = computed(() => {
  const quantity = focused.value ? catalogueOf(build.sheet!.layout).get(focused.value) : undefined
  const words = quantity && originWords(build.sheet!, quantity.key)
  return quantity && words ? `${quantity.label}: ${words}` : ''
})
const pressure = (value: number) => house.say(Math.abs(value), 'pressure', house.unit('pressure').symbol === 'bar' ? 2 : undefined)
const length = (value: number) => house.say(Math.abs(value), 'clearance')
</script>

<template>
  <div>
    <StationHead station="bearings" title="Bearings">Caps torqued, vertical, at the crown. Front of the engine left.</StationHead>
    <CrankDrawing />
    <div class="columns tables"><BearingTable set="main" /><BearingTable set="rod" /></div>
    <p class="origin quiet" aria-live="polite">{{ origin }}</p>

    <section aria-label="Judgement">
      <JudgementLine v-for="words in conflicts" :key="words" verdict="stop">{{ words }}</JudgementLine>
      <JudgementLine v-for="problem in problems ?? []" :key="problem.label" :verdict="problem.verdict">
        <b>{{ problem.label }} {{ problem.verdict }}: {{ house.say(problem.clearance, 'clearance') }}, limit {{ house.show(problem.limit, 'clearance') }}.</b>
        {{ problem.verdict === 'stop' ? `${length(problem.clearance - problem.limit)} too ${problem.side}.` : `Close to the limit: ${Math.round(100 * problem.chance)} in 100 that it is outside.` }}
        <template v-if="problem.culprit">Its {{ problem.culprit.side }} is {{ length(problem.culprit.difference) }} {{ problem.culprit.difference < 0 ? 'under' : 'over' }} the others. </template>
        <template v-if="problem.side === 'loose'">Idle hot loses {{ pressure(problem.cost) }} by it. Shells {{ length(problem.shell) }} thicker on each side bring it to the middle of its limits.</template>
        <template v-else>Less oil passes, and there is no margin for heat. Shells {{ length(problem.shell) }} thinner on each side bring it to the middle.</template>
      </JudgementLine>
    </section>

    <section class="columns block">
      <div><h2>The crank</h2><CheckRow :item="turns" /></div>
      <div><h2>Cam</h2><ReadingRow v-if="build.sheet!.layout.camBearings > 0" name="cam.clearance" /></div>
    </section>
    <CautionNote>A crank that turns stiffly at the right torque has something behind a shell or under a cap. Stop, take the shells out, look at their backs.</CautionNote>
  </div>
</template>

<style scoped>
.tables { grid-template-columns: repeat(auto-fit, minmax(345px, 1fr)); }
.origin { min-height: 30px; padding-top: 6px; }
</style>
