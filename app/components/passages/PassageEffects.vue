<script setup lang="ts">
import { inSentence, named } from '~/words/speak'
import { t } from '~/words/of/passages'
import type { PassageItem } from '#core/parts/passage'
import type { passageEffects } from '#core/outlook/passages'
import { STATE_LABELS } from '#core/outlook/states'
import { STATE_NAMES } from '#core/targets/targets'

/** What the gauge would say with a passage wrong, in each way that it can be, at every state. */
const { item, effects, found, words } = defineProps<{
  item: PassageItem
  effects: ReturnType<typeof passageEffects>
  /** The finding on record. */
  found?: string
  words: (finding: string) => string
}>()
const units = useUnits()
const rows = computed(() => effects.effects.filter((each) => each.key === item.key))
const lines = computed(() => [
  ...(item.kind === 'bypass' ? [] : [{ key: 'now', words: t('passageEffects.now'), states: effects.now }]),
  ...rows.value.map((each) => ({ key: each.finding, words: words(each.finding), states: each.states })),
])
</script>

<template>
  <template v-if="rows.length > 0">
    <h3>
      {{
        item.kind === 'bypass'
          ? t('passageEffects.whatTheGaugeWouldSayAs')
          : t('passageEffects.leftOutTheGaugeWouldSay')
      }}
    </h3>
    <ResultTable
      data-testid="effects"
      :rows="lines"
      :label="t('passageEffects.whatTheGaugeWouldSay')"
      :attributes="(line) => ({ 'data-effect': line.key, class: { own: found === line.key } })"
    >
      <Column :field="(row) => named(row.words)" :header="units.unit('pressure').symbol" /><Column
        v-for="state in STATE_NAMES"
        :key="state"
        :header="inSentence(STATE_LABELS[state])"
        ><template #body="{ data }"
          ><BandedFigure
            :class="data.states[state].verdict"
            :value="data.states[state].pressure"
            :low="data.states[state].low"
            :high="data.states[state].high"
            dimension="pressure"
            :fine="units.fine" /></template
      ></Column>
    </ResultTable>
  </template>
</template>

<style scoped>
h3 {
  font-size: 15px;
  margin-top: 14px;
}
.stop :deep(.big) {
  color: var(--stop);
  font-weight: 700;
}
:deep(.own) {
  font-weight: 700;
}
</style>
