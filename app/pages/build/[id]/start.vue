<script setup lang="ts">
import type { Run } from '#core/run/run'

const VIEWS = [
  { view: 'preflight', words: 'Preflight' },
  { view: 'readings', words: 'Readings' },
  { view: 'breakin', words: 'Break-in' },
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
    <StationHead station="start" title="First start"
      >Preflight, then watch the gauge and not the lamp. Shut down by the deadline.</StationHead
    >
    <p v-if="going && !boarded" class="going" role="status">
      <b>{{ run.run!.who }} is starting it now.</b>{{ ' '
      }}<Button type="button" @click="boarded = true">Look at it</Button>
    </p>
    <ViewTabs label="First start" :views="VIEWS" :view="view" @go="go($event)" />
    <LazyStartReadings v-if="view === 'readings'" />
    <LazyBreakIn v-else-if="view === 'breakin'" />
    <StartPreflight v-else @go="boarded = true" />
    <section v-if="view !== 'breakin' && run.list.length > 0" class="block">
      <h2>Earlier starts</h2>
      <EarlierRuns @look="look" />
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
