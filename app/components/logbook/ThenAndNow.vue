<script setup lang="ts">
import { t } from '~/words/of/logbook'
import { differences } from '#core/logbook/story'
import { STATE_NAMES } from '#core/targets/targets'
import { STATE_LABELS } from '#core/outlook/states'
import type { Sheet } from '#core/record/schema'
import type { useStory } from '~/composables/useStory'
import { PAGES } from '~/composables/stations'
import { dateAndTimeOf } from '~/words/dates'
import { lineWords } from '~/words/logbook'
import { inSentence, named } from '~/words/speak'

/** The engine as it was at two moments of its story, with what was predicted of each, and what differs between them. */
const { story } = defineProps<{ story: ReturnType<typeof useStory> }>()
const build = useBuild()
const units = useUnits()
const route = useRoute()
const router = useRouter()
const last = computed(() => story.entries.value?.length ?? 0)
const moments = computed(() =>
  (story.entries.value ?? [])
    .map(({ revision, at, who }) => ({
      value: revision,
      words: t('moment.revision', { when: dateAndTimeOf(at), who }),
    }))
    .reverse()
    .map((each, i) => (i === 0 ? { ...each, words: t('moment.now') } : each))
    .concat({ value: 0, words: t('moment.beginning') }),
)
const chosen = (name: 'at' | 'and', otherwise: () => number) =>
  computed({
    get: () => {
      const asked = Number(route.query[name] ?? Number.NaN)
      return Number.isInteger(asked) && asked >= 0 && asked <= last.value ? asked : otherwise()
    },
    set: (revision) => void router.replace({ query: { ...route.query, [name]: String(revision) } }),
  })
const earlier = chosen('at', () => 0)
const later = chosen('and', () => last.value)
const sides = computed(() =>
  // Where nothing was written since it began there is one moment.
  last.value === 0
    ? [{ name: t('moment.now'), model: later }]
    : [
        { name: t('moment.earlier'), model: earlier },
        { name: t('moment.later'), model: later },
      ],
)
/** Judged by the house's rules of today, and by what the other engines have taught by now. */
const judged = (revision: number): Sheet | undefined => {
  const sheet = story.at(revision)
  return sheet && { ...sheet, house: build.sheet!.house, experience: build.sheet!.experience }
}
const sheets = computed(() => [judged(earlier.value), judged(later.value)] as const)
const { value: outlooks, error } = useAnswer(
  async (model) => {
    const [then, now] = sheets.value
    if (!then || !now) return undefined
    // One after the other: the model answers one question at a time.
    const first = await model.fullOutlook(then)
    return [first, await model.fullOutlook(now)] as const
  },
  () => sheets.value,
)
const rows = computed(() =>
  STATE_NAMES.map((name) => ({
    name,
    label: STATE_LABELS[name],
    states: (outlooks.value ?? []).map(({ states, voids }) => ({
      ...states.find((each) => each.name === name)!,
      void: voids[0]?.about,
    })),
  })),
)
const changed = computed(() => {
  const [then, now] = sheets.value
  if (!then || !now) return []
  return differences(then, now).map((line) => ({
    id: `${line.part}/${line.key}`,
    where: PAGES.find(({ page }) => page === line.station)?.title ?? '',
    ...lineWords(line, (line.after === undefined ? then : now).layout, units.sayReading),
  }))
})
</script>

<template>
  <section data-testid="then-and-now">
    <p class="quiet">{{ t('moment.readOnly') }}</p>
    <p v-if="story.entries.value && last === 0" class="quiet">{{ t('logbook.none') }}</p>
    <div v-else class="sides">
      <div v-for="side in sides" :key="side.name">
        <label>{{ side.name }}</label>
        <Select
          v-model="side.model.value"
          :options="moments"
          option-label="words"
          option-value="value"
          :aria-label="side.name"
          :virtual-scroller-options="moments.length > 60 ? { itemSize: 44 } : undefined"
          scroll-height="60vh"
        />
      </div>
    </div>
    <p v-if="error" class="wrong" role="alert">{{ t('moment.notWorkedOut', { why: error }) }}</p>
    <p v-else-if="!outlooks" class="quiet" role="status">{{ t('moment.computing') }}</p>
    <ResultTable
      v-else
      :rows="rows"
      :label="t('logbook.thenAndNow')"
      :attributes="({ name }) => ({ 'data-then': name })"
    >
      <Column :field="(row) => inSentence(row.label)" :header="t('moment.state')" /><Column
        v-for="(side, i) in sides"
        :key="side.name"
        :header="`${side.name}, ${units.unit('pressure').symbol}`"
        ><template #body="{ data }"
          ><BandedFigure
            :class="data.states[i].verdict"
            :value="Math.max(0, data.states[i].pressure)"
            :low="Math.max(0, data.states[i].low)"
            :high="Math.max(0, data.states[i].high)"
            dimension="pressure"
            :fine="units.fine"
          /><span v-if="data.states[i].measured" class="word mono">{{
            t('moment.read', { pressure: units.say(data.states[i].measured.reading, 'pressure', units.fine) })
          }}</span
          ><span class="word" :class="data.states[i].verdict">{{
            data.states[i].void ? t('moment.void', { about: data.states[i].void }) : named(data.states[i].verdict)
          }}</span></template
        ></Column
      >
    </ResultTable>
    <h2 v-if="last > 0">{{ t('moment.whatChanged') }}</h2>
    <p v-if="last > 0 && changed.length === 0" class="quiet">{{ t('moment.nothingDiffers') }}</p>
    <ResultTable
      v-if="changed.length > 0"
      :rows="changed"
      :label="t('moment.whatChanged')"
      :attributes="({ id }) => ({ 'data-differs': id })"
    >
      <Column field="what" :header="t('logbook.what')" class="words" sortable /><Column
        field="where"
        :header="t('logbook.station')"
        class="words"
        sortable
      /><Column field="before" :header="t('moment.earlier')" class="mono" /><Column
        field="after"
        :header="t('moment.later')"
        class="mono"
      />
    </ResultTable>
  </section>
</template>

<style scoped>
.sides {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 34px;
  margin-bottom: 14px;
}
.sides > div {
  display: grid;
  gap: 3px;
}
label {
  color: var(--quiet);
}
h2 {
  margin-top: 24px;
}
.word {
  display: block;
  font-weight: 650;
}
</style>
