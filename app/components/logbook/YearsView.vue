<script setup lang="ts">
import { t } from '~/words/of/logbook'
import { type LoggedLine, serviceLog } from '#core/engine/serviceLog'
import type { Trend } from '#core/logbook/trend'
import { floorFrom, trendVerdict } from '#core/logbook/trendVerdict'
import { firstStartedAt, recheckList, remindersOf } from '#core/start/breakIn'
import { dateOf, monthOf } from '~/words/dates'
import { figure, signedPercent } from '~/words/numbers'
import { LEFT_WORDS } from '~/words/logbook'
import { named } from '~/words/speak'

/** What became of the engine since its first start: what its gauge read at hot idle, what was done to it, where hot idle goes, and what is due. */
const build = useBuild()
const units = useUnits()
const now = useClock(60_000)
const sheet = computed(() => build.sheet!)
const {
  value: found,
  pending,
  error,
} = useAnswer(
  (model) => (build.sheet ? model.trend(build.sheet) : undefined),
  () => build.sheet,
)
const trend = computed<Trend | undefined>(() => found.value)
const verdict = computed(() => trend.value && trendVerdict(trend.value, now.value))
const lines = computed(() =>
  serviceLog(sheet.value)
    .map((line) => ({
      ...line,
      point: trend.value?.points.find(({ key }) => key === line.key),
      left: trend.value?.left.find(({ key }) => key === line.key)?.why,
    }))
    .reverse(),
)
const leftAtStart = computed(() => trend.value?.left.find(({ key }) => key === 'start.idleHot.pressure')?.why)
/** What is written: a new line, or one that is mended. */
const writing = ref<LoggedLine | 'new'>()
const p = (value: number) => units.say(value, 'pressure', units.fine)
const bare = (value: number) => units.show(value, 'pressure', units.fine)
const ageOf = (run: number, { by }: Trend) =>
  run === 0
    ? t('years.firstStart')
    : by === 'hours'
      ? units.say(run, 'span')
      : by === 'distance'
        ? units.say(run, 'distance')
        : t('years.years', { n: figure(run / (365.25 * 86400), 1) })
const head = computed(() => {
  const of = trend.value
  if (!of) return ''
  const last = of.points.at(-1)!
  const stands = { pressure: p(of.now.pressure), low: bare(of.now.low), high: p(of.now.high), age: ageOf(last.run, of) }
  const { expected, earliest } = of.meets
  const floor = p(of.floor)
  if (verdict.value === 'stop') return t('years.underItsFloor', { ...stands, floor })
  if (!earliest) return t('years.staysOver', { ...stands, floor })
  if (earliest.run === last.run) return t('years.mayBeUnder', { ...stands, floor })
  return expected
    ? t('years.meetsAbout', { ...stands, floor, month: monthOf(expected.at), early: monthOf(earliest.at) })
    : t('years.meetsNotBefore', { ...stands, floor, early: monthOf(earliest.at) })
})
const changeWords = computed(() => {
  const of = trend.value
  if (!of) return ''
  const { per, share, low, high } = of.change
  return t('years.changes', {
    share: signedPercent(share),
    low: signedPercent(low),
    high: signedPercent(high),
    per: of.by === 'time' ? t('years.aYear') : ageOf(per, of),
  })
})
const groundsWords = computed(() => {
  const of = trend.value
  if (!of) return ''
  return [
    t('years.told', {
      readings: t('years.readingsCount', { n: of.points.length }, of.points.length),
      told: figure(100 * of.told, 0),
    }),
    of.meets.latest && of.meets.latest.run > of.points.at(-1)!.run
      ? t('years.almostSurelyBy', { month: monthOf(of.meets.latest.at) })
      : '',
    of.by !== 'time' && of.pace.assumed ? t('years.paceAssumed') : '',
  ]
    .filter(Boolean)
    .join(' ')
})
const reminders = computed(() => {
  const startedAt = firstStartedAt(sheet.value)
  if (startedAt === undefined) return []
  // What is past stays until a line says that it was done.
  const gone = recheckList(sheet.value.layout).every(({ key }) => sheet.value.checks[key]?.state === 'done')
  return remindersOf(sheet.value, startedAt, floorFrom(trend.value))
    .filter(({ key }) => key !== 'recheck' || !gone)
    .map((each) => ({ ...each, over: each.due < now.value }))
})
</script>

