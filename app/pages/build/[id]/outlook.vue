<script setup lang="ts">
import { requireValue } from '#core/engine/values'

const VIEWS = [
  { view: 'curves', words: 'Pressure over speed' },
  { view: 'map', words: 'Map and flows' },
  { view: 'circuit', words: 'Circuit' },
  { view: 'moves', words: 'What moves what' },
  { view: 'try', words: 'Try' },
  { view: 'find', words: 'Find' },
  { view: 'scenarios', words: 'In time' },
] as const
const build = useBuild()
const units = useUnits()
const { view, go } = useView(VIEWS)
</script>

<template>
  <div>
    <header class="station-head">
      <h1>Outlook</h1>
      <p>
        What the gauge will read, from cranking to
        {{ units.say(requireValue(build.sheet!, 'brief.maximumSpeed').value, 'speed') }}, and what would change it.
      </p>
    </header>
    <ViewTabs label="Outlook" :views="VIEWS" :view="view" @go="go($event)" />
    <ReadOtherwise />
    <ModelLimits />
    <LazyCurvesView v-if="view === 'curves'" />
    <LazyMapView v-else-if="view === 'map'" />
    <LazyCircuitView v-else-if="view === 'circuit'" />
    <LazyMovesView v-else-if="view === 'moves'" />
    <LazyTryView v-else-if="view === 'try'" />
    <LazyFindView v-else-if="view === 'find'" />
    <LazyScenarioView v-else />
  </div>
</template>
