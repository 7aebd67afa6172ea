<script setup lang="ts">
import { t } from '~/words/of/frame'
import { stationPath } from '~/composables/stations'

/** The way from a reading that is wrong to where its cause is looked for. */
const build = useBuild()
</script>

<template>
  <NuxtLink v-if="build.id" class="trace-link" :to="stationPath(build.id, 'trace')">{{
    t('traceLink.traceIt')
  }}</NuxtLink>
</template>

<style scoped>
.trace-link {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
  font-weight: 650;
}
</style>
