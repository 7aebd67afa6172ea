<script setup lang="ts">
import { START_POINTS } from '#core/parts/firstStart'
import type { RigAction } from '#core/run/actions'
import { POINT_NAMES, type PointName } from '#core/start/points'
import { seenIn } from '#core/start/suspects'
import { BLIND_WORDS, STOP_TITLES, stopReason, WATCH_WORDS } from '~/words/start'
import type { BlindReason, WatchCode } from '#core/start/watchTypes'

/** The start across the shop: one word, the pressure now, what is left of the deadline; and when a rule is broken, STOP over everything, with sound and reason. */
const { baudRate } = defineProps<{ baudRate?: number }>()
const emit = defineEmits<{ leave: [] }>()
const build = useBuild()
const units = useUnits()
const person = usePerson()
const run = useRun()
const { seen, stop: called, band, points, rules, said, byHand, voided, modelled } = useStartWatch()
/** Read in afterwards there is nothing to stop any more: what a rule says is said, not shouted. */
const after = computed(() => run.ended || run.run?.setup.source === 'file')
const stop = computed(() => (after.value ? undefined : called.value))
const broken = computed(() => (after.value ? seen.value?.stop : undefined))
const acknowledged = computed(() => run.events.some(({ kind }) => kind === 'stop'))
const shouting = computed(() => stop.value !== undefined && !acknowledged.value)
const alarm = useAlarm(() => shouting.value)
const { value: suspects } = useAnswer(
  (_model, slow) =>
    build.sheet && stop.value
      ? slow().startSuspects(
          build.sheet,
          { ...stop.value },
          seenIn(run.samples.filter(({ time }) => time <= stop.value!.time + 0.05)),
        )
      : undefined,
  () => stop.value?.time,
)
const last = computed(() => run.samples[run.samples.length - 1])
const speed = computed(() => last.value?.speed ?? said(last.value?.time ?? run.now()).speed)
/** The oil as it is wired, or as it was typed a moment ago; undefined when nobody knows. */
const temperature = computed(() => last.value?.temperature ?? said(last.value?.time ?? run.now()).temperature)
/** Reasons by the watch itself; before its first reading, whether it has a model at all. */
const reasons = computed<BlindReason[]>(() => seen.value?.blind ?? (modelled.value ? [] : ['no-prediction']))
/** What is not watched, loudly: after a reload, until everything that was read is here again; and whatever the watch itself says. */
const blind = computed(() =>
  after.value || !run.run
    ? []
    : run.refused
      ? [`The server did not take this run: ${run.refused} Nothing of it is kept. Leave it and begin again.`]
      : !run.ready
        ? ['Reading back what was read before: not watching yet. Look at the mechanical gauge.']
        : reasons.value.map((reason) =>
            reason === 'no-prediction' && voided.value
              ? `No prediction while the record is void. ${BLIND_WORDS[reason].replace('No prediction: o', 'O')}`
              : BLIND_WORDS[reason],
          ),
)
/** Nothing at all is watched. */
const dark = computed(
  () =>
    !after.value &&
    (!run.ready ||
      run.refused !== undefined ||
      reasons.value.some((reason) => reason === 'no-readings' || reason === 'clock')),
)
/** Seconds since the last reading, where that is long ago: what it read then is not what the gauge reads now. */
const read = computed(() => run.samples.findLast((each) => each.pressure !== undefined || each.gauge !== undefined))
const old = computed(() =>
  !run.ended && seen.value && read.value && reasons.value.includes('no-readings')
    ? Math.max(0, Math.round(seen.value.time - read.value.time))
    : undefined,
)
const watched = computed<WatchCode | undefined>(() => seen.value?.watches.find((code) => code !== 'not-watching'))
const awake = useWakeLock(() => !run.ended)
const p = (value: number) => units.say(value, 'pressure', units.fine)
const done = computed(
  () => run.events.filter(({ kind }) => kind === 'act').at(-1)?.data.action as RigAction | undefined,
)
const phase = computed(() =>
  run.ended ? 'over' : shouting.value || (stop.value && acknowledged.value) ? 'stopped' : (seen.value?.phase ?? 'rest'),
)
const word = computed(() => {
  if (phase.value === 'over') return run.run?.outcome ?? 'Over'
  if (dark.value) return 'Not watching'
  if (seen.value?.countdown !== undefined) return `${Math.ceil(seen.value.countdown)}`
  if (phase.value === 'running') return blind.value.length > 0 ? 'Runs, watched in part' : 'Runs'
  return phase.value === 'cranking' ? 'Cranking' : blind.value.length > 0 ? 'Watching in part' : 'GO'
})
const THROTTLE: [RigAction, string][] = [
  ['crank', 'Crank'],
  ['fire', 'Fired'],
  ['cold-idle', 'Cold idle'],
  ['fast-idle', 'Fast idle'],
  ['idle', 'Idle'],
  ['working', 'Working'],
]
const rig = computed(() => run.run?.setup.source === 'rig')
const top = computed(() => 1.15 * Math.max(rules.value?.ceilingCold ?? 6e5, 1e5))

