<script setup lang="ts">
import { PAGES } from '~/composables/stations'

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
onMounted(() => {
  void outlook.now
  setTimeout(fetchTheRest, 4000)
})
/** Once the first screen stands, the other stations and views are fetched too: they must open when the network is gone. */
async function fetchTheRest() {
  const id = route.params.id as string
  try {
    await useEngineModel().warm()
    for (const { page } of PAGES) await preloadRouteComponents(stationPath(id, page))
    await preloadComponents(['FindPalette', 'KeyList', 'JournalView', 'ShellsView', 'TurnView', 'OilPanel', 'LayoutEditor'])
  } catch {
    // Without the network there is nothing to fetch; it is tried again at the next opening.
  }
}
</script>

<template>
  <div class="frame">
    <TopBar @find="finding = true" />
    <template v-if="build.sheet">
      <GalleryRail />
      <main class="sheet">
        <ConflictNotes />
        <NuxtPage />
        <ReadingBar />
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
