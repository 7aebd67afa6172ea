<script setup lang="ts">
import { PAGES } from '~/composables/stations'

const route = useRoute()
const build = useBuild()
const outlook = useOutlook()
const finding = ref(false)
const listing = ref(false)
const focused = useFocusedReading()
watch(
  () => route.path,
  () => (focused.value = undefined),
)
watch(
  () => route.params.id as string,
  (id) => id && void build.open(id),
  { immediate: true },
)
useHead({ title: () => (build.sheet ? `${build.sheet.name} · Uldo` : 'Uldo') })
useKeys({ find: () => (finding.value = true), list: () => (listing.value = true) })
let fetching: ReturnType<typeof setTimeout> | undefined
onMounted(() => {
  void outlook.now
  fetching = setTimeout(fetchTheRest, 4000)
})
onBeforeUnmount(() => clearTimeout(fetching))
/** Whether everything is here, so that each station opens when the network is gone. */
const kept = ref(false)
/** Once the first screen stands, the other stations and views are fetched too. */
async function fetchTheRest() {
  const id = route.params.id as string
  try {
    const { fetchEverything } = await import('~/composables/everything')
    await Promise.all([
      ...PAGES.map(({ page }) => preloadRouteComponents(stationPath(id, page))),
      useEngineModel().warm(),
      useSlowWorker().warm(),
      fetchEverything(),
    ])
    kept.value = true
  } catch {
    // Without the network there is nothing to fetch; later there may be.
    fetching = setTimeout(fetchTheRest, 20_000)
  }
}
</script>

<template>
  <div class="frame" :data-kept="kept">
    <TopBar @find="finding = true" />
    <template v-if="build.sheet">
      <GalleryRail />
      <main
        class="sheet"
        :class="{ voided: (outlook.now?.voids.length ?? 0) > 0 || outlook.failed !== undefined || outlook.late }"
      >
        <ApartNotes />
        <SignOffs />
        <VoidNote />
        <UnansweredNote />
        <NuxtPage />
        <ShopCautions />
        <ReadingBar />
      </main>
      <OutlookStrip />
    </template>
    <main v-else-if="build.missing" class="sheet empty">
      <h1>No such build</h1>
      <p>It may have been opened from another data folder. <NuxtLink to="/">To the Floor</NuxtLink></p>
    </main>
    <main v-else class="sheet empty">
      <ApartNotes />
      <p v-if="build.failing" role="alert">
        The server cannot give this build: {{ build.failing }} Trying again; what was typed here is kept.
      </p>
      <p v-else class="quiet">
        {{
          build.online ? 'Opening the build' : 'The server does not answer. Trying again; what was typed here is kept.'
        }}
      </p>
    </main>
    <LazyFindPalette v-if="finding" @close="finding = false" />
    <LazyKeyList v-if="listing" @close="listing = false" />
  </div>
</template>

<style scoped>
.empty {
  grid-column: 1 / -1;
}
</style>
