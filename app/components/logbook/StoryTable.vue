<script setup lang="ts">
import { t } from '~/words/of/logbook'
import { STORY_KINDS } from '#core/logbook/story'
import type { StoryRow, useStory } from '~/composables/useStory'
import { PAGES } from '~/composables/stations'
import { dateAndTimeOf } from '~/words/dates'
import { KIND_WORDS } from '~/words/logbook'

/** One line of time: by person, station, kind and text; each line says before and after, with what, and why. */
const { story } = defineProps<{ story: ReturnType<typeof useStory> }>()
const emit = defineEmits<{ look: [revision: number] }>()
const ANY = ''
const search = ref('')
const person = ref(ANY)
const station = ref(ANY)
const kind = ref(ANY)
const titleOf = (page: StoryRow['station']) => PAGES.find((each) => each.page === page)?.title ?? ''
const whenOf = ({ at }: StoryRow) => (at === undefined ? t('logbook.begun') : dateAndTimeOf(at))
const rows = computed(() => story.rows.value.map((row) => ({ ...row, when: whenOf(row), where: titleOf(row.station) })))
type Row = (typeof rows.value)[number]
const distinct = (of: (row: Row) => string | undefined) =>
  [...new Set(rows.value.map(of))].filter((each): each is string => Boolean(each))
const people = computed(() => [
  { value: ANY, words: t('logbook.everybody') },
  ...distinct(({ who }) => who)
    .sort((a, b) => a.localeCompare(b))
    .map((value) => ({ value, words: value })),
])
const stations = computed(() => {
  const met = new Set(rows.value.map((row) => row.station))
  return [
    { value: ANY, words: t('logbook.everywhere') },
    ...PAGES.filter(({ page }) => met.has(page as Row['station'])).map(({ page, title }) => ({
      value: page,
      words: title,
    })),
  ]
})
const kinds = computed(() => {
  const met = new Set(rows.value.map((row) => row.kind))
  return [
    { value: ANY, words: t('logbook.everything') },
    ...STORY_KINDS.filter((each) => met.has(each)).map((value) => ({ value, words: KIND_WORDS[value] })),
  ]
})
/** Every word that was typed is somewhere in the line. */
const words = computed(() => search.value.toLowerCase().split(/\s+/).filter(Boolean))
const textOf = (row: Row) =>
  [row.when, row.who, row.where, row.what, row.before, row.after, row.instrument, row.reason].join(' ').toLowerCase()
const shown = computed(() =>
  rows.value.filter(
    (row) =>
      (!person.value || row.who === person.value) &&
      (!station.value || row.station === station.value) &&
      (!kind.value || row.kind === kind.value) &&
      words.value.every((word) => textOf(row).includes(word)),
  ),
)
/** Of a long story only the lines in sight are made. */
const LONG = 60
const ROW = 56
const long = computed(() =>
  shown.value.length > LONG
    ? { scrollable: true, scrollHeight: 'calc(100dvh - 300px)', virtualScrollerOptions: { itemSize: ROW } }
    : {},
)
</script>

<template>
  <section data-testid="story">
    <div class="tools">
      <InputText v-model="search" type="search" :placeholder="t('logbook.search')" :aria-label="t('logbook.search')" />
      <ChoiceField :label="t('logbook.person')" :value="person" :options="people" @choose="person = $event" />
      <ChoiceField :label="t('logbook.station')" :value="station" :options="stations" @choose="station = $event" />
      <ChoiceField :label="t('logbook.kind')" :value="kind" :options="kinds" @choose="kind = $event" />
    </div>
    <p class="quiet count" role="status" data-testid="story-count">
      <template v-if="rows.length > 0">{{
        t('logbook.linesOf', { shown: shown.length, all: rows.length }, rows.length)
      }}</template>
    </p>
    <p v-if="story.entries.value && rows.length === 0" class="quiet">{{ t('logbook.none') }}</p>
    <p v-else-if="rows.length > 0 && shown.length === 0" class="quiet">{{ t('logbook.noneOfThese') }}</p>
    <ResultTable
      v-if="shown.length > 0"
      :rows="shown"
      :label="t('logbook.story')"
      :attributes="({ id, kind: about }) => ({ 'data-line': id, 'data-kind': about })"
      v-bind="long"
      data-key="id"
    >
      <Column field="at" :header="t('logbook.when')" class="words when" sortable
        ><template #body="{ data }">{{ data.when }}</template></Column
      ><Column field="who" :header="t('logbook.who')" class="words" sortable
        ><template #body="{ data }"
          >{{ data.who
          }}<span v-if="data.signedBy" class="under">{{
            t('logbook.signedOffBy', { name: data.signedBy })
          }}</span></template
        ></Column
      ><Column field="where" :header="t('logbook.station')" class="words" sortable /><Column
        field="what"
        :header="t('logbook.what')"
        class="words"
        sortable
      /><Column field="before" :header="t('logbook.before')" class="mono" /><Column
        field="after"
        :header="t('logbook.after')"
        class="mono"
      /><Column field="instrument" :header="t('logbook.instrument')" class="words" sortable /><Column
        field="reason"
        :header="t('logbook.why')"
        class="words"
      /><Column
        ><template #header
          ><span class="hidden-but-read">{{ t('logbook.asItWas') }}</span></template
        ><template #body="{ data }"
          ><Button
            type="button"
            variant="text"
            :aria-label="t('logbook.openAsItWas', { when: data.when, what: data.what })"
            @click="emit('look', data.revision)"
            >{{ t('logbook.asItWas') }}</Button
          ></template
        ></Column
      >
    </ResultTable>
  </section>
</template>

<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.tools > .p-inputtext {
  min-width: 220px;
}
.count {
  min-height: 1.4em;
  margin: 8px 0;
}
.under {
  display: block;
  color: var(--quiet);
}
:deep(.when) {
  white-space: nowrap;
}
@media print {
  .tools,
  :deep(td:last-child) {
    display: none;
  }
}
</style>
