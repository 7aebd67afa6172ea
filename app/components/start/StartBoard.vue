<script setup lang="ts">
import { lowered } from '~/words/speak'
import { t } from '~/words/of/start'
import type { RigAction } from '#core/run/actions'
import type { PointName } from '#core/start/points'
import { STOP_TITLES, stopReason } from '~/words/start'

/** The start across the shop: one word, the pressure now, what is left of the deadline; and when a rule is broken, STOP over everything, with sound and reason. */
const { baudRate } = defineProps<{ baudRate?: number }>()
const emit = defineEmits<{ leave: [] }>()
const units = useUnits()
const run = useRun()
const board = useStartBoard()
const { seen, stop, band, points, rules, said, byHand, broken, acknowledged, last, speed, temperature } = board
const { reasons, blind, warning, done, phase } = board
const { kept, keep } = useCapturedPoints(points, () => seen.value?.firstPressure)
const alarm = useAlarm(() => board.shouting.value)
useSpokenBoard(board)
const awake = useWakeLock(() => !run.ended)
const p = (value: number) => units.say(value, 'pressure', units.fine)
const THROTTLE: [RigAction, string][] = [
  ['crank', t('startBoard.crank')],
  ['fire', t('startBoard.fired')],
  ['cold-idle', t('startBoard.coldIdle')],
  ['fast-idle', t('startBoard.fastIdle')],
  ['idle', t('startBoard.idle')],
  ['working', t('startBoard.working')],
]
const unseen = useUnseenGauge()
const rig = computed(() => run.run?.setup.source === 'rig')
/** What a hand reads, with what else it said. */
function read(pressure: number) {
  const time = run.now()
  const { speed: turns, by, temperature: oil } = said(time)
  void run.take([{ time, pressure, temperature: oil, ...(by === 'ear' ? { heard: turns } : { speed: turns }) }])
}
const top = computed(() => 1.15 * Math.max(rules.value?.ceilingCold ?? 6e5, 1e5))
const markable = computed(
  () =>
    phase.value === 'running' &&
    seen.value?.firstPressure !== undefined &&
    speed.value !== undefined &&
    temperature.value !== undefined,
)
const mark = (name: PointName) =>
  markable.value && keep(name, seen.value!.pressure, speed.value!, temperature.value!, seen.value!.time, true)
watch(
  () => stop.value?.code,
  (code) =>
    code &&
    !run.events.some(({ kind, data }) => kind === 'word' && data.code === code) &&
    void run.event('word', `STOP: ${STOP_TITLES[code]}`, { code }),
)

/** The switch is off: the sound ends, the words stay. */
async function stopped() {
  await run.event(
    'stop',
    stop.value ? stopReason(stop.value, p) : t('startBoard.stoppedByHand'),
    stop.value ? { code: stop.value.code } : {},
  )
  if (done.value !== 'stop') await run.act('stop')
}
async function finish() {
  const words = stop.value
    ? t('startBoard.stopped', { stopTitles: lowered(STOP_TITLES[stop.value.code]) })
    : run.samples.length === 0
      ? t('startBoard.nothingWasRead')
      : seen.value?.firstPressure === undefined && !points.value.length
        ? t('startBoard.noPressureWasSeen')
        : 'started'
  if (done.value !== 'stop') await run.act('stop')
  await run.end(words)
}
async function act(action: RigAction) {
  alarm.ready()
  await run.act(action)
  if (action === 'fire' && !rig.value) await run.event('fired', 'fired')
}
</script>

