<script setup lang="ts">
import { inSentence, named } from '~/words/speak'
import { t } from '~/words/of/outlook'
import { STATE_LABELS } from '#core/outlook/states'
import { STATE_NAMES } from '#core/targets/targets'

/** What the gauge would say when the engine is worn, its oil thinned, its filter blocked, the day hot: known in advance. */
const build = useBuild()
const units = useUnits()
const settled = useSettled(() => build.sheet)
const { value: found } = useAnswer(
  (_, slow) => (settled.value ? slow().scenarios(settled.value) : undefined),
  () => settled.value,
)
</script>

<template>
  <div>
    <p class="quiet words">
      {{ t('scenarioView.aNumberThatComesWithAge', { unit: units.unit('pressure').symbol }) }}
    </p>
    <ResultTable
      :rows="found ?? []"
      :label="t('scenarioView.wearAndService')"
      :attributes="(each) => ({ 'data-scenario': each.key })"
    >
      <Column :field="(row) => named(row.label)" :header="t('scenarioView.when')" /><Column
        v-for="state in STATE_NAMES"
        :key="state"
        :header="inSentence(STATE_LABELS[state])"
        ><template #body="{ data }"
          ><BandedFigure
            :class="data.states[state].verdict"
            :value="Math.max(0, data.states[state].pressure)"
            :low="Math.max(0, data.states[state].low)"
            :high="Math.max(0, data.states[state].high)"
            dimension="pressure"
            :fine="units.fine"
          /><span v-if="data.states[state].verdict !== 'pass'" class="word" :class="data.states[state].verdict">{{
            named(data.states[state].verdict)
          }}</span></template
        ></Column
      >
    </ResultTable>
  </div>
</template>

<style scoped>
.words {
  padding-bottom: 8px;
  max-width: 70ch;
}
.word {
  display: block;
  font-weight: 650;
}
.word.stop,
.stop :deep(.big) {
  color: var(--stop);
}
.word.watch,
.watch :deep(.big) {
  color: var(--watch);
}
</style>
