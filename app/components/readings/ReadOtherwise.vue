<script setup lang="ts">
import { inSentence } from '~/words/speak'
import { t } from '~/words/of/frame'
import { stationPath } from '~/composables/stations'

/** The gauge stood elsewhere than this record predicts: said before a change is tried on a record that is not this engine. */
const build = useBuild()
const units = useUnits()
const points = useStartPoints()
const p = (value: number) => units.show(value, 'pressure', units.fine)
const off = computed(() =>
  (points.value ?? []).flatMap(({ label, judged }) =>
    judged && judged.prediction !== 'within'
      ? [
          t('readOtherwise.notTo', {
            label: inSentence(label),
            reading: p(judged.reading),
            low: p(judged.expected.low),
            high: p(judged.expected.high),
          }),
        ]
      : [],
  ),
)
</script>

<template>
  <p v-if="off.length > 0" class="otherwise" data-testid="read-otherwise">
    <b>{{ t('readOtherwise.theGaugeReadOtherwise') }}</b>
    {{ t('readOtherwise.thisRecordIsNotYetThe', { off: off.join('; '), unit: units.unit('pressure').symbol }) }}
    <NuxtLink :to="`${stationPath(build.id!, 'start')}?view=readings`">{{ t('readOtherwise.firstStart') }}</NuxtLink>
    {{ t('readOtherwise.beforeAChangeHereIsTrusted') }}
  </p>
</template>

<style scoped>
.otherwise {
  border-left: 6px solid var(--stop);
  padding: 4px 0 4px 12px;
  margin-bottom: 14px;
}
</style>
