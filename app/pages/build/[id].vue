<script setup lang="ts">
const route = useRoute()
const build = useBuild()
const outlook = useOutlook()
const finding = ref(false)
const listing = ref(false)
const focused = useFocusedReading()
watch(() => route.path, () => (focused.value = undefined))
watch(() => route.params.id as string, (id) => id && void build.open(id), { immediate: true })
useHead({ title: () => (build.sheet ? `${build.sheet.name} · Uldo` : 'Uldo') })
useKeys({ find: () => (finding.value = true), list: () => (listing.value = true) })
onMounted(() => void outlook.now)
</script>

<template>
  <div class="frame">
    <TopBar @find="finding = true" />
    <template v-if="build.sheet">
      <GalleryRail />
      <main class="sheet">
        <ConflictNotes />
        <NuxtPage />
        <LazyReadingBar v-if="focused" />
      </main>
      <OutlookStrip />
    </template>
    <main v-else-if="build.missing" class="sheet empty"><h1>No such build</h1><p>It may have been opened from another data folder. <NuxtLink to="/">To the Floor</NuxtLink></p></main>
    <main v-else class="sheet empty"><p class="quiet">{{ build.online ? 'Opening the build' : 'The server does not answer. Trying again; what was typed here is kept.' }}</p></main>
    <LazyFindPalette v-if="finding" @close="finding = false" />
    <LazyKeyList v-if="listing" @close="listing = false" />
  </div>
</template>

<style scoped>
.empty { grid-column: 1 / -1; }
</style>
