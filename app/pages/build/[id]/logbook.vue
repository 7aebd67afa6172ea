<script setup lang="ts">
import { t } from '~/words/of/logbook'

/** Station 11: the engine's story, and what it was at any moment of it. */
const VIEWS = [
  { view: 'story', words: t('logbook.story') },
  { view: 'milestones', words: t('logbook.milestones') },
  { view: 'then', words: t('logbook.thenAndNow') },
  { view: 'sisters', words: t('logbook.sisters') },
  { view: 'years', words: t('logbook.overTheYears') },
  { view: 'inout', words: t('logbook.inAndOut') },
  { view: 'papers', words: t('logbook.papers') },
] as const
const { view, go } = useView(VIEWS)
const story = useStory()
const route = useRoute()
const router = useRouter()
/** Opens the engine as it was after an entry. */
const look = (revision: number) => void router.push({ query: { ...route.query, view: 'then', at: String(revision) } })
</script>

<template>
  <div>
    <header class="station-head" data-station="logbook">
      <h1>{{ t('logbook.logbook') }}</h1>
      <p>{{ t('logbook.everythingThatWasWritten') }}</p>
    </header>
    <p v-if="story.failed.value" class="quiet" role="status">{{ t('logbook.serverOffline') }}</p>
    <p v-else-if="story.seenBefore.value" class="quiet" role="status">{{ t('logbook.asLastSeen') }}</p>
    <ViewTabs :label="t('logbook.logbook')" :views="VIEWS" :view="view" @go="go">
      <StoryTable v-if="view === 'story'" :story="story" @look="look" />
      <MilestoneView v-else-if="view === 'milestones'" :story="story" />
      <ThenAndNow v-else-if="view === 'then'" :story="story" />
      <LazySistersView v-else-if="view === 'sisters'" />
      <LazyYearsView v-else-if="view === 'years'" />
      <LazyInOutView v-else-if="view === 'inout'" />
      <LazyPapersView v-else :story="story" />
    </ViewTabs>
  </div>
</template>
