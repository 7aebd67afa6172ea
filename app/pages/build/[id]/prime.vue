<script setup lang="ts">
import { inSentence, named } from '~/words/speak'
import { t } from '~/words/of/prime'
import { recorded } from '#core/engine/values'
import { checksOf } from '#core/engine/catalogue'
import { liftersOf, rowOutcome, rowWords } from '#core/parts/lifterLook'
import { judgePrime } from '#core/prime/prime'
import { STAGES } from '#core/prime/steps'
import { holdsUpPrime } from '#core/progress/progress'
import { PAGES, stationPath } from '~/composables/stations'

const VIEWS = [
  { view: 'how', words: t('prime.how') },
  { view: 'live', words: t('prime.primeIt') },
  { view: 'round', words: t('prime.lookRound') },
] as const
const build = useBuild()
const units = useUnits()
const { view, go } = useView(VIEWS)
const setUp = usePrimeSetUp()
const { value: expected } = useAnswer(
  (model) => (build.sheet ? model.prime(build.sheet, { ...setUp.value }) : undefined),
  () => [build.sheet, setUp.value],
)
const settled = useSettled(() => JSON.stringify([build.sheet?.readings, build.sheet?.layout]), 400)
const shown = useOnceShown()
const { value: clock } = useAnswer(
  (_model, slow) => (build.sheet && shown.value ? slow().primeClock(build.sheet) : undefined),
  () => [settled.value, shown.value],
)
const reading = computed(
  () => (recorded(build.sheet!, 'prime.pressure') ?? recorded(build.sheet!, 'prime.checkPressure'))?.value,
)
const verdict = computed(() =>
  expected.value && reading.value !== undefined ? judgePrime(reading.value, expected.value) : undefined,
)
const outlook = useOutlook()
const holds = computed(() => holdsUpPrime(build.progress))
const clear = computed(() => holds.value.length === 0 && outlook.current && outlook.now!.voids.length === 0)
const titleOf = (station: string) => PAGES.find(({ page }) => page === station)!.title
/** Rows of lifters and adjusters that show something else than oil, by which of them. */
const badRows = computed(() =>
  liftersOf(build.sheet!.layout).flatMap(({ check, label, keys }) => {
    const outcome = rowOutcome(build.sheet!, keys)
    return outcome?.state === 'fault'
      ? [{ check, label, verdict: outcome.verdict, words: rowWords(build.sheet!, keys) }]
      : []
  }),
)
const dry = computed(() =>
  checksOf(build.sheet!.layout).filter(
    ({ station, group, key }) =>
      station === 'prime' &&
      (group === 'outlet' || group === 'walk') &&
      build.sheet!.checks[key]?.state === 'fault' &&
      !badRows.value.some(({ check }) => check === key),
  ),
)
const p = (value: number) => units.say(value, 'pressure', units.unit('pressure').symbol === 'bar' ? 1 : undefined)
const WAYS = {
  drill: t('prime.byDrillOnThePump'),
  tank: t('prime.fromAPressureTank'),
  starter: t('prime.byStarterInBursts'),
  hand: t('prime.filledByHandThenByStarter'),
}
</script>

