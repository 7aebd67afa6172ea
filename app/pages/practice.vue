<script setup lang="ts">
import { t } from '~/words/of/practice'

/** The practice bench: an engine with a fault that nobody at it knows, and the ten seconds of a start. Nothing of it touches the shop's records. */
usePageTitle(() => t('practice.practiceBench'))
const VIEWS = [
  { view: 'bench', words: t('practice.bench') },
  { view: 'drill', words: t('drill.tenSeconds') },
  { view: 'results', words: t('results.results') },
] as const
const { view, go } = useView(VIEWS)
const practice = usePractice()
const { kept, said, end, failed } = practice
</script>

<template>
  <PlaceFrame>
    <header class="station-head">
      <h1>{{ t('practice.practiceBench') }}</h1>
      <p>{{ t('practice.nothingOfItTouches') }}</p>
    </header>
    <ViewTabs :label="t('practice.practiceBench')" :views="VIEWS" :view="view" @go="go">
      <template v-if="view === 'bench'">
        <p v-if="failed" class="wrong" role="alert">
          {{ t('practice.notWorkedOut', { why: failed })
          }}<Button type="button" variant="text" @click="practice.open()">{{ t('practice.askAgain') }}</Button>
        </p>
        <PracticeSetUp v-if="!kept" @begin="practice.begin" />
        <PracticeEnd v-else-if="end" :practice="practice" />
        <div v-else-if="said" class="bench">
          <PracticeGoing :practice="practice" /><PracticeSide class="side" :practice="practice" />
        </div>
        <p v-else-if="!failed" class="quiet">{{ t('practice.preparing') }}</p>
        <LazyPracticeRecord v-if="kept && said && !end" :practice="practice" />
        <Button v-if="kept && !end" type="button" variant="text" @click="practice.leave()">{{
          t('practice.putItBy')
        }}</Button>
      </template>
      <DrillBench v-else-if="view === 'drill'" />
      <PracticeResults v-else />
    </ViewTabs>
  </PlaceFrame>
</template>

<style scoped>
.bench {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(280px, 2fr);
  gap: 20px 44px;
  align-items: start;
}
.side {
  position: sticky;
  top: 0;
}
@media (max-width: 900px) {
  .bench {
    grid-template-columns: minmax(0, 1fr);
  }
  .side {
    position: static;
  }
}
</style>
