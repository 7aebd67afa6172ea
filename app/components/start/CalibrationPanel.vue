<script setup lang="ts">
import { bandAround, halfBand } from '#core/quantity/uncertain'
import type { Calibration, Fitted, Observation } from '#core/start/calibrate'
import { many } from '~/composables/words'

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
const figure = (each: Fitted) => (factor(each) ? `× ${each.value.toFixed(2)}` : signed(each.value))
const within = (each: Fitted) =>
  factor(each)
    ? bandAround(each)
        .map((edge) => edge.toFixed(2))
        .join(' to ')
    : bandAround(each).map(signed).join(' to ')
const TOLD = { told: 'the readings say it', partly: 'the readings say some of it', not: 'the readings cannot tell' }
/** The largest thing that they say, in a sentence. */
const clearance = computed(() => found.value?.fitted.find(({ parameter }) => parameter === 'clearance'))
const words = computed(() => {
  if (found.value?.failed)
    return 'Clearances, spring, pump and gauge as they were recorded do not make these readings: something else is wrong.'
  const each = clearance.value
  if (!each || each.told === 'not')
    return 'These readings do not tell the clearances: a hot idle and a hot working one do.'
  const off = each.value - 1
  if (Math.abs(off) < halfBand(each)) return 'The bearings run as they were measured.'
  return off > 0
    ? `The bearings leak as if they were ${Math.round(100 * off)} percent wider than measured.`
    : `The bearings leak as if they were ${Math.round(-100 * off)} percent tighter than measured.`
})
/** What the fit would have needed, in a sentence. */
const needed = computed(() =>
  (found.value?.failed?.impossible ?? []).map((parameter) => {
    const each = found.value!.fitted.find((other) => other.parameter === parameter)!
    return `${name(parameter)} ${figure(each)}`
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
      <h2>What the readings say</h2>
      <span class="note">from {{ many(observations.length, 'steady reading') }}</span>
    </div>
    <p class="lead" :data-failed="found.failed !== undefined">{{ words }}</p>
    <template v-if="found.failed">
      <p v-if="needed.length > 0" class="quiet">To explain them it would take {{ needed.join(', ') }}.</p>
      <h3>What makes such readings</h3>
      <ul class="faults">
        <li v-for="fault in faults" :key="fault.key" :data-fault="fault.key">
          <b>{{ fault.words.charAt(0).toUpperCase() + fault.words.slice(1) }}.</b> {{ fault.look }}
        </li>
      </ul>
      <p class="quiet">
        The prediction stays as it was: nothing is taken over from readings that the model cannot make.
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
          >{{ each.words.charAt(0).toUpperCase() + each.words.slice(1)
          }}<span class="origin">{{ TOLD[each.told] }}</span></span
        ><span class="figure" :class="{ assumed: each.told === 'not' }"
          >{{ figure(each) }}<span class="unit">{{ within(each) }}</span></span
        >
      </div>
      <p v-for="[a, b] in found.together" :key="a + b" class="quiet">
        {{ name(a).charAt(0).toUpperCase() + name(a).slice(1) }} and {{ name(b) }} cannot be told apart by these.
      </p>
      <h3>Predicted anew</h3>
      <table>
        <thead>
          <tr>
            <th />
            <th>as measured</th>
            <th>with the readings</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="state in found.states" :key="state.name" :data-anew="state.name">
            <td>{{ state.label }}</td>
            <td class="mono">
              {{ p(state.before.pressure)
              }}<span class="quiet"
                >{{ units.show(state.before.low, 'pressure', units.fine) }} to
                {{ units.show(state.before.high, 'pressure', units.fine) }}</span
              >
            </td>
            <td class="mono">
              {{ p(state.after.pressure)
              }}<span class="quiet"
                >{{ units.show(state.after.low, 'pressure', units.fine) }} to
                {{ units.show(state.after.high, 'pressure', units.fine) }}</span
              >
            </td>
          </tr>
        </tbody>
      </table>
    </template>
  </section>
  <p v-else class="quiet">Fitting the model to the readings</p>
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
table {
  border-collapse: collapse;
  width: 100%;
  max-width: 640px;
}
th {
  text-align: right;
  font-weight: 600;
  color: var(--quiet);
  padding: 4px 0 4px 18px;
}
td {
  border-top: 1px solid var(--rule);
  padding: 8px 0 8px 18px;
  text-align: right;
}
td:first-child {
  text-align: left;
  padding-left: 0;
}
td span {
  display: block;
  font-size: 14px;
}
.figure .unit {
  display: inline-block;
  min-width: 128px;
  text-align: right;
}
</style>