<template>
  <div>
    <StationHead station="prime" :title="t('prime.prime')">{{
      t('prime.oilEverywhereBeforeAnything', {
        ways: WAYS[setUp.method].charAt(0).toUpperCase() + WAYS[setUp.method].slice(1),
      })
    }}</StationHead>

    <template v-if="view !== 'live'">
      <p class="cleared" :class="{ ready: clear }" data-testid="clear-to-prime">
        <b>{{ clear ? t('prime.clearToPrime') : t('prime.notYet') }}</b><template v-if="holds.length === 0 && !clear"
          >:
          {{
            outlook.failed
              ? t('prime.thereIsNoPredictionToPrime')
              : outlook.current
                ? t('prime.thePredictionIsVoidUntilThe')
                : t('prime.thePredictionIsBeingComputed')
          }}</template
        ><template v-for="each in holds" :key="each.station"
          >{{ ' ' }}<NuxtLink :to="stationPath(build.id!, each.station)">{{ titleOf(each.station) }}</NuxtLink
          >:
          {{
            each.verdict === 'stop' ? named(each.about) : t('prime.toGo', { wanted: each.wanted - each.done })
          }}.</template
        >
      </p>
      <div class="clock-place"><PrimeClock v-if="clock" :clock="clock" /></div>
      <div v-if="!expected" class="numbers" />
      <div v-else class="numbers predicted">
        <div>
          <span class="quiet">{{ t('prime.expectAtTheGauge') }}</span><span
            class="mono big"
            data-testid="prime-expected"
            >{{ units.show(expected.pressure, 'pressure') }}<small>{{ units.unit('pressure').symbol }}</small></span
          ><span class="quiet mono">{{
            t('prime.to', { low: units.show(expected.low, 'pressure'), high: units.show(expected.high, 'pressure') })
          }}</span>
        </div>
        <div>
          <span class="quiet">{{ t('prime.acceptNoLessThan') }}</span><span class="mono big" data-testid="prime-least"
            >{{ units.show(expected.least, 'pressure') }}<small>{{ units.unit('pressure').symbol }}</small></span
          ><span class="quiet">{{
            t(setUp.method === 'tank' ? 'prime.throughTheHose' : 'prime.throughThePump', {
              flow: units.say(expected.flow, 'flow'),
            })
          }}</span>
        </div>
        <div>
          <span class="quiet">{{ t('prime.read') }}</span><span class="mono big"
            >{{ reading === undefined ? '·' : units.show(reading, 'pressure')
            }}<small v-if="reading !== undefined">{{ units.unit('pressure').symbol }}</small></span
          ><VerdictLabel :verdict="verdict ?? 'unknown'" />
        </div>
      </div>
    </template>

    <section :aria-label="t('prime.judgement')">
      <JudgementLine v-if="expected && reading !== undefined && verdict && view !== 'live'" :verdict="verdict"
        ><b>{{ t('prime.readExpected', { reading: p(reading), pressure: p(expected.pressure) }) }}</b>
        {{
          verdict === 'stop' && reading > expected.ceiling
            ? t('prime.overWhichFilterAndSealsShould', { ceiling: p(expected.ceiling) })
            : verdict === 'stop'
              ? t('prime.underTheLeastToAcceptDo', { least: p(expected.least) })
              : verdict === 'watch'
                ? t('prime.aboveWhatTheModelSaysSo')
                : t('prime.theCircuitIsFullAndHolds')
        }}
        <TraceLink v-if="verdict === 'stop'"
      /></JudgementLine>
      <JudgementLine v-if="dry.length > 0" verdict="stop"
        ><b
          >{{ dry.some(({ group }) => group === 'walk') ? t('prime.aLeakOrNoOilAt') : t('prime.noOilAt') }}
          {{ dry.map((each) => inSentence(each.label)).join(', ') }}.</b
        >
        {{ named(dry[0].fault) }}</JudgementLine
      >
      <JudgementLine v-for="row in badRows" :key="row.label" :verdict="row.verdict"
        ><b>{{ t('prime.s', { row: named(row.label), row2: named(row.words) }) }}</b>
        {{ t('prime.whatEachShowsStandsUnderLook') }}</JudgementLine
      >
    </section>
    <ViewTabs :label="t('prime.prime')" :views="VIEWS" :view="view" @go="go($event)">
      <LazyPrimeLive v-if="view === 'live'" />
      <LazyPrimeRound v-else-if="view === 'round'" />
      <template v-else>
        <PrimePlan />
        <section class="block readings">
          <h2>{{ t('prime.readTheGauge') }}</h2>
          <ReadingRow name="prime.checkPressure" /><ReadingRow name="prime.pressure" />
          <p class="quiet">{{ named(STAGES.check.words) }} {{ named(STAGES.last.words) }}</p>
        </section>
      </template>
    </ViewTabs>
  </div>
</template>

<style scoped>
.numbers {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 20px;
  padding: 6px 0 14px;
}
/* Room for what is being worked out: nothing moves when it comes. */
.numbers {
  min-height: 121px;
}
.clock-place {
  min-height: 62px;
}
@media (max-width: 700px) {
  .numbers {
    min-height: 157px;
  }
  .clock-place {
    min-height: 104px;
  }
}
.numbers > div {
  display: grid;
  justify-items: start;
  gap: 2px;
}
.big {
  font-size: 44px;
  line-height: 1.1;
}
.big small {
  font-size: 18px;
  color: var(--quiet);
  margin-left: 6px;
  font-family: var(--type);
}
.cleared {
  border-left: 6px solid var(--stop);
  padding: 6px 12px;
  margin-bottom: 10px;
}
.cleared.ready {
  border-color: var(--pass);
}
.readings {
  max-width: 520px;
}
</style>
