<script setup lang="ts">
import { t } from '~/words/of/outlook'
import type { TriedOutlook } from '#core/outlook/tried'
import { TRIED_INKS } from '~/composables/useTried'

/** Pressure over speed with hot oil, a line for each set-up with its band. */
const { columns } = defineProps<{ columns: { name: string; found: TriedOutlook }[] }>()
const OverSpeedChart = defineAsyncComponent(() => import('~/components/outlook/OverSpeedChart.vue'))
const DASHES = [0, 0, 8, 3, 10]
const lines = computed(() =>
  columns.map(({ name, found }, i) => ({
    name,
    ink: TRIED_INKS[i],
    dash: DASHES[i],
    values: found.pressures,
    band: found.band,
  })),
)
</script>

<template>
  <OverSpeedChart
    v-if="columns.length > 0"
    :lines="lines"
    :speeds="columns[0].found.speeds"
    dimension="pressure"
    :words="t('triedChart.hotOil')"
    :label="t('triedChart.pressureOverSpeedWithHotOil')"
    :height="200"
  />
</template>