/** A point by itself or marked: an event of the run, and unless the engine is simulated a reading of this build. */
const labels = Object.fromEntries(START_POINTS) as Record<PointName, string>
watch(points, (now, before) => {
  for (const point of now) {
    const same = before?.find(({ name }) => name === point.name)
    if (same && same.time === point.time) continue
    if (
      run.events.some(
        ({ kind, time, data }) => kind === 'point' && data.name === point.name && Math.abs(time - point.time) < 0.5,
      )
    )
      continue
    void keep(point.name, point.pressure, point.speed, point.temperature, point.time, false)
  }
})
async function keep(name: PointName, pressure: number, at: number, warm: number, time: number, marked: boolean) {
  await run.event('point', labels[name], { name, pressure, speed: at, temperature: warm, marked }, time)
  if (rig.value) return
  const by = { by: person.who || 'Someone', at: new Date().toISOString(), source: 'measured' as const }
  await build.change(
    (['pressure', 'speed', 'temperature'] as const).map((field) => ({
      op: 'add' as const,
      path: `/readings/start.${name}.${field}`,
      value: { value: { pressure, speed: at, temperature: warm }[field], ...by },
    })),
    `${labels[name]}, captured`,
  )
}
const mark = (name: PointName) =>
  speed.value !== undefined &&
  temperature.value !== undefined &&
  keep(name, seen.value!.pressure, speed.value, temperature.value, seen.value!.time, true)
