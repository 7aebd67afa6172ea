<script setup lang="ts">
import { type ShopNews, useNews } from '~/stores/news'

/** The frame of a place that is no station of a build: Floor, Shelf, House rules. */
useBuild().close()
const finding = ref(false)
const listing = ref(false)
const stream = new EventSource('/api/events')
stream.addEventListener('shop', (event) => useNews().hear(JSON.parse((event as MessageEvent<string>).data) as ShopNews))
stream.onerror = () => stream.readyState === EventSource.CLOSED && void useAccess().check()
onBeforeUnmount(() => stream.close())
useKeys({ find: () => (finding.value = true), list: () => (listing.value = true) })
</script>

<template>
  <div class="frame wide">
    <TopBar @find="finding = true" />
    <main class="sheet"><ApartNotes /><slot /></main>
    <LazyFindPalette v-if="finding" @close="finding = false" />
    <LazyKeyList v-if="listing" @close="listing = false" />
  </div>
</template>

<style scoped>
.sheet {
  max-width: none;
  padding-inline: max(26px, calc(50vw - 590px));
}
</style>
