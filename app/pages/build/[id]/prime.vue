<script setup lang="ts">
import { recorded } from '#core/engine/values'
import { checksOf } from '#core/engine/catalogue'
import { liftersOf, rowOutcome, rowWords } from '#core/parts/lifterLook'
import { judgePrime } from '#core/prime/prime'
import { STAGES } from '#core/prime/steps'
import { holdsUpPrime } from '#core/progress/progress'
import { PAGES, stationPath } from '~/composables/stations'

const VIEWS = [
  { view: 'how', words: 'How' },
  { view: 'live', words: 'Prime it' },
  { view: 'round', words: 'Look round' },
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
const holds = computed(() => holdsUpPrime(build.sheet!))
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
  drill: 'by drill on the pump',
  tank: 'from a pressure tank',
  starter: 'by starter in bursts',
  hand: 'filled by hand, then by starter',
}
</script>

<template>
  <div>
    <StationHead station="prime" title="Prime"
      >{{ WAYS[setUp.method].charAt(0).toUpperCase() + WAYS[setUp.method].slice(1) }}: oil everywhere before anything
      turns in earnest.</StationHead
    >

    <template v-if="view !== 'live'">
      <p class="cleared" :class="{ ready: clear }" data-testid="clear-to-prime">
        <b>{{ clear ? 'Clear to prime' : 'Not yet' }}</b><template v-if="holds.length === 0 && !clear"
          >:
          {{
            outlook.failed
              ? 'there is no prediction to prime by.'
              : outlook.current
                ? 'the prediction is void until the record is mended.'
                : 'the prediction is being computed.'
          }}</template
        ><template v-for="each in holds" :key="each.station"
          >{{ ' ' }}<NuxtLink :to="stationPath(build.id!, each.station)">{{ titleOf(each.station) }}</NuxtLink
          >: {{ each.verdict === 'stop' ? each.about : `${each.wanted - each.done} to go` }}.</template
        >
      </p>
      <PrimeClock v-if="clock" :clock="clock" />
      <div v-if="expected" class="numbers predicted">
        <div>
          <span class="quiet">Expect at the gauge</span
          ><span class="mono big" data-testid="prime-expected"
            >{{ units.show(expected.pressure, 'pressure') }}<small>{{ units.unit('pressure').symbol }}</small></span
          ><span class="quiet mono"
            >{{ units.show(expected.low, 'pressure') }} to {{ units.show(expected.high, 'pressure') }}</span
          >
        </div>
        <div>
          <span class="quiet">Accept no less than</span
          ><span class="mono big" data-testid="prime-least"
            >{{ units.show(expected.least, 'pressure') }}<small>{{ units.unit('pressure').symbol }}</small></span
          ><span class="quiet"
            >{{ units.say(expected.flow, 'flow') }} through the {{ setUp.method === 'tank' ? 'hose' : 'pump' }}</span
          >
        </div>
        <div>
          <span class="quiet">Read</span
          ><span class="mono big"
            >{{ reading === undefined ? '·' : units.show(reading, 'pressure')
            }}<small v-if="reading !== undefined">{{ units.unit('pressure').symbol }}</small></span
          ><VerdictLabel :verdict="verdict ?? 'unknown'" />
        </div>
      </div>
    </template>

    <section aria-label="Judgement">
      <JudgementLine v-if="expected && reading !== undefined && verdict && view !== 'live'" :verdict="verdict"
        ><b>{{ p(reading) }} read, {{ p(expected.pressure) }} expected.</b>
        {{
          verdict === 'stop' && reading > expected.ceiling
            ? `Over ${p(expected.ceiling)}, which filter and seals should not see: stop at once. Look for a relief valve that sticks shut and at the filter’s seal.`
            : verdict === 'stop'
              ? `Under the least to accept, ${p(expected.least)}. Do not start it: look at pickup, seal, relief valve and gallery plugs first.`
              : verdict === 'watch'
                ? 'Above what the model says, so not primed: thicker or colder oil than recorded, or a relief valve that sticks.'
                : 'The circuit is full and holds what it should.'
        }}</JudgementLine
      >
      <JudgementLine v-if="dry.length > 0" verdict="stop"
        ><b
          >{{ dry.some(({ group }) => group === 'walk') ? 'A leak, or no oil, at' : 'No oil at' }}
          {{ dry.map((each) => each.label.toLowerCase()).join(', ') }}.</b
        >
        {{ dry[0].fault }}</JudgementLine
      >
      <JudgementLine v-for="row in badRows" :key="row.label" :verdict="row.verdict"
        ><b>{{ row.label }}s: {{ row.words }}.</b> What each shows stands under “Look round”.</JudgementLine
      >
    </section>
    <ViewTabs label="Prime" :views="VIEWS" :view="view" @go="go($event)" />
    <LazyPrimeLive v-if="view === 'live'" />
    <LazyPrimeRound v-else-if="view === 'round'" />
    <template v-else>
      <PrimePlan />
      <section class="block readings">
        <h2>Read the gauge</h2>
        <ReadingRow name="prime.checkPressure" /><ReadingRow name="prime.pressure" />
        <p class="quiet">{{ STAGES.check.words }} {{ STAGES.last.words }}</p>
      </section>
    </template>
  </div>
</template>

<style scoped>
.numbers {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 20px;
  padding: 6px 0 14px;
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
