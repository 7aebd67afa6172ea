<script setup lang="ts">
import { inSentence, named as sayState } from '~/words/speak'
import { figure } from '~/words/numbers'
import { t } from '~/words/of/outlook'
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
  measured: t('circuitView.measured'),
  maker: t('circuitView.theMakers'),
  planned: t('circuitView.planned'),
  layout: t('circuitView.assumedFromTheLayout'),
  computed: t('circuitView.computed'),
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
        :label="t('circuitView.state')"
        :value="named"
        :options="STATE_NAMES.map((name) => ({ value: name, words: inSentence(STATE_LABELS[name]) }))"
        @choose="named = $event ?? named"
      />
      <div class="hand">
        <span class="quiet">{{ t('circuitView.speed') }}</span><ValueSlider
          :label="t('circuitView.crankSpeed')"
          :value="moment.speed"
          :from="ranges.slow"
          :to="ranges.fast"
          :step="0.5"
          :says="units.say(moment.speed, 'speed')"
          @slide="slide({ speed: $event })"
        /><span class="mono">{{ units.say(moment.speed, 'speed') }}</span>
      </div>
      <div class="hand">
        <span class="quiet">{{ t('circuitView.oil') }}</span><ValueSlider
          :label="t('circuitView.oilTemperature')"
          :value="moment.temperature"
          :from="ranges.cold"
          :to="ranges.hot"
          :step="1"
          :says="units.say(moment.temperature, 'temperature')"
          @slide="slide({ temperature: $event })"
        /><span class="mono">{{ units.say(moment.temperature, 'temperature') }}</span>
      </div>
    </div>
    <CircuitDrawing v-if="state" :state="state" :chosen="element?.id" @look="chosen = $event" />
    <p class="quiet units">
      {{
        t('circuitView.flowsInPressuresInADashed', {
          unit: units.unit('flow').symbol,
          unit2: units.unit('pressure').symbol,
        })
      }}
      <template v-if="band">{{
        t('circuitView.withWhatIsUncertainTheGauge', {
          low: units.show(band.low, 'pressure', units.fine),
          high: units.say(band.high, 'pressure', units.fine),
        })
      }}</template>
    </p>
    <div v-if="element" class="about" data-testid="element">
      <dl aria-live="polite">
        <div>
          <dt>{{ sayState(element.words) }}</dt>
          <dd class="mono">{{ units.say(element.flow, 'flow', 2) }}</dd>
        </div>
        <div>
          <dt class="quiet">{{ t('circuitView.ofWhatThePumpGives') }}</dt>
          <dd class="mono">{{ figure(100 * element.share, 1) }} %</dd>
        </div>
        <div>
          <dt class="quiet">{{ element.loss < 0 ? t('circuitView.gains') : t('circuitView.loses') }}</dt>
          <dd class="mono">{{ units.say(Math.abs(element.loss), 'pressure', units.fine) }}</dd>
        </div>
        <div>
          <dt class="quiet">{{ t('circuitView.itsSize') }}</dt>
          <dd>{{ element.source ? SOURCES[element.source] : t('circuitView.aTypicalPassage') }}</dd>
        </div>
      </dl>
      <Button v-if="element.station" type="button" variant="outlined" @click="go">{{
        t('circuitView.goThere')
      }}</Button>
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
.moment .hand {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 44px;
  flex: 1;
  min-width: 240px;
}
.hand .slider {
  flex: 1;
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
