<script setup lang="ts">
import { t } from '~/words/of/trace'
import { canCheck, CHECKS, type CheckKey } from '#core/trace/checks'
import { OBSERVATIONS, type Observation } from '#core/trace/vocabulary'
import { CHECK_WORDS, checkTitle, valueWords } from '~/words/trace'

/** What costs nothing is asked first, one tap each: under two minutes and without a tool. */
const { trace } = defineProps<{ trace: ReturnType<typeof useTrace> }>()
const build = useBuild()
const FIRST = ['oil-level', 'gauge-kind', 'drive', 'oil-at-pad', 'lamp'] as const satisfies Observation[]
const asked = computed(() =>
  FIRST.filter(
    (key) =>
      trace.recorded.value!.observations[key] === undefined &&
      trace.recorded.value!.skipped?.[key] === undefined &&
      (!(key in CHECKS) || canCheck(build.sheet!, trace.recorded.value!.moment, key as CheckKey)),
  ),
)
const how = (key: Observation) => (key in CHECK_WORDS ? t(CHECK_WORDS[key as CheckKey].how) : t('trace.howGaugeKind'))
const cautionOf = (key: Observation) => {
  const words = CHECK_WORDS[key as CheckKey] as { caution?: Parameters<typeof t>[0] } | undefined
  return words?.caution && t(words.caution)
}
</script>

<template>
  <section v-if="asked.length > 0" data-testid="trace-first">
    <h2>{{ t('trace.noToolFirst') }}</h2>
    <div v-for="key in asked" :key="key" class="ask" :data-ask="key">
      <span class="what"
        >{{ checkTitle(key) }}<span class="origin">{{ how(key) }}</span
        ><span v-if="cautionOf(key)" class="careful">{{ cautionOf(key) }}</span></span
      ><span class="answers"
        ><Button
          v-for="value in OBSERVATIONS[key]"
          :key="value"
          type="button"
          variant="outlined"
          @click="trace.observe(key, value)"
          >{{ valueWords(key, value) }}</Button
        ><Button type="button" variant="text" @click="trace.leave(key)">{{ t('trace.notKnown') }}</Button></span
      >
    </div>
  </section>
</template>

<style scoped>
.ask {
  border-top: 1px solid var(--rule);
  padding: 10px 0 12px;
}
.what {
  display: block;
  font-weight: 650;
  padding-bottom: 6px;
}
.what > span {
  display: block;
  font-weight: 400;
  line-height: 1.3;
  max-width: 68ch;
}
.origin {
  color: var(--quiet);
}
.answers {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.answers .p-button {
  min-height: 48px;
}
.careful {
  color: var(--watch);
}
</style>
