<script setup lang="ts">
import { t } from '~/words/of/frame'
/** An address that leads nowhere. */
usePageTitle(() => t('address.noSuchPage'))
const route = useRoute()
</script>

<template>
  <PlaceFrame>
    <header class="station-head">
      <h1>{{ t('address.noSuchPage') }}</h1>
      <p>
        <span class="mono address">{{ route.path }}</span> {{ t('address.leadsNowhereHereAnEngineMay') }}
      </p>
    </header>
    <p>
      <NuxtLink to="/">{{ t('address.toTheFloor') }}</NuxtLink>
    </p>
  </PlaceFrame>
</template>

<style scoped>
.address {
  overflow-wrap: anywhere;
}
</style>
