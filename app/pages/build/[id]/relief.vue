<script setup lang="ts">
import { BIND_MARGIN } from '#core/progress/progress'
import { checksOf } from '#core/build/checks'

const build = useBuild()
const house = useHouse()
const outlook = useOutlook()
const names = computed(() => (build.sheet!.layout.galleryRelief ? (['relief', 'relief2'] as const) : (['relief'] as const)))
const open = ref<'relief' | 'relief2'>('relief')
const answer = useAnswer(async (model) => (build.sheet ? Promise.all(names.value.map((name) => model.relief(build.sheet!, name))) : []), () => build.sheet)
const summary = computed(() => answer.value?.[open.value === 'relief' ? 0 : 1])
const falls = computed(() => checksOf(build.sheet!.layout).find((check) => check.key === 'relief.falls')!)
const FIELDS = ['plungerDiameter', 'springRate', 'freeLength', 'installedLength', 'shims', 'solidLength', 'portDiameter', 'overlap']
const pressure = (value: number | undefined) => (value === undefined ? 'not within the port' : house.show(value, 'pressure', house.unit('pressure').symbol === 'bar' ? 2 : undefined))
const idle = computed(() => outlook.now?.states.find((state) => state.name === 'idleHot'))
/** Of two valves the one with the lower flow start governs. */
const governs = computed(() => {
  const both = answer.value
  if (!both || both.length < 2) return undefined
  return both[0].flows <= both[1].flows ? 'The valve at the pump' : 'The valve at the gallery’s end'
})
</script>

<template>
  <div>
    <StationHead station="relief" title="Relief">{{ summary && summary.liftIdle === 0 ? 'It sets the ceiling; it is shut at idle hot and does not move it.' : 'Plunger, spring, plug: what sets the ceiling of pressure.' }}</StationHead>
    <div v-if="names.length > 1" class="actions tabs" role="group" aria-label="Which valve">
      <Button type="button" :variant="open === 'relief' ? undefined : 'outlined'" @click="open = 'relief'">At the pump</Button>
      <Button type="button" :variant="open === 'relief2' ? undefined : 'outlined'" @click="open = 'relief2'">At the gallery’s end</Button>
      <span v-if="governs" class="quiet governs">{{ governs }} opens first and governs; raising the other does nothing.</span>
    </div>
    <ReliefDrawing :valve="open" />
    <div class="columns">
      <section>
        <h2>Spring and plunger</h2>
        <ReadingRow v-for="field in FIELDS" :key="`${open}.${field}`" :name="`${open}.${field}`" />
      </section>
      <section v-if="summary">
        <h2>Gives</h2>
        <div class="row"><span class="what">Opens at<span class="origin">plunger leaves its seat</span></span><span class="figure" data-testid="opens">{{ pressure(summary.opens) }}<span class="unit">{{ house.unit('pressure').symbol }}</span></span></div>
        <div v-if="summary.flows > summary.opens + 1" class="row"><span class="what">Flow starts at<span class="origin">overlap passed</span></span><span class="figure">{{ pressure(summary.flows) }}<span class="unit">{{ house.unit('pressure').symbol }}</span></span></div>
        <div class="row"><span class="what">Full flow, cold<span class="origin">all the pump gives at working speed</span></span><span class="figure">{{ pressure(summary.fullFlowCold) }}<span v-if="summary.fullFlowCold" class="unit">{{ house.unit('pressure').symbol }}</span></span></div>
        <div class="row"><span class="what">Each {{ house.say(1e-4, 'clearance', house.unit('clearance').symbol === 'mm' ? 1 : undefined) }} of shim adds</span><span class="figure">{{ pressure(summary.perTenth) }}<span class="unit">{{ house.unit('pressure').symbol }}</span></span></div>
        <div class="row"><span class="what">Left before bind</span><span class="figure" data-testid="bind">{{ summary.bindMargin === undefined ? '·' : house.show(summary.bindMargin, 'length') }}<span class="unit">{{ house.unit('length').symbol }}</span></span></div>
        <div class="row"><span class="what">Lift at idle hot</span><span class="figure">{{ house.show(summary.liftIdle, 'length') }}<span class="unit">{{ house.unit('length').symbol }}</span></span></div>
        <div class="row"><span class="what">Lift at working speed, hot</span><span class="figure">{{ house.show(summary.liftWorking, 'length') }}<span class="unit">{{ house.unit('length').symbol }}</span></span></div>
        <CheckRow :item="falls" />
      </section>
    </div>
    <section aria-label="Judgement" class="block">
      <JudgementLine v-if="summary?.bindMargin !== undefined && summary.bindMargin < BIND_MARGIN" :verdict="summary.bindMargin < 0 ? 'stop' : 'watch'"><b>{{ house.say(summary.bindMargin, 'length') }} left before the coils touch, house mark {{ house.say(BIND_MARGIN, 'length') }}.</b> The valve cannot open fully, and pressure runs away when cold. Take shims out, or fit a stiffer spring.</JudgementLine>
      <JudgementLine v-if="idle && idle.verdict !== 'pass' && summary?.liftIdle === 0" verdict="watch"><b>Idle hot is at {{ house.say(idle.pressure, 'pressure') }}, wanted {{ house.say(idle.target.least, 'pressure') }}.</b> A shim or a stiffer spring here cannot raise it: the valve is shut there. Clearance, oil grade and pump volume set that floor.</JudgementLine>
    </section>
    <CautionNote name="spring">The spring is under load behind its plug. Face clear, eye protection on, hold the plug as the last thread lets go.</CautionNote>
  </div>
</template>

<style scoped>
.tabs { margin-bottom: 8px; align-items: center; }
</style>
