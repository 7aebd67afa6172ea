<script setup lang="ts">
import { named } from '~/words/speak'
import { figure } from '~/words/numbers'
import { t } from '~/words/of/bearings'
import { hasCycle } from '#core/engine/modelLimits'
import type { BearingSet } from '#core/parts/bearingReadings'
import { proxy } from 'comlink'
import { arcsOf, aroundOf, mainShells } from '#core/parts/mainGrooves'
import { COMBINED_ROUGHNESS, usualLoad } from '#core/outlook/journalFilm'
import { namedStates } from '#core/outlook/states'
import type { OrbitSummary } from '~/workers/slow.worker.ts'

/** Film and orbit of one journal: change load, speed, oil and groove, and see them move. The record is not touched. */
const { set, number } = defineProps<{ set: BearingSet; number: number }>()
const build = useBuild()
const units = useUnits()
const outlook = useOutlook()

const working = computed(() => namedStates(build.sheet!)[3])
const feed = computed(() => outlook.now?.states[3].pressure ?? 3e5)
const speed = ref(working.value.speed)
const load = ref(100 * Math.round(usualLoad(build.sheet!, set, speed.value) / 100))
const temperature = ref(working.value.temperature)
/** The shells as they are, until a hand turns the slider: then one groove about the crown. */
const HOLE = arcsOf(14)
const turned = ref<number>()
const own = computed(() => (set === 'main' ? mainShells(build.sheet!)[number - 1] : undefined))
const groove = computed(() => {
  const { upper, lower } = (turned.value === undefined ? own.value : arcsOf(turned.value)) ?? { upper: 0, lower: 0 }
  return { upper, lower }
})
const arc = computed(() => Math.round((180 / Math.PI) * aroundOf(groove.value)))
watch(
  () => [own.value?.upper, own.value?.lower],
  () => (turned.value = undefined),
)
watch(
  () => [working.value.speed, working.value.temperature],
  ([n, t]) => {
    speed.value = n
    temperature.value = t
  },
)
const moment = computed(() => ({
  load: load.value,
  speed: speed.value,
  temperature: temperature.value,
  feedPressure: feed.value,
  ...(set === 'main' ? { groove: groove.value } : {}),
}))
const { value: film } = useAnswer(
  (_, slow) => (build.sheet ? slow().film(build.sheet, set, number, { ...moment.value }) : undefined),
  () => [build.sheet, set, number, moment.value],
)

const hands = useFilmHands(set === 'main', { load, speed, temperature, turned }, arc, film)

const orbits = shallowRef<OrbitSummary[]>()
const progress = ref<number>()
const failed = ref<string>()
const ownOrbit = computed(() => orbits.value?.find((each) => each.set === set && each.number === number))
async function runOrbits() {
  progress.value = 0
  failed.value = undefined
  const of = build.sheet!
  try {
    const found = await useSlowWorker().orbits(
      of,
      { speed: speed.value, temperature: temperature.value },
      proxy((done: number, all: number) => (progress.value = done / all)),
    )
    // Of a record that has changed meanwhile it says nothing.
    if (found && of === build.sheet) took(found)
  } catch (error) {
    failed.value = (error as Error).message
  } finally {
    progress.value = undefined
  }
}
function took(found: OrbitSummary[]) {
  orbits.value = found
  const now = found.find((each) => each.set === set && each.number === number)
  if (now) load.value = 100 * Math.round(now.meanLoad / 100)
}
function cancel() {
  void useSlowWorker().cancel()
  progress.value = undefined
}
watch(
  () => build.sheet,
  () => (orbits.value = undefined),
)
const place = (angle: number) => `${Math.round(((angle * 180) / Math.PI + 360) % 360)}°`
const orbitDrawn = computed(() =>
  ownOrbit.value
    ? {
        x: ownOrbit.value.x,
        y: ownOrbit.value.y,
        degree: ownOrbit.value.least.degree,
        eccentricity: 1 - ownOrbit.value.least.film / ownOrbit.value.radialClearance,
      }
    : undefined,
)
</script>

