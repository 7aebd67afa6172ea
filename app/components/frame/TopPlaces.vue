<script setup lang="ts">
import { t } from '~/words/of/frame'

/** The shop's places, where no build is open. */
</script>

<template>
  <nav class="places" :aria-label="t('topPlaces.places')">
    <NuxtLink to="/" exact-active-class="here">{{ t('topPlaces.floor') }}</NuxtLink><NuxtLink
      to="/plan"
      active-class="here"
      >{{ t('topPlaces.plan') }}</NuxtLink
    ><NuxtLink to="/shelf" active-class="here">{{ t('topPlaces.shelf') }}</NuxtLink
    ><NuxtLink to="/house" active-class="here">{{ t('topPlaces.houseRules') }}</NuxtLink
    ><NuxtLink to="/practice" active-class="here">{{ t('topPlaces.practice') }}</NuxtLink>
  </nav>
</template>

<style scoped>
.places {
  display: flex;
  gap: 4px;
}
.places a {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
  padding: 0 12px;
  color: var(--quiet);
  text-decoration: none;
  font-weight: 600;
  white-space: nowrap;
  border-bottom: 3px solid transparent;
  border-top: 3px solid transparent;
}
.places .here {
  color: var(--petrol);
  border-bottom-color: var(--petrol);
}
@media (max-width: 960px) {
  .places a {
    padding: 0 7px;
  }
}
@media (max-width: 760px) {
  .places {
    gap: 0;
    flex: 1 1 0;
    min-width: 0;
    overflow-x: auto;
  }
  .places a {
    flex: none;
    padding: 0 3px;
    min-width: 44px;
    justify-content: center;
  }
}
</style>
