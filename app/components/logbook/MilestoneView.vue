<script setup lang="ts">
import { t } from '~/words/of/logbook'
import type { StoryKind } from '#core/logbook/story'
import type { StoryRow, useStory } from '~/composables/useStory'
import { PAGES } from '~/composables/stations'
import { dateAndTimeOf } from '~/words/dates'
import { KIND_WORDS } from '~/words/logbook'

/** What an engine's story turns on: runs with their curve, cases with what was found, bench tests, other parts and oils, and every photo large. */
const { story } = defineProps<{ story: ReturnType<typeof useStory> }>()
const TURNS = new Set<StoryKind>(['run', 'case', 'bench', 'shells', 'oil', 'engine'])
/** So many at first, and so many more when asked. */
const FEW = 30
const shown = ref(FEW)
const milestones = computed(() => story.rows.value.filter(({ kind, photos }) => TURNS.has(kind) || photos.length > 0))
const few = computed(() => milestones.value.slice(0, shown.value))
const whenOf = ({ at }: StoryRow) => (at === undefined ? t('logbook.begun') : dateAndTimeOf(at))
const titleOf = (page: StoryRow['station']) => PAGES.find((each) => each.page === page)?.title ?? ''
const stopped = ({ run }: StoryRow) => run?.stopped === true
</script>

<template>
  <section data-testid="milestones">
    <p v-if="story.entries.value && milestones.length === 0" class="quiet">{{ t('milestones.none') }}</p>
    <Timeline v-if="few.length > 0" :value="few" data-key="id" class="milestones">
      <template #opposite="{ item }"
        ><span class="when">{{ whenOf(item) }}</span
        ><span class="quiet">{{ item.who }}</span></template
      >
      <template #content="{ item }">
        <article :data-milestone="item.kind" :class="{ stopped: stopped(item) }">
          <h2>{{ item.what }}</h2>
          <p class="quiet">
            {{ [KIND_WORDS[item.kind as StoryKind], titleOf(item.station)].filter(Boolean).join(', ') }}
          </p>
          <p v-if="item.after" class="after">{{ item.after }}</p>
          <p v-if="item.before" class="quiet">{{ t('logbook.was', { before: item.before }) }}</p>
          <OnceNear v-if="item.run"><RunCurve :run="item.run" /></OnceNear>
          <PhotoRow
            v-if="item.run"
            size="large"
            :of="item.what"
            :photos="item.photos"
            @kept="story.photograph(item.run, $event)"
          />
          <PhotoRow
            v-else-if="item.photos.length > 0"
            size="large"
            :of="item.what"
            :photos="item.photos"
            only-looked-at
          />
        </article>
      </template>
    </Timeline>
    <Button v-if="milestones.length > shown" type="button" variant="outlined" @click="shown += FEW">{{
      t('milestones.more', { n: milestones.length - shown }, milestones.length - shown)
    }}</Button>
  </section>
</template>

<style scoped>
.milestones :deep(.p-timeline-event-opposite) {
  flex: 0 0 168px;
  text-align: left;
  padding: 0 14px 0 0;
}
.when,
.when + span {
  display: block;
}
article {
  padding-bottom: 24px;
}
h2 {
  font-size: 18px;
  margin: 0;
}
article p {
  margin: 2px 0;
}
.after {
  font-weight: 600;
}
.stopped .after {
  color: var(--stop);
}
@media (max-width: 700px) {
  .milestones :deep(.p-timeline-event-opposite) {
    flex-basis: 92px;
    padding-right: 8px;
    white-space: normal;
  }
}
</style>