<template>
  <div
    class="board"
    :class="[
      phase,
      warning && phase === 'running' ? 'watched' : '',
      blind.length > 0 && phase !== 'stopped' ? 'blind' : '',
    ]"
    role="dialog"
    aria-modal="true"
    :aria-label="t('startBoard.start')"
    :data-phase="phase"
    :data-stop="stop?.code"
    :data-sounding="alarm.sounding.value"
    :data-blind="reasons.join(' ')"
  >
    <StopScreen
      v-if="phase === 'stopped' && stop"
      :stop="stop"
      :acknowledged="acknowledged"
      :silent="alarm.blocked.value"
      @sound="alarm.ready()"
      @off="stopped"
      @finish="finish"
      @leave="emit('leave')"
    />
    <template v-else>
      <BoardFace :board="board" />
      <RunOnline v-if="!run.ended" />
      <div v-if="blind.length > 0" class="blindness" role="alert" data-testid="blind">
        <p v-for="each in blind" :key="each">{{ each }}</p>
        <p v-if="unseen" data-testid="board-unseen">{{ unseen }}</p>
      </div>
      <StripChart
        :samples="run.samples"
        :band="band"
        :most="rules?.ceilingHot"
        :top="top"
        :seconds="run.ended ? 0 : 120"
        :height="blind.length > 0 || byHand ? 96 : 160"
      />
      <p v-if="broken" class="broken" data-testid="broken">
        <b>{{ t('startBoard.aRuleWasBrokenAtS', { time: Math.round(broken.time) }) }}</b> {{ stopReason(broken, p) }}
      </p>
      <RunFeed v-if="!run.ended && !rig" :baud-rate="baudRate" />
      <LazySpeedEar v-if="board.listens.value" />
      <HandReading v-if="byHand && !run.ended" :top="top" @read="read" />
      <BoardPoints :kept="kept" :markable="markable" @mark="mark" />
      <RunRemarks part="row" />
      <label v-if="(!run.ended && last?.temperature === undefined) || (byHand && !run.ended)" class="oil"
        >{{ t('startBoard.oilNow') }}
        <QuantityField
          dimension="temperature"
          :label="t('startBoard.oilTemperatureNow')"
          :value="temperature"
          :range="[-40, 170]"
          @write="$event !== undefined && run.event('oil', t('startBoard.oilTemperature'), { temperature: $event })"
        /><span v-if="temperature === undefined" class="ask">{{
          t('startBoard.notKnownEveryTemperatureCounts')
        }}</span></label
      >
      <p v-if="awake === 'none' && run.online && !run.ended" class="quiet" data-testid="may-sleep">
        {{ t('startBoard.thisScreenMaySleepThePage') }}
      </p>
      <div class="hands">
        <template v-if="!run.ended">
          <BoardButton
            v-for="[action, words] in THROTTLE"
            :key="action"
            :aria-pressed="done === action"
            @click="act(action)"
            >{{ words }}</BoardButton><BoardButton class="off" @click="finish">{{ t('startBoard.off') }}</BoardButton>
        </template>
        <BoardButton v-else data-testid="to-readings" @click="emit('leave')">{{
          t('startBoard.toTheReadings')
        }}</BoardButton>
        <BoardButton v-if="!run.ended && !done" @click="emit('leave')">{{
          t('startBoard.backToTheBench')
        }}</BoardButton>
      </div>
    </template>
  </div>
</template>

<style scoped>
.board {
  position: fixed;
  inset: 0;
  z-index: 40;
  background: var(--paper);
  display: flex;
  flex-direction: column;
  justify-content: space-between;
  gap: 12px;
  padding: 22px 34px;
  overflow-y: auto;
  border: 14px solid var(--pass);
}
/* A column that scrolls rather than squeezes. */
.board > * {
  flex: none;
}
.board.cranking {
  border-color: var(--petrol);
}
.board.watched {
  border-color: var(--watch);
  border-style: dashed;
}
.board.over {
  border-color: var(--field);
}
/* The same red in both schemes: white on it is read from across the shop. */
.board.stopped {
  background: #a02c26;
  border-color: #a02c26;
  color: #fff;
}
.board.blind {
  border-color: var(--stop);
  border-style: dotted;
}
.blindness {
  padding: 8px 16px;
  border: 2px solid var(--stop);
  font-size: 20px;
  font-weight: 650;
  color: var(--stop);
}
.ask {
  color: var(--watch);
  font-weight: 600;
}
/* Off is in reach however long the page is. */
.hands {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  position: sticky;
  bottom: -22px;
  margin-bottom: -22px;
  padding: 10px 0 22px;
  background: inherit;
  z-index: 1;
}
.off {
  margin-left: auto;
  border-color: var(--stop);
  color: var(--stop);
}
.broken {
  border-left: 8px solid var(--stop);
  padding: 2px 14px;
  font-size: 18px;
}
.oil {
  display: flex;
  gap: 10px;
  align-items: center;
}
@media (max-width: 760px) {
  .board {
    padding: 12px;
    border-width: 8px;
  }
  .hands {
    bottom: -12px;
    margin-bottom: -12px;
    padding-bottom: 12px;
    gap: 8px;
  }
}
</style>
