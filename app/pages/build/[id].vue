<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/frame'
import { PAGES } from '~/composables/stations'
import { fetchStoryAhead } from '~/sync/story'

const route = useRoute()
const build = useBuild()
const outlook = useOutlook()
const finding = ref(false)
const listing = ref(false)
const wording = ref(false)
const focused = useFocusedReading()
watch(
  () => route.path,
  () => (focused.value = undefined),
)
watch(
  () => route.params.id as string,
  (id) => {
    if (!id) return
    void build.open(id)
    if (route.path.endsWith('/logbook')) fetchStoryAhead(id)
  },
  { immediate: true },
)
usePageTitle(
  () => PAGES.find(({ page }) => route.path.endsWith(`/${page}`))?.title ?? '',
  () => build.sheet?.name ?? '',
)
useArrival()
usePresence()
useKeys({ find: () => (finding.value = true), list: () => (listing.value = true), words: () => (wording.value = true) })
let fetching: ReturnType<typeof setTimeout> | undefined
/** What is seen comes first: the rest waits until the prediction stands, and does not wait for ever. */
const FIRST_SCREEN = 4000
const NO_PREDICTION = 20_000
onMounted(() => (fetching = setTimeout(fetchTheRest, NO_PREDICTION)))
const standing = watch(
  () => outlook.now !== undefined || outlook.failed !== undefined,
  (stands) => {
    if (!stands) return
    clearTimeout(fetching)
    fetching = setTimeout(fetchTheRest, FIRST_SCREEN)
    void nextTick(() => standing())
  },
  { immediate: true },
)
/** A browser that was told to spare its data fetches no more than what is opened, until it may again. */
const connection = (navigator as { connection?: EventTarget & { saveData?: boolean } }).connection
const sparing = () => connection?.saveData === true
const mayAgain = () => void (outlook.now && !kept.value && fetchTheRest())
connection?.addEventListener('change', mayAgain)
onBeforeUnmount(() => {
  clearTimeout(fetching)
  connection?.removeEventListener('change', mayAgain)
})
/** Whether everything is here, so that each station opens when the network is gone. */
const kept = ref(false)
const StepToast = useComponentBeside(
  () => (kept.value ? (build.stepNews ?? true) : build.stepNews),
  () => import('~/components/frame/StepToast.vue'),
)
const GuideBar = useComponentBeside(
  () => build.sandbox && (kept.value ? 'kept' : 'opened'),
  () => import('~/components/frame/GuideBar.vue'),
)
/** Once the first screen stands, the other stations and views are fetched too. */
async function fetchTheRest() {
  if (sparing()) return
  try {
    const { fetchEverything } = await useVersion().beside(import('~/composables/everything'))
    await Promise.all([
      useVersion().beside(useEngineModel().warm()),
      useVersion().beside(useSlowWorker().warm()),
      fetchEverything(route.params.id as string),
      // What lies there is asked for by views that may be opened without the network.
      useShelf().load(),
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
    <TopBar @find="finding = true" @keys="listing = true" @words="wording = true" />
    <template v-if="build.sheet">
      <ComesSoon>
        <GalleryRail />
        <template #meanwhile><div class="rail" /></template>
      </ComesSoon>
      <main
        class="sheet"
        :class="{ voided: (outlook.now?.voids.length ?? 0) > 0 || outlook.failed !== undefined || outlook.late }"
      >
        <component :is="GuideBar" v-if="build.sandbox" />
        <ApartNotes />
        <!-- The toast may not have come yet: what an undo asks is said all the same. -->
        <NoteBar v-if="!StepToast && build.stepNews && !build.stepNews.did" kind="told" data-testid="step-news">
          <p>{{ named(build.stepNews.words) }}</p>
          <template v-if="build.stepNews.ask" #actions
            ><Button type="button" @click="build.stepNews.ask === 'undo' ? build.undo(true) : build.redo(true)">{{
              t('id.doItThere')
            }}</Button></template
          >
        </NoteBar>
        <SignOffs />
        <VoidNote />
        <UnansweredNote />
        <ComesSoon><NuxtPage /></ComesSoon>
        <ShopCautions />
        <ReadingBar />
      </main>
      <WhoNote />
      <ComesSoon>
        <OutlookStrip />
        <template #meanwhile><div class="strip" /></template>
      </ComesSoon>
    </template>
    <main v-else-if="build.missing" class="sheet empty">
      <h1>{{ t('id.noSuchBuild') }}</h1>
      <p>
        {{ t('id.itMayHaveBeenOpenedFrom') }} <NuxtLink to="/">{{ t('id.toTheFloor') }}</NuxtLink>
      </p>
    </main>
    <main v-else class="sheet empty">
      <ApartNotes />
      <p v-if="build.failing" role="alert">
        {{ t('id.theServerCannotGiveThisBuild', { failing: build.failing }) }}
      </p>
      <p v-else class="quiet">
        {{ build.online ? t('id.openingTheBuild') : t('id.theServerDoesNotAnswerTrying') }}
      </p>
    </main>
    <component :is="StepToast" v-if="StepToast" />
    <LazyFindPalette v-if="finding" @close="finding = false" />
    <LazyKeyList v-if="listing" @close="listing = false" />
    <LazyGlossaryList v-if="wording" @close="wording = false" />
  </div>
</template>

<style scoped>
.sheet.empty {
  grid-column: 1 / -1;
}
</style>
