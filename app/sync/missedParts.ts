/**
 * Tells of a part of the page that was asked for and did not come. What the page fetches by itself, beside the work, is asked for again and not told:
 * it is known by its own error, so that a part which is missing on the screen is told also while something else is still on its way.
 *
 * @param tell called for each part that was not fetched beside the work
 */
export function makeMissedParts(tell: () => void) {
  const untold = new WeakSet<object>()
  return {
    /** An import has failed with this error, which is passed on to who asked for it only after this. */
    missed: (error: unknown) => void setTimeout(() => untold.has(Object(error)) || tell()),
    /** What is fetched beside the work: the same promise, its failing not told. */
    beside<Fetched>(fetched: Promise<Fetched>): Promise<Fetched> {
      fetched.catch((error: unknown) => untold.add(Object(error)))
      return fetched
    },
  }
}
