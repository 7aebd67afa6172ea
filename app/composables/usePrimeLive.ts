import { primeCeiling } from '#core/parts/priming'
import { SIGHT_LOST } from '~/composables/gaugeSeen'
import { primeWord, type StandingWord, standingWord } from '#core/prime/watch'
import { primeSeen, turnedSpans, usePrimeSetUp } from '~/composables/usePrime'
import { type Coming, primeWords } from '~/words/prime'

/** A prime as it goes: what was seen, what the model expects of it, the word that stands and its sentence. */
export function usePrimeLive() {
  const build = useBuild()
  const units = useUnits()
  const run = useRun()
  const outlook = useOutlook()
  const setUp = usePrimeSetUp()
  const clock = useClock()
  const finer = useClock(50)
  /** The record with the oil that the open run was made with. */
  const sheet = useRunSheet()
  /** All that the prediction is made of. */
  const recorded = useSettled(
    () =>
      JSON.stringify([
        build.sheet?.layout,
        sheet.value?.oil,
        sheet.value?.oils,
        setUp.value,
        Object.entries(build.sheet?.readings ?? {}).filter(([key]) => !/^(start|prime)\./.test(key)),
      ]),
    400,
  )
  const { value: timeline } = useAnswer(
    (_model, slow) => (sheet.value ? slow().timeline(sheet.value, { ...setUp.value }) : undefined),
    () => recorded.value,
  )
  const { value: expected } = useAnswer(
    (model) => (sheet.value ? model.prime(sheet.value, { ...setUp.value }) : undefined),
    () => recorded.value,
  )
  const going = computed(() => run.run !== undefined && !run.ended)
  const ofCamera = computed(() => run.run?.setup.source === 'camera' && run.own)
  const now = computed(() => (void (ofCamera.value ? finer.value : clock.value), run.run ? run.now() : 0))
  const spans = computed(() => turnedSpans(run.events, now.value))
  const on = computed(
    () =>
      run.events
        .filter(({ kind, data }) => kind === 'act' && (data.action === 'start' || data.action === 'stop'))
        .at(-1)?.data.action === 'start',
  )
  const seen = computed(() =>
    primeSeen(
      run.samples,
      run.events,
      now.value,
      run.run?.setup.source === 'hand' ? 'hand' : ofCamera.value ? SIGHT_LOST : undefined,
    ),
  )
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
  const p = (value: number) => units.say(value, 'pressure', units.fine)
  /** What comes next, where it goes as it should. */
  const coming = computed<Coming>(() => {
    if (filterOff.value && padSeen.value && !filterOn.value) return { code: 'fit-filter' }
    if (!timeline.value?.run.primed) return { code: 'will-not-prime' }
    const { low = 0, high = 0 } = timeline.value.gauge ?? {}
    return seen.value.turned < high ? { code: 'gauge-after', from: low, to: high } : { code: 'rising' }
  })
  const padSeen = computed(() => run.events.some(({ kind, data }) => kind === 'seen' && data.place === 'pad'))
  const filterOff = computed(
    () => setUp.value.filter === 'off' && setUp.value.method !== 'tank' && build.sheet!.layout.filter,
  )
  const filterOn = computed(() => run.events.some(({ kind, data }) => kind === 'act' && data.action === 'fit-filter'))
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
  return {
    setUp,
    timeline,
    expected,
    going,
    spans,
    on,
    seen,
    read,
    ceiling,
    word,
    tone,
    suspects,
    sentence,
    padSeen,
    filterOff,
    filterOn,
  }
}

export type PrimeLive = ReturnType<typeof usePrimeLive>
