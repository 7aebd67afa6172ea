<script setup lang="ts">
import { t } from '~/words/of/trace'
import { CONTEXTS, MOMENTS, type Context, type Moment } from '#core/trace/vocabulary'
import { readingsOnRecord } from '#core/trace/cases'
import { observedIn } from '#core/trace/fromRun'
import { remarksOf } from '#core/run/remarks'
import { ask } from '~/sync/ask'
import { lowered } from '~/words/speak'
import { REMARK_WORDS } from '~/words/start'
import type { RecordedCase } from '#core/record/traceCase'
import { CONTEXT_WORDS, MOMENT_WORDS } from '~/words/trace'
import { dayOf } from '~/words/dates'

/** Where a case begins: at a stop that nobody answered, or with what somebody saw. */
const emit = defineEmits<{ begin: [of: Pick<RecordedCase, 'context' | 'moment'> & Partial<RecordedCase>] }>()
const run = useRun()
const context = ref<Context>('fresh')
const moment = ref<Moment>('first-run')
const days = ref<number | null>(null)
const symptom = ref('')
const pressure = ref<number>()
const wrong = ref(false)
const gauge = ref<'mechanical' | 'sender'>('sender')
const stood = computed(() => (context.value === 'stood' ? (days.value ?? undefined) : undefined))
const begin = () =>
  emit('begin', {
    context: context.value,
    moment: moment.value,
    ...(stood.value === undefined ? {} : { stoodDays: stood.value }),
    ...(symptom.value ? { symptom: symptom.value } : {}),
    readings:
      pressure.value === undefined ? [] : [{ moment: moment.value, pressure: pressure.value, with: gauge.value }],
  })
/** What the gauge has read of this engine, at its start or its prime. */
const read = computed(() => readingsOnRecord(useBuild().sheet!))
const takeUpRead = () =>
  emit('begin', { context: 'fresh', moment: read.value[0]!.moment, from: 'point', readings: read.value })
/** Runs that were called off and that nobody has written of: with them the case is half begun. */
const stops = computed(() => run.unanswered)
const takeUp = async (stopped: (typeof stops.value)[number]) => {
  const at = new Date().toISOString()
  const { observations, left } = await rememberedOf(stopped.id, at)
  emit('begin', {
    context: 'fresh',
    moment: stopped.kind === 'prime' ? 'prime' : 'first-run',
    from: stopped.kind === 'prime' ? 'prime' : 'stop',
    run: stopped.id,
    symptom: [stopped.outcome ?? '', ...left].filter(Boolean).join('; ').slice(0, 500),
    observations,
    // What the gauge read then is written by hand: the run's own figures are the stop's, not a steady reading.
    readings: [],
  })
}
/** What a run has noted is waited for so long, ms. */
const LOOKS = 3000
/** What was seen and heard in a run; without the server the case begins without it, and the run still has it. */
async function rememberedOf(id: string, at: string) {
  const events = await ask('GET /api/runs/:run', { at: { run: id }, signal: AbortSignal.timeout(LOOKS) }).then(
    (found) => found.events,
    () => [],
  )
  const remarks = remarksOf(events)
  return {
    observations: observedIn(remarks, at),
    // A leak whose place nobody said, and smoke, are answers to none of the checks: they stand in words.
    left: [
      ...new Set(
        remarks
          .filter(({ kind, place }) => kind === 'smoke' || (kind === 'leak' && (!place || place === 'other')))
          .map(({ kind }) => lowered(REMARK_WORDS[kind])),
      ),
    ],
  }
}
</script>

<template>
  <section class="begin" data-testid="trace-open">
    <p v-if="stops.length > 0 || read.length > 0" class="stops">
      <Button v-for="each in stops" :key="each.id" type="button" @click="takeUp(each)">{{
        t(each.kind === 'prime' ? 'trace.fromThePrime' : 'trace.fromTheStop', { day: dayOf(each.startedAt) })
      }}</Button><Button v-if="read.length > 0" type="button" variant="outlined" @click="takeUpRead">{{
        t('trace.fromTheReadings')
      }}</Button>
    </p>
    <h2>{{ t('trace.whatIsWrong') }}</h2>
    <SegmentRow
      :label="t('trace.behindIt')"
      :value="context"
      :options="CONTEXTS.map((value) => ({ value, words: CONTEXT_WORDS[value] }))"
      @choose="context = $event ?? context"
    />
    <div v-if="context === 'stood'" class="row">
      <span class="what">{{ t('trace.daysItStood') }}</span><InputNumber
        v-model="days"
        :min="0"
        :max="36500"
        :use-grouping="false"
        :aria-label="t('trace.daysItStood')"
      />
    </div>
    <SegmentRow
      :label="t('trace.when')"
      :value="moment"
      :options="MOMENTS.map((value) => ({ value, words: MOMENT_WORDS[value] }))"
      @choose="moment = $event ?? moment"
    />
    <div class="row">
      <span class="what"
        >{{ t('trace.gaugeRead') }}<span class="origin">{{ t('trace.notRead') }}</span></span
      ><span class="pair"
        ><QuantityField
          dimension="pressure"
          :value="pressure"
          :label="t('trace.gaugeRead')"
          :range="[0, 5e6]"
          @write="pressure = $event"
          @wrong="wrong = $event" /><GaugeKind :value="gauge" @choose="gauge = $event"
      /></span>
    </div>
    <div class="row">
      <span class="what">{{ t('trace.inYourWords') }}</span><DraftInput
        class="wide"
        :value="symptom"
        :aria-label="t('trace.inYourWords')"
        :placeholder="t('trace.theLampStaysOn')"
        maxlength="500"
        @write="symptom = $event"
      />
    </div>
    <Button type="button" class="go" :disabled="wrong" @click="begin">{{ t('trace.openACase') }}</Button>
  </section>
</template>

<style scoped>
.pair {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  justify-content: flex-end;
}
.stops {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
@media (max-width: 700px) {
  .pair {
    justify-content: flex-start;
  }
}
.go {
  margin-top: 16px;
}
</style>
