<script setup lang="ts">
import { named } from '~/words/speak'
import { figure, whole } from '~/words/numbers'
import { t } from '~/words/of/start'
import { bandAround, halfBand } from '#core/quantity/uncertain'
import type { Calibration, Fitted, Observation } from '#core/start/calibrate'

/** What the steady readings say about this engine, and what they cannot tell. */
const { observations } = defineProps<{ observations: Observation[] }>()
const build = useBuild()
const units = useUnits()
const shown = useOnceShown()
const { value: found } = useAnswer<Calibration | undefined>(
  (_model, slow) =>
    build.sheet && shown.value && observations.length > 0
      ? slow().calibrate(build.sheet, JSON.parse(JSON.stringify(observations)) as Observation[])
      : undefined,
  () => [shown.value, observations, build.sheet?.readings],
)
const p = (value: number) => units.say(value, 'pressure', units.fine)
const signed = (value: number) => `${value < 0 ? '−' : '+'}${p(Math.abs(value))}`
const factor = ({ parameter }: Fitted) => parameter === 'clearance' || parameter === 'slip'
const fitted = (each: Fitted) => (factor(each) ? `× ${figure(each.value, 2)}` : signed(each.value))
const within = (each: Fitted) =>
  factor(each)
    ? bandAround(each)
        .map((edge) => figure(edge, 2))
        .join(' to ')
    : bandAround(each).map(signed).join(' to ')
const ANEW = [
  ['before', t('calibrationPanel.asMeasured')],
  ['after', t('calibrationPanel.withTheReadings')],
] as const
const TOLD = {
  told: t('calibrationPanel.theReadingsSayIt'),
  partly: t('calibrationPanel.theReadingsSaySomeOfIt'),
  not: t('calibrationPanel.theReadingsCannotTell'),
}
/** The largest thing that they say, in a sentence. */
const clearance = computed(() => found.value?.fitted.find(({ parameter }) => parameter === 'clearance'))
const words = computed(() => {
  if (found.value?.failed) return t('calibrationPanel.clearancesSpringPumpAndGaugeAs')
  const each = clearance.value
  if (!each || each.told === 'not') return t('calibrationPanel.theseReadingsDoNotTellThe')
  const off = each.value - 1
  if (Math.abs(off) < halfBand(each)) return t('calibrationPanel.theBearingsRunAsTheyWere')
  return off > 0
    ? t('calibrationPanel.theBearingsLeakAsIfThey', { off: Math.round(100 * off) })
    : t('calibrationPanel.theBearingsLeakAsIfThey2', { off: Math.round(-100 * off) })
})
/** What the fit would have needed, in a sentence. */
const needed = computed(() =>
  (found.value?.failed?.impossible ?? []).map((parameter) => {
    const each = found.value!.fitted.find((other) => other.parameter === parameter)!
    return `${name(parameter)} ${fitted(each)}`
  }),
)
/** Faults that make such readings; what hardly fits is left out. */
const FITS = 0.02
const faults = computed(() => (found.value?.failed?.faults ?? []).filter(({ share }) => share >= FITS).slice(0, 3))
const name = (parameter: string) => found.value!.fitted.find((each) => each.parameter === parameter)!.words
</script>

<template>
  <section v-if="found" data-testid="calibration">
    <div class="block-head">
      <h2>{{ t('calibrationPanel.whatTheReadingsSay') }}</h2>
      <span class="note">{{
        t('calibrationPanel.from', {
          count: t(
            'calibrationPanel.steadyReadingSteadyReadings',
            { n: whole(observations.length) },
            observations.length,
          ),
        })
      }}</span>
    </div>
    <p class="lead" :data-failed="found.failed !== undefined">{{ words }}</p>
    <template v-if="found.failed">
      <p v-if="needed.length > 0" class="quiet">
        {{ t('calibrationPanel.toExplainThemItWouldTake', { needed: needed.join(', ') }) }}
      </p>
      <h3>{{ t('calibrationPanel.whatMakesSuchReadings') }}</h3>
      <ul class="faults">
        <li v-for="fault in faults" :key="fault.key" :data-fault="fault.key">
          <b>{{ named(fault.words).charAt(0).toUpperCase() + named(fault.words).slice(1) }}.</b> {{ fault.look }}
        </li>
      </ul>
      <p class="quiet">
        {{ t('calibrationPanel.thePredictionStaysAsItWas') }}
      </p>
    </template>
    <template v-else>
      <div
        v-for="each in found.fitted"
        :key="each.parameter"
        class="row"
        :data-fitted="each.parameter"
        :data-value="each.value"
      >
        <span class="what"
          >{{ named(each.words).charAt(0).toUpperCase() + named(each.words).slice(1)
          }}<span class="origin">{{ TOLD[each.told] }}</span></span
        ><span class="figure" :class="{ assumed: each.told === 'not' }"
          >{{ fitted(each) }}<span class="unit">{{ within(each) }}</span></span
        >
      </div>
      <p v-for="[a, b] in found.together" :key="a + b" class="quiet">
        {{
          t('calibrationPanel.andCannotBeToldApartBy', {
            name: name(a).charAt(0).toUpperCase() + name(a).slice(1),
            name2: name(b),
          })
        }}
      </p>
      <h3>{{ t('calibrationPanel.predictedAnew') }}</h3>
      <ResultTable
        :rows="found.states"
        :label="t('calibrationPanel.predictedAnew')"
        :attributes="(state) => ({ 'data-anew': state.name })"
      >
        <Column :field="(row) => named(row.label)" header="" /><Column
          v-for="[key, header] in ANEW"
          :key="key"
          :header="header"
          ><template #body="{ data }"
            ><BandedFigure
              :value="data[key].pressure"
              :low="data[key].low"
              :high="data[key].high"
              dimension="pressure"
              :fine="units.fine"
              unit /></template
        ></Column>
      </ResultTable>
    </template>
  </section>
  <p v-else class="quiet">{{ t('calibrationPanel.fittingTheModelToTheReadings') }}</p>
</template>

<style scoped>
.lead {
  font-size: 18px;
  font-weight: 600;
  padding-bottom: 6px;
  max-width: 60ch;
}
.faults {
  padding-left: 20px;
  max-width: 70ch;
}
.faults li {
  padding: 4px 0;
}
h3 {
  margin: 14px 0 4px;
  font-size: 16px;
}
.figure .unit {
  display: inline-block;
  min-width: 128px;
  text-align: right;
}
</style>
