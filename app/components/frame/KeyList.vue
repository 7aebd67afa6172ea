<script setup lang="ts">
import { t } from '~/words/of/frame'
const emit = defineEmits<{ close: [] }>()
const open = ref(true)
const KEYS = [
  ['/ or Ctrl K', t('keyList.findAReadingStationOrEngine')],
  [t('keyList.gThen1To9'), t('keyList.goToAStation')],
  ['n', t('keyList.theReadingThatNarrowsTheBand')],
  ['u', t('keyList.nextSetOfUnits')],
  [t('keyList.zShiftZ'), t('keyList.takeBackTheLastChangeDo')],
  ['Enter', t('keyList.writeTheReadingGoToThe')],
  ['↑ ↓', t('keyList.moveInTheColumn')],
  ['66.037; 66.038', t('keyList.theSameThingReadAgainUp')],
  ['Escape', t('keyList.putBackWhatWasThere')],
  ['w', t('keyList.wordsOfTheTrade')],
  ['?', t('keyList.thisList')],
]
</script>

<template>
  <Dialog v-model:visible="open" modal dismissable-mask :header="t('keyList.keys')" @after-hide="emit('close')">
    <dl>
      <template v-for="[key, what] in KEYS" :key="key"
        ><dt class="mono">{{ key }}</dt>
        <dd>{{ what }}</dd></template
      >
    </dl>
    <HandsFreeChoices />
  </Dialog>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 6px 20px;
}
dd {
  margin: 0;
}
</style>
