import type { Ref } from 'vue'
import { inSentence, named } from '~/words/speak'
import { t } from '~/words/of/start'
import { oiledAt, primedAt } from '#core/prime/primed'
import { type StationProgress, stopBesideChecks } from '#core/progress/progress'
import type { CheckItem } from '#core/record/looked'
import { PAGES, stationPath } from '~/composables/stations'
import { dayOf } from '~/words/dates'

/** Something that holds a start up until it is put right, or somebody writes why they go on past it. */
export interface Gate {
  gate: string
  words: string
  more?: string
  to?: string
  asks?: string
}

/** What holds up a start, from all stations, the runs and the preflight; and whether that is still being looked up. */
export function useStartGates(checks: Ref<CheckItem[]>) {
  const build = useBuild()
  const run = useRun()
  const now = useClock(2500)
  const ready = computed(() => checks.value.filter((check) => build.sheet!.checks[check.key]?.state === 'done').length)
  const outlook = useOutlook()
  /** Every station with something that is missing or at fault. */
  const earlier = computed(() =>
    build.progress.filter((each) => each.station !== 'start' && (each.verdict === 'stop' || each.done < each.wanted)),
  )
  /** What the gauge has already said of this engine stands until it says otherwise. */
  const read = computed(() => stopBesideChecks(build.sheet!, 'start'))
  /** Points of the preflight that were looked at and are not in order: each is a stop of its own. */
  const faults = computed(() => checks.value.filter(({ key }) => build.sheet!.checks[key]?.state === 'fault'))
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
    ...faults.value.map(({ key, label, fault }) => ({
      gate: key,
      words: t('startPreflight.atFault', { what: named(label) }),
      more: [named(fault!), build.sheet!.checks[key].note].filter(Boolean).join(' '),
    })),
    ...(ready.value + faults.value.length < checks.value.length
      ? [
          {
            gate: 'preflight',
            words: t('startPreflight.ofThePreflightToGo', {
              count: checks.value.length - ready.value - faults.value.length,
            }),
          },
        ]
      : []),
  ])
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
  return { stops, gates, looking }
}
