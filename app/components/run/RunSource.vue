<script setup lang="ts">
import { t } from '~/words/of/start'
import type { FaultKey } from '#core/parts/list'
import { FAULT_WORDS } from '~/words/faults'
import { remember, remembered } from '~/sync/browserStorage'
import { canHave, FAULT_KEYS } from '#core/engine/faults'
import type { RunSetUp } from '#core/run/schema'
import { gaugeRead } from '~/composables/gaugeSeen'
import { BAUD_RATES } from '~/composables/useSerial'

/** Where a run's readings come from: tapped by hand, a logger, this machine's serial port, a file afterwards, or the simulated rig. */
const { kind, disabled } = defineProps<{ kind: 'prime' | 'start'; disabled?: boolean }>()
const emit = defineEmits<{ begin: [setup: Pick<RunSetUp, 'source' | 'rig'>, baudRate?: number] }>()
const SOURCES = [
  { value: 'hand', words: t('runSource.byHand') },
  { value: 'logger', words: t('runSource.logger') },
  { value: 'serial', words: t('runSource.serial') },
  { value: 'camera', words: t('runSource.camera') },
  { value: 'file', words: t('runSource.file') },
  { value: 'rig', words: t('runSource.simulated') },
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
const run = useRun()
/** A run that is fed from here shows the gauge itself. */
const goes = computed(() => run.run?.setup.source === 'camera' && run.own && !run.ended)
/** Nothing is begun blind. */
const unfollowed = computed(() => source.value === 'camera' && !gaugeRead.value)
const build = useBuild()
/** What this engine can have, and a rig can show: there is no lamp on it, and a prime is over before the pickup comes out of the oil. */
const canBeSeen = (key: FaultKey) =>
  canHave(key, build.sheet!.layout) &&
  key !== 'lamp-only' &&
  (kind === 'start' || !['uncovered', 'relief-shut'].includes(key))
const faults = computed(() => [
  { value: 'none' as const, words: t('runSource.aHealthyEngine') },
  { value: 'hidden' as const, words: t('runSource.somethingHidden') },
  ...FAULT_KEYS.filter(canBeSeen).map((key) => ({ value: key, words: FAULT_WORDS[key] })),
])
const SAID: Record<Source, string> = {
  hand: t('runSource.readTheMechanicalGaugeAndTouch'),
  logger: t('runSource.aLoggerOnThisNetworkPosts'),
  serial: t('runSource.aHomeMadeLoggerSendsA'),
  camera: t('runSource.theCameraFollows'),
  file: t('runSource.aLoggersOwnFileReadIn'),
  rig: t('runSource.noEngineThisBuildsOwnModel'),
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
    <SegmentChoice
      :label="t('runSource.readingsComeFrom')"
      :value="source"
      :options="SOURCES"
      @choose="source = $event ?? source"
    />
    <p class="quiet">{{ SAID[source] }}</p>
    <div v-if="source === 'serial'" class="more">
      <span class="quiet">{{ t('runSource.speed') }}</span><ChoiceField
        :label="t('runSource.baudRate')"
        :value="baud"
        :options="BAUD_RATES.map((rate) => ({ value: String(rate), words: t('runSource.baud', { rate }) }))"
        @choose="baud = $event"
      />
    </div>
    <LazyGaugeCamera v-if="source === 'camera' && !goes" />
    <p v-if="unfollowed" class="quiet">{{ t('runSource.notFollowed') }}</p>
    <div v-if="source === 'rig'" class="more">
      <label class="engine"
        >{{ t('runSource.engineNo') }}
        <LazyInputNumber
          v-model="engine"
          :use-grouping="false"
          :max-fraction-digits="0"
          :aria-label="t('runSource.engineNumber')"
          :invalid="engineWrong"
      /></label>
      <p v-if="engineWrong" class="wrong" role="alert">{{ t('runSource.engineNoGiveAWholeNumber') }}</p>
      <ChoiceField :label="t('runSource.engine')" :value="fault" :options="faults" @choose="fault = $event" />
      <SegmentChoice
        :label="t('runSource.pace')"
        :value="pace"
        :options="[
          { value: '1', words: t('runSource.realTime') },
          { value: '5', words: '5 ×' },
          { value: '20', words: '20 ×' },
        ]"
        @choose="pace = $event ?? pace"
      />
      <SegmentChoice
        :label="t('runSource.gauge')"
        :value="gauge ? 'both' : 'sender'"
        :options="[
          { value: 'sender', words: t('runSource.senderOnly') },
          { value: 'both', words: t('runSource.andAGauge') },
        ]"
        @choose="gauge = $event === 'both'"
      />
    </div>
    <Button type="button" :disabled="disabled || engineWrong || unfollowed" @click="begin"
      ><slot>{{ t('runSource.begin') }}</slot></Button
    >
  </div>
</template>

<style scoped>
.source > .segments :deep(.p-togglebutton) {
  min-width: 44px;
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
.engine :deep(input) {
  width: 92px;
  height: 44px;
  font-size: 18px;
  font-family: var(--mono);
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
