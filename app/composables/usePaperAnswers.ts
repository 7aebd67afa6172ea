/** What the papers of the open build say, worked out off the page's thread; how long a prime lasts only where the gauge card asks. */
export function usePaperAnswers(card: () => boolean) {
  const build = useBuild()
  const {
    value: answers,
    error,
    pending,
  } = useAnswer(
    (model) => (build.sheet ? model.papers(build.sheet) : undefined),
    () => build.sheet,
  )
  const { value: clock, pending: clockPending } = useAnswer(
    (_model, slow) => (build.sheet && card() ? slow().primeClock(build.sheet) : undefined),
    () => [build.sheet, card()],
  )
  return { answers, error, pending: computed(() => pending.value || clockPending.value), clock }
}
