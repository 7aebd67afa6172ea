import { t } from '~/words/of/frame'
import { BLIND_WORDS } from '~/words/start'
import type { RigAction } from '#core/run/actions'
import { isRead } from '#core/run/channels'
import { isLive, type Said } from '#core/start/follow'
import type { BlindReason, WatchCode } from '#core/start/watchTypes'

/** What the board of a running start shows: its phase and word, what is not watched, how old the last reading is. */
export function useStartBoard() {
  const run = useRun()
  const watched = useStartWatch()
  const { seen, stop: called, said, voided, modelled } = watched
  /** Read in afterwards there is nothing to stop any more: what a rule says is said, not shouted. */
  const after = computed(() => run.ended || run.run?.setup.source === 'file')
  const stop = computed(() => (after.value ? undefined : called.value))
  const broken = computed(() => (after.value ? seen.value?.stop : undefined))
  const acknowledged = computed(() => run.events.some(({ kind }) => kind === 'stop'))
  const shouting = computed(() => stop.value !== undefined && !acknowledged.value)
  /** The last of what is wired or read by hand; what is only heard tells of nothing else. */
  const last = computed(() => run.samples.findLast(isRead))
  const clock = useClock()
  /** Speed, and what it stands on where no tachometer tells it. */
  const stands = computed<Said>(() => {
    if (last.value?.speed !== undefined && !watched.byHand.value) return { speed: last.value.speed }
    return said(
      isLive(run.run?.setup.source) && !run.ended ? (void clock.value, run.now()) : (last.value?.time ?? run.now()),
    )
  })
  const speed = computed(() => stands.value.speed)
  /** It is listened for the speed only where nothing tells it. */
  const listens = computed(
    () =>
      isLive(run.run?.setup.source) &&
      run.own &&
      !run.ended &&
      (watched.byHand.value || last.value?.speed === undefined),
  )
  /** The oil as it is wired, or as it was typed a moment ago; undefined when nobody knows. */
  const temperature = computed(() => last.value?.temperature ?? said(last.value?.time ?? run.now()).temperature)
  /** Reasons by the watch itself; before its first reading, whether it has a model at all. */
  const reasons = computed<BlindReason[]>(() => seen.value?.blind ?? (modelled.value ? [] : ['no-prediction']))
  /** What is not watched, loudly: after a reload, until everything that was read is here again; and whatever the watch itself says. */
  const blind = computed(() =>
    after.value || !run.run
      ? []
      : run.refused
        ? [t('useStartBoard.theServerDidNotTakeThis', { refused: run.refused })]
        : !run.ready
          ? [t('useStartBoard.readingBackWhatWasReadBefore')]
          : reasons.value.map((reason) =>
              reason === 'no-prediction' && voided.value
                ? t('useStartBoard.noPredictionWhileTheRecordIs', {
                    blindWords: BLIND_WORDS[reason].replace('No prediction: o', 'O'),
                  })
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
  const warning = computed<WatchCode | undefined>(() => seen.value?.watches.find((code) => code !== 'not-watching'))
  const done = computed(
    () => run.events.filter(({ kind }) => kind === 'act').at(-1)?.data.action as RigAction | undefined,
  )
  const phase = computed(() =>
    run.ended
      ? 'over'
      : shouting.value || (stop.value && acknowledged.value)
        ? 'stopped'
        : (seen.value?.phase ?? 'rest'),
  )
  const word = computed(() => {
    if (phase.value === 'over') return run.run?.outcome ?? t('useStartBoard.over')
    if (dark.value) return t('useStartBoard.notWatching')
    if (seen.value?.countdown !== undefined) return `${Math.ceil(seen.value.countdown)}`
    if (phase.value === 'running')
      return blind.value.length > 0 ? t('useStartBoard.runsWatchedInPart') : t('useStartBoard.runs')
    return phase.value === 'cranking'
      ? t('useStartBoard.cranking')
      : blind.value.length > 0
        ? t('useStartBoard.watchingInPart')
        : 'GO'
  })
  return {
    ...watched,
    after,
    stop,
    broken,
    acknowledged,
    shouting,
    last,
    speed,
    listens,
    speedBy: computed(() => stands.value.by),
    temperature,
    reasons,
    blind,
    dark,
    read,
    old,
    warning,
    done,
    phase,
    word,
  }
}

export type Board = ReturnType<typeof useStartBoard>
