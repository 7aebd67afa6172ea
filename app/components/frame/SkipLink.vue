<script setup lang="ts">
import { t } from '~/words/of/frame'
import { firstOpen } from '~/composables/useArrival'

/** Past the bar and the stations, to the first open reading, else to the page’s title. */
function skip() {
  const main = document.querySelector<HTMLElement>('main')
  const title = main?.querySelector('h1')
  if (title) title.tabIndex = -1
  ;((main && firstOpen(main)) ?? title)?.focus()
}
</script>

<template>
  <a href="#" class="skip" @click.prevent="skip">{{ t('skipLink.toTheFirstOpenReading') }}</a>
</template>

<style scoped>
.skip {
  position: fixed;
  left: 8px;
  top: -80px;
  z-index: 50;
  min-height: 44px;
  display: inline-flex;
  align-items: center;
  padding: 0 16px;
  background: var(--petrol);
  color: var(--on-petrol);
  font-weight: 600;
}
.skip:focus {
  top: 2px;
}
</style>
