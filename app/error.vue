<script setup lang="ts">
import { t } from '~/words/of/frame'
import type { NuxtError } from '#app'

/** What nobody foresaw: said, with what it leaves standing and the ways on. */
defineProps<{ error: NuxtError }>()
useHead({ title: t('error.somethingBrokeOffUldo') })
const again = () => location.reload()
</script>

<template>
  <main class="broken">
    <h1>{{ t('error.somethingBrokeOff') }}</h1>
    <p>
      {{ t('error.thisPageCouldNotGoOn') }} <span class="mono">{{ error.message }}</span>
    </p>
    <p>
      {{ t('error.whatYouWroteBeforeIsKept') }}
    </p>
    <p class="ways">
      <Button type="button" @click="again">{{ t('error.reloadThePage') }}</Button>
      <a href="/">{{ t('error.toTheFloor') }}</a>
    </p>
  </main>
</template>

<style scoped>
.broken {
  max-width: 62ch;
  margin: 12vh auto 0;
  padding: 0 20px;
}
.ways {
  display: flex;
  gap: 20px;
  align-items: center;
}
</style>
