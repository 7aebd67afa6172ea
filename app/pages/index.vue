<script setup lang="ts">
import { ask, refusedWords } from '~/sync/ask'
import type { Listed } from '~/sync/routes'
import { v4 as uuid } from 'uuid'
import { PRESETS } from '#core/record/layouts'
import type { StationProgress } from '#core/progress/progress'
import type { Verdict } from '#core/quantity/verdict'
import { PAGES } from '~/composables/stations'
import { many, stretch } from '~/composables/words'

useHead({ title: 'Floor · Uldo' })
const builds = ref<Listed[]>()
const failed = ref(false)
const route = useRoute()
const adding = ref('new' in route.query)
watch(
  () => route.query,
  (query) => 'new' in query && (adding.value = true),
)
const wanted = reactive({ preset: 'inline4', name: '', engine: '', work: '' })
const shop = useShop()
const units = useUnits()
void shop.load()
/** The shop's own layouts first, then the presets. */
const layouts = computed(() => [
  ...shop.house.layouts.map(({ name }, i) => ({ value: `shop.${i}`, words: name })),
  ...Object.entries(PRESETS).map(([key, preset]) => ({ value: key, words: preset.title })),
])
const problem = ref<Record<string, string>>({})

let tries = 0
async function load() {
  try {
    builds.value = await ask('GET /api/builds')
    failed.value = false
    if (builds.value.some(({ standing }) => !standing) && tries++ < 20) setTimeout(load, 1500)
  } catch {
    failed.value = true
    setTimeout(load, 2000)
  }
}
onMounted(load)

const titleOf = (station: string) => PAGES.find((page) => page.page === station)?.title ?? station
/** The first station that still wants something, or the worst that was found. */
function waitsFor(build: Listed): { words: string; station: string; verdict?: StationProgress['verdict'] } {
  const stop = build.progress.find((each) => each.verdict === 'stop')
  if (build.stopped)
    return {
      words: `Stopped${build.stopped.outcome ? `, ${build.stopped.outcome.replace(/^stopped: /, '')}` : ''}: write what was found and done`,
      station: 'start',
      verdict: 'stop',
    }
  const next = build.progress.find((each) => each.done < each.wanted)
  const ran = build.ranAt !== undefined && build.ranAt === build.primedAt
  if (ran && stop) return { words: `${titleOf(stop.station)}: ${stop.about}`, station: stop.station, verdict: 'stop' }
  if (build.primedUntil !== undefined && (!ran || build.primedUntil < Date.now())) {
    const left = build.primedUntil - Date.now()
    if (left <= 0)
      return {
        words: `${ran ? 'Ran' : 'Primed'} ${stretch(Date.now() - build.primedAt!)} ago${ran ? '' : ' and not started'}: prime again`,
        station: 'prime',
        verdict: 'watch',
      }
    if (!stop) return { words: `Primed; start it within ${stretch(left)}`, station: 'start' }
  }
  if (stop) return { words: `${titleOf(stop.station)}: ${stop.about}`, station: stop.station, verdict: 'stop' }
  if (!next) return { words: 'Started; readings are in', station: 'start' }
  return { words: `${titleOf(next.station)}, ${next.wanted - next.done} to go`, station: next.station }
}
/** What the gauge or the model says that is no pass, in a few words; read beats predicted. */
function says(build: Listed): { verdict: Verdict; words: string } | undefined {
  const { states = [], voids = [], starvesFrom } = build.standing ?? {}
  const read = states.filter(({ reading }) => reading !== undefined)
  const worst =
    [...read, ...states].find(({ verdict }) => verdict === 'stop') ?? read.find(({ verdict }) => verdict === 'watch')
  if (worst)
    return {
      verdict: worst.verdict,
      words: `${worst.label} ${worst.reading === undefined ? 'predicted' : `read ${units.say(worst.reading, 'pressure', units.fine)}`}`,
    }
  if (voids.length > 0) return { verdict: 'void', words: voids[0] }
  if (starvesFrom !== undefined) return { verdict: 'watch', words: `starves from ${units.say(starvesFrom, 'speed')}` }
  const first = states.find(({ verdict }) => verdict === 'watch') ?? states.find(({ verdict }) => verdict === 'assumed')
  return (
    first && {
      verdict: first.verdict,
      words: first.verdict === 'assumed' ? 'predicted by layout values' : `${first.label}, predicted`,
    }
  )
}
/** Everything that is still missing, by station. */
const missing = (build: Listed) =>
  build.progress
    .filter((each) => each.done < each.wanted)
    .map((each) => `${titleOf(each.station)} ${each.wanted - each.done}`)
    .join(', ')
