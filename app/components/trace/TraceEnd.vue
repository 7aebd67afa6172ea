<script setup lang="ts">
import { t } from '~/words/of/trace'
import { causesOf } from '#core/trace/simulated'
import type { Cause } from '#core/trace/vocabulary'
import { causeWords } from '~/words/trace'

/** The end of a case: what it was, what was done, what proved it; and the next one, where it is as before. */
const { trace } = defineProps<{ trace: ReturnType<typeof useTrace> }>()
const build = useBuild()
const units = useUnits()
const outlook = useOutlook()
const run = useRun()
const recorded = computed(() => trace.recorded.value!)
const options = computed(() => [
  { value: 'none', words: t('trace.notFound') },
  ...(trace.trace.value?.causes.map(({ cause }) => cause) ?? causesOf(build.sheet!)).map((value) => ({
    value: value as string,
    words: causeWords(value),
  })),
])
const states = computed(() => outlook.now?.states)
const band = (name: 'idleHot' | 'workingHot') => states.value?.find((each) => each.name === name)
/** Whether the proving reading is what a sound engine shows. */
const proved = computed(() => {
  const [reading, sound] = [recorded.value.proof?.pressure, band('idleHot')]
  if (reading === undefined || !sound) return undefined
  return reading < sound.low || reading > sound.high ? ('watch' as const) : ('pass' as const)
})
const done = computed(() => recorded.value.found !== undefined && recorded.value.mended !== undefined)
async function close() {
  const { found, mended, run: stopped } = recorded.value
  const words = `${causeWords(found!.cause as Cause)}. ${mended!.words}`
  const of = run.unanswered.find(({ id }) => id === stopped)
  await trace.close()
  // What was stopped waits for just these words.
  if (of) await run.found(of, words)
  await trace.shop.load()
}
/** The one that was found is mended, and it is as before: another is looked for, by what is seen now. */
async function next() {
  const { context, stoodDays, moment, symptom } = recorded.value
  const after = trace.open.value!.key
  await close()
  await trace.begin({
    context,
    moment,
    after,
    ...(stoodDays === undefined ? {} : { stoodDays }),
    ...(symptom ? { symptom } : {}),
  })
}
</script>

<template>
  <section class="end" data-testid="trace-end">
    <h2>{{ t('trace.end') }}</h2>
    <div class="row">
      <span class="what">{{ t('trace.found') }}</span><ChoiceField
        :label="t('trace.found')"
        :value="recorded.found?.cause ?? 'none'"
        :options="options"
        @choose="$event !== 'none' && trace.found($event, recorded.found?.words)"
      />
    </div>
    <div class="row">
      <span class="what">{{ t('trace.whatWasDone') }}</span><DraftInput
        class="wide"
        :value="recorded.mended?.words ?? ''"
        :aria-label="t('trace.whatWasDone')"
        maxlength="500"
        @write="$event && trace.mended($event)"
      />
    </div>
    <div class="row">
      <span class="what"
        >{{ t('trace.proof')
        }}<span v-if="band('idleHot')" class="origin">{{
          t('trace.proofShould', {
            low: units.show(band('idleHot')!.low, 'pressure'),
            high: units.say(band('idleHot')!.high, 'pressure'),
            low2: units.show(band('workingHot')!.low, 'pressure'),
            high2: units.say(band('workingHot')!.high, 'pressure'),
          })
        }}</span></span
      ><QuantityField
        dimension="pressure"
        :value="recorded.proof?.pressure"
        :label="t('trace.proof')"
        :range="[0, 5e6]"
        @write="trace.prove($event === undefined ? undefined : { moment: 'idle-hot', pressure: $event })"
      />
    </div>
    <JudgementLine v-if="proved" :verdict="proved" data-testid="trace-proved">{{
      proved === 'pass' ? t('trace.provedRight') : t('trace.provedWrong')
    }}</JudgementLine>
    <p v-if="!done" class="quiet">{{ t('trace.closesWhen') }}</p>
    <p class="ways">
      <Button type="button" :disabled="!done" @click="close">{{ t('trace.close') }}</Button><Button
        type="button"
        variant="outlined"
        :disabled="!done"
        @click="next"
        >{{ t('trace.asBefore') }}</Button
      >
    </p>
  </section>
</template>

<style scoped>
.end {
  margin-top: 26px;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
</style>
