<script setup lang="ts">
import { t } from '~/words/of/practice'
import type { Done, Spent } from '#core/practice/exercise'
import { codeOf } from '#core/practice/task'
import { causeWords, checkTitle, MOMENT_WORDS, valueWords } from '~/words/trace'
import { figure } from '~/words/numbers'
import type { Practice } from '~/composables/usePractice'

/** What it was, what the way there came to, and the shortest one beside it. */
const { practice } = defineProps<{ practice: Practice }>()
const end = computed(() => practice.end.value!)
const kept = computed(() => practice.kept.value!)
const units = useUnits()
const wordsOf = (done: Done) =>
  'check' in done
    ? `${checkTitle(done.check)}: ${valueWords(done.check, done.value)}`
    : 'run' in done
      ? t(done.calledOff ? 'practice.ranCalledOff' : 'practice.ran', {
          moment: MOMENT_WORDS[done.run],
          pressure: units.say(done.reading.pressure, 'pressure', units.fine),
        })
      : t(done.right ? 'practice.repaired' : 'practice.repairedInVain', { cause: causeWords(done.repair) })
const ways = computed(
  () =>
    [
      { title: t('practice.yourWay'), steps: kept.value.done, minutes: end.value.score.minutes },
      { title: t('practice.shortestWay'), steps: end.value.shortest, minutes: end.value.shortestTally.minutes },
    ] satisfies { title: string; steps: { done: Done; spent: Spent }[]; minutes: number }[],
)
</script>

<template>
  <section data-testid="practice-end">
    <h2>{{ t(end.score.found ? 'practice.found' : 'practice.itWas', { cause: causeWords(end.hidden) }) }}</h2>
    <p class="points">
      <span class="mono huge" data-testid="practice-points">{{ end.score.points }}</span><span>{{
        t('practice.ofAHundred')
      }}</span>
    </p>
    <p class="quiet">
      {{
        t('practice.cost', {
          minutes: figure(end.score.minutes, 0),
          parts: figure(end.score.parts, Number.isInteger(end.score.parts) ? 0 : 1),
          dry: figure(end.score.dry, 0),
        })
      }}
      <template v-if="kept.helped > 0">{{ t('practice.helped', { n: kept.helped }, kept.helped) }}</template>
    </p>
    <div class="ways">
      <div v-for="way in ways" :key="way.title">
        <h3>
          {{ way.title }}<span class="quiet">{{ t('practice.minutes', { n: way.minutes }, way.minutes) }}</span>
        </h3>
        <ol>
          <li v-for="({ done, spent }, i) in way.steps" :key="i">
            {{ wordsOf(done) }} <span class="quiet">{{ t('practice.min', { n: spent.minutes }) }}</span>
          </li>
        </ol>
        <p v-if="way.steps.length === 0" class="quiet">{{ t('practice.nothingDone') }}</p>
      </div>
    </div>
    <p v-if="!kept.build" class="quiet">
      {{ t('practice.shareIt') }} <b class="mono">{{ codeOf(kept.task) }}</b>
    </p>
    <Button type="button" @click="practice.leave()">{{ t('practice.another') }}</Button>
  </section>
</template>

<style scoped>
.points {
  display: flex;
  align-items: baseline;
  gap: 14px;
  margin: 4px 0;
}
.huge {
  font-size: 84px;
  line-height: 1;
}
.ways {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(290px, 1fr));
  gap: 10px 40px;
  margin: 14px 0;
}
h2 {
  font-size: 24px;
}
h3 .quiet {
  margin-left: 12px;
  font-weight: 400;
}
li {
  margin: 4px 0;
}
</style>