<template>
  <section data-testid="years">
    <template v-if="trend">
      <p class="head" data-testid="trend"><VerdictLabel :verdict="verdict!" /> {{ head }}</p>
      <p data-testid="trend-change">{{ changeWords }}</p>
      <p class="quiet">{{ groundsWords }}</p>
      <p v-if="leftAtStart" class="quiet">{{ t('years.startLeftOut', { why: LEFT_WORDS[leftAtStart] }) }}</p>
      <OnceNear><LazyTrendChart :trend="trend" /></OnceNear>
    </template>
    <p v-else-if="error" role="alert" data-testid="no-trend">{{ t('years.noModel') }}</p>
    <p v-else-if="!pending" class="quiet" data-testid="no-trend">
      {{
        build.sheet!.readings['start.idleHot.pressure'] || lines.some(({ pressure }) => pressure !== undefined)
          ? t('years.noTrend')
          : t('years.nothingRead')
      }}
    </p>

    <div class="bar">
      <h2>{{ t('years.serviceLog') }}</h2>
      <Button v-if="writing === undefined" type="button" data-testid="add-service" @click="writing = 'new'">{{
        t('years.writeALine')
      }}</Button>
    </div>
    <ServiceForm v-if="writing === 'new'" @close="writing = undefined" />
    <ServiceForm
      v-else-if="writing"
      :key="writing.key"
      :line="writing"
      :mended="writing.key"
      @close="writing = undefined"
    />
    <p v-if="lines.length === 0" class="quiet">{{ t('years.nothingWritten') }}</p>
    <ServiceTable v-else :lines="lines" @mend="writing = $event" />

    <h2>{{ t('years.due') }}</h2>
    <p v-if="reminders.length === 0" class="quiet">{{ t('years.nothingDue') }}</p>
    <Timeline v-else class="reminders" :value="reminders" data-key="key" :aria-label="t('years.due')">
      <template #opposite="{ item }"
        ><span class="mono nowrap">{{ dateOf(item.due) }}</span></template
      >
      <template #content="{ item }"
        ><span :data-reminder="item.key">{{ named(item.title) }}</span
        ><b v-if="item.over" class="over">{{ t('years.overdue') }}</b
        ><span class="under">{{ named(item.words) }}</span></template
      >
    </Timeline>
    <p>
      <a :href="`/api/builds/${build.id}/reminders`" download data-testid="calendar">{{ t('years.forACalendar') }}</a>
      <NuxtLink :to="`/build/${build.id}/start?view=breakin`" class="next">{{ t('years.intervalsAndPace') }}</NuxtLink>
    </p>
  </section>
</template>

<style scoped>
section {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
}
p {
  margin: 0;
  max-width: 70ch;
}
h2 {
  margin: 0;
}
section > h2 {
  border-top: 1px solid var(--rule);
  padding-top: 16px;
  margin-top: 8px;
}
.head {
  font-size: 20px;
  font-weight: 600;
  max-width: 60ch;
  line-height: 1.35;
}
.head .verdict {
  vertical-align: 2px;
  margin-right: 6px;
}
.bar {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
  border-top: 1px solid var(--rule);
  padding-top: 16px;
  margin-top: 8px;
}
.under {
  display: block;
  color: var(--quiet);
}
.reminders :deep(.p-timeline-event-opposite) {
  flex: none;
  padding: 0 10px 0 0;
  min-width: 112px;
}
.over {
  margin-left: 10px;
  color: var(--watch);
}
.next {
  margin-left: 18px;
}
</style>
