<script setup lang="ts">
import { t } from '~/words/of/practice'
import { CHECKS, type CheckKey } from '#core/trace/checks'
import { costOfCheck, costOfRun } from '#core/practice/costs'
import type { Moment, TraceReading } from '#core/trace/vocabulary'
import { CHECK_WORDS, checkTitle, CONTEXT_WORDS, MOMENT_WORDS, valueWords } from '~/words/trace'
import { t as traceWords } from '~/words/of/trace'
import { PART_WORDS } from '~/words/practice'
import type { Practice } from '~/composables/usePractice'

/** What is said of the engine, and everything that can be looked at, with what each costs before it is made. */
const { practice } = defineProps<{ practice: Practice }>()
const units = useUnits()
const traced = computed(() => practice.said.value!.traced)
/** Under so many minutes a check counts as quick. */
const QUICK = 5
const groups = computed(() => {
  const of = (key: CheckKey) => CHECKS[key]!
  const all = practice.said.value!.checks
  return [
    { words: t('practice.quick'), checks: all.filter((key) => of(key).minutes < QUICK) },
    { words: t('practice.longer'), checks: all.filter((key) => of(key).minutes >= QUICK && !of(key).teardown) },
    { words: t('practice.takenApart'), checks: all.filter((key) => of(key).teardown) },
  ].filter(({ checks }) => checks.length > 0)
})
const made = computed(
  () =>
    new Map(
      practice.kept.value!.done.flatMap(({ done }) => ('check' in done ? [[done.check, done.value] as const] : [])),
    ),
)
const open = ref<CheckKey>()
/** How it was read. */
const readWords = (reading: TraceReading) =>
  t('practice.readWith', {
    moment: MOMENT_WORDS[reading.moment ?? traced.value.moment],
    gauge: reading.with === 'mechanical' ? traceWords('trace.mechanical') : traceWords('trace.sender'),
    speed: reading.speed === undefined ? t('practice.atRest') : units.say(reading.speed, 'speed'),
    oil: units.say(reading.temperature ?? 20, 'temperature'),
  })
const runsAt = (moment: Moment) =>
  practice.kept.value!.done.flatMap(({ done }) => ('run' in done && done.run === moment ? [done] : []))
const partsOf = (check: CheckKey) =>
  costOfCheck(check, traced.value.moment)
    .parts.map((part) => PART_WORDS[part])
    .join(', ')
const cautionOf = (check: CheckKey) => {
  const { caution } = CHECK_WORDS[check] as { caution?: Parameters<typeof traceWords>[0] }
  return caution && traceWords(caution)
}
</script>

<template>
  <div>
    <section class="said" data-testid="practice-said">
      <h2>{{ practice.kept.value!.engine }}</h2>
      <p>
        {{ t('practice.behind', { context: CONTEXT_WORDS[traced.context] })
        }}<template v-if="traced.stoodDays"
          >, {{ t('practice.days', { n: traced.stoodDays }, traced.stoodDays) }}</template
        >.
        {{ t('practice.itIsWrong', { moment: MOMENT_WORDS[traced.moment] }) }}
      </p>
      <p v-for="(reading, i) in traced.readings" :key="i" class="read">
        <span class="mono figure">{{ units.say(reading.pressure, 'pressure', units.fine) }}</span><span class="quiet">{{
          readWords(reading)
        }}</span>
      </p>
      <p v-if="traced.observations.lamp">
        {{ checkTitle('lamp') }}: {{ valueWords('lamp', traced.observations.lamp) }}
      </p>
    </section>
    <section data-testid="practice-runs">
      <h2>{{ t('practice.runIt') }}</h2>
      <ul>
        <li v-for="moment in practice.said.value!.runs" :key="moment" :data-practice-run="moment">
          <span>{{ MOMENT_WORDS[moment] }}</span><span class="quiet cost">{{
            t('practice.minutes', { n: costOfRun(moment).minutes }, costOfRun(moment).minutes)
          }}</span
          ><Button
            type="button"
            variant="outlined"
            :disabled="practice.busy.value"
            :aria-label="t('practice.runItAt', { moment: MOMENT_WORDS[moment] })"
            @click="practice.run(moment)"
            >{{ t('practice.read') }}</Button
          >
          <p v-for="(each, i) in runsAt(moment)" :key="i" class="how" role="status">
            <b class="mono">{{ units.say(each.reading.pressure, 'pressure', units.fine) }}</b>
            <span class="quiet">{{ readWords(each.reading) }}</span>
            <span v-if="each.calledOff" class="careful">{{ t('practice.calledOff') }}</span>
          </p>
        </li>
      </ul>
    </section>
    <section v-for="group in groups" :key="group.words">
      <h2>{{ group.words }}</h2>
      <ul>
        <li v-for="check in group.checks" :key="check" :data-practice-check="check">
          <Button
            type="button"
            variant="text"
            class="title on-paper"
            :aria-expanded="open === check"
            @click="open = open === check ? undefined : check"
            >{{ checkTitle(check) }}</Button><span v-if="made.has(check)" class="found" role="status">{{
            valueWords(check, made.get(check)!)
          }}</span
          ><template v-else
            ><span class="quiet cost">{{
              t('practice.minutes', { n: CHECKS[check]!.minutes }, CHECKS[check]!.minutes)
            }}</span
            ><Button
              type="button"
              variant="outlined"
              :disabled="practice.busy.value"
              :aria-label="t('practice.makeCheck', { check: checkTitle(check) })"
              @click="practice.look(check)"
              >{{ t('practice.make') }}</Button
            ></template
          >
          <div v-if="open === check" class="how">
            <p>{{ traceWords(CHECK_WORDS[check].how) }}</p>
            <p v-if="cautionOf(check)" class="careful">{{ cautionOf(check) }}</p>
            <p v-if="partsOf(check)" class="quiet">{{ t('practice.uses', { parts: partsOf(check) }) }}</p>
          </div>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
section + section h2 {
  margin: 20px 0 6px;
}
.said .figure {
  font-size: 40px;
  margin-right: 14px;
}
.read {
  margin: 4px 0;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 2px 14px;
  align-items: center;
  border-top: 1px solid var(--rule);
  padding: 2px 0;
}
.title {
  justify-content: start;
  text-align: left;
  padding-inline: 0;
  color: var(--ink);
}
.found {
  grid-column: 2 / -1;
  font-weight: 650;
  min-height: 44px;
  display: inline-flex;
  align-items: center;
  text-align: right;
}
.how {
  grid-column: 1 / -1;
  padding-bottom: 8px;
}
.how b {
  margin-right: 12px;
}
.how p {
  margin: 3px 0;
}
@media (max-width: 560px) {
  li {
    grid-template-columns: minmax(0, 1fr) auto;
  }
  .title {
    grid-column: 1;
  }
  .cost {
    grid-area: 2 / 1;
  }
  li > .p-button-outlined {
    grid-area: 1 / 2 / span 2 / auto;
  }
  .found {
    grid-column: 2;
  }
}
</style>
