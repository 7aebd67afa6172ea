<script setup lang="ts">
import { type ModelLimit, modelLimits } from '#core/engine/modelLimits'

/** What the model cannot say of this kind of engine. */
const build = useBuild()
const WORDS: Record<ModelLimit, string> = {
  'rotary-load':
    'Loads on a rotary’s mains and rotors are taken as those of pistons of the same bore and stroke: they place the journals, and no film is to be trusted to more than its order.',
  'rotary-orbit': 'Loads over a turn are not computed for a rotary: no orbit, and no advice on shells from it.',
  'rotary-seals': 'Oil metered to the apex and side seals is not in the circuit.',
  'pin-swing': 'The swing of a rod on its oil column is left out: oil to the pins is a mean.',
}
const limits = computed(() => modelLimits(build.sheet!.layout))
</script>

<template>
  <div v-if="limits.length > 0" class="limits" data-testid="model-limits">
    <b>What the model cannot say of this engine</b>
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
