<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/prime'
import { recorded } from '#core/engine/values'
import { checksOf } from '#core/engine/catalogue'
import { STAGES, type Stage, WORD_TITLES } from '#core/prime/steps'
import type { RunSetUp } from '#core/run/schema'

/** A prime as it goes: gauge against what it should do, an early word when it departs, the circuit as it fills, the crank by degrees. */
const build = useBuild()
const run = useRun()
const person = usePerson()
void run.open(build.id!, 'prime')
const stage = ref<Stage>((recorded(build.sheet!, 'prime.checkPressure') ? 'last' : 'check') as Stage)
const baudRate = ref<number>()
const live = usePrimeLive()
const { setUp, expected, going, on, seen, ceiling, word, padSeen, filterOff, filterOn } = live
const { full, band, top } = usePrimeCourse(live)
const alarm = useAlarm(() => word.value?.level === 'stop' && (on.value || seen.value.gauge > ceiling.value))
const voice = useVoice()
watch(
  () => word.value?.code,
  (code) => {
    if (!code) return
    const { level, by } = word.value!
    const words = WORD_TITLES[code]
    if (going.value && (level === 'stop' || code === 'primed' || code === 'not-watching'))
      voice.say(named(words), 'now')
    if (code !== 'going-well' && !(code === 'not-watching' && by === 0)) void run.event('word', words, { code, by })
  },
)

const nextTurn = computed(() =>
  checksOf(build.sheet!.layout).find(({ group, key }) => group === 'crank' && !build.sheet!.checks[key]),
)
const VERB: Record<string, [string, string]> = {
  drill: [t('primeLive.drillOn'), t('primeLive.drillOff')],
  tank: [t('primeLive.openTheCock'), t('primeLive.shutTheCock')],
  starter: [t('primeLive.cranking'), t('primeLive.stopCranking')],
  hand: [t('primeLive.cranking'), t('primeLive.stopCranking')],
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
  const camera = run.run?.setup.source === 'camera' && run.own ? useGaugeCamera() : undefined
  const sigma = camera?.read?.sigma
  const primed = word.value?.code === 'primed'
  if (on.value) await run.act('stop')
  await run.end(
    primed
      ? 'primed'
      : word.value?.code === 'over-limit'
        ? t('primeLive.stoppedOverTheLimit')
        : word.value?.code === 'over-band'
          ? t('primeLive.aboveItsBandNotPrimed')
          : t('primeLive.endedNotPrimed'),
  )
  // A reading of a simulated engine is none of this one's.
  if (!primed || run.run?.setup.source === 'rig') return
  const key = stage.value === 'check' ? 'prime.checkPressure' : 'prime.pressure'
  const { title } = STAGES[stage.value]
  await build.record(
    key,
    {
      value: reading,
      source: 'measured',
      instrument: run.run?.setup.source === 'hand' ? undefined : 'run',
      ...(sigma ? { uncertainty: sigma } : {}),
    },
    title,
  )
  const photo = await camera?.photo(build.id!, person.who)
  if (photo) await build.change([{ op: 'add', path: `/readings/${key}/photos`, value: [photo] }], title)
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
        :label="t('primeLive.whichPrime')"
        :value="stage"
        :options="(['check', 'last'] as const).map((value) => ({ value, words: STAGES[value].title }))"
        @choose="stage = $event ?? stage"
      />
      <p class="stage">{{ named(STAGES[stage].words) }}</p>
      <RunSource kind="prime" @begin="begin">{{ t('primeLive.beginThePrime') }}</RunSource>
      <div v-if="run.list.length > 0" class="past">
        <h2>{{ t('primeLive.earlier') }}</h2>
        <EarlierRuns @look="run.show" />
      </div>
    </template>
    <template v-else>
      <PrimeNow :live="live" />
      <div v-if="going" class="hands">
        <Button type="button" class="large" @click="run.act(on ? 'stop' : 'start')">{{
          VERB[setUp.method][on ? 1 : 0]
        }}</Button>
        <Button
          v-if="filterOff && !padSeen"
          type="button"
          variant="outlined"
          class="large"
          @click="run.event('seen', t('primeLive.oilAtThePad'), { place: 'pad' })"
          >{{ t('primeLive.oilRunsAtThePad') }}</Button
        >
        <Button
          v-if="filterOff && padSeen && !filterOn"
          type="button"
          variant="outlined"
          class="large"
          @click="run.act('fit-filter')"
          >{{ t('primeLive.theFilterIsOn') }}</Button
        >
        <Button v-if="on && nextTurn" type="button" variant="outlined" class="large" @click="turn">{{
          t('primeLive.crankTurnedTo', { nextTurn: named(nextTurn.label) })
        }}</Button>
        <Button
          type="button"
          variant="outlined"
          class="large"
          data-testid="finish"
          :data-take="word?.code === 'primed' || undefined"
          @click="finish"
          >{{ word?.code === 'primed' ? t('primeLive.primedWriteItDown') : t('primeLive.endIt') }}</Button
        >
      </div>
      <div v-else class="hands">
        <Button type="button" variant="outlined" @click="another">{{ t('primeLive.anotherPrime') }}</Button><a
          :href="`/api/runs/${run.run.id}/samples?format=csv`"
          download
          >{{ t('primeLive.readingsAsCsv') }}</a
        >
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
      <RunOnline v-if="going" />
      <section v-if="going" class="block">
        <h2>{{ t('primeLive.oilSeenAt') }}</h2>
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
</style>
