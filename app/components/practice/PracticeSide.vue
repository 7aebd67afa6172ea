<script setup lang="ts">
import { t } from '~/words/of/practice'
import type { Cause, Observed } from '#core/trace/vocabulary'
import { costOfParts, costOfRepair } from '#core/practice/costs'
import { causeWords, checkTitle } from '~/words/trace'
import { PART_WORDS } from '~/words/practice'
import { figure } from '~/words/numbers'
import type { Practice } from '~/composables/usePractice'

/** What it has cost so far, Uldo's own opinion for who asks for it, and the repair. */
const { practice } = defineProps<{ practice: Practice }>()
const units = useUnits()
const spent = computed(() => practice.kept.value!.done.map((each) => each.spent))
const minutes = computed(() => spent.value.reduce((sum, each) => sum + each.minutes, 0))
const parts = computed(() => costOfParts(spent.value.flatMap((each) => each.parts)))
const dry = computed(() => spent.value.reduce((sum, each) => sum + each.dry, 0))
const wrong = computed(() =>
  practice.kept.value!.done.flatMap(({ done }) => ('repair' in done && !done.right ? [done] : [])),
)
const cause = ref<Cause>()
const causes = computed(() => practice.said.value!.causes.map((value) => ({ value, words: causeWords(value) })))
const cost = computed(() => cause.value && costOfRepair(cause.value, practice.said.value!.traced.moment))
const helping = ref(false)
/** Everything that was found so far, as a trace takes it; what was repaired in vain is not asked again. */
const traced = computed(() => {
  const { traced: first } = practice.said.value!
  const observations: Record<string, string> = { ...first.observations }
  const readings = [...first.readings]
  for (const { done } of practice.kept.value!.done) {
    if ('check' in done) observations[done.check] = done.value
    if ('run' in done) readings.push(done.reading)
  }
  return { ...first, readings, observations: observations as Observed }
})
const { value: opinion } = useAnswer(
  (_model, slow) =>
    helping.value && practice.sheet.value ? slow().trace(practice.sheet.value, traced.value, {}) : undefined,
  () => [helping.value, JSON.stringify(traced.value)],
)
function help() {
  helping.value = !helping.value
  if (helping.value) practice.help()
}
async function repair() {
  if (cause.value) await practice.repair(cause.value)
  helping.value = false
}
const percent = (share: number) => figure(100 * share, 0)
</script>

<template>
  <section class="side">
    <dl>
      <div>
        <dt>{{ t('practice.minutesSpent') }}</dt>
        <dd class="mono" data-testid="practice-minutes">{{ figure(minutes, 0) }}</dd>
      </div>
      <div>
        <dt>{{ t('practice.partsSpent') }}</dt>
        <dd class="mono">{{ figure(parts, Number.isInteger(parts) ? 0 : 1) }}</dd>
      </div>
      <div :class="{ harmed: dry > 0 }">
        <dt>{{ t('practice.dry') }}</dt>
        <dd class="mono" data-testid="practice-dry">{{ figure(dry, 0) }}</dd>
      </div>
    </dl>
    <p class="quiet">{{ t('practice.partsAreCounted') }}</p>
    <h2>{{ t('practice.itIs') }}</h2>
    <Select
      v-model="cause"
      class="cause"
      :options="causes"
      option-label="words"
      option-value="value"
      :aria-label="t('practice.itIs')"
      :placeholder="t('practice.chooseTheFault')"
      scroll-height="60vh"
    />
    <p v-if="cost" class="quiet">
      {{ t('practice.minutes', { n: cost.minutes }, cost.minutes)
      }}<template v-if="cost.parts.length > 0">, {{ cost.parts.map((part) => PART_WORDS[part]).join(', ') }}</template>
    </p>
    <p class="ways">
      <Button type="button" :disabled="!cause || practice.busy.value" @click="repair">{{
        t('practice.repairIt')
      }}</Button><Button type="button" variant="outlined" :disabled="practice.busy.value" @click="practice.giveUp()">{{
        t('practice.giveUp')
      }}</Button>
    </p>
    <p v-for="(each, i) in wrong" :key="i" class="vain" role="status">
      {{
        t('practice.notThat', {
          cause: causeWords(each.repair),
          pressure: units.say(each.reading.pressure, 'pressure', units.fine),
        })
      }}
    </p>
    <Button type="button" variant="text" :aria-expanded="helping" @click="help">{{
      t(helping ? 'practice.hideOpinion' : 'practice.whatDoesUldoThink')
    }}</Button>
    <div v-if="helping" data-testid="practice-help">
      <p v-if="!opinion" class="quiet">{{ t('practice.thinking') }}</p>
      <ol v-else>
        <li v-for="each in opinion.causes.slice(0, 3)" :key="each.cause">
          {{ causeWords(each.cause) }}
          <span class="quiet">{{ t('practice.percent', { share: percent(each.probability) }) }}</span>
        </li>
      </ol>
      <p v-if="opinion?.nextChecks[0]">
        {{ t('practice.nextWouldBe', { check: checkTitle(opinion.nextChecks[0].check) }) }}
      </p>
    </div>
  </section>
</template>

<style scoped>
h2 {
  margin: 18px 0 6px;
}
dl {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 26px;
  margin: 0;
}
dt {
  color: var(--quiet);
}
dd {
  margin: 0;
  font-size: 34px;
  line-height: 1.1;
}
.harmed dd {
  color: var(--stop);
}
.cause {
  width: 100%;
  min-height: 46px;
  align-items: center;
}
.ways {
  margin-top: 10px;
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.vain {
  color: var(--stop);
}
li::first-letter {
  text-transform: uppercase;
}
</style>
