<script setup lang="ts">
import { t } from '~/words/of/trace'
import { casesOf } from '#core/trace/cases'
import { dateOf } from '~/words/dates'
import { causeWords } from '~/words/trace'
import type { Cause } from '#core/trace/vocabulary'

/** Station 10: from wrong or missing pressure to what it was, the cheap checks first. */
const build = useBuild()
const trace = useTrace()
void trace.shop.load()
// What was stopped, and nobody wrote of yet, can be taken up.
void useRun().open(build.id!, 'start')
const closed = computed(() => casesOf(build.sheet!).filter(({ recorded }) => recorded.closed))
</script>

<template>
  <div>
    <header class="station-head" data-station="trace">
      <h1>{{ t('trace.trace') }}</h1>
      <p>{{ t('trace.findTheFaultBefore') }}</p>
    </header>
    <TraceOpen v-if="!trace.recorded.value" @begin="trace.begin($event)" />
    <template v-else>
      <CautionNote name="trace">{{ t('trace.cautionStop') }}</CautionNote>
      <div class="case">
        <div class="asked">
          <TraceFirst :trace="trace" />
          <TraceChecks :trace="trace" />
          <TraceKnown :trace="trace" />
        </div>
        <div class="causes">
          <TraceCauses :trace="trace" />
          <TraceCurves :trace="trace" />
        </div>
      </div>
      <TraceEnd :trace="trace" />
    </template>
    <section v-if="closed.length > 0" class="closed" data-testid="closed-cases">
      <h2>{{ t('trace.closedCases') }}</h2>
      <p v-for="{ key, recorded } in closed" :key="key">
        {{
          t('trace.closedOn', {
            day: dateOf(Date.parse(recorded.closed!)),
            cause: recorded.found ? causeWords(recorded.found.cause as Cause) : t('trace.notFound'),
            done: recorded.mended?.words ?? '',
          })
        }}
      </p>
    </section>
  </div>
</template>

<style scoped>
.case {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
  gap: 28px;
  align-items: start;
}
@media (max-width: 1200px) {
  .case {
    grid-template-columns: minmax(0, 1fr);
  }
}
h2,
.case :deep(h2),
.case + :deep(section) h2 {
  margin-top: 22px;
}
/* Questions with their answers beside them, or under them where there is no room. */
div :deep(.row .wide) {
  width: min(440px, 60vw);
}
@media (max-width: 700px) {
  div :deep(.row) {
    grid-template-columns: minmax(0, 1fr);
  }
}
.closed {
  margin-top: 28px;
}
</style>
