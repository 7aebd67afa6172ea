<script setup lang="ts">
import type { BriefField } from '#core/parts/list'
import { meanPressureAt, namedStates, STATE_LABELS } from '#core/outlook/states'
import { quantityAt, requireValue } from '#core/engine/values'
import { STATE_NAMES, type StateName } from '#core/targets/targets'
import { goToReading } from '~/composables/goToReading'
import { stationPath } from '~/composables/stations'

/** The circuit at one of the four states, or at the speed and temperature under the finger; what is touched says what it does and where its numbers come from. */
const build = useBuild()
const units = useUnits()
const outlook = useOutlook()
const router = useRouter()
const named = ref<StateName | undefined>('idleHot')
const speed = ref(0)
const temperature = ref(0)
const ranges = computed(() => {
  const of = (key: BriefField) => requireValue(build.sheet!, `brief.${key}`).value
  return { slow: of('crankingSpeed'), fast: of('maximumSpeed'), cold: of('coldStart'), hot: of('hotOil') + 25 }
})
const moment = computed(() => {
  const state = named.value && namedStates(build.sheet!).find(({ name }) => name === named.value)
  return (
    state ?? {
      speed: speed.value,
      temperature: temperature.value,
      meanPressure: meanPressureAt(build.sheet!, speed.value),
    }
  )
})
function slide(change: { speed?: number; temperature?: number }) {
  speed.value = change.speed ?? moment.value.speed
  temperature.value = change.temperature ?? moment.value.temperature
  named.value = undefined
}
const { value: state } = useAnswer(
  (model) => (build.sheet ? model.circuit(build.sheet, { ...moment.value }) : undefined),
  () => [build.sheet, moment.value],
)
/** The band of a named state, beside the drawing's best values. */
const band = computed(() => outlook.now?.states.find(({ name }) => name === named.value))
const chosen = ref('pump')
const element = computed(
  () =>
    state.value?.elements.find(({ id }) => id === chosen.value) ??
    state.value?.elements.find(({ id }) => id === 'pump'),
)
const SOURCES = {
  measured: 'measured',
  maker: 'the maker’s',
  planned: 'planned',
  layout: 'assumed from the layout',
  computed: 'computed',
}
const go = () =>
  element.value?.station &&
  (element.value.reading
    ? goToReading(router, build.id!, quantityAt(build.sheet!, element.value.reading))
    : router.push(stationPath(build.id!, element.value.station)))
</script>

<template>
  <div>
    <div class="moment">
      <SegmentChoice
        label="State"
        :value="named"
        :options="STATE_NAMES.map((name) => ({ value: name, words: STATE_LABELS[name].toLowerCase() }))"
        @choose="named = $event ?? named"
      />
      <label
        ><span class="quiet">speed</span
        ><input
          type="range"
          :min="ranges.slow"
          :max="ranges.fast"
          step="0.5"
          :value="moment.speed"
          aria-label="Crank speed"
          :aria-valuetext="units.say(moment.speed, 'speed')"
          @input="slide({ speed: Number(($event.target as HTMLInputElement).value) })"
        /><span class="mono">{{ units.say(moment.speed, 'speed') }}</span></label
      >
      <label
        ><span class="quiet">oil</span
        ><input
          type="range"
          :min="ranges.cold"
          :max="ranges.hot"
          step="1"
          :value="moment.temperature"
          aria-label="Oil temperature"
          :aria-valuetext="units.say(moment.temperature, 'temperature')"
          @input="slide({ temperature: Number(($event.target as HTMLInputElement).value) })"
        /><span class="mono">{{ units.say(moment.temperature, 'temperature') }}</span></label
      >
    </div>
    <CircuitDrawing v-if="state" :state="state" :chosen="element?.id" @look="chosen = $event" />
    <p class="quiet units">
      Flows in {{ units.unit('flow').symbol }}, pressures in {{ units.unit('pressure').symbol }}; a dashed line passes
      nothing.
      <template v-if="band"
        >With what is uncertain the gauge reads {{ units.show(band.low, 'pressure', units.fine) }} to
        {{ units.say(band.high, 'pressure', units.fine) }}.</template
      >
    </p>
    <div v-if="element" class="about" data-testid="element">
      <dl aria-live="polite">
        <div>
          <dt>{{ element.words }}</dt>
          <dd class="mono">{{ units.say(element.flow, 'flow', 2) }}</dd>
        </div>
        <div>
          <dt class="quiet">of what the pump gives</dt>
          <dd class="mono">{{ (100 * element.share).toFixed(1) }} %</dd>
        </div>
        <div>
          <dt class="quiet">{{ element.loss < 0 ? 'gains' : 'loses' }}</dt>
          <dd class="mono">{{ units.say(Math.abs(element.loss), 'pressure', units.fine) }}</dd>
        </div>
        <div>
          <dt class="quiet">its size</dt>
          <dd>{{ element.source ? SOURCES[element.source] : 'a typical passage' }}</dd>
        </div>
      </dl>
      <Button v-if="element.station" type="button" variant="outlined" @click="go">Go there</Button>
    </div>
  </div>
</template>

<style scoped>
.moment {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
  align-items: center;
  margin-bottom: 6px;
}
.moment label {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 44px;
  flex: 1;
  min-width: 240px;
}
.moment input {
  flex: 1;
  accent-color: var(--petrol);
  min-width: 70px;
}
.moment .mono {
  min-width: 82px;
  text-align: right;
  white-space: nowrap;
}
.units {
  padding: 2px 0 8px;
}
.about {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 34px;
  border-top: 1px solid var(--rule);
  padding-top: 10px;
  align-items: center;
}
dl {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 34px;
  margin: 0;
}
dt {
  line-height: 1.2;
  font-weight: 600;
}
dt.quiet {
  font-weight: 400;
}
dd {
  margin: 0;
  font-size: 17px;
}
@media print {
  .moment,
  .about :deep(.p-button) {
    display: none;
  }
}
</style>
