<script setup lang="ts">
import type { FaultKey } from '#core/parts/list'
import { remember, remembered } from '~/sync/browserStorage'
import { FAULT_KEYS } from '#core/trace/faults'
import type { RunSetUp } from '#core/run/schema'
import { BAUD_RATES } from '~/composables/useSerial'

/** Where a run's readings come from: tapped by hand, a logger, this machine's serial port, a file afterwards, or the simulated rig. */
const { kind, disabled } = defineProps<{ kind: 'prime' | 'start'; disabled?: boolean }>()
const emit = defineEmits<{ begin: [setup: Pick<RunSetUp, 'source' | 'rig'>, baudRate?: number] }>()
const SOURCES = [
  { value: 'hand', words: 'By hand' },
  { value: 'logger', words: 'Logger' },
  { value: 'serial', words: 'Serial' },
  { value: 'file', words: 'File' },
  { value: 'rig', words: 'Simulated' },
] as const
type Source = (typeof SOURCES)[number]['value']
const source = ref<Source>(remembered('uldo.source', 'hand') as Source)
watch(source, (now) => remember('uldo.source', now))
const baud = ref(String(BAUD_RATES[0]))
const pace = ref('1')
const fault = ref<FaultKey | 'none' | 'hidden'>('none')
const gauge = ref(false)
/** The same number is the same engine, hidden tolerances and all: a class can try it one after the other. */
const engine = ref(1 + Math.floor(9998 * Math.random()))
const engineWrong = computed(
  () => source.value === 'rig' && !(Number.isInteger(engine.value) && engine.value >= 1 && engine.value <= 9999),
)
const FAULT_WORDS: Record<FaultKey, string> = {
  'dry-pump': 'dry pump, filter filled',
  'pickup-air': 'air at the pickup',
  'relief-open': 'relief stuck open',
  'plug-out': 'gallery plug left out',
  'sender-low': 'sender reads low',
  undriven: 'pump not driven',
  'relief-shut': 'relief stuck shut',
  uncovered: 'pickup comes out of the oil',
  clearance: 'bearings far wider',
}
const faults = computed(() => [
  { value: 'none' as const, words: 'a healthy engine' },
  { value: 'hidden' as const, words: 'something hidden' },
  ...FAULT_KEYS.filter((key) => kind === 'start' || !['uncovered', 'relief-shut'].includes(key)).map((key) => ({
    value: key,
    words: FAULT_WORDS[key],
  })),
])
const SAID: Record<Source, string> = {
  hand: 'Read the mechanical gauge and touch the scale where its needle stands.',
  logger: 'A logger on this network posts its readings to the run’s address.',
  serial: 'A home-made logger sends a line for each reading, such as P=231 N=820 T=18.5.',
  file: 'A logger’s own file, read in after the work.',
  rig: 'No engine: this build’s own model stands in for it, with noise and hidden tolerances. For training.',
}
function begin() {
  if (source.value !== 'rig') return emit('begin', { source: source.value }, Number(baud.value))
  const seed = engine.value
  const hidden = fault.value === 'hidden'
  const all = faults.value
    .map(({ value }) => value)
    .filter((value): value is FaultKey => value !== 'none' && value !== 'hidden')
  // One in three of the hidden ones is a healthy engine.
  const key = hidden
    ? seed % 3 === 0
      ? undefined
      : all[seed % all.length]
    : fault.value === 'none'
      ? undefined
      : (fault.value as FaultKey)
  emit('begin', {
    source: 'rig',
    rig: {
      seed,
      pace: Number(pace.value),
      hidden,
      mechanicalGauge: gauge.value,
      ...(key ? { fault: { key, severity: (seed % 100) / 100 } } : {}),
    },
  })
}
</script>

<template>
  <div class="source">
    <SegmentChoice label="Readings come from" :value="source" :options="SOURCES" @choose="source = $event ?? source" />
    <p class="quiet">{{ SAID[source] }}</p>
    <div v-if="source === 'serial'" class="more">
      <span class="quiet">Speed</span
      ><ChoiceField
        label="Baud rate"
        :value="baud"
        :options="BAUD_RATES.map((rate) => ({ value: String(rate), words: `${rate} baud` }))"
        @choose="baud = $event"
      />
    </div>
    <div v-if="source === 'rig'" class="more">
      <label class="engine"
        >Engine no.
        <input
          v-model.number="engine"
          class="mono"
          type="number"
          min="1"
          max="9999"
          aria-label="Engine number"
          :aria-invalid="engineWrong"
      /></label>
      <p v-if="engineWrong" class="wrong" role="alert">Engine no.: give a whole number from 1 to 9999.</p>
      <ChoiceField label="Engine" :value="fault" :options="faults" @choose="fault = $event" />
      <SegmentChoice
        label="Pace"
        :value="pace"
        :options="[
          { value: '1', words: 'as it is' },
          { value: '5', words: '5 ×' },
          { value: '20', words: '20 ×' },
        ]"
        @choose="pace = $event ?? pace"
      />
      <SegmentChoice
        label="Gauge"
        :value="gauge ? 'both' : 'sender'"
        :options="[
          { value: 'sender', words: 'sender only' },
          { value: 'both', words: 'and a gauge' },
        ]"
        @choose="gauge = $event === 'both'"
      />
    </div>
    <Button type="button" :disabled="disabled || engineWrong" @click="begin"><slot>Begin</slot></Button>
  </div>
</template>

<style scoped>
.source > :deep(.segments button) {
  min-width: 44px;
  padding: 0 9px;
}
.source {
  display: grid;
  gap: 8px;
  justify-items: start;
}
.more {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 14px;
  align-items: center;
}
.engine {
  display: inline-flex;
  gap: 8px;
  align-items: center;
}
.engine input {
  width: 92px;
  height: 44px;
  font-size: 18px;
  padding: 0 8px;
  border: 1px solid var(--field);
  border-radius: 3px;
  background: var(--sheet);
}
.wrong {
  color: var(--stop);
  margin: 0;
}
.source > .p-button {
  min-height: 56px;
  font-size: 18px;
  padding: 0 26px;
}
</style>
