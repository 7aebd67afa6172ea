<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/pump'
import type { Ranged } from '#core/outlook/band'
import type { PumpCurve } from '#core/outlook/pumpOver'
import type { Dimension } from '#core/quantity/units'

/** What the pump sweeps, delivers and takes over speed, cold and hot, in this engine's own circuit. */
const build = useBuild()
const units = useUnits()
const { value: found } = useAnswer(
  (_, slow) => (build.sheet ? slow().pumpOver(build.sheet) : undefined),
  () => build.sheet,
)
const OILS = [
  { key: 'cold', ink: 'petrol' },
  { key: 'hot', ink: 'oil' },
] as const
const OverSpeedChart = defineAsyncComponent(() => import('~/components/outlook/OverSpeedChart.vue'))
const charts = computed(() => {
  if (!found.value) return []
  const { swept, ...curves } = found.value
  const of = (pick: (curve: PumpCurve) => [number[], Ranged]) =>
    OILS.map(({ key, ink }) => {
      const [values, band] = pick(curves[key])
      return {
        name: t(key === 'cold' ? 'pumpOverSpeed.coldTemperature' : 'pumpOverSpeed.hotTemperature', {
          temperature: units.say(curves[key].temperature, 'temperature'),
        }),
        ink,
        values,
        band: [{ ...band, speed: curves[key].met.speed }],
      }
    })
  return [
    {
      dimension: 'flow' as const,
      words: t('pumpOverSpeed.delivered'),
      most: 1.02 * swept.at(-1)!,
      lines: [
        { name: t('pumpOverSpeed.swept'), ink: 'quiet', dash: 6, width: 1.6, values: swept },
        ...of(({ delivered, met }) => [delivered, met.delivered]),
      ],
    },
    {
      dimension: 'power' as const,
      words: t('pumpOverSpeed.drive'),
      // Oil does not stay cold at speed: what it would take there must not flatten what the drive really takes.
      most: 1.25 * Math.max(...curves.hot.power, curves.hot.met.power.high, curves.cold.met.power.high),
      lines: of(({ power, met }) => [power, met.power]),
    },
  ]
})
/** Where each is met, in figures with their bands. */
const rows = computed(() => (found.value ? OILS.map(({ key }) => ({ key, ...found.value![key] })) : []))
const ranged = ({ best, low, high }: Ranged, dimension: Dimension) => ({
  best: units.say(best, dimension),
  band: t('pumpOverSpeed.to', { low: units.show(low, dimension), high: units.show(high, dimension) }),
})
</script>

<template>
  <div v-if="found">
    <section v-for="chart in charts" :key="chart.dimension" class="block">
      <h2>{{ named(chart.words) }}, {{ units.unit(chart.dimension).symbol }}</h2>
      <OverSpeedChart
        :lines="chart.lines"
        :speeds="found.speeds"
        :dimension="chart.dimension"
        :words="chart.words.toLowerCase()"
        :most="chart.most"
        :label="t('pumpOverSpeed.overSpeedColdAndHot', { chart: named(chart.words) })"
      />
    </section>
    <section class="block">
      <h2>{{ t('pumpOverSpeed.whereSuchOilIsMet') }}</h2>
      <div v-for="row in rows" :key="row.key" class="row" :data-oil="row.key">
        <span class="what"
          >{{ row.key === 'cold' ? t('pumpOverSpeed.coldIdle') : t('pumpOverSpeed.workingHot') }},
          {{ units.say(row.met.speed, 'speed')
          }}<span class="origin">{{
            t('pumpOverSpeed.sweeps', { swept: units.say(row.met.swept, 'flow') })
          }}</span></span
        >
        <span
          v-for="[words, figure] in [
            [t('pumpOverSpeed.delivers'), ranged(row.met.delivered, 'flow')],
            [t('pumpOverSpeed.takes'), ranged(row.met.power, 'power')],
          ] as const"
          :key="words"
          class="figure"
          ><span class="quiet">{{ words }}</span> {{ figure.best }}<span class="unit">{{ figure.band }}</span></span
        >
      </div>
    </section>
  </div>
  <p v-else class="quiet">{{ t('pumpOverSpeed.turningThePumpByTheModel') }}</p>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 1fr auto auto;
  gap: 4px 26px;
  align-items: baseline;
}
.figure .quiet {
  font-family: var(--type);
  font-size: 15px;
}
.figure .unit {
  margin-left: 8px;
}
@media (max-width: 700px) {
  .row {
    grid-template-columns: 1fr;
  }
  .figure {
    text-align: left;
  }
}
</style>
