/**
 * Work that goes on one at a time: asked for while it goes on, it is done once more after that, so that what came in at its very end is not
 * left lying. The promise is done when nothing is asked for any more.
 */
export function oneAtATime(work: () => Promise<void>): () => Promise<void> {
  let going: Promise<void> | undefined
  let again = false
  async function go() {
    try {
      do {
        again = false
        await work()
      } while (again)
    } finally {
      going = undefined
    }
  }
  return () => {
    again = true
    going ??= go()
    return going
  }
}
