<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/trace'
import { faultOf } from '#core/engine/faults'
import type { Cause } from '#core/trace/vocabulary'
import { figure } from '~/words/numbers'
import { causeWords, checkTitle, MOMENT_WORDS, RECORD_WORDS, valueWords } from '~/words/trace'

/** Every cause by how likely it is, and why: what spoke for it and against it, what the record says, where to look. */
const { trace } = defineProps<{ trace: ReturnType<typeof useTrace> }>()
const build = useBuild()
const units = useUnits()
const outlook = useOutlook()
/** What a reading tells apart is told by layout values, while those of the pump or the bearings stand on them. */
const byLayout = computed(() => outlook.now?.states.some(({ verdict }) => verdict === 'assumed') ?? false)
const SHOWN = 6
const all = ref(false)
const open = ref<Cause>()
const causes = computed(() => trace.trace.value?.causes ?? [])
const shown = computed(() => (all.value ? causes.value : causes.value.slice(0, SHOWN)))
const percent = (share: number) => (share < 0.005 ? '< 1' : figure(100 * share, 0))
/** What spoke for a cause and against it, the strongest first; what hardly spoke is left out. */
const SPEAKS = 1.25
function speaking(cause: Cause): string[] {
  return (trace.trace.value?.reasons ?? [])
    .map(({ what, factors }) => ({ what, factor: factors[cause] ?? 1 }))
    .filter(({ factor }) => factor > SPEAKS || factor < 1 / SPEAKS)
    .sort((a, b) => Math.abs(Math.log(b.factor)) - Math.abs(Math.log(a.factor)))
    .map(({ what, factor }) => {
      const reading = 'reading' in what ? trace.recorded.value!.readings[what.reading] : undefined
      const words =
        'observation' in what
          ? `${checkTitle(what.observation)}: ${valueWords(what.observation, what.value)}`
          : reading
            ? `${MOMENT_WORDS[reading.moment]} ${units.say(reading.pressure, 'pressure', units.fine)}`
            : ''
      const times = figure(Math.min(999, factor > 1 ? factor : 1 / factor), factor > 10 || factor < 0.1 ? 0 : 1)
      return t(factor > 1 ? 'trace.speaksFor' : 'trace.speaksAgainst', { what: words, times })
    })
}
const recordOf = (cause: Cause) => (trace.trace.value?.said ?? []).filter((each) => each.causes.includes(cause))
const idle = computed(() => outlook.now?.states.find(({ name }) => name === 'idleHot'))
function look(cause: Cause): string {
  if (cause === 'by-design')
    return idle.value ? t('trace.byDesignLook', { low: units.say(idle.value.low, 'pressure') }) : ''
  return named(faultOf(cause, build.sheet!.layout).look)
}
</script>

<template>
  <section data-testid="trace-causes" aria-live="polite">
    <h2>{{ t('trace.causes') }}</h2>
    <p v-if="trace.error.value" class="wrong" role="alert">{{ t('trace.notWorkedOut', { why: trace.error.value }) }}</p>
    <div v-else-if="causes.length === 0" class="quiet">
      <p>{{ t('trace.working') }}</p>
      <ProgressBar :value="Math.round(100 * trace.share.value)" :aria-label="t('trace.working')" />
    </div>
    <p v-else-if="byLayout" class="quiet" data-testid="trace-by-layout">{{ t('trace.byLayout') }}</p>
    <ol>
      <li v-for="each in shown" :key="each.cause" :data-cause="each.cause">
        <Button
          type="button"
          variant="text"
          class="cause on-paper"
          :aria-expanded="open === each.cause"
          @click="open = open === each.cause ? undefined : each.cause"
          ><span class="name">{{ causeWords(each.cause) }}</span
          ><span class="mono share">{{ t('trace.percent', { share: percent(each.probability) }) }}</span
          ><span class="bar" aria-hidden="true"><i :style="{ width: `${100 * each.probability}%` }" /></span
        ></Button>
        <div v-if="open === each.cause" class="why">
          <p>{{ look(each.cause) }}</p>
          <p v-for="words in speaking(each.cause)" :key="words">{{ words }}</p>
          <p v-for="said in recordOf(each.cause)" :key="said.code" class="quiet">
            {{ t('trace.recordSays') }}: {{ RECORD_WORDS[said.code] }}
          </p>
          <p v-if="speaking(each.cause).length === 0" class="quiet">{{ t('trace.nothingSpeaks') }}</p>
        </div>
      </li>
    </ol>
    <Button v-if="causes.length > SHOWN" type="button" variant="text" @click="all = !all">{{
      all ? t('trace.fewer') : t('trace.more', { n: causes.length - SHOWN }, causes.length - SHOWN)
    }}</Button>
    <TickBox v-if="trace.shop.found.length > 0" :value="trace.shop.counted" @tick="trace.shop.count($event)">{{
      t('trace.shopMoves', { n: trace.shop.found.length }, trace.shop.found.length)
    }}</TickBox>
  </section>
</template>

<style scoped>
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
.cause {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 3px 12px;
  width: 100%;
  text-align: left;
  padding: 6px 0;
  color: var(--ink);
}
.name::first-letter {
  text-transform: uppercase;
}
.bar {
  grid-column: 1 / -1;
  height: 9px;
  background: var(--rule);
}
.bar i {
  display: block;
  height: 100%;
  background: var(--petrol);
}
.why {
  padding: 2px 0 10px;
}
.why p {
  margin: 3px 0;
}
</style>
