<script setup lang="ts">
import { checksOf } from '#core/engine/catalogue'
import { STAGES, type Stage, WORD_TITLES } from '#core/prime/steps'
import { primeCeiling } from '#core/parts/priming'
import { primeWord, type StandingWord, standingWord } from '#core/prime/watch'
import type { RunSetUp } from '#core/run/schema'
import { clockOf, primeSeen, turnedSpans } from '~/composables/usePrime'
import { type Coming, primeWords } from '~/words/prime'

/** A prime as it goes: gauge against what it should do, an early word when it departs, the circuit as it fills, the crank by degrees. */
const build = useBuild()
const units = useUnits()
const run = useRun()
const outlook = useOutlook()
const setUp = usePrimeSetUp()
const clock = useClock()
void run.open(build.id!, 'prime')
const stage = ref<Stage>((build.sheet!.readings['prime.checkPressure'] ? 'last' : 'check') as Stage)
const baudRate = ref<number>()
/** All that the prediction is made of. */
const recorded = useSettled(
  () =>
    JSON.stringify([
      build.sheet?.layout,
      build.sheet?.oil,
      setUp.value,
      Object.entries(build.sheet?.readings ?? {}).filter(([key]) => !/^(start|prime)\./.test(key)),
    ]),
  400,
)
const { value: timeline } = useAnswer(
  (_model, slow) => (build.sheet ? slow().timeline(build.sheet, { ...setUp.value }) : undefined),
  () => recorded.value,
)
const { value: expected } = useAnswer(
  (model) => (build.sheet ? model.prime(build.sheet, { ...setUp.value }) : undefined),
  () => recorded.value,
)
const going = computed(() => run.run !== undefined && !run.ended)
const now = computed(() => (void clock.value, run.run ? run.now() : 0))
const spans = computed(() => turnedSpans(run.events, now.value))
const on = computed(
  () =>
    run.events.filter(({ kind, data }) => kind === 'act' && (data.action === 'start' || data.action === 'stop')).at(-1)
      ?.data.action === 'start',
)
const seen = computed(() => primeSeen(run.samples, run.events, now.value, run.run?.setup.source === 'hand'))
/** What was never read is no zero. */
const read = computed(() => run.samples.some((each) => each.pressure !== undefined || each.gauge !== undefined))
const ceiling = computed(() => primeCeiling(build.sheet!))
/** A void record has no prediction to prime by: it would be one of a different engine. */
const modelled = computed(() =>
  timeline.value && expected.value && outlook.now?.voids.length === 0
    ? { timeline: timeline.value, expected: expected.value }
    : undefined,
)
/** What went over the limit stays stopped, through a reload too. */
const overBefore = computed<StandingWord | undefined>(() => {
  const event = run.events.find(({ kind, data }) => kind === 'word' && data.code === 'over-limit')
  return event && { word: { code: 'over-limit', level: 'stop', by: Number(event.data.by ?? 0) }, stopAt: 0 }
})
const standing = computed<StandingWord | undefined>((before) => {
  if (!going.value) return undefined
  const next = standingWord(
    overBefore.value ?? before,
    primeWord(seen.value, modelled.value, ceiling.value),
    seen.value,
    modelled.value?.expected.least ?? 0,
  )
  return spans.value.length > 0 || next.word.code === 'over-limit' ? next : undefined
})
const word = computed(() => standing.value?.word)
/** Green is for what is primed alone: what goes on, or was ended, has not been judged. */
const tone = computed(() =>
  run.ended
    ? run.run?.outcome === 'primed'
      ? 'fine'
      : run.run?.outcome?.startsWith('stopped')
        ? 'stop'
        : 'watch'
    : word.value && word.value.level !== 'fine'
      ? word.value.level
      : word.value?.code === 'primed'
        ? 'fine'
        : 'open',
)
/** What fits, asked once a word asks to stop. */
const { value: suspects } = useAnswer(
  (_model, slow) =>
    build.sheet && word.value?.level === 'stop'
      ? slow().primeSuspects(build.sheet, { ...setUp.value }, { ...seen.value })
      : undefined,
  () => word.value?.level === 'stop' && word.value.code,
)
const alarm = useAlarm(() => word.value?.level === 'stop' && (on.value || seen.value.gauge > ceiling.value))
watch(
  () => word.value?.code,
  (code, before) =>
    code &&
    code !== before &&
    code !== 'going-well' &&
    !(code === 'not-watching' && word.value!.by === 0) &&
    void run.event('word', WORD_TITLES[code], { code, by: word.value!.by }),
)

