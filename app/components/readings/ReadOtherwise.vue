<script setup lang="ts">
import { stationPath } from '~/composables/stations'

/** The gauge stood elsewhere than this record predicts: said before a change is tried on a record that is not this engine. */
const build = useBuild()
const units = useUnits()
const points = useStartPoints()
const p = (value: number) => units.show(value, 'pressure', units.fine)
const off = computed(() =>
  (points.value ?? []).flatMap(({ label, judged }) =>
    judged && judged.prediction !== 'within'
      ? [`${label.toLowerCase()} ${p(judged.reading)}, not ${p(judged.expected.low)} to ${p(judged.expected.high)}`]
      : [],
  ),
)
</script>

<template>
  <p v-if="off.length > 0" class="otherwise" data-testid="read-otherwise">
    <b>The gauge read otherwise:</b> {{ off.join('; ') }} {{ units.unit('pressure').symbol }}. This record is not yet
    the engine: find out why at
    <NuxtLink :to="`${stationPath(build.id!, 'start')}?view=readings`">First start</NuxtLink> before a change here is
    trusted.
  </p>
</template>

<style scoped>
.otherwise {
  border-left: 6px solid var(--stop);
  padding: 4px 0 4px 12px;
  margin-bottom: 14px;
}
</style>
