<script setup lang="ts">
import { inSentence, named } from '~/words/speak'
import { t } from '~/words/of/start'
import { checksOf } from '#core/engine/catalogue'
import { oiledAt, primedAt } from '#core/prime/primed'
import type { StationProgress } from '#core/progress/progress'
import type { RunSetUp } from '#core/run/schema'
import { PAGES, stationPath } from '~/composables/stations'
import { dayOf } from '~/words/dates'

/** What must be in order before it is started, from all stations: stop there, or go on with a written reason. */
const emit = defineEmits<{ go: [] }>()
const build = useBuild()
const run = useRun()
const now = useClock(2500)
const checks = computed(() => checksOf(build.sheet!.layout).filter((check) => check.group === 'preflight'))
const ready = computed(() => checks.value.filter((check) => build.sheet!.checks[check.key]?.state === 'done').length)
const outlook = useOutlook()
/** Every station with something that is missing or at fault. */
const earlier = computed(() =>
  build.progress.filter((each) => each.station !== 'start' && (each.verdict === 'stop' || each.done < each.wanted)),
)
/** What the gauge has already said of this engine stands until it says otherwise. */
const read = computed(() => build.progress.find((each) => each.station === 'start' && each.verdict === 'stop'))
/** Starts and primes that were called off, while nobody has written what was found and done. */
const stops = computed(() =>
  run.unanswered.map((each, i) => ({
    run: each,
    gate: i === 0 ? 'stopped' : `stopped-${i + 1}`,
    words: t('startPreflight.theOfWasStopped', {
      kind: each.kind,
      startedAt: dayOf(each.startedAt),
      outcome: each.outcome ? `: ${each.outcome.replace(/^stopped: /, '')}` : '',
    }),
    asks: t('startPreflight.whatWasFoundAndWhatWas'),
  })),
)
const settled = useSettled(() => JSON.stringify([build.sheet?.readings, build.sheet?.layout]), 400)
const shown = useOnceShown()
const { value: clock } = useAnswer(
  (_model, slow) => (build.sheet && shown.value ? slow().primeClock(build.sheet) : undefined),
  () => [settled.value, shown.value],
)
const stale = computed(() => {
  const at = oiledAt(build.sheet!)
  return clock.value !== undefined && at !== undefined && now.value > at + 1000 * clock.value.good
})
/** Longest that the start waits for what is looked up, ms. */
const LOOKS = 10_000
const began = Date.now()
const fresh = computed(() => now.value - began < LOOKS)
/** How long the prime holds is not known, though it ought to be by now. */
const clockless = computed(
  () =>
    !fresh.value &&
    outlook.current &&
    outlook.now!.voids.length === 0 &&
    clock.value === undefined &&
    oiledAt(build.sheet!) !== undefined,
)
const titleOf = (station: string) => PAGES.find((page) => page.page === station)!.title
interface Gate {
  gate: string
  words: string
  more?: string
  to?: string
  asks?: string
}
const lacks = ({ missing }: StationProgress) =>
  t('startPreflight.toGo', {
    missing: missing.map(inSentence).join(', '),
  })
