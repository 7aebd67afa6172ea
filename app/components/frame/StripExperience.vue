<script setup lang="ts">
import { t } from '~/words/of/frame'
import { figure } from '~/words/numbers'

/** That the outlook counts what the shop's other engines say, with the way to them. */
const build = useBuild()
const learnt = computed(() => build.sheet?.experience)
</script>

<template>
  <p v-if="learnt" data-testid="strip-experience">
    <NuxtLink :to="`/build/${build.id}/logbook?view=sisters`">{{
      t('stripExperience.withTheShopsLast', {
        engines: learnt.engines,
        percent: figure(Math.abs(100 * learnt.mean), 0),
        way: learnt.mean < 0 ? t('stripExperience.under') : t('stripExperience.over'),
        spread: figure(100 * learnt.spread, 0),
      })
    }}</NuxtLink>
  </p>
</template>

<style scoped>
p {
  margin: 10px 0 0;
}
a {
  display: inline-block;
  min-height: 44px;
}
/* At the foot of a page there is no room for it: the logbook has it. */
@media (max-width: 1100px) {
  p {
    display: none;
  }
}
</style>