const kept = computed(
  () => new Map(run.events.filter(({ kind }) => kind === 'point').map((event) => [String(event.data.name), event])),
)
watch(
  () => seen.value?.firstPressure,
  (seconds) => {
    if (seconds === undefined || rig.value || run.ended || build.sheet!.readings['start.firstPressure']) return
    void build.record('start.firstPressure', { value: seconds, source: 'measured' }, 'Seconds to first pressure')
  },
)
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
    stop.value ? stopReason(stop.value, p) : 'stopped by hand',
    stop.value ? { code: stop.value.code } : {},
  )
  if (done.value !== 'stop') await run.act('stop')
}
async function finish() {
  const words = stop.value
    ? `stopped: ${STOP_TITLES[stop.value.code].toLowerCase()}`
    : run.samples.length === 0
      ? 'nothing was read'
      : seen.value?.firstPressure === undefined && !points.value.length
        ? 'no pressure was seen'
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
      watched && phase === 'running' ? 'watched' : '',
      blind.length > 0 && phase !== 'stopped' ? 'blind' : '',
    ]"
    role="dialog"
    aria-modal="true"
    aria-label="Start"
    :data-phase="phase"
    :data-stop="stop?.code"
    :data-sounding="alarm.sounding.value"
    :data-blind="reasons.join(' ')"
  >
    <template v-if="phase === 'stopped'">
      <div class="stop-word" role="alert">
        <span class="huge">STOP</span>
        <p class="why" data-testid="stop-reason">{{ stopReason(stop!, p) }}</p>
      </div>
      <ol v-if="suspects" class="causes" data-testid="stop-causes">
        <li
          v-for="each in suspects.filter(({ share }) => share > 0.08).slice(0, 3)"
          :key="each.key"
          :data-suspect="each.key"
        >
          <b>{{ each.words.charAt(0).toUpperCase() + each.words.slice(1) }}.</b> {{ each.look }}
        </li>
      </ol>
      <div class="hands">
        <button v-if="alarm.blocked.value" type="button" class="big" @click="alarm.ready()">Sound off: tap</button
        ><button v-if="!acknowledged" type="button" class="big" @click="stopped">The switch is off</button>
        <template v-else
          ><button type="button" class="big" @click="finish">End the run</button
          ><button type="button" class="big" @click="emit('leave')">Back to the bench</button></template
        >
      </div>
    </template>
    <template v-else>
      <div class="face">
        <div class="say">
          <span class="huge" :class="{ count: seen?.countdown !== undefined }" data-testid="board-word">{{
            word
          }}</span><span class="under">{{
            phase === 'rest'
              ? `No pressure ${rules?.deadline ?? 5} s after firing: off.`
              : seen?.countdown !== undefined
                ? 'seconds to first pressure'
                : watched
                  ? WATCH_WORDS[watched]
                  : phase === 'running'
                    ? seen?.firstPressure !== undefined
                      ? seen.firstPressure < 0.2
                        ? 'pressure at once'
                        : `pressure after ${seen.firstPressure.toFixed(1)} s`
                      : ''
                    : ''
          }}</span>
        </div>
        <div class="say right">
          <span v-if="read && seen" class="huge mono" :class="{ old: old !== undefined }" data-testid="board-pressure"
            >{{ units.show(seen.pressure, 'pressure', units.fine)
            }}<small>{{ units.unit('pressure').symbol }}</small></span
          >
          <span v-else class="unread" data-testid="board-pressure">nothing read{{ run.ended ? '' : ' yet' }}</span>
          <span class="under mono"
            ><b v-if="old !== undefined" class="ago" data-testid="read-ago">read {{ old }} s ago · </b
            >{{ speed === undefined ? 'speed not known' : units.say(speed, 'speed') }} ·
            {{ temperature === undefined ? 'oil not known' : units.say(temperature, 'temperature')
            }}<template v-if="seen?.expected && phase === 'running'">
              · expect {{ units.show(seen.expected.low, 'pressure', units.fine) }} to
              {{ units.show(seen.expected.high, 'pressure', units.fine) }}</template
            ></span
          >
        </div>
      </div>
      <div v-if="blind.length > 0" class="blindness" role="alert" data-testid="blind">
        <p v-for="each in blind" :key="each">{{ each }}</p>
      </div>
      <StripChart
        :samples="run.samples"
        :band="band"
        :most="rules?.ceilingHot"
        :top="top"
        :seconds="run.ended ? 0 : 120"
        :height="blind.length > 0 ? 110 : 160"
      />
      <p v-if="broken" class="broken" data-testid="broken">
        <b>A rule was broken at {{ Math.round(broken.time) }} s.</b> {{ stopReason(broken, p) }}
      </p>
      <div class="points">
        <span v-for="name in POINT_NAMES" :key="name" class="point" :class="{ has: kept.has(name) }" :data-point="name"
          ><b>{{ labels[name] }}</b
          >{{ ' ' }}<template v-if="kept.has(name)">{{ p(Number(kept.get(name)!.data.pressure)) }}</template
          ><button
            v-else-if="
              phase === 'running' &&
              seen?.firstPressure !== undefined &&
              speed !== undefined &&
              temperature !== undefined
            "
            type="button"
            @click="mark(name)"
          >
            mark</button
          ><template v-else>·</template></span
        >
      </div>
      <HandReading
        v-if="byHand && !run.ended"
        :top="top"
        @read="run.take([{ time: run.now(), pressure: $event, ...said(run.now()) }])"
      />
      <label v-if="(!run.ended && last?.temperature === undefined) || (byHand && !run.ended)" class="oil"
        >Oil now
        <QuantityField
          dimension="temperature"
          label="Oil temperature now"
          :value="temperature"
          :range="[-40, 170]"
          @write="$event !== undefined && run.event('oil', 'oil temperature', { temperature: $event })"
        /><span v-if="temperature === undefined" class="ask"
          >not known: every temperature counts as possible until you type it</span
        ></label
      >
      <p v-if="awake === 'none' && !run.ended" class="quiet" data-testid="may-sleep">
        This screen may sleep: the page has no secure connection that could keep it awake. The server goes on watching.
      </p>
      <RunFeed v-if="!run.ended && !rig" :baud-rate="baudRate" />
      <div class="hands">
        <template v-if="!run.ended">
          <button
            v-for="[action, words] in THROTTLE"
            :key="action"
            type="button"
            class="big"
            :aria-pressed="done === action"
            @click="act(action)"
          >
            {{ words }}
          </button>
          <button type="button" class="big off" @click="finish">Off</button>
        </template>
        <button v-else type="button" class="big" data-testid="to-readings" @click="emit('leave')">
          To the readings
        </button>
        <button v-if="!run.ended && !done" type="button" class="big" @click="emit('leave')">Back to the bench</button>
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
.face {
  display: flex;
  justify-content: space-between;
  gap: 8px 40px;
  align-items: start;
  background: inherit;
  z-index: 1;
}
@media (min-height: 640px) {
  .face {
    position: sticky;
    top: -22px;
    padding-top: 22px;
    margin-top: -22px;
  }
}
.say {
  display: grid;
}
.right {
  justify-items: end;
  text-align: right;
}
.huge {
  font-size: clamp(84px, 15vw, 210px);
  line-height: 0.92;
  font-weight: 800;
  font-stretch: 82%;
  letter-spacing: -0.03em;
}
.huge.mono {
  font-weight: 600;
  font-stretch: 100%;
  letter-spacing: -0.06em;
}
.huge small {
  font-size: 0.22em;
  color: var(--quiet);
  letter-spacing: 0;
  margin-left: 10px;
  font-family: var(--type);
}
.board:not(.stopped) .say:first-child .huge {
  color: var(--pass);
}
.board.cranking .say:first-child .huge,
.huge.count {
  color: var(--petrol) !important;
}
.board.over .say:first-child .huge {
  color: var(--ink);
  font-size: clamp(40px, 6vw, 90px);
}
.board.blind {
  border-color: var(--stop);
  border-style: dotted;
}
.board.blind .say:first-child .huge {
  color: var(--stop) !important;
  font-size: clamp(44px, 6vw, 88px);
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
.under {
  font-size: 22px;
  min-height: 30px;
}
.stop-word .huge {
  font-size: clamp(120px, 27vw, 380px);
  display: block;
}
.why {
  font-size: clamp(26px, 3.6vw, 46px);
  line-height: 1.15;
  font-weight: 650;
}
.causes {
  font-size: 20px;
  line-height: 1.35;
  margin: 0;
  padding-left: 28px;
  display: grid;
  gap: 6px;
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
.old {
  opacity: 0.55;
}
.unread {
  font-size: clamp(34px, 5vw, 64px);
  color: var(--quiet);
  font-weight: 650;
  font-stretch: 88%;
}
.ago {
  color: var(--stop);
}
.big {
  min-height: 68px;
  min-width: 118px;
  padding: 0 22px;
  font-size: 20px;
  font-weight: 650;
  border: 2px solid var(--field);
  border-radius: 3px;
  background: var(--sheet);
  color: var(--ink);
  cursor: pointer;
}
.big[aria-pressed='true'] {
  border-color: var(--petrol);
  background: var(--petrol);
  color: var(--on-petrol);
}
.off {
  margin-left: auto;
  border-color: var(--stop);
  color: var(--stop);
}
.stopped .big {
  background: #fff;
  color: #7d1f1a;
  border-color: #fff;
  min-width: 240px;
  font-size: 24px;
}
.points {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 26px;
  font-size: 18px;
  align-items: center;
}
.point {
  color: var(--quiet);
}
.point.has {
  color: var(--ink);
}
.point button {
  min-height: 44px;
  min-width: 64px;
  border: 1px solid var(--field);
  background: none;
  border-radius: 3px;
  cursor: pointer;
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
  .face {
    flex-wrap: wrap;
    top: -12px;
    padding-top: 12px;
    margin-top: -12px;
  }
  .hands {
    bottom: -12px;
    margin-bottom: -12px;
    padding-bottom: 12px;
    gap: 8px;
  }
  .big {
    min-width: 92px;
    min-height: 56px;
    padding: 0 12px;
    font-size: 18px;
  }
}
</style>
