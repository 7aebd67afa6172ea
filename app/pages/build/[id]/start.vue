<script setup lang="ts">
import { t } from '~/words/of/start'
import type { Run } from '#core/run/run'

const VIEWS = [
  { view: 'preflight', words: t('start.preflight') },
  { view: 'readings', words: t('start.readings') },
  { view: 'breakin', words: t('start.breakIn') },
] as const
const build = useBuild()
const run = useRun()
const { view, go } = useView(VIEWS)
const boarded = ref(false)
void run.open(build.id!, 'start')
const going = computed(() => run.run?.kind === 'start' && !run.ended)
/** A run that goes on takes the screen of the tab that began it, also after a reload; others are told. */
watch(going, (now) => now && run.own && (boarded.value = true), { immediate: true })
async function leave() {
  boarded.value = false
  if (run.run?.kind === 'start') await go('readings')
}
function look(earlier: Run) {
  run.show(earlier)
  boarded.value = true
}
</script>

<template>
  <div>
    <StationHead station="start" :title="t('start.firstStart')">{{
      t('start.preflightThenWatchTheGaugeAnd')
    }}</StationHead>
    <p v-if="going && !boarded" class="going" role="status">
      <b>{{ t('start.isStartingItNow', { who: run.run!.who }) }}</b>{{ ' '
      }}<Button type="button" @click="boarded = true">{{ t('start.lookAtIt') }}</Button>
    </p>
    <ViewTabs :label="t('start.firstStart')" :views="VIEWS" :view="view" @go="go($event)">
      <LazyStartReadings v-if="view === 'readings'" />
      <LazyBreakIn v-else-if="view === 'breakin'" />
      <StartPreflight v-else @go="boarded = true" />
    </ViewTabs>
    <section v-if="view !== 'breakin' && run.list.length > 0" class="block">
      <h2>{{ t('start.earlierStarts') }}</h2>
      <LazyEarlierRuns @look="look" />
    </section>
    <LazyStartBoard v-if="boarded && run.run?.kind === 'start'" @leave="leave" />
  </div>
</template>

<style scoped>
.going {
  border-left: 6px solid var(--petrol);
  padding: 4px 12px;
  margin-bottom: 10px;
  display: flex;
  gap: 14px;
  align-items: center;
}
</style>
