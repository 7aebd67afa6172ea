<script setup lang="ts">
import type { InspectionItem } from '#core/record/looked'
import { findingOf } from '#core/engine/inspections'
import type { PassageItem } from '#core/parts/passage'
import type { passageEffects } from '#core/outlook/passages'
import { shrinkPhoto } from '~/composables/photo'
import { shelfPatch } from '~/composables/shelfPatch'

/** One passage: how it was found, who fitted it and how it is sealed, and what the gauge would say with it wrong. */
const { item, inspection, effects } = defineProps<{
  item: PassageItem
  inspection: InspectionItem
  effects?: ReturnType<typeof passageEffects>
}>()
const build = useBuild()
const access = useAccess()
const person = usePerson()
const own = computed(() => build.sheet!.inspections[item.key])
const found = computed(() => findingOf(build.sheet!, inspection))
const SEALS = [
  { value: 'dry', words: 'dry' },
  { value: 'sealer', words: 'sealer' },
  { value: 'washer', words: 'new washer' },
  { value: 'press', words: 'pressed, staked' },
]
const seal = computed(() => build.sheet!.choices[`${item.key}.seal`])
const words = (finding: string) => inspection.findings.find(({ value }) => value === finding)?.words ?? finding
const PLACES = { around: 'round the cooler', sump: 'back to the sump' }
const FORMS = [
  { value: 'early', words: 'early' },
  { value: 'late', words: 'late' },
]
const when = computed(() =>
  own.value?.at ? new Date(own.value.at).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' }) : '',
)

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
    `Filter ${filter.label}`,
    'taken from the shelf',
    [{ item: id, move: 'take', count: 1 }],
  )
}

const photoProblem = ref('')
const addPhoto = (id: string) =>
  build.inspect(item.key, { photos: [...(own.value?.photos ?? []), id].slice(-30) }, `${item.label}, photo`)
function note(event: Event) {
  void build.inspect(
    item.key,
    { note: (event.target as HTMLInputElement).value.trim().slice(0, 500) || undefined },
    `${item.label}, note`,
  )
}
</script>

<template>
  <section :aria-label="item.label" class="panel">
    <h2>{{ item.label }}</h2>
    <p class="quiet">
      {{ item.inside ? 'Inside the engine: nothing shows outside when it is wrong.' : 'A fault here shows outside.' }}
    </p>
    <div class="row wide">
      <span class="what"
        >Found<span v-if="found" class="origin">{{ own!.by }}, {{ when }}</span></span
      ><SegmentChoice
        :label="item.label"
        :value="found?.value"
        :options="inspection.findings"
        @choose="build.inspect(item.key, $event ? { finding: $event } : undefined, item.label)"
      />
    </div>
    <p v-if="found && found.verdict === 'stop'" class="bad">{{ found.action }}</p>
    <div v-if="found" class="row wide">
      <label class="what" :for="`fitted-${item.key}`">Fitted by</label
      ><InputText
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
      <span class="what">Sealed</span
      ><SegmentChoice
        label="Sealed"
        :value="seal"
        :options="SEALS"
        @choose="build.choose(`${item.key}.seal`, $event, `${item.label}, seal`)"
      />
    </div>
    <div v-if="item.key === 'passage.coolerBypass'" class="row">
      <span class="what">Leads</span
      ><ChoiceField
        label="Valve leads"
        :value="build.sheet!.layout.coolerBypass"
        :options="(['around', 'sump'] as const).map((value) => ({ value, words: PLACES[value] }))"
        @choose="build.change([{ op: 'replace', path: '/layout/coolerBypass', value: $event }], 'Cooler’s valve')"
      />
    </div>
    <div v-if="item.kind === 'cooler' || item.kind === 'filter'" class="row">
      <span class="what">Housing’s form</span
      ><SegmentChoice
        label="Housing’s form"
        :value="build.sheet!.choices[`${item.key}.form`]"
        :options="FORMS"
        @choose="build.choose(`${item.key}.form`, $event, `${item.label}, form`)"
      />
    </div>
    <ReadingRow v-for="key in item.readings ?? []" :key="key" :name="key" />
    <div v-if="filters.length > 0" class="row">
      <span class="what">From the shelf</span
      ><ChoiceField
        label="Filter from the shelf"
        value="none"
        :options="[
          { value: 'none', words: 'take one' },
          ...filters.map((each) => ({ value: each.id, words: `${each.label}, ${each.count - each.reserved} free` })),
        ]"
        @choose="takeFilter"
      />
    </div>
    <p v-if="shelf.problem && item.kind === 'filter'" class="bad" role="alert">{{ shelf.problem }}</p>

    <PassageEffects v-if="effects" :item="item" :effects="effects" :found="found?.value" :words="words" />
    <p v-else-if="item.absent.kind === 'none' && item.absent.means" class="quiet means">
      Wrong or missing: {{ item.absent.means }}
    </p>

    <template v-if="own">
      <div class="row">
        <label class="what" :for="`note-${item.key}`">Note</label
        ><InputText :id="`note-${item.key}`" :model-value="own.note ?? ''" maxlength="500" @change="note" />
      </div>
      <div class="photos">
        <a
          v-for="photo in own.photos ?? []"
          :key="photo"
          :href="`/api/builds/${build.id}/photos/${photo}`"
          target="_blank"
          ><img
            :src="`/api/builds/${build.id}/photos/${photo}`"
            :alt="`Photo of ${item.label}`"
            width="64"
            height="64"
            loading="lazy"
        /></a>
        <AddPhoto
          :of="item.label"
          words="Add photo"
          :keep="(file) => shrinkPhoto(file, build.id!, person.who)"
          @kept="addPhoto"
          @problem="photoProblem = $event"
        />
      </div>
      <p v-if="photoProblem" class="bad" role="alert">{{ photoProblem }}</p>
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
.photos {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  padding-top: 8px;
}
.photos img {
  object-fit: cover;
  display: block;
  border: 1px solid var(--rule);
}
@media (max-width: 760px) {
  .panel {
    border-left: 0;
    padding-left: 0;
    position: static;
  }
}
</style>
