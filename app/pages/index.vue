<script setup lang="ts">
import { t } from '~/words/of/floor'
import { askOrSeen } from '~/sync/lastSeen'
import { countOf, floorList, type Order, type Shows } from '~/composables/floorList'
import type { Listed } from '~/sync/routes'

/** Every engine of the shop, how far it is, and what it waits for. */
usePageTitle(() => t('index.floor'))
const builds = ref<Listed[]>()
const failed = ref(false)
const route = useRoute()
const adding = ref('new' in route.query)
watch(
  () => route.query,
  (query) => 'new' in query && (adding.value = true),
)
let tries = 0
async function load() {
  try {
    const { answer, fresh } = await askOrSeen('GET /api/builds')
    builds.value = answer
    failed.value = !fresh
    if (!fresh) setTimeout(load, 2000)
    else if (builds.value.some(({ standing }) => !standing) && tries++ < 20) setTimeout(load, 1500)
  } catch {
    failed.value = true
    setTimeout(load, 2000)
  }
}
onMounted(load)

const text = ref('')
const shows = ref<Shows>('floor')
const order = ref<Order>('changed')
const ORDERS: { value: Order; words: string }[] = [
  { value: 'changed', words: t('index.lastChanged') },
  { value: 'name', words: t('index.byName') },
  { value: 'least', words: t('index.leastDoneFirst') },
  { value: 'most', words: t('index.mostDoneFirst') },
]
const WORDS: Record<Shows, string> = {
  floor: t('index.onTheFloor'),
  stop: t('index.withAStop'),
  archive: t('index.archived'),
  deleted: t('index.deleted'),
}
const groups = computed(() =>
  (Object.keys(WORDS) as Shows[])
    .map((value) => ({ value, count: countOf(builds.value ?? [], value) }))
    .filter(({ value, count }) => value === 'floor' || value === shows.value || count > 0)
    .map(({ value, count }) => ({ value, words: `${WORDS[value]} ${count}` })),
)
const listed = computed(() =>
  floorList(builds.value ?? [], { text: text.value, shows: shows.value, order: order.value }),
)
/** A shop of many years has more engines than a screen: the others come as it is scrolled to them. */
const end = useTemplateRef<HTMLElement>('end')
const rows = useRowsNear(end, () => [text.value, shows.value, order.value])
</script>

<template>
  <PlaceFrame>
    <header class="station-head">
      <h1>{{ t('index.floor') }}</h1>
      <p>{{ t('index.everyEngineHowFarItIs') }}</p>
      <div class="tally">
        <ImportBuild @taken="load" /><Button type="button" @click="adding = !adding">{{ t('index.newBuild') }}</Button>
      </div>
    </header>

    <NewBuild v-if="adding" />
    <p v-if="adding && builds && builds.length > 0" class="quiet">
      {{ t('index.newToUldo') }} <GuideStart quiet /> {{ t('index.onASampleEngineThatLeaves') }}
    </p>

    <LazyPlanLate v-if="builds && builds.length > 0" :following="true"
      ><NuxtLink to="/plan">{{ t('index.toThePlan') }}</NuxtLink></LazyPlanLate
    >
    <div id="import-report" />
    <p v-if="failed" role="alert">
      {{
        t('index.theServerDoesNotAnswerTrying', { builds: builds ? ` ${t('index.theEnginesStandAsTheyWere')}` : '' })
      }}
    </p>
    <section v-if="builds && builds.length === 0" class="first" :aria-label="t('index.whatUldoDoes')">
      <p>
        {{ t('index.uldoTurnsWhatYouMeasureInto') }}
      </p>
      <p class="ways">
        <GuideStart /><Button type="button" variant="outlined" @click="adding = true">{{
          t('index.startMyOwn')
        }}</Button>
      </p>
      <p class="quiet">
        {{ t('index.theGuidedBuildTakesFiveMinutes') }}
      </p>
    </section>
    <div v-if="builds && builds.length > 0" class="tools">
      <InputText
        v-model="text"
        type="search"
        :aria-label="t('index.searchEngines')"
        :placeholder="t('index.searchNameEngineMachine')"
      />
      <SegmentChoice
        :label="t('index.whichEngines')"
        :value="shows"
        :options="groups"
        @choose="shows = $event ?? 'floor'"
      />
      <ChoiceField :label="t('index.order')" quiet :value="order" :options="ORDERS" @choose="order = $event" />
    </div>
    <p v-if="builds && builds.length > 0 && listed.length === 0" class="none quiet" role="status">
      {{ text ? t('index.noEngineHereMatches', { text }) : t('index.none') }}
    </p>
    <ul v-if="builds" class="engines">
      <li v-for="each in listed.slice(0, rows)" :key="each.id" :data-build="each.name">
        <EngineRow :build="each" /><EngineMenu :build="each" @changed="load" />
      </li>
    </ul>
    <div v-if="listed.length > rows" ref="end" />
    <BackupLine v-if="builds && builds.length > 0" />
  </PlaceFrame>
</template>

<style scoped>
.engines {
  list-style: none;
  margin: 0;
  padding: 0;
  border-bottom: 1px solid var(--rule);
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  align-items: center;
  border-top: 1px solid var(--rule);
}
@media (max-width: 760px) {
  li {
    align-items: start;
    padding-top: 8px;
  }
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
  padding: 4px 0 12px;
}
.tools .p-inputtext {
  flex: 1 1 240px;
  min-width: 0;
  height: 46px;
  font-size: 18px;
}
.first {
  max-width: 64ch;
  padding: 30px 0;
  font-size: 18px;
}
.first .ways {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.none {
  padding: 40px 0;
}
</style>
