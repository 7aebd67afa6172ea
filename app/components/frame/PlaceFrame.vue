<script setup lang="ts">
import { openServerStream } from '~/sync/serverStream'
import { useSync } from '~/sync/useSync'
import { type ShopNews, useNews } from '~/stores/news'

/** The frame of a place that is no station of a build: Floor, Shelf, House rules. */
useBuild().close()
const finding = ref(false)
const listing = ref(false)
const wording = ref(false)
const sync = useSync()
const unlisten = openServerStream({
  url: () => '/api/events',
  beat: 5,
  tells: { shop: (news) => useNews().hear(news as ShopNews) },
  speaks: (yes) => (sync.streaming = yes),
  ended: () => void useAccess().check(),
})
onBeforeUnmount(() => {
  unlisten()
  sync.streaming = true
})
useKeys({ find: () => (finding.value = true), list: () => (listing.value = true), words: () => (wording.value = true) })
</script>

<template>
  <div class="frame wide">
    <TopBar @find="finding = true" @keys="listing = true" @words="wording = true" />
    <main class="sheet"><ApartNotes /><slot /></main>
    <WhoNote />
    <LazyFindPalette v-if="finding" @close="finding = false" />
    <LazyKeyList v-if="listing" @close="listing = false" />
    <LazyGlossaryList v-if="wording" @close="wording = false" />
  </div>
</template>

<style scoped>
.sheet {
  max-width: none;
  padding-inline: max(26px, calc(50vw - 590px));
}
</style>
