<script setup lang="ts">
import { t } from '~/words/of/logbook'
import { countsExperience, EXPERIENCE_CHOICE } from '#core/engine/experience'
import { LEAST_ENGINES, type StartedEngine } from '#core/logbook/habit'
import type { ReadState } from '#core/logbook/lessons'
import { OUTLIER, type Sister, type Spread } from '#core/logbook/sisters'
import { PAGES } from '~/composables/stations'
import { askOrSeen } from '~/sync/lastSeen'
import { dateOf } from '~/words/dates'
import { figure, signedPercent, significant } from '~/words/numbers'
import { inSentence, said } from '~/words/speak'

/** What the shop's other engines say: of this one's prediction by how their gauges read beside theirs, and of its measurements by what its sisters measure. */
const build = useBuild()
const units = useUnits()
const experience = useExperience()
const STATES: readonly ReadState[] = ['idleCold', 'idleHot', 'workingHot']
const STATE_TITLES = said(t, {
  idleCold: 'sisters.idleCold',
  idleHot: 'sisters.idleHot',
  workingHot: 'sisters.workingHot',
})
const WHY = said(t, {
  void: 'sisters.isVoid',
  fault: 'sisters.hasAFault',
  traced: 'sisters.isTraced',
  'measured-since': 'sisters.measuredSince',
})
const learnt = computed(() => experience.learntOf(build.id))
const taught = computed(() => learnt.value?.experience)
const counted = computed(() => build.sheet !== undefined && countsExperience(build.sheet))
onMounted(() => build.id && void experience.load(build.id))

const sisters = shallowRef<Sister[]>()
const missed = ref(false)
watch(
  () => build.id,
  async (id) => {
    sisters.value = undefined
    const found =
      id && (await askOrSeen('GET /api/builds/:build/sisters', { at: { build: id } }).catch(() => undefined))
    missed.value = !found
    if (found && id === build.id) sisters.value = found.answer
  },
  { immediate: true },
)
const { value: spreads } = useAnswer(
  (model) => (build.sheet && sisters.value ? model.spreads(build.sheet, sisters.value) : undefined),
  () => [build.sheet, sisters.value],
)
/** The same build by its own record alone, and with what others teach. */
const { value: both } = useAnswer(
  (model) => (build.sheet && taught.value ? model.withAndWithout(build.sheet, taught.value) : undefined),
  () => [build.sheet, taught.value],
)
const percent = (share: number) => `${signedPercent(share)} %`
const offAt = ({ readings }: StartedEngine, name: ReadState) => {
  const reading = readings.find(({ state }) => state === name)
  return reading ? percent(reading.read / reading.predicted - 1) : ''
}
/** More than this nobody can know. */
const MILLION = 1e6
const oddsWords = (odds: number) =>
  odds >= MILLION ? t('sisters.lessThanOneInAMillion') : t('sisters.oneIn', { odds: significant(odds, 2) })
const stateRows = computed(() =>
  STATES.flatMap((name) => {
    const [alone, learned] = [both.value?.without, both.value?.with].map((states) =>
      states?.find((state) => state.name === name),
    )
    return alone && learned ? [{ name, label: alone.label, alone, learned }] : []
  }),
)
const band = ({ low, high }: { low: number; high: number }) =>
  t('sisters.toEach', { low: units.show(low, 'pressure'), high: units.say(high, 'pressure') })
const titleOf = (station: Spread['station']) => PAGES.find(({ page }) => page === station)?.title ?? ''
const spreadRows = computed(() => spreads.value ?? [])
const outlying = computed(() => spreadRows.value.filter(({ odds }) => odds >= OUTLIER))
const say = (value: number, { dimension }: Spread) => units.say(value, dimension)
</script>

