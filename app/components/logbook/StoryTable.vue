<script setup lang="ts">
import { t } from '~/words/of/logbook'
import { hasWords } from '#core/logbook/search'
import { STORY_KINDS } from '#core/logbook/story'
import type { StoryRow, useStory } from '~/composables/useStory'
import { PAGES } from '~/composables/stations'
import { dateAndTimeOf } from '~/words/dates'
import { KIND_WORDS } from '~/words/logbook'

/** One line of time: by person, station, kind and text; each line says before and after, with what, and why. */
const { story } = defineProps<{ story: ReturnType<typeof useStory> }>()
const emit = defineEmits<{ look: [revision: number] }>()
const ANY = '*'
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
const textOf = (row: Row) =>
  [row.when, row.who, row.where, row.what, row.before, row.after, row.instrument, row.reason].join(' ')
const shown = computed(() =>
  rows.value.filter(
    (row) =>
      (person.value === ANY || row.who === person.value) &&
      (station.value === ANY || row.station === station.value) &&
      (kind.value === ANY || row.kind === kind.value) &&
      hasWords(textOf(row), search.value),
  ),
)
/** What stood before, and what it was measured with. */
const beside = ({ before, instrument }: Row) =>
  [before && t('logbook.was', { before }), instrument].filter(Boolean).join(', ')
/** Of a long story only the lines in sight are made. */
const LONG = 60
const ROW = matchMedia('(max-width: 700px)').matches ? 112 : 72
const printing = usePrinting()
const long = computed(() =>
  shown.value.length > LONG && !printing.value
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
        ><template #body="{ data }"
          >{{ data.when
          }}<span class="under"
            >{{ data.who }}{{ data.signedBy ? `, ${t('logbook.signedOffBy', { name: data.signedBy })}` : '' }}</span
          ></template
        ></Column
      ><Column field="what" :header="t('logbook.what')" class="words" sortable
        ><template #body="{ data }"
          ><span class="what">{{ data.what }}</span
          ><span class="under">{{ [data.where, data.reason].filter(Boolean).join(', ') }}</span></template
        ></Column
      ><Column field="after" :header="t('logbook.written')"
        ><template #body="{ data }"
          ><span class="mono value">{{ data.after }}</span
          ><span class="under">{{ beside(data) }}</span></template
        ></Column
      ><Column
        ><template #header
          ><span class="hidden-but-read">{{ t('logbook.asItWas') }}</span></template
        ><template #body="{ data }"
          ><Button
            type="button"
            variant="text"
            class="look"
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
.under,
.what {
  display: block;
  max-width: 42ch;
  overflow: hidden;
  white-space: nowrap;
  text-overflow: ellipsis;
}
.under {
  color: var(--quiet);
  font-weight: 400;
}
.value,
.look,
:deep(.when) {
  white-space: nowrap;
}
/* Rows are as high as the virtual ones are taken to be. */
:deep(.p-datatable-tbody > tr > td) {
  vertical-align: middle;
  height: 72px;
  padding-block: 2px;
}
@media (max-width: 700px) {
  .under,
  .what {
    max-width: 15ch;
  }
  :deep(.when) {
    white-space: normal;
  }
  :deep(.p-datatable-tbody > tr > td) {
    height: 112px;
    padding-inline: 4px;
  }
  .look {
    white-space: normal;
    width: 48px;
    padding-inline: 0;
  }
  .value {
    white-space: normal;
  }
}
@media print {
  .tools,
  :deep(td:last-child) {
    display: none;
  }
}
</style>