<template>
  <section class="panel" data-testid="film">
    <div class="block-head">
      <h2>{{ t('filmPanel.film') }}</h2>
      <span class="note">{{ t('filmPanel.theFilmCarriesTheLoadThe') }}</span>
    </div>
    <div v-if="film" class="view">
      <FilmDrawing :film="film" :groove="set === 'main' ? groove : HOLE" :orbit="orbitDrawn" />
      <div>
        <div class="pair">
          <div>
            <span class="quiet">{{ t('filmPanel.leastFilm') }}</span><span class="mono big" data-testid="least-film">{{
              units.sayFilm(film.minimumFilm)
            }}</span
            ><span class="quiet">{{
              t('filmPanel.roughness', { combinedRoughness: units.sayFilm(COMBINED_ROUGHNESS) })
            }}</span
            ><VerdictLabel :verdict="film.verdict" />
          </div>
          <div>
            <span class="quiet">{{ t('filmPanel.peakInTheFilm') }}</span><span
              class="mono big"
              data-testid="peak-film"
              >{{ filmPressure(film.peakPressure) }}</span
            ><span class="quiet">{{
              t('filmPanel.fedWith', { feedPressure: units.say(film.feedPressure, 'pressure') })
            }}</span>
          </div>
        </div>
        <div v-for="each in hands" :key="each.label" class="slide">
          <span
            >{{ named(each.words) }}<span class="mono">{{ each.says }}</span></span
          ><ValueSlider
            :label="named(each.label)"
            :value="each.value"
            :from="each.from"
            :to="each.to"
            :step="each.step"
            :says="each.says"
            @slide="each.slide"
          />
        </div>
        <p class="facts quiet">
          {{ t('filmPanel.thinnestFromTheCrownLeaks', { place: place(film.thinnestAngle) }) }}
          <span class="mono">{{ units.say(film.sideLeakage, 'flow', 2) }}</span>{{ t('filmPanel.drags') }}
          <span class="mono">{{ units.say(film.dragPower, 'power') }}</span>.
        </p>
      </div>
    </div>
    <p v-else class="quiet">{{ t('filmPanel.workingOutTheFilm') }}</p>
    <ModelLimits v-if="!hasCycle(build.sheet!.layout)" />
    <div v-else class="orbit-line">
      <template v-if="progress !== undefined"
        ><ProgressBar :value="100 * progress" :show-value="false" :aria-label="t('filmPanel.orbits')" /><Button
          type="button"
          variant="outlined"
          @click="cancel"
          >{{ t('filmPanel.cancel') }}</Button
        ></template
      >
      <Button v-else type="button" variant="outlined" @click="runOrbits">{{
        t('filmPanel.runTheOrbitOverTheCycle')
      }}</Button>
      <p v-if="ownOrbit" data-testid="orbit">
        <b>{{ t('filmPanel.tightest', { film: units.sayFilm(ownOrbit.least.film) }) }}</b>
        {{
          t('filmPanel.atOfCrankAfterFiringFrom', {
            degree: ownOrbit.least.degree,
            place: place(ownOrbit.least.place),
            meanLoad: figure(ownOrbit.meanLoad / 1000, 1),
            greatestLoad: figure(ownOrbit.greatestLoad / 1000, 1),
          })
        }}
        <b>{{ filmPressure(ownOrbit.peak.pressure) }}</b>
        {{
          t('filmPanel.atWhereTheSteadyLoadMakes', {
            degree: ownOrbit.peak.degree,
            peakPressure: filmPressure(film!.peakPressure),
          })
        }}
      </p>
      <p v-else-if="failed" class="wrong" role="alert">{{ t('filmPanel.noOrbit', { failed }) }}</p>
      <p v-else class="quiet">{{ t('filmPanel.gasAndInertiaOver720Journal') }}</p>
    </div>
  </section>
</template>

<style scoped>
.panel {
  margin-top: 22px;
}
.view {
  display: grid;
  grid-template-columns: minmax(260px, 320px) minmax(280px, 1fr);
  gap: 10px 28px;
  align-items: start;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 16px;
  margin-bottom: 8px;
}
.pair > div {
  display: grid;
  justify-items: start;
  gap: 2px;
}
.big {
  font-size: 32px;
  line-height: 1.15;
}
.slide {
  display: grid;
  border-top: 1px solid var(--rule);
  padding: 5px 0 0;
}
.slide > span {
  display: flex;
  justify-content: space-between;
}
.slide .mono {
  color: var(--quiet);
}
.facts {
  border-top: 1px solid var(--rule);
  padding-top: 8px;
}
.orbit-line {
  display: flex;
  align-items: center;
  gap: 16px;
  margin-top: 12px;
  min-height: 48px;
}
.wrong {
  color: var(--stop);
}
.p-progressbar {
  flex: 1;
}
@media (max-width: 760px) {
  .view {
    grid-template-columns: 1fr;
  }
  .orbit-line {
    flex-wrap: wrap;
  }
}
</style>
