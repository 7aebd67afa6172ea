<script setup lang="ts">
import { t } from '~/words/of/trace'
import { runningOf } from '#core/trace/moments'
import type { Cause } from '#core/trace/vocabulary'
import { OIL_GRADES } from '#core/oil/grades'
import { triedSheet } from '#core/outlook/tried'
import { OIL_STATES } from '~/composables/useTried'
import { t as frameWords } from '~/words/of/frame'
import { causeWords, MOMENT_WORDS } from '~/words/trace'

/** What the gauge should show over speed with each of the likeliest causes, beside what it was read at. */
const { trace } = defineProps<{ trace: ReturnType<typeof useTrace> }>()
const build = useBuild()
const units = useUnits()
const SHOWN = 3
const INKS = ['petrol', 'stop', 'watch']
/** Where the engine ran when it was read, the newest last; a prime has no crank speed. */
const read = computed(() =>
  trace.recorded
    .value!.readings.map((reading) => ({
      reading,
      running: runningOf(build.sheet!, reading, trace.recorded.value!.moment),
    }))
    .filter(({ running }) => running.speed > 0),
)
const temperature = computed(() => read.value.at(-1)?.running.temperature)
const causes = computed<Cause[]>(() => (trace.trace.value?.causes ?? []).slice(0, SHOWN).map(({ cause }) => cause))
const { value: found } = useAnswer(
  (_model, slow) =>
    build.sheet && temperature.value !== undefined && causes.value.length > 0
      ? slow().causeCurves(build.sheet, [...causes.value], temperature.value)
      : undefined,
  () => JSON.stringify([causes.value, temperature.value, build.revision]),
)
/** Another oil than the record's, or what may have become of it: what a sound engine would show with it. */
const oil = ref<{ grade: string; dilution?: number; ageing?: number }>({ grade: 'now' })
const others = computed(
  () => oil.value.grade !== 'now' || oil.value.dilution !== undefined || oil.value.ageing !== undefined,
)
const grades = [
  { value: 'now', words: t('trace.oilOfTheRecord') },
  ...OIL_GRADES.map(({ name }) => ({ value: name, words: name })),
]
const { value: withOil } = useAnswer(
  (_model, slow) => {
    if (!build.sheet || temperature.value === undefined || !others.value) return undefined
    const { grade, ...rest } = oil.value
    const figures = OIL_GRADES.find(({ name }) => name === grade)
    const changed = triedSheet(toRaw(build.sheet), { ...rest, ...(figures ? { oil: figures } : {}) })
    return slow().causeCurves(JSON.parse(JSON.stringify(changed)), ['by-design'], temperature.value)
  },
  () => JSON.stringify([oil.value, temperature.value, build.revision]),
)
const causeLines = computed(() =>
  (found.value?.curves ?? []).map(({ cause, low, middle, high }, i) => ({
    name: causeWords(cause),
    ink: INKS[i]!,
    dash: i * 4,
    values: middle,
    band: found.value!.speeds.map((speed, at) => ({ speed, low: low[at]!, high: high[at]! })),
  })),
)
const lines = computed(() => [
  ...causeLines.value,
  ...(others.value && withOil.value
    ? withOil.value.curves.map(({ low, middle, high }) => ({
        name: t('trace.soundWithThisOil'),
        ink: 'oil',
        dash: 2,
        values: middle,
        band: withOil.value!.speeds.map((speed, at) => ({ speed, low: low[at]!, high: high[at]! })),
      }))
    : []),
])
/** A gauge is read to so much. */
const READ = 5e3
const marks = computed(() =>
  read.value.map(({ reading, running }) => ({
    speed: running.speed,
    low: Math.max(0, reading.pressure - READ),
    high: reading.pressure + READ,
    name: MOMENT_WORDS[reading.moment],
    unnamed: true,
    words: t('trace.wasRead', {
      moment: MOMENT_WORDS[reading.moment],
      pressure: units.say(reading.pressure, 'pressure', units.fine),
    }),
  })),
)
</script>

<template>
  <section v-if="lines.length > 0" data-testid="trace-curves">
    <h2>{{ t('trace.overSpeed') }}</h2>
    <LazyOverSpeedChart
      :lines="lines"
      :speeds="found!.speeds"
      dimension="pressure"
      :words="t('trace.pressure')"
      :label="t('trace.overSpeed')"
      :marks="marks"
    />
    <h3>{{ t('trace.anotherOil') }}</h3>
    <ChoiceField
      :label="t('trace.oilGrade')"
      :value="oil.grade"
      :options="grades"
      @choose="oil = { ...oil, grade: $event }"
    />
    <TriedSlider
      v-for="each in OIL_STATES"
      :key="each.field"
      :words="frameWords(each.words)"
      :label="frameWords(each.words)"
      :now="build.sheet!.oil[each.field] ?? each.fresh"
      :value="oil[each.field] ?? build.sheet!.oil[each.field] ?? each.fresh"
      :from="each.from"
      :to="each.to"
      :step="each.step"
      :dimension="each.dimension"
      @slide="oil = { ...oil, [each.field]: $event }"
    />
  </section>
</template>

<style scoped>
h3 {
  margin: 18px 0 6px;
}
</style>