const gates = computed<Gate[]>(() => [
  ...stops.value,
  ...(!run.listed && !fresh.value ? [{ gate: 'runs', words: t('startPreflight.earlierRunsCouldNotBeLooked') }] : []),
  ...((outlook.now?.voids.length ?? 0) > 0
    ? [
        {
          gate: 'void',
          words: t('startPreflight.voidUntilMended', {
            voids: outlook.now!.voids.map(({ about }) => named(about)).join('; '),
          }),
        },
      ]
    : []),
  ...(outlook.failed || (outlook.now === undefined && !fresh.value)
    ? [
        {
          gate: 'model',
          words: t('startPreflight.noPrediction', { failed: outlook.failed ?? t('startPreflight.itHasNotCome') }),
        },
      ]
    : []),
  ...earlier.value.map((each) => ({
    gate: each.station,
    words: `${titleOf(each.station)}: ${each.verdict === 'stop' ? `${named(each.about)}.` : t('startPreflight.toGo2', { count: each.missing.length })}`,
    more: each.missing.length > 0 ? lacks(each) : undefined,
    to: stationPath(build.id!, each.station),
  })),
  ...(read.value
    ? [
        {
          gate: 'start',
          words: t('startPreflight.theGaugeHasSaid', { about: named(read.value.about) }),
          to: `${stationPath(build.id!, 'start')}?view=readings`,
        },
      ]
    : []),
  ...(stale.value
    ? [
        {
          gate: 'prime-clock',
          words:
            primedAt(build.sheet!) === oiledAt(build.sheet!)
              ? t('startPreflight.primeRunOutPrimeItAgain')
              : t('startPreflight.primeItHasStoodTooLong'),
          to: stationPath(build.id!, 'prime'),
        },
      ]
    : []),
  ...(clockless.value
    ? [
        {
          gate: 'prime-clock',
          words: t('startPreflight.primeHowLongItHoldsCould'),
          to: stationPath(build.id!, 'prime'),
        },
      ]
    : []),
  ...(ready.value < checks.value.length
    ? [
        {
          gate: 'preflight',
          words: t('startPreflight.ofThePreflightToGo', { count: checks.value.length - ready.value }),
        },
      ]
    : []),
])
/** Gates that somebody goes on past, and why. */
const reasons = reactive<Record<string, string>>({})
/** Runs, outlook and clock take a moment to come: until then nothing is clear. Where one does not come at all the hand is not held back for ever. */
const looking = computed(
  () =>
    outlook.late ||
    (fresh.value &&
      (!run.listed ||
        (outlook.failed === undefined &&
          (outlook.now === undefined ||
            (outlook.now.voids.length === 0 && clock.value === undefined && oiledAt(build.sheet!) !== undefined))))),
)
const open = computed(() => gates.value.filter(({ gate }) => !reasons[gate]?.trim()))
const clear = computed(() => gates.value.length === 0 && !looking.value)
async function begin(setup: Pick<RunSetUp, 'source' | 'rig'>) {
  for (const each of stops.value) await run.found(each.run, reasons[each.gate].trim())
  const passed = gates.value.map(({ words, more, gate }) => ({
    gate: [words, more].filter(Boolean).join(' ').slice(0, 1000),
    reason: reasons[gate].trim(),
  }))
  await run.begin(build.id!, 'start', { ...setup, ...(passed.length > 0 ? { passed } : {}) })
  emit('go')
}
</script>

<template>
  <div class="columns">
    <section>
      <h2>{{ t('startPreflight.preflightOf', { ready, count: checks.length }) }}</h2>
      <CheckRow v-for="item in checks" :key="item.key" :item="item" :faults="false" />
    </section>
    <section>
      <div class="go" :class="clear ? 'ready' : 'not'" data-testid="clear-to-start">
        <span class="word">{{
          clear
            ? t('startPreflight.clearToStart')
            : looking
              ? t('startPreflight.looking')
              : open.length === 0
                ? t('startPreflight.goingOn')
                : t('startPreflight.notYet')
        }}</span>
        <div v-for="each in gates" :key="each.gate" class="gate" :data-gate="each.gate">
          <span
            ><NuxtLink v-if="each.to" :to="each.to">{{ named(each.words) }}</NuxtLink
            ><b v-else>{{ named(each.words) }}</b
            ><span v-if="each.more" class="more">{{ each.more }}</span></span
          >
          <InputText
            v-model="reasons[each.gate]"
            maxlength="400"
            :aria-label="
              each.asks
                ? t('startPreflight.write', { each: named(each.words), asks: each.asks })
                : t('startPreflight.goOnPastBecause', { each: named(each.words) })
            "
            :placeholder="each.asks ?? t('startPreflight.goOnBecause')"
          />
        </div>
      </div>
      <DeadlineWords />
      <CautionNote name="start">{{ t('startPreflight.handsAndSleevesClearOfBelts') }}</CautionNote>
      <h2 class="next">{{ t('startPreflight.readings') }}</h2>
      <RunSource kind="start" :disabled="open.length > 0 || looking" @begin="begin">{{
        t('startPreflight.goToTheStart')
      }}</RunSource>
      <p v-if="open.length > 0" class="quiet">
        {{ t('startPreflight.eachOfTheseIsPutRight') }}
      </p>
    </section>
  </div>
</template>

<style scoped>
.go {
  border: 2px solid var(--field);
  padding: 14px 18px;
  display: grid;
  gap: 6px;
}
.word {
  font-size: 30px;
  font-weight: 700;
  font-stretch: 88%;
}
.go.ready {
  border-color: var(--pass);
  color: var(--pass);
  border-radius: 26px;
}
.go.not {
  border-style: dashed;
}
.gate {
  display: grid;
  gap: 4px;
  padding: 8px 0;
  border-top: 1px solid var(--rule);
}
.more {
  display: block;
  color: var(--quiet);
  line-height: 1.35;
}
.gate input {
  height: 44px;
  font-size: 15px;
  padding: 0 8px;
  border: 1px solid var(--field);
  border-radius: 3px;
  background: var(--sheet);
  min-width: 0;
}
.next {
  margin: 20px 0 6px;
}
</style>
