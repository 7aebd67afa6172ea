<script setup lang="ts">
import { inSentence } from '~/words/speak'
import { t } from '~/words/of/outlook'
import { FLOW_KINDS, type FlowKind } from '#core/parts/circuitBuilder'
import { requireValue } from '#core/engine/values'
import { namedStates, STATE_LABELS } from '#core/outlook/states'

/** Pressure over speed and temperature with the edge of its target, where the oil goes over speed, and what the drive takes. */
const FlowStackChart = defineAsyncComponent(() => import('./FlowStackChart.vue'))
const OverSpeedChart = defineAsyncComponent(() => import('./OverSpeedChart.vue'))
const build = useBuild()
const units = useUnits()
const { value: map } = useAnswer(
  (model) => (build.sheet ? model.map(build.sheet) : undefined),
  () => build.sheet,
)
const WORDS: Record<FlowKind, string> = {
  mains: t('mapView.mains'),
  rods: t('mapView.rods'),
  cam: t('mapView.cam'),
  lifters: t('mapView.lifters'),
  rockers: t('mapView.rockers'),
  jets: t('mapView.jets'),
  turbo: t('mapView.turbo'),
  relief: t('mapView.relief'),
  lost: t('mapView.lost'),
}
const SHADES: Record<FlowKind, string> = {
  mains: '#0b5a68',
  rods: '#3f8796',
  cam: '#85b4bd',
  lifters: '#8d938f',
  rockers: '#b9bfb6',
  jets: '#d9d3c6',
  turbo: '#6d6a5c',
  relief: '#b4690e',
  lost: '#a02c26',
}
/** The row of the map nearest the brief's hot oil. */
const hotRow = computed(() => {
  const hot = requireValue(build.sheet!, 'brief.hotOil').value
  return map.value
    ? map.value.temperatures.reduce(
        (best, temperature, i, all) => (Math.abs(temperature - hot) < Math.abs(all[best] - hot) ? i : best),
        0,
      )
    : 0
})
/** Flow of each kind over speed with hot oil, those that pass nothing left out; and what the drive takes. */
const hot = computed(() => {
  const found = map.value
  if (!found) return undefined
  const across = found.speeds.length
  const row = (values: Float64Array) => values.subarray(hotRow.value * across, (hotRow.value + 1) * across)
  return {
    speeds: found.speeds,
    kinds: FLOW_KINDS.filter((kind) => row(found.flows[kind]).some((flow) => flow > 1e-8)).map((kind) => ({
      kind,
      words: WORDS[kind],
      shade: SHADES[kind],
      flows: [...row(found.flows[kind])].map((flow) => Math.max(0, flow)),
    })),
    power: [...row(found.power)],
  }
})
const { value: atStates } = useAnswer(
  (_, slow) => (build.sheet ? slow().pumpAtStates(build.sheet) : undefined),
  () => map.value,
)
/** What the drive takes at the two hot states, with its band. */
const taken = computed(() =>
  atStates.value
    ? namedStates(build.sheet!).flatMap(({ name, speed }) => {
        if (name !== 'idleHot' && name !== 'workingHot') return []
        const { best, low, high } = atStates.value!.find((each) => each.name === name)!.power
        return [
          {
            speed,
            low,
            high,
            name: inSentence(STATE_LABELS[name]),
            words: t('mapView.to', {
              stateLabels: inSentence(STATE_LABELS[name]),
              best: units.say(best, 'power'),
              low: units.show(low, 'power'),
              high: units.show(high, 'power'),
            }),
          },
        ]
      })
    : [],
)
</script>

<template>
  <div v-if="map && hot">
    <h2>{{ t('mapView.pressureOverSpeedAndOil') }}</h2>
    <PressureMap :map="map" />
    <h2 class="next">
      {{ t('mapView.whereTheOilGoesHot') }} <span class="quiet best">{{ t('mapView.bestValues') }}</span>
    </h2>
    <FlowStackChart :kinds="hot.kinds" :speeds="hot.speeds" />
    <h2 class="next">{{ t('mapView.whatTheDriveTakesHot') }}</h2>
    <OverSpeedChart
      :lines="[{ name: t('mapView.drive'), ink: 'petrol', values: hot.power }]"
      :speeds="hot.speeds"
      :marks="taken"
      dimension="power"
      :words="t('mapView.drivePower')"
      :label="t('mapView.drivePowerOverSpeedUpTo', { most: units.say(Math.max(...hot.power), 'power') })"
      :height="220"
    />
  </div>
</template>

<style scoped>
.next {
  margin-top: 14px;
}
.best {
  font-weight: 400;
  font-size: 15px;
}
</style>
