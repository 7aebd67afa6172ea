<script setup lang="ts">
import { t } from '~/words/of/frame'
/** The shop's own cautions for the open station, under its sheet. */
const shop = useShop()
const route = useRoute()
const own = computed(() => shop.house.cautions.filter(({ station }) => route.path.endsWith(`/${station}`)))
</script>

<template>
  <div v-for="{ words } in own" :key="words" class="shop-caution" role="note">
    <b>{{ t('shopCautions.house') }}</b> {{ words }}
  </div>
</template>

<style scoped>
.shop-caution {
  border-left: 3px solid var(--watch);
  padding: 6px 0 6px 12px;
  margin-top: 12px;
}
b {
  color: var(--watch);
  margin-right: 6px;
}
</style>
