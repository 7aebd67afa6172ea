<script setup lang="ts">
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
const mega = (value: number) =>
  units.unit('pressure').symbol === 'psi' ? units.say(value, 'pressure') : `${(value / 1e6).toFixed(0)} MPa`
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
      <h2>Film</h2>
      <span class="note">the film carries the load; the pump only makes up for what leaves its ends</span>
    </div>
    <div v-if="film" class="view">
      <FilmDrawing :film="film" :groove="set === 'main' ? groove : HOLE" :orbit="orbitDrawn" />
      <div>
        <div class="pair">
          <div>
            <span class="quiet">Least film</span
            ><span class="mono big" data-testid="least-film">{{ units.sayFilm(film.minimumFilm) }}</span
            ><span class="quiet">roughness {{ units.sayFilm(COMBINED_ROUGHNESS) }}</span
            ><VerdictLabel :verdict="film.verdict" />
          </div>
          <div>
            <span class="quiet">Peak in the film</span
            ><span class="mono big" data-testid="peak-film">{{ mega(film.peakPressure) }}</span
            ><span class="quiet">fed with {{ units.say(film.feedPressure, 'pressure') }}</span>
          </div>
        </div>
        <label class="slide"
          ><span
            >Steady load<span class="mono"
              >{{ (load / 1000).toFixed(1) }} kN, {{ mega(film.specificLoad) }} on the shell</span
            ></span
          ><input v-model.number="load" type="range" min="200" max="40000" step="100" aria-label="Load on the journal"
        /></label>
        <label class="slide"
          ><span
            >Speed<span class="mono">{{ units.say(speed, 'speed') }}</span></span
          ><input v-model.number="speed" type="range" :min="3" :max="150" step="0.5" aria-label="Speed of the crank"
        /></label>
        <label class="slide"
          ><span
            >Oil at the feed<span class="mono"
              >{{ units.say(temperature, 'temperature') }}, in the film up to
              {{ units.say(temperature + film.peakRise, 'temperature') }}</span
            ></span
          ><input v-model.number="temperature" type="range" min="20" max="150" step="1" aria-label="Oil temperature"
        /></label>
        <label v-if="set === 'main'" class="slide"
          ><span
            >Groove<span class="mono">{{ arc }}°</span></span
          ><input
            :value="arc"
            type="range"
            min="0"
            max="360"
            step="10"
            aria-label="Groove arc"
            @input="turned = Number(($event.target as HTMLInputElement).value)"
        /></label>
        <p class="facts quiet">
          Thinnest {{ place(film.thinnestAngle) }} from the crown; leaks
          <span class="mono">{{ units.say(film.sideLeakage, 'flow', 2) }}</span>, drags
          <span class="mono">{{ units.say(film.dragPower, 'power') }}</span>.
        </p>
      </div>
    </div>
    <p v-else class="quiet">Working out the film.</p>
    <ModelLimits v-if="!hasCycle(build.sheet!.layout)" />
    <div v-else class="orbit-line">
      <template v-if="progress !== undefined"
        ><progress :value="progress" max="1" aria-label="Orbits" /><Button
          type="button"
          variant="outlined"
          @click="cancel"
          >Cancel</Button
        ></template
      >
      <Button v-else type="button" variant="outlined" @click="runOrbits">Run the orbit over the cycle</Button>
      <p v-if="ownOrbit" data-testid="orbit">
        <b>Tightest {{ units.sayFilm(ownOrbit.least.film) }}</b> at {{ ownOrbit.least.degree }}° of crank after firing,
        {{ place(ownOrbit.least.place) }} from the crown; load {{ (ownOrbit.meanLoad / 1000).toFixed(1) }} kN in the
        mean, {{ (ownOrbit.greatestLoad / 1000).toFixed(1) }} at most. Highest pressure in the film
        <b>{{ mega(ownOrbit.peak.pressure) }}</b> at {{ ownOrbit.peak.degree }}°, where the steady load makes
        {{ mega(film!.peakPressure) }}.
      </p>
      <p v-else-if="failed" class="wrong" role="alert">No orbit: {{ failed }}</p>
      <p v-else class="quiet">Gas and inertia over 720°, journal by journal. Red marks the tightest moment.</p>
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
input[type='range'] {
  width: 100%;
  height: 32px;
  accent-color: var(--petrol);
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
progress {
  flex: 1;
  height: 12px;
  accent-color: var(--petrol);
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
