<script setup lang="ts">
import { benchOf, type BenchMethod, springRateOf, type ValveName } from '#core/build/relief'
import { requireValue } from '#core/build/values'
import { OIL_GRADES } from '#core/oil/grades'
import type { ReliefSummary } from '#core/outlook/relief'

/** The valve tried before it goes in: the reading against the model, what it corrects, and what it means for the running engine. */
const { valve, summary } = defineProps<{ valve: ValveName; summary?: ReliefSummary }>()
const build = useBuild()
const house = useHouse()
const METHODS = [{ value: 'air', words: 'air on a fixture' }, { value: 'dead-head', words: 'dead-head, by drill' }] as const
const method = computed<BenchMethod>(() => (build.sheet!.choices[`${valve}.bench`] === 'dead-head' ? 'dead-head' : 'air'))
const bench = computed(() => benchOf(build.sheet!, valve))
const oil = computed(() => build.sheet!.choices[`${valve}.benchOil`] ?? build.sheet!.oil.grade)
const bar = computed(() => (house.unit('pressure').symbol === 'bar' ? 2 : undefined))
const p = (value: number) => house.say(value, 'pressure', bar.value)
const reading = computed(() => build.sheet!.readings[`${valve}.benchPressure`])
/** The reading belongs to the shims and the length fitted of that moment: they are kept with it. */
watch(() => reading.value?.at, (at) => {
  if (!at || (build.sheet!.readings[`${valve}.benchShims`]?.at ?? '') >= at) return
  const now = (field: string) => requireValue(build.sheet!, `${valve}.${field}`).value
  const keep = (field: string, value: number) => ({ op: 'add' as const, path: `/readings/${valve}.${field}`, value: { value, source: 'measured', by: house.who || 'Someone', at: new Date().toISOString(), note: 'kept with the bench reading' } })
  void build.change([keep('benchShims', now('shims')), keep('benchInstalled', now('installedLength'))], 'Bench reading')
})
function forget() {
  const gone = ['benchPressure', 'benchShims', 'benchInstalled'].filter((field) => build.sheet!.readings[`${valve}.${field}`]).map((field) => ({ op: 'remove' as const, path: `/readings/${valve}.${field}` }))
  void build.change(gone, 'Bench test', 'taken out')
}
const rate = computed(() => springRateOf(build.sheet!, valve))
</script>

<template>
  <div class="columns">
    <section>
      <h2>The test</h2>
      <div class="row wide"><span class="what">By</span><SegmentChoice label="Tried by" :value="method" :options="METHODS" @choose="build.choose(`${valve}.bench`, $event ?? method, 'Bench method')" /></div>
      <template v-if="method === 'dead-head'">
        <div class="row"><span class="what">Oil</span><ChoiceField label="Oil on the bench" :value="oil" :options="OIL_GRADES.map(({ name }) => ({ value: name, words: name }))" @choose="build.choose(`${valve}.benchOil`, $event, 'Oil on the bench')" /></div>
        <ReadingRow :name="`${valve}.benchTemperature`" /><ReadingRow :name="`${valve}.benchSpeed`" />
      </template>
      <ReadingRow :name="`${valve}.benchPressure`" />
      <ReadingRow v-if="reading" :name="`${valve}.benchShims`" />
      <CautionNote :name="method === 'air' ? 'bench-air' : 'bench-drill'">{{ method === 'air' ? 'Air behind a plunger throws it: face clear, eye protection, pressure raised slowly. Air on oil sprays and can ignite.' : 'Rotating drill, hot oil under pressure: no loose gloves, a shield before the fixture.' }}</CautionNote>
    </section>
    <section v-if="bench">
      <h2>Says</h2>
      <div class="row"><span class="what">Model before it<span class="origin">{{ method === 'air' ? 'where bubbles start' : 'all the pump gives, past the plunger' }}</span></span><span class="figure" data-testid="bench-expected">{{ house.show(bench.expected, 'pressure', bar) }}<span class="unit">{{ house.unit('pressure').symbol }}</span></span></div>
      <div class="row"><span class="what">Spring rate<span class="origin">{{ house.show(rate.value, 'springRate') }} before</span></span><span class="figure" data-testid="bench-rate">{{ house.show(bench.springRate.value, 'springRate') }}<span class="unit">± {{ house.say(1.645 * bench.springRate.sigma, 'springRate') }}</span></span></div>
      <div class="row"><span class="what">Free length<span class="origin">{{ house.show(requireValue(build.sheet!, `${valve}.freeLength`).value, 'length') }} before</span></span><span class="figure">{{ house.show(bench.freeLength.value, 'length') }}<span class="unit">± {{ house.say(1.645 * bench.freeLength.sigma, 'length') }}</span></span></div>
      <div class="row"><span class="what">Opens, on the bench<span class="origin">with {{ house.say(bench.shims, 'length') }} of shims</span></span><span class="figure" data-testid="bench-opening">{{ house.show(bench.opening.value, 'pressure', bar) }}<span class="unit">± {{ p(1.645 * bench.opening.sigma) }}</span></span></div>
      <template v-if="summary">
        <div class="row"><span class="what">In the engine, opens<span class="origin">shims as they are now</span></span><span class="figure">{{ house.show(summary.opens, 'pressure', bar) }}<span class="unit">± {{ p(1.645 * summary.opensSigma) }}</span></span></div>
        <div v-if="summary.fullFlowCold" class="row"><span class="what">In the engine, cold, full flow<span class="origin">at working speed</span></span><span class="figure">{{ house.show(summary.fullFlowCold, 'pressure', bar) }}<span class="unit">{{ house.unit('pressure').symbol }}</span></span></div>
      </template>
      <JudgementLine :verdict="bench.surprise > 3 ? 'watch' : 'pass'" data-testid="bench-verdict"><template v-if="bench.surprise > 3"><b>The bench reads {{ p(Math.abs(bench.reading - bench.expected)) }} {{ bench.reading > bench.expected ? 'over' : 'under' }} what its parts say: more than they can be out.</b> Measure plunger and spring again, look for a plunger that sticks, and whether the gauge reads nothing at rest.</template><template v-else><b>{{ p(bench.reading) }} read, {{ p(bench.expected) }} expected.</b> Rate and free length are corrected by it, and every prediction goes by that.</template></JudgementLine>
      <div class="actions"><Button type="button" variant="outlined" @click="forget">Take the test out</Button></div>
    </section>
    <section v-else><h2>Says</h2><p class="quiet">{{ method === 'air' ? 'Write the pressure at which air first bubbles past the plunger: with next to no flow it is where flow starts.' : 'Write what the gauge settles at: it is above the opening by the override, and above a running engine’s, whose circuit takes most of the flow.' }} The reading corrects the spring, and with it every prediction.</p></section>
  </div>
</template>