<template>
  <section data-testid="sisters">
    <h2>{{ t('sisters.predictionsAndGauges') }}</h2>
    <template v-if="taught">
      <p class="habit" data-testid="habit">
        {{
          t('sisters.theLastRead', {
            engines: taught.engines,
            percent: figure(Math.abs(100 * taught.mean), 1),
            way: taught.mean < 0 ? t('sisters.under') : t('sisters.over'),
            spread: figure(100 * taught.spread, 1),
          })
        }}
      </p>
      <SegmentChoice
        :label="t('sisters.inThisBuild')"
        :value="counted ? 'on' : 'off'"
        :options="[
          { value: 'on', words: t('sisters.counted') },
          { value: 'off', words: t('sisters.notCounted') },
        ]"
        @choose="build.choose(EXPERIENCE_CHOICE, $event === 'off' ? 'off' : undefined, t('sisters.experience'))"
      />
      <p class="quiet">{{ t('sisters.whereItCounts') }}</p>
      <ResultTable v-if="stateRows.length > 0" :rows="stateRows" :label="t('sisters.withAndWithout')" data-key="name">
        <Column :header="t('sisters.state')" class="words"
          ><template #body="{ data }">{{ data.label }}</template></Column
        ><Column :header="t('sisters.byItsRecord')"
          ><template #body="{ data }"
            ><span class="mono">{{ units.say(data.alone.pressure, 'pressure') }}</span
            ><span class="under">{{ band(data.alone) }}</span></template
          ></Column
        ><Column :header="t('sisters.withTheOthers')"
          ><template #body="{ data }"
            ><span class="mono" :data-learned="data.name">{{ units.say(data.learned.pressure, 'pressure') }}</span
            ><span class="under">{{ band(data.learned) }}</span></template
          ></Column
        >
      </ResultTable>
    </template>
    <p v-else-if="learnt" class="quiet" data-testid="habit">
      {{ t('sisters.tooFew', { least: LEAST_ENGINES, now: learnt.engines.filter(({ counts }) => counts).length }) }}
    </p>
    <p v-else-if="experience.missed" class="quiet">{{ t('sisters.serverOffline') }}</p>

    <template v-if="learnt && learnt.engines.length > 0">
      <OnceNear><LazyHabitChart :engines="learnt.engines" :experience="taught" /></OnceNear>
      <ResultTable
        :rows="learnt.engines"
        :label="t('sisters.engines')"
        :attributes="({ name }) => ({ 'data-started': name })"
        data-key="build"
      >
        <Column field="name" :header="t('sisters.engine')" class="words" sortable
          ><template #body="{ data }"
            ><NuxtLink :to="`/build/${data.build}/logbook`">{{ data.name }}</NuxtLink
            ><span class="under">{{
              [data.engine, data.at && dateOf(data.at)].filter(Boolean).join(', ')
            }}</span></template
          ></Column
        ><Column v-for="state in STATES" :key="state" :header="STATE_TITLES[state]"
          ><template #body="{ data }"
            ><span class="mono">{{ offAt(data, state) }}</span></template
          ></Column
        ><Column :header="t('sisters.counts')" class="words"
          ><template #body="{ data }">{{
            data.counts
              ? data.sister
                ? t('sisters.asASister')
                : t('sisters.yes')
              : t('sisters.tooFar', { odds: oddsWords(data.odds) })
          }}</template></Column
        >
      </ResultTable>
    </template>

    <p v-if="learnt?.silent && learnt.silent.length > 0" class="quiet" data-testid="silent">
      {{
        t('sisters.readAndNotCounted', {
          names: learnt.silent.map(({ name, why }) => `${name} (${WHY[why]})`).join('; '),
        })
      }}
    </p>

    <h2>{{ t('sisters.measurements') }}</h2>
    <p v-if="missed" class="quiet">{{ t('sisters.serverOffline') }}</p>
    <p v-else-if="sisters && spreadRows.length === 0" class="quiet" data-testid="no-sisters">
      {{ t('sisters.noSisters', { engine: build.sheet?.engine, now: sisters.length }) }}
    </p>
    <template v-if="spreadRows.length > 0">
      <p data-testid="outliers">
        {{
          outlying.length > 0
            ? t('sisters.outliers', {
                names: outlying.map(({ label, odds }) => `${inSentence(label)} (${oddsWords(odds)})`).join('; '),
              })
            : t('sisters.noOutlier', { count: spreadRows.length })
        }}
      </p>
      <OnceNear><LazySpreadChart :spreads="spreadRows" /></OnceNear>
      <ResultTable
        :rows="spreadRows"
        :label="t('sisters.measurements')"
        :attributes="({ key, odds }) => ({ 'data-spread': key, 'data-outlier': odds >= OUTLIER ? 'yes' : undefined })"
        data-key="key"
      >
        <Column field="label" :header="t('sisters.measurement')" class="words" sortable
          ><template #body="{ data }"
            ><span :class="{ outlier: data.odds >= OUTLIER }">{{ inSentence(data.label) }}</span
            ><span class="under">{{ titleOf(data.station) }}</span></template
          ></Column
        ><Column field="value" :header="t('sisters.here')"
          ><template #body="{ data }"
            ><span class="mono">{{ say(data.value, data) }}</span></template
          ></Column
        ><Column :header="t('sisters.sisters')"
          ><template #body="{ data }"
            ><span class="mono">{{ say(data.mean, data) }}</span
            ><span class="under">{{
              t('sisters.spreadOf', { deviation: say(data.deviation, data), count: data.others.length })
            }}</span></template
          ></Column
        ><Column field="odds" :header="t('sisters.byChance')" sortable
          ><template #body="{ data }"
            ><span :class="{ outlier: data.odds >= OUTLIER }">{{ oddsWords(data.odds) }}</span></template
          ></Column
        >
      </ResultTable>
    </template>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 12px;
}
h2 {
  margin: 8px 0 0;
}
h2:not(:first-child) {
  border-top: 1px solid var(--rule);
  padding-top: 16px;
  margin-top: 16px;
}
.habit {
  font-size: 20px;
  font-weight: 600;
  margin: 0;
  max-width: 52ch;
}
.under {
  display: block;
  color: var(--quiet);
  font-weight: 400;
}
.mono {
  white-space: nowrap;
}
.outlier {
  font-weight: 650;
  color: var(--watch);
}
p {
  margin: 0;
  max-width: 70ch;
}
</style>
