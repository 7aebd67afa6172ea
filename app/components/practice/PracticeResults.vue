<script setup lang="ts">
import { t } from '~/words/of/practice'
import type { KeptResult } from '#core/practice/result'
import { STARTS } from '#core/practice/drill'
import { mean } from '#core/quantity/mean'
import { askOrSeen } from '~/sync/lastSeen'
import { useSync } from '~/sync/useSync'
import { causeWords } from '~/words/trace'
import { HARDNESS_WORDS } from '~/words/practice'
import { dateOf } from '~/words/dates'
import { figure } from '~/words/numbers'

/** What each has done at the bench, the newest first; one person's is a page to print. */
const EVERYBODY = '*'
const kept = shallowRef<KeptResult[]>()
const failed = ref(false)
const person = ref(usePerson().who || EVERYBODY)
const one = computed(() => (person.value === EVERYBODY ? undefined : person.value))
async function load() {
  const seen = await askOrSeen('GET /api/practice').catch(() => undefined)
  failed.value = !seen
  kept.value = seen?.answer ?? []
  if (!kept.value.some((each) => each.person === person.value)) person.value = EVERYBODY
}
onMounted(load)
useSync().onAnswer((item) => void (item.kind === 'practice' && load()))
const people = computed(() => [
  { value: EVERYBODY, words: t('results.everybody') },
  ...[...new Set((kept.value ?? []).map((each) => each.person))].sort().map((value) => ({ value, words: value })),
])
const shown = computed(() => (kept.value ?? []).filter((each) => !one.value || each.person === one.value))
const rows = computed(() =>
  shown.value.map(({ id, person: who, at, result }) => ({
    id,
    who,
    at: dateOf(Date.parse(at)),
    engine: result.engine,
    what:
      result.kind === 'drill'
        ? t('results.tenSeconds')
        : t(result.found ? 'results.found' : 'results.notFound', {
            cause: causeWords(result.cause),
            hardness: HARDNESS_WORDS[result.hardness],
          }),
    came:
      result.kind === 'drill'
        ? t('results.right', { right: result.right, starts: result.starts })
        : t('results.points', { points: result.points }, result.points),
    took:
      result.kind === 'drill'
        ? result.reaction === undefined
          ? ''
          : t('results.reaction', { time: figure(result.reaction, 1) })
        : t('results.minutes', { own: result.minutes, shortest: result.shortest }),
  })),
)
const sum = computed(() => {
  const bench = shown.value.flatMap(({ result }) => (result.kind === 'bench' ? [result] : []))
  const drills = shown.value.flatMap(({ result }) => (result.kind === 'drill' ? [result] : []))
  return [
    bench.length > 0 &&
      t(
        'results.exercises',
        {
          n: bench.length,
          found: bench.filter(({ found }) => found).length,
          points: figure(mean(bench.map(({ points }) => points)), 0),
        },
        bench.length,
      ),
    drills.length > 0 &&
      t(
        'results.drills',
        { n: drills.length, right: figure(mean(drills.map(({ right }) => right)), 1), starts: STARTS },
        drills.length,
      ),
  ].filter((words): words is string => typeof words === 'string')
})
const print = () => window.print()
</script>

<template>
  <section data-testid="practice-results">
    <p v-if="failed" role="alert">{{ t('results.serverOffline') }}</p>
    <p v-else-if="kept && kept.length === 0" class="quiet">{{ t('results.none') }}</p>
    <template v-if="kept && kept.length > 0">
      <p class="tools">
        <ChoiceField :label="t('results.person')" :value="person" :options="people" @choose="person = $event" /><Button
          type="button"
          variant="outlined"
          @click="print"
          >{{ t(one ? 'results.printCertificate' : 'results.print') }}</Button
        >
      </p>
      <h2>{{ one ? t('results.of', { person: one }) : t('results.ofTheShop') }}</h2>
      <p v-for="words in sum" :key="words">{{ words }}</p>
      <ResultTable :rows="rows" :label="t('results.results')" :attributes="({ id }) => ({ 'data-result': id })">
        <Column field="at" :header="t('results.day')" />
        <Column v-if="!one" field="who" :header="t('results.person')" class="words" />
        <Column field="engine" :header="t('practice.engine')" class="words" />
        <Column field="what" :header="t('results.what')" class="words" />
        <Column field="came" :header="t('results.came')" />
        <Column field="took" :header="t('results.took')" />
      </ResultTable>
      <p class="no-licence">{{ t('results.practiceNoLicence') }}</p>
      <dl v-if="one" class="signed" data-testid="practice-signed">
        <div>
          <dt>{{ t('results.signed') }}</dt>
          <dd></dd>
        </div>
        <div>
          <dt>{{ t('results.signedOn') }}</dt>
          <dd></dd>
        </div>
      </dl>
    </template>
  </section>
</template>

<style scoped>
h2 {
  margin-top: 18px;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.no-licence {
  color: var(--quiet);
  margin-top: 20px;
}
/* Lines to write on. */
.signed {
  display: none;
}
@media print {
  .signed {
    display: grid;
    grid-template-columns: 3fr 2fr;
    gap: 30px;
    margin: 60px 0 0;
  }
  .signed div {
    border-top: 1px solid var(--ink);
    padding-top: 4px;
  }

  .tools {
    display: none;
  }
}
</style>
