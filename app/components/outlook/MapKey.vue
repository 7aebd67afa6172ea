<script setup lang="ts">
import { t } from '~/words/of/outlook'

/** What the map's two edges are: places under their target, and places that may be. */
defineProps<{ short: number; doubts: number | undefined }>()
</script>

<template>
  <p class="key">
    <span
      ><svg width="26" height="8" aria-hidden="true"><path class="map-edge" d="M 0 4 H 26" /></svg>
      {{ short === 0 ? t('mapKey.nowhereUnderItsTarget') : t('mapKey.edgeOfItsTarget') }}</span
    >
    <span v-if="doubts !== undefined"
      ><svg width="26" height="8" aria-hidden="true"><path class="map-edge doubtful" d="M 0 4 H 26" /></svg>
      {{ doubts === 0 ? t('mapKey.norCanItBeWithAll') : t('mapKey.fromHereOnItMayFall') }}</span
    >
  </p>
</template>

<style scoped>
.key {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 22px;
}
svg {
  vertical-align: middle;
}
</style>