const p = (value: number) => units.say(value, 'pressure', units.fine)
/** What comes next, where it goes as it should. */
const coming = computed<Coming>(() => {
  if (filterOff.value && padSeen.value && !filterOn.value) return { code: 'fit-filter' }
  if (!timeline.value?.run.primed) return { code: 'will-not-prime' }
  const { low = 0, high = 0 } = timeline.value.gauge ?? {}
  return seen.value.turned < high ? { code: 'gauge-after', from: low, to: high } : { code: 'rising' }
})
const sentence = computed(() =>
  primeWords(
    word.value ?? { code: 'going-well', by: 0 },
    {
      gauge: seen.value.gauge,
      sender: seen.value.sender,
      oilAtPad: seen.value.pad !== undefined,
      ceiling: ceiling.value,
      coming: coming.value,
    },
    p,
  ),
)
/** How full every node is: seen by somebody or the rig, else by the model for so many seconds of turning. */
const full = computed(() => {
  const map = new Map<string, number>()
  const model = timeline.value?.run
  if (model) {
    const moment = model.moments.filter(({ time }) => time <= seen.value.turned).at(-1)
    model.nodes.forEach((node, i) => map.set(node, moment?.full[i] ?? 0))
  }
  if (run.run?.setup.source === 'rig') for (const node of map.keys()) map.set(node, 0)
  for (const { kind, data } of run.events)
    if (kind === 'seen' && typeof data.place === 'string')
      map.set(
        data.place === 'pad' ? (model?.nodes.includes('cooler outlet') ? 'cooler outlet' : 'pump outlet') : data.place,
        1,
      )
  return map
})
const band = computed(() => {
  const model = timeline.value?.run
  const limits = expected.value
  if (!model || !limits || spans.value.length === 0) return []
  const share = (time: number) =>
    Math.min(
      1,
      (model.moments.filter((moment) => moment.time <= time).at(-1)?.gauge ?? 0) / Math.max(1, model.pressure),
    )
  // The rise comes as early and as late as the times' bands say.
  const early = timeline.value?.pressure ? timeline.value.pressure.best / Math.max(0.5, timeline.value.pressure.low) : 1
  const late = timeline.value?.pressure ? timeline.value.pressure.best / timeline.value.pressure.high : 1
  const done = spans.value.reduce((sum, [from, to]) => sum + to - from, 0)
  const end = Math.max(done, 30)
  return Array.from({ length: 90 }, (_, i) => {
    const turned = (i / 89) * end
    return {
      time: clockOf(spans.value, turned),
      pressure: share(turned) * limits.pressure,
      low: share(turned * late) * limits.low,
      high: share(turned * early) * limits.high,
    }
  })
})
const top = computed(() => 1.25 * Math.max(expected.value?.high ?? 4e5, seen.value.gauge, 1e5))
const nextTurn = computed(() =>
  checksOf(build.sheet!.layout).find(({ group, key }) => group === 'crank' && !build.sheet!.checks[key]),
)
const padSeen = computed(() => run.events.some(({ kind, data }) => kind === 'seen' && data.place === 'pad'))
const filterOff = computed(
  () => setUp.value.filter === 'off' && setUp.value.method !== 'tank' && build.sheet!.layout.filter,
)
const filterOn = computed(() => run.events.some(({ kind, data }) => kind === 'act' && data.action === 'fit-filter'))
const VERB: Record<string, [string, string]> = {
  drill: ['Drill on', 'Drill off'],
  tank: ['Open the cock', 'Shut the cock'],
  starter: ['Cranking', 'Stop cranking'],
  hand: ['Cranking', 'Stop cranking'],
}

async function begin(setup: Pick<RunSetUp, 'source' | 'rig'>, baud?: number) {
  alarm.ready()
  baudRate.value = baud
  await run.begin(build.id!, 'prime', {
    ...setup,
    stage: stage.value,
    method: setUp.value.method,
    filter: setUp.value.filter,
  })
}
function turn() {
  const item = nextTurn.value
  if (!item) return
  void build.check(item.key, 'done', item.label)
  void run.event('turn', item.label, {})
}
/** Ends the run, and writes its gauge down as the reading of this prime. */
async function finish() {
  const reading = seen.value.gauge
  const primed = word.value?.code === 'primed'
  if (on.value) await run.act('stop')
  await run.end(
    primed
      ? 'primed'
      : word.value?.code === 'over-limit'
        ? 'stopped: over the limit'
        : word.value?.code === 'over-band'
          ? 'above its band, not primed'
          : 'ended, not primed',
  )
  // A reading of a simulated engine is none of this one's.
  if (primed && run.run?.setup.source !== 'rig')
    await build.record(
      stage.value === 'check' ? 'prime.checkPressure' : 'prime.pressure',
      { value: reading, source: 'measured', instrument: run.run?.setup.source === 'hand' ? undefined : 'run' },
      STAGES[stage.value].title,
    )
}
function another() {
  run.close()
  void run.open(build.id!, 'prime')
}
</script>