const share = (each: StationProgress) => (each.wanted === 0 ? 1 : each.done / each.wanted)

function bodyOf() {
  const { preset, ...names } = wanted
  const own = /^shop\.(\d+)$/.exec(preset)
  return own ? { ...names, layout: shop.house.layouts[Number(own[1])].layout } : { ...names, preset }
}
/** Sent with the request, so that one pressed twice is begun once. */
let wantedId = uuid()
const creating = ref(false)
async function create() {
  if (creating.value) return
  problem.value = {}
  if (!wanted.name.trim()) problem.value.name = 'Give it a name, such as the boat or the owner.'
  if (!wanted.engine.trim()) problem.value.engine = 'Say which engine it is.'
  if (Object.keys(problem.value).length > 0) return
  creating.value = true
  try {
    const made = await ask('POST /api/builds', { body: { id: wantedId, ...bodyOf() } })
    wantedId = uuid()
    await navigateTo(`/build/${made.id}/brief`)
  } catch (error) {
    problem.value.all = refusedWords(error, 'The server does not answer. What you typed is kept; try again.')
  } finally {
    creating.value = false
  }
}
</script>

<template>
  <PlaceFrame>
    <header class="station-head">
      <h1>Floor</h1>
      <p>Every engine, how far it is, and what it waits for.</p>
      <div class="tally"><Button type="button" @click="adding = !adding">New build</Button></div>
    </header>

    <form v-if="adding" class="new" @submit.prevent="create">
      <span class="field"
        >Layout<ChoiceField label="Layout" :value="wanted.preset" :options="layouts" @choose="wanted.preset = $event"
      /></span>
      <label
        >Name<InputText v-model="wanted.name" maxlength="120" autocomplete="off" :aria-invalid="!!problem.name" /><span
          v-if="problem.name"
          class="wrong"
          role="alert"
          >{{ problem.name }}</span
        ></label
      >
      <label
        >Engine<InputText
          v-model="wanted.engine"
          maxlength="120"
          autocomplete="off"
          :aria-invalid="!!problem.engine"
        /><span v-if="problem.engine" class="wrong" role="alert">{{ problem.engine }}</span></label
      >
      <label
        >Out of<InputText v-model="wanted.work" maxlength="200" autocomplete="off" placeholder="what it drives"
      /></label>
      <Button type="submit" :disabled="creating">Start build</Button>
      <p v-if="problem.all" class="wrong" role="alert">{{ problem.all }}</p>
    </form>

    <p v-if="failed" role="alert">The server does not answer. Trying again.</p>
    <p v-else-if="builds && builds.length === 0" class="none">
      No engine on the floor yet. <Button type="button" @click="adding = true">Start the first build</Button>
    </p>
    <ul v-if="builds" class="engines">
      <li v-for="each in builds" :key="each.id">
        <NuxtLink :to="`/build/${each.id}/${waitsFor(each).station}`">
          <span class="names"
            ><strong>{{ each.name }}</strong
            ><span class="quiet">{{ each.engine }}, {{ PRESETS[each.layout]?.title ?? 'own layout' }}</span
            ><span class="quiet work">{{ each.work }}</span></span
          >
          <span class="progress" aria-hidden="true"
            ><span
              v-for="station in each.progress"
              :key="station.station"
              class="pipe"
              :class="station.verdict"
              :style="{ '--share': `${100 * share(station)}%` }"
              ><i />{{ titleOf(station.station) }}</span
            ></span
          >
          <span class="waits"
            ><VerdictLabel v-if="waitsFor(each).verdict" :verdict="waitsFor(each).verdict!" /><span>{{
              waitsFor(each).words
            }}</span></span
          >
          <span v-if="says(each) || missing(each) || each.waiting" class="says" data-testid="floor-says"
            ><b v-if="each.waiting" class="to-sign"
              >{{ many(each.waiting, 'change waits', 'changes wait') }} for a sign-off</b
            ><template v-if="says(each)"
              ><VerdictLabel :verdict="says(each)!.verdict" /> {{ says(each)!.words }}</template
            ><span
              v-if="missing(each)"
              class="quiet"
              :title="
                each.progress
                  .filter((one) => one.missing.length > 0)
                  .map((one) => `${titleOf(one.station)}: ${one.missing.join(', ')}`)
                  .join('\n')
              "
              >to go: {{ missing(each) }}</span
            ></span
          >
        </NuxtLink>
      </li>
    </ul>
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
.engines a {
  display: grid;
  grid-template-columns: minmax(210px, 1fr) minmax(420px, 2fr) minmax(250px, 1.1fr);
  gap: 26px;
  align-items: center;
  padding: 16px 8px;
  border-top: 1px solid var(--rule);
  color: var(--ink);
  text-decoration: none;
}
.engines a:hover {
  background: var(--petrol-wash);
}
.names {
  display: grid;
}
.names strong {
  font-size: 19px;
  font-stretch: 90%;
}
.progress {
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: 1fr;
  gap: 3px;
  font-size: 13px;
  color: var(--quiet);
}
.pipe i {
  display: block;
  height: 12px;
  margin-bottom: 4px;
  border: 1px solid var(--field);
  background: linear-gradient(var(--oil) 0 0) left / var(--share) 100% no-repeat;
}
.pipe.stop i {
  border-bottom: 4px solid var(--stop);
  height: 15px;
  margin-bottom: 1px;
}
.pipe.watch i {
  border-bottom: 4px dotted var(--watch);
  height: 15px;
  margin-bottom: 1px;
}
.says {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  margin-top: -14px;
}
.to-sign {
  color: var(--petrol);
}
.waits {
  display: flex;
  align-items: center;
  gap: 10px;
  font-weight: 600;
  justify-content: flex-end;
  text-align: right;
}
.new {
  display: grid;
  grid-template-columns: 170px 1fr 1fr 1fr auto;
  gap: 14px;
  align-items: end;
  padding: 4px 0 22px;
}
.new label,
.new .field {
  display: grid;
  gap: 3px;
  color: var(--quiet);
  align-self: start;
}
.new .p-inputtext {
  height: 46px;
  font-size: 18px;
  width: 100%;
}
.new .p-button {
  align-self: start;
  margin-top: 24px;
}
.wrong {
  color: var(--stop);
}
.none {
  padding: 40px 0;
}
@media (max-width: 1099px) {
  .engines a {
    grid-template-columns: 1fr auto;
    gap: 10px 20px;
  }
  .progress {
    grid-column: 1 / -1;
    grid-row: 2;
  }
  .new {
    grid-template-columns: 1fr 1fr;
  }
}
@media (max-width: 760px) {
  .engines a {
    grid-template-columns: 1fr;
    gap: 12px;
  }
  .says {
    margin-top: 0;
  }
  .waits {
    justify-content: flex-start;
    text-align: left;
  }
  .progress {
    font-size: 0;
  }
  .new {
    grid-template-columns: 1fr;
  }
}
</style>
