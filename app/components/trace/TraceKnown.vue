<script setup lang="ts">
import { t } from '~/words/of/trace'
import { MOMENTS, type Moment, type Observation } from '#core/trace/vocabulary'
import { NOT_KNOWN } from '#core/record/traceCase'
import { checkTitle, MOMENT_WORDS, valueWords } from '~/words/trace'

/** What is known of a case: gauges that were read, what was seen and tried, what was left and why; each can be taken back. */
const { trace } = defineProps<{ trace: ReturnType<typeof useTrace> }>()
const units = useUnits()
const seen = computed(() =>
  (Object.entries(trace.recorded.value!.observations) as [Observation, { value: string; photos?: string[] }][]).map(
    ([key, { value, photos = [] }]) => ({ key, words: valueWords(key, value), photos }),
  ),
)
const left = computed(() =>
  (Object.entries(trace.recorded.value!.skipped ?? {}) as [Observation, string][]).map(([key, why]) => ({
    key,
    words: t('trace.left', { why: why === NOT_KNOWN ? t('trace.notKnown') : why }),
  })),
)
const adding = ref(false)
const moment = ref<Moment>(trace.recorded.value!.moment)
const gauge = ref<'mechanical' | 'sender'>('mechanical')
/** What is typed of a reading; what can be read in it, and what cannot. */
const FIELDS = [
  { key: 'speed', words: 'trace.speed', range: [0, 300] },
  { key: 'temperature', words: 'trace.oilTemperature', range: [-40, 160] },
  { key: 'pressure', words: 'trace.pressure', range: [0, 5e6] },
] as const
type Field = (typeof FIELDS)[number]['key']
const typed = ref<Partial<Record<Field, number>>>({})
const wrong = ref<Partial<Record<Field, boolean>>>({})
const ready = computed(() => typed.value.pressure !== undefined && !Object.values(wrong.value).some(Boolean))
async function add() {
  const { pressure, ...rest } = typed.value
  if (pressure === undefined) return
  const given = Object.fromEntries(Object.entries(rest).filter(([, value]) => value !== undefined))
  await trace.read({ moment: moment.value, pressure, with: gauge.value, ...given })
  typed.value = {}
  adding.value = false
}
</script>

<template>
  <section class="known" data-testid="trace-known">
    <h2>{{ t('trace.known') }}</h2>
    <p v-if="trace.recorded.value!.symptom">“{{ trace.recorded.value!.symptom }}”</p>
    <ul>
      <li v-for="(reading, i) in trace.recorded.value!.readings" :key="i" :data-reading-of="reading.moment">
        <span>{{
          t('trace.readAt', {
            moment: MOMENT_WORDS[reading.moment],
            pressure: units.say(reading.pressure, 'pressure', units.fine),
            gauge: reading.with === 'mechanical' ? t('trace.mechanical') : t('trace.sender'),
          })
        }}</span><Button type="button" variant="text" @click="trace.unread(i)">{{ t('trace.takeBack') }}</Button>
      </li>
      <li v-for="each in seen" :key="each.key" :data-known="each.key">
        <span>{{ checkTitle(each.key) }}: {{ each.words }}</span
        ><PhotoRow :of="checkTitle(each.key)" :photos="each.photos" @kept="trace.picture(each.key, $event)" /><Button
          type="button"
          variant="text"
          @click="trace.takeBack(each.key)"
          >{{ t('trace.takeBack') }}</Button
        >
      </li>
      <li v-for="each in left" :key="each.key" :data-known="each.key">
        <span>{{ checkTitle(each.key) }}: {{ each.words }}</span
        ><Button type="button" variant="text" @click="trace.takeBack(each.key)">{{ t('trace.takeBack') }}</Button>
      </li>
    </ul>
    <div v-if="adding" class="adding">
      <ChoiceField
        :label="t('trace.when')"
        :value="moment"
        :options="MOMENTS.map((value) => ({ value, words: MOMENT_WORDS[value] }))"
        @choose="moment = $event"
      /><GaugeKind :value="gauge" @choose="gauge = $event" />
      <label v-for="{ key, words, range } in FIELDS" :key="key"
        >{{ t(words)
        }}<QuantityField
          :dimension="key"
          :value="typed[key]"
          :label="t(words)"
          :range="[...range]"
          @write="typed = { ...typed, [key]: $event }"
          @wrong="wrong = { ...wrong, [key]: $event }"
      /></label>
      <Button type="button" :disabled="!ready" @click="add">{{ t('trace.add') }}</Button>
    </div>
    <Button v-else type="button" variant="outlined" @click="adding = true">{{ t('trace.addReading') }}</Button>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin: 0 0 10px;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 14px;
  border-top: 1px solid var(--rule);
}
li > span:first-child {
  flex: 1;
}
.adding {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 18px;
  align-items: center;
}
.adding label {
  display: flex;
  gap: 8px;
  align-items: center;
  color: var(--quiet);
}
</style>