<template>
  <div>
    <template v-if="!run.run">
      <SegmentChoice
        label="Which prime"
        :value="stage"
        :options="(['check', 'last'] as const).map((value) => ({ value, words: STAGES[value].title }))"
        @choose="stage = $event ?? stage"
      />
      <p class="stage">{{ STAGES[stage].words }}</p>
      <RunSource kind="prime" @begin="begin">Begin the prime</RunSource>
      <div v-if="run.list.length > 0" class="past">
        <h2>Earlier</h2>
        <EarlierRuns @look="run.show" />
      </div>
    </template>
    <template v-else>
      <div class="live" :data-word="word?.code" :data-level="word?.level">
        <div class="now">
          <span class="quiet">{{ !read ? 'Nothing read' : run.ended ? 'Stood at' : 'Now' }}</span><span
            class="mono pressure"
            data-testid="live-pressure"
            >{{ read ? units.show(seen.gauge, 'pressure', units.fine) : '–'
            }}<small>{{ units.unit('pressure').symbol }}</small></span
          ><span class="quiet mono"
            >{{ Math.round(seen.turned) }} s {{ setUp.method === 'tank' ? 'open' : 'turned' }}</span
          >
        </div>
        <div class="word" :class="[tone, word?.code]" role="status" aria-live="assertive">
          <b data-testid="prime-word">{{
            word ? WORD_TITLES[word.code] : run.ended ? (run.run.outcome ?? 'Over') : 'Ready'
          }}</b><span v-if="!run.ended">{{ spans.length === 0 && !word ? 'Say when it turns.' : sentence }}</span>
          <ol v-if="word?.level === 'stop' && suspects" class="suspects" data-testid="suspects">
            <li
              v-for="each in suspects.filter(({ share }) => share > 0.08).slice(0, 3)"
              :key="each.key"
              :data-suspect="each.key"
            >
              <b>{{ each.words.charAt(0).toUpperCase() + each.words.slice(1) }}</b>,
              {{ Math.round(100 * each.share) }} in 100. {{ each.look }}
            </li>
          </ol>
        </div>
      </div>
      <div v-if="going" class="hands">
        <Button type="button" class="large" @click="run.act(on ? 'stop' : 'start')">{{
          VERB[setUp.method][on ? 1 : 0]
        }}</Button>
        <Button
          v-if="filterOff && !padSeen"
          type="button"
          variant="outlined"
          class="large"
          @click="run.event('seen', 'oil at the pad', { place: 'pad' })"
          >Oil runs at the pad</Button
        >
        <Button
          v-if="filterOff && padSeen && !filterOn"
          type="button"
          variant="outlined"
          class="large"
          @click="run.act('fit-filter')"
          >The filter is on</Button
        >
        <Button v-if="on && nextTurn" type="button" variant="outlined" class="large" @click="turn"
          >Crank turned to {{ nextTurn.label }}</Button
        >
        <Button type="button" variant="outlined" class="large" data-testid="finish" @click="finish">{{
          word?.code === 'primed' ? 'Primed: write it down' : 'End it'
        }}</Button>
      </div>
      <div v-else class="hands">
        <Button type="button" variant="outlined" @click="another">Another prime</Button
        ><a :href="`/api/runs/${run.run.id}/samples?format=csv`" download>Readings as CSV</a>
      </div>
      <HandReading
        v-if="going && run.run.setup.source === 'hand'"
        :top="top"
        @read="run.take([{ time: run.now(), pressure: $event }])"
      />
      <StripChart
        :samples="run.samples"
        :band="band"
        :least="expected?.least"
        :top="top"
        :seconds="run.ended ? 0 : 60"
      />
      <PrimeCircuit :full="full" />
      <RunFeed v-if="going" :baud-rate="baudRate" />
      <section v-if="going" class="block">
        <h2>Oil seen at</h2>
        <PrimeOutlets @seen="(key, label) => run.event('seen', label, { place: key })" />
      </section>
    </template>
  </div>
</template>

<style scoped>
.stage {
  padding: 8px 0 14px;
  max-width: 68ch;
}
.past {
  margin-top: 26px;
}
.live {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 14px 30px;
  align-items: start;
}
.now {
  display: grid;
}
.pressure {
  font-size: 64px;
  line-height: 1;
  letter-spacing: -0.03em;
}
.pressure small {
  font-size: 20px;
  color: var(--quiet);
  margin-left: 8px;
  font-family: var(--type);
  letter-spacing: 0;
}
.word {
  border-left: 8px solid var(--petrol);
  padding: 6px 0 6px 16px;
  display: grid;
  gap: 3px;
  min-height: 84px;
  align-content: start;
}
.word b {
  font-size: 24px;
  font-stretch: 88%;
  line-height: 1.15;
}
.word.fine {
  border-color: var(--pass);
}
.word.watch {
  border-color: var(--watch);
}
.word.not-watching {
  border: 3px dotted var(--stop);
  padding-left: 13px;
}
.word.not-watching > b {
  color: var(--stop);
}
.word.stop {
  border-color: var(--stop);
  background: var(--stop-wash);
}
.word.stop > b {
  color: var(--stop);
}
.suspects {
  margin: 6px 0 0;
  padding-left: 22px;
  display: grid;
  gap: 4px;
}
.suspects b {
  font-size: 15px;
}
.hands {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  padding: 14px 0;
}
.large {
  min-height: 60px;
  font-size: 18px;
  padding: 0 22px;
}
@media (max-width: 760px) {
  .live {
    grid-template-columns: 1fr;
  }
}
</style>
