<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/passages'
import type { InspectionItem } from '#core/record/looked'
import { findingOf } from '#core/engine/inspections'
import type { PassageItem } from '#core/parts/passage'
import type { passageEffects } from '#core/outlook/passages'
import { shelfPatch } from '~/composables/shelfPatch'
import { dayOf } from '~/words/dates'

/** One passage: how it was found, who fitted it and how it is sealed, and what the gauge would say with it wrong. */
const { item, inspection, effects } = defineProps<{
  item: PassageItem
  inspection: InspectionItem
  effects?: ReturnType<typeof passageEffects>
}>()
const build = useBuild()
const access = useAccess()
const own = computed(() => build.sheet!.inspections[item.key])
const found = computed(() => findingOf(build.sheet!, inspection))
const SEALS = [
  { value: 'dry', words: t('passagePanel.dry') },
  { value: 'sealer', words: t('passagePanel.sealer') },
  { value: 'washer', words: t('passagePanel.newWasher') },
  { value: 'press', words: t('passagePanel.pressedStaked') },
]
const seal = computed(() => build.sheet!.choices[`${item.key}.seal`])
const words = (finding: string) => inspection.findings.find(({ value }) => value === finding)?.words ?? finding
const PLACES = { around: t('passagePanel.roundTheCooler'), sump: t('passagePanel.backToTheSump') }
const FORMS = [
  { value: 'early', words: t('passagePanel.early') },
  { value: 'late', words: t('passagePanel.late') },
]
const when = computed(() => (own.value?.at ? dayOf(own.value.at) : ''))

const shelf = useShelf()
if (item.kind === 'filter') void shelf.load()
const filters = computed(() => (item.kind === 'filter' ? shelf.fitting('filter', build.sheet!.engine) : []))
async function takeFilter(id: string) {
  const filter = filters.value.find((each) => each.id === id)
  if (!filter) return
  await build.change(
    shelfPatch(
      {
        'passage.filterLoss': shelf.figure(filter, 'loss'),
        'passage.filterBypass': shelf.figure(filter, 'bypass'),
        'pickup.filterVolume': shelf.figure(filter, 'volume'),
      },
      filter.label,
    ),
    t('passagePanel.filter', { filter: named(filter.label) }),
    t('passagePanel.takenFromTheShelf'),
    [{ item: id, move: 'take', count: 1 }],
  )
}

const addPhoto = (id: string) =>
  build.inspect(
    item.key,
    { photos: [...(own.value?.photos ?? []), id].slice(-30) },
    t('passagePanel.photo', { item: named(item.label) }),
  )
function note(event: Event) {
  void build.inspect(
    item.key,
    { note: (event.target as HTMLInputElement).value.trim().slice(0, 500) || undefined },
    t('passagePanel.note2', { item: named(item.label) }),
  )
}
</script>

<template>
  <section :aria-label="named(item.label)" class="panel">
    <h2>{{ named(item.label) }}</h2>
    <p class="quiet">
      {{ item.inside ? t('passagePanel.insideTheEngineNothingShows') : t('passagePanel.aFaultHereShowsOutside') }}
    </p>
    <div class="row wide">
      <span class="what"
        >{{ t('passagePanel.found') }}<span v-if="found" class="origin">{{ own!.by }}, {{ when }}</span></span
      ><SegmentChoice
        :label="named(item.label)"
        :value="found?.value"
        :options="inspection.findings"
        @choose="build.inspect(item.key, $event ? { finding: $event } : undefined, item.label)"
      />
    </div>
    <p v-if="found && found.verdict === 'stop'" class="bad">{{ named(found.action) }}</p>
    <div v-if="found" class="row wide">
      <label class="what" :for="`fitted-${item.key}`">{{ t('passagePanel.fittedBy') }}</label><InputText
        :id="`fitted-${item.key}`"
        :model-value="build.sheet!.choices[`${item.key}.by`] ?? own!.by ?? ''"
        maxlength="60"
        list="people-here"
        @change="
          build.choose(
            `${item.key}.by`,
            ($event.target as HTMLInputElement).value.trim() || undefined,
            `${item.label}, who`,
          )
        "
      /><datalist id="people-here"><option v-for="{ name } in access.people" :key="name" :value="name" /></datalist>
    </div>
    <div v-if="item.sealed" class="row">
      <span class="what">{{ t('passagePanel.sealed') }}</span><SegmentChoice
        :label="t('passagePanel.sealed')"
        :value="seal"
        :options="SEALS"
        @choose="build.choose(`${item.key}.seal`, $event, t('passagePanel.seal', { item: item.label }))"
      />
    </div>
    <div v-if="item.key === 'passage.coolerBypass'" class="row">
      <span class="what">{{ t('passagePanel.leads') }}</span><ChoiceField
        :label="t('passagePanel.valveLeads')"
        :value="build.sheet!.layout.coolerBypass"
        :options="(['around', 'sump'] as const).map((value) => ({ value, words: PLACES[value] }))"
        @choose="
          build.change([{ op: 'replace', path: '/layout/coolerBypass', value: $event }], t('passagePanel.coolersValve'))
        "
      />
    </div>
    <div v-if="item.kind === 'cooler' || item.kind === 'filter'" class="row">
      <span class="what">{{ t('passagePanel.housingsForm') }}</span><SegmentChoice
        :label="t('passagePanel.housingsForm')"
        :value="build.sheet!.choices[`${item.key}.form`]"
        :options="FORMS"
        @choose="build.choose(`${item.key}.form`, $event, t('passagePanel.form', { item: item.label }))"
      />
    </div>
    <ReadingRow v-for="key in item.readings ?? []" :key="key" :name="key" />
    <div v-if="filters.length > 0" class="row">
      <span class="what">{{ t('passagePanel.fromTheShelf') }}</span><ChoiceField
        :label="t('passagePanel.filterFromTheShelf')"
        value="none"
        :options="[
          { value: 'none', words: t('passagePanel.takeOne') },
          ...filters.map((each) => ({
            value: each.id,
            words: t('passagePanel.free', { each: each.label, count: each.count - each.reserved }),
          })),
        ]"
        @choose="takeFilter"
      />
    </div>
    <p v-if="shelf.problem && item.kind === 'filter'" class="bad" role="alert">{{ shelf.problem }}</p>

    <PassageEffects v-if="effects" :item="item" :effects="effects" :found="found?.value" :words="words" />
    <p v-else-if="item.absent.kind === 'none' && item.absent.means" class="quiet means">
      {{ t('passagePanel.wrongOrMissing', { means: named(item.absent.means) }) }}
    </p>

    <template v-if="own">
      <div class="row">
        <label class="what" :for="`note-${item.key}`">{{ t('passagePanel.note') }}</label><InputText
          :id="`note-${item.key}`"
          :model-value="own.note ?? ''"
          maxlength="500"
          @change="note"
        />
      </div>
      <PhotoRow :of="named(item.label)" :photos="own.photos" :words="t('passagePanel.addPhoto')" @kept="addPhoto" />
    </template>
  </section>
</template>

<style scoped>
.panel {
  border-left: 1px solid var(--rule);
  padding-left: 22px;
  position: sticky;
  top: 0;
}
.bad {
  color: var(--stop);
  padding: 4px 0;
}
.means {
  padding-top: 10px;
}
.p-inputtext {
  width: 220px;
  height: 44px;
  font-size: 16px;
}
@media (max-width: 760px) {
  .panel {
    border-left: 0;
    padding-left: 0;
    position: static;
  }
}
</style>
