<script setup lang="ts">
import { t } from '~/words/of/trace'
import type { CheckKey } from '#core/trace/checks'
import type { NextCheck } from '#core/trace/nextChecks'
import { causeWords, CHECK_WORDS, checkTitle, valueWords } from '~/words/trace'
import { figure } from '~/words/numbers'

/** The next checks by what each tells a minute: how it is made, what can hurt, and before it is made what each outcome would mean. */
const { trace } = defineProps<{ trace: ReturnType<typeof useTrace> }>()
const SHOWN = 3
const build = useBuild()
const all = ref(false)
const next = computed(() =>
  (trace.trace.value?.nextChecks ?? []).filter(({ check }) => trace.recorded.value!.skipped?.[check] === undefined),
)
const shown = computed(() => (all.value ? next.value : next.value.slice(0, SHOWN)))
const leaving = ref<CheckKey>()
const why = ref('')
function leave(check: CheckKey) {
  if (why.value.trim() === '') return
  void trace.leave(check, why.value.trim())
  leaving.value = undefined
  why.value = ''
}
const cautionOf = (check: CheckKey) => {
  const { caution } = CHECK_WORDS[check] as { caution?: Parameters<typeof t>[0] }
  return caution && t(caution)
}
/** Nothing is taken apart before what is quick and tells as much of the same. */
const before = ({ teardown, check }: NextCheck) =>
  teardown
    ? next.value
        .filter((each) => !each.teardown && each.check !== check && each.tells > 0.05)
        .slice(0, 2)
        .map((each) => checkTitle(each.check))
        .join(', ')
    : ''
const percent = (share: number) => figure(100 * share, 0)
</script>

<template>
  <section v-if="next.length > 0" data-testid="trace-next">
    <h2>{{ t('trace.next') }}</h2>
    <article v-for="each in shown" :key="each.check" class="check" :data-check="each.check">
      <h3>
        {{ checkTitle(each.check)
        }}<span class="quiet">{{ t('trace.minutes', { n: each.minutes }, each.minutes) }}</span
        ><span v-if="each.teardown" class="apart">{{ t('trace.takenApart') }}</span>
      </h3>
      <div class="told">
        <div>
          <p>{{ t(CHECK_WORDS[each.check].how) }}</p>
          <p v-if="cautionOf(each.check)" class="careful">{{ cautionOf(each.check) }}</p>
        </div>
        <TraceWhere :check="each.check" :layout="build.sheet!.layout" />
      </div>
      <p v-if="before(each)" class="careful">{{ t('trace.before', { checks: before(each) }) }}</p>
      <div v-for="outcome in each.outcomes" :key="outcome.value" class="outcome">
        <Button type="button" variant="outlined" class="on-paper" @click="trace.observe(each.check, outcome.value)">{{
          valueWords(each.check, outcome.value)
        }}</Button><span class="quiet">{{
          t('trace.wouldMean', {
            chance: percent(outcome.probability),
            cause: causeWords(outcome.then[0]!.fault),
            share: percent(outcome.then[0]!.probability),
          })
        }}</span>
      </div>
      <p v-if="leaving === each.check" class="leaving">
        <InputText
          v-model="why"
          :aria-label="t('trace.whyLeft')"
          :placeholder="t('trace.whyLeft')"
          maxlength="500"
          @keydown.enter.prevent="leave(each.check)"
        /><Button type="button" :disabled="why.trim() === ''" @click="leave(each.check)">{{ t('trace.leave') }}</Button>
      </p>
      <Button v-else type="button" variant="text" @click="leaving = each.check">{{ t('trace.leaveIt') }}</Button>
    </article>
    <Button v-if="next.length > SHOWN" type="button" variant="text" @click="all = !all">{{
      all ? t('trace.fewer') : t('trace.moreChecks', { n: next.length - SHOWN }, next.length - SHOWN)
    }}</Button>
  </section>
</template>

<style scoped>
.told {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(110px, 170px);
  gap: 4px 14px;
}
.check {
  border-top: 1px solid var(--rule);
  padding: 10px 0 6px;
}
.check h3 {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: baseline;
}
.check h3 .quiet {
  font-weight: 400;
}
.apart,
.careful {
  color: var(--watch);
}
.apart {
  font-weight: 650;
}
.outcome {
  display: grid;
  grid-template-columns: minmax(150px, max-content) 1fr;
  gap: 6px 14px;
  align-items: center;
  padding: 3px 0;
}
.outcome .p-button {
  min-height: 48px;
  justify-content: flex-start;
}
.leaving {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
.leaving .p-inputtext {
  flex: 1 1 220px;
  min-height: 44px;
}
@media (max-width: 600px) {
  .outcome {
    grid-template-columns: 1fr;
  }
}
</style>
