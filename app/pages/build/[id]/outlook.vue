<script setup lang="ts">
import { t } from '~/words/of/outlook'
import { requireValue } from '#core/engine/values'

const VIEWS = [
  { view: 'curves', words: t('outlook.overSpeed') },
  { view: 'map', words: t('outlook.mapAndFlows') },
  { view: 'circuit', words: t('outlook.circuit') },
  { view: 'moves', words: t('outlook.biggestEffects') },
  { view: 'try', words: t('outlook.whatIf') },
  { view: 'find', words: t('outlook.bestPartsOnTheShelf') },
  { view: 'scenarios', words: t('outlook.wearAndService') },
] as const
const build = useBuild()
const units = useUnits()
const { view, go } = useView(VIEWS)
</script>

<template>
  <div>
    <header class="station-head" data-station="outlook">
      <h1>{{ t('outlook.outlook') }}</h1>
      <p>
        {{
          t('outlook.whatTheGaugeWillReadFrom', {
            requireValue: units.say(requireValue(build.sheet!, 'brief.maximumSpeed').value, 'speed'),
          })
        }}
      </p>
    </header>
    <ViewTabs :label="t('outlook.outlook')" :views="VIEWS" :view="view" @go="go($event)">
      <ReadOtherwise />
      <ModelLimits />
      <LazyCurvesView v-if="view === 'curves'" />
      <LazyMapView v-else-if="view === 'map'" />
      <LazyCircuitView v-else-if="view === 'circuit'" />
      <LazyMovesView v-else-if="view === 'moves'" />
      <LazyTryView v-else-if="view === 'try'" />
      <LazyFindView v-else-if="view === 'find'" />
      <LazyScenarioView v-else />
    </ViewTabs>
  </div>
</template>
