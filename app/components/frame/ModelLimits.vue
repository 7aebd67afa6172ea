<script setup lang="ts">
import { t } from '~/words/of/frame'
import { type ModelLimit, modelLimits } from '#core/engine/modelLimits'

/** What the model cannot say of this kind of engine. */
const build = useBuild()
const WORDS: Record<ModelLimit, string> = {
  'rotary-load': t('modelLimits.loadsOnARotarysMainsAnd'),
  'rotary-orbit': t('modelLimits.loadsOverATurnAreNot'),
  'rotary-seals': t('modelLimits.oilMeteredToTheApexAnd'),
  'pin-swing': t('modelLimits.theSwingOfARodOn'),
}
const limits = computed(() => modelLimits(build.sheet!.layout))
</script>

<template>
  <div v-if="limits.length > 0" class="limits" data-testid="model-limits">
    <b>{{ t('modelLimits.whatTheModelCannotSayOf') }}</b>
    <p v-for="limit in limits" :key="limit" class="quiet">{{ WORDS[limit] }}</p>
  </div>
</template>

<style scoped>
.limits {
  border-left: 3px solid var(--watch);
  padding: 4px 12px;
  margin: 12px 0;
}
.limits p {
  margin: 4px 0;
}
</style>
